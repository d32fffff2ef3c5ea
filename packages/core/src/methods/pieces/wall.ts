/** Wrap with its head flap, and the bevelled board: what turns a framed hole into an opening to be flashed. */
import { foldSheet, type FaceSpec } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { sillHeight, type PieceContext } from './context.ts';
import type { SheetPiece, SolidPiece } from './piece.ts';

/** How far the wrap is modelled beyond the slits: it is a sheet of the whole wall. */
const WRAP_BEYOND_mm = 160;

/** Sideways (and upward) reach of a 45° slit. */
export const slitReach = (slit_mm: number): number => slit_mm / Math.SQRT2;

/** Wrap cut flush with the opening, the head slit at 45° so that a flap can be folded up and brought back. */
export function wrapWithFlap(id: string, { opening, numbers }: PieceContext): SheetPiece {
  const { width: W, height: H, surfaces } = opening;
  const reach = slitReach(numbers.flapSlit);
  const trim = numbers.flapTrim;
  const side = reach + WRAP_BEYOND_mm;
  const wall = surfaces.wall;
  const face = (name: string, flat: readonly Point2[], from?: string): FaceSpec =>
    from === undefined ? { id: name, surface: wall, flat } : { id: name, surface: wall, flat, from };
  const leftSlitEnd: Point2 = [-reach, H + reach];
  const rightSlitEnd: Point2 = [W + reach, H + reach];
  const sheet = foldSheet(
    {
      id,
      material: 'wrap',
      joins: [['right-shoulder', 'above']],
      slits: [
        [[0, H], leftSlitEnd],
        [[W, H], rightSlitEnd],
      ],
    },
    { at: [0, 0], along: [1, 0] },
    [
      face('left', rectangle([-side, 0], [0, H])),
      face(
        'below',
        [
          [-side, -side],
          [W + side, -side],
          [W + side, 0],
          [W, 0],
          [0, 0],
          [-side, 0],
        ],
        'left',
      ),
      face('right', rectangle([W, W + side], [0, H]), 'below'),
      face('left-shoulder', [[-side, H], [0, H], leftSlitEnd, [-side, H + reach]], 'left'),
      face('right-shoulder', [[W, H], [W + side, H], [W + side, H + reach], rightSlitEnd], 'right'),
      face(
        'above',
        [
          [-side, H + reach],
          leftSlitEnd,
          rightSlitEnd,
          [W + side, H + reach],
          [W + side, H + side],
          [-side, H + side],
        ],
        'left-shoulder',
      ),
      face('flap', [[-trim, H + trim], [W + trim, H + trim], rightSlitEnd, leftSlitEnd], 'above'),
      face(
        'flap-edge',
        [
          [0, H],
          [W, H],
          [W + trim, H + trim],
          [-trim, H + trim],
        ],
        'flap',
      ),
    ],
  );
  return { form: 'sheet', id, stock: 'in place', sheet };
}

/** Bevelled board on the rough sill, over the full depth of the reveal, thin edge to the weather. */
export function bevelledBoard(id: string, { opening, numbers }: PieceContext): SolidPiece {
  const { width, depth } = opening;
  const thick = sillHeight(numbers, depth);
  return {
    form: 'solid',
    id,
    sawn: { length_mm: width, width_mm: depth, thickness_mm: thick },
    solids: [
      {
        id,
        material: 'wood',
        u: [0, width],
        profile: [
          [0, 0],
          [0, numbers.boardFront],
          [-depth, thick],
          [-depth, 0],
        ],
      },
    ],
  };
}
