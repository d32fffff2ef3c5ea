/** Tapes over the fin outside, over the slits of the flap, and the seal round the frame inside. */
import { foldSheet, type FaceSpec } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import type { Side } from '../../fit/placement.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { sillHeight, withUnit, type PieceContext } from './context.ts';
import type { SheetPiece } from './piece.ts';
import { slitReach } from './wall.ts';

/** A single straight strip on the wall face. */
function wallStrip(
  id: string,
  { opening }: PieceContext,
  strip: { at: Point2; along: Point2; length: number; across: readonly [number, number] },
): SheetPiece {
  const sheet = foldSheet({ id, material: 'flashing-tape' }, strip, [
    { id: 'face', surface: opening.surfaces.wall, flat: rectangle([0, strip.length], strip.across) },
  ]);
  return { form: 'sheet', id, stock: 'worked', sheet };
}

/** Over the jamb fin and onto the wall: from above the head fin down past the sill fin and the pan's leg. */
export function jambTape(id: string, side: 'left' | 'right', context: PieceContext): SheetPiece {
  const { unit, numbers } = withUnit(context, id);
  const top = unit.bottom + unit.height + unit.finWidth + numbers.jambTapeAboveFin;
  const panEnd = numbers.boardFront - numbers.panLap;
  const bottom = Math.min(unit.bottom - unit.finWidth - numbers.jambTapeBelowFin, panEnd);
  const u = side === 'left' ? unit.left : unit.left + unit.width;
  const across =
    side === 'left' ? ([0, numbers.jambTapeWidth] as const) : ([-numbers.jambTapeWidth, 0] as const);
  return wallStrip(id, context, { at: [u, bottom], along: [0, 1], length: top - bottom, across });
}

/** Over the head fin and past the outer edges of both jamb tapes; the flap comes down over it. */
export function headTape(id: string, context: PieceContext): SheetPiece {
  const { unit, numbers } = withUnit(context, id);
  const past = numbers.jambTapeWidth + numbers.headTapePast;
  return wallStrip(id, context, {
    at: [unit.left - past, unit.bottom + unit.height],
    along: [1, 0],
    length: unit.width + 2 * past,
    across: [0, numbers.headTapeWidth],
  });
}

/** Along a 45° slit of the returned flap, running past both of its ends. */
export function slitTape(id: string, side: 'left' | 'right', context: PieceContext): SheetPiece {
  const { opening, numbers } = context;
  const reach = slitReach(numbers.flapSlit);
  const beyond = numbers.headTapePast / Math.SQRT2;
  const out = side === 'left' ? -1 : 1;
  const corner = side === 'left' ? 0 : opening.width;
  const half = numbers.slitTapeWidth / 2;
  return wallStrip(id, context, {
    at: [corner - out * beyond, opening.height - beyond],
    along: [out * reach, reach],
    length: numbers.flapSlit + 2 * numbers.headTapePast,
    across: [-half, half],
  });
}

/** Least tape that must lie on the reveal behind the joint, whatever its width leaves. */
const LEAST_ON_REVEAL_mm = 1;

/** Width of the inner seal that is left for the reveal once frame and joint are bridged; may be negative. */
export function sealOnReveal(side: Side, context: PieceContext): number {
  return context.numbers.sealWidth - context.numbers.sealOnFrame - jointAtSeal(side, context);
}

/** Width of the open joint at the inner face of the frame. */
function jointAtSeal(side: Side, context: PieceContext): number {
  const { unit, opening, numbers } = withUnit(context, 'seal');
  const joints: Record<Side, number> = {
    left: unit.left,
    right: opening.width - unit.left - unit.width,
    head: opening.height - unit.bottom - unit.height,
    sill: unit.bottom - sillHeight(numbers, -unit.back),
  };
  return joints[side];
}

/** Corner tape from the frame over the joint onto the reveal; sill and head strips turn their ends onto the jambs. */
export function innerSeal(id: string, side: Side, context: PieceContext): SheetPiece {
  const { unit, opening, numbers } = withUnit(context, id);
  const { width: W, height: H, surfaces } = opening;
  const low = sillHeight(numbers, -unit.back);
  const onFrame = jointAtSeal(side, context) + numbers.sealOnFrame;
  const onReveal = Math.max(LEAST_ON_REVEAL_mm, sealOnReveal(side, context));
  // On the frame's inner face y runs right for an upright strip, down for a level one.
  const towardsFrame = side === 'left' || side === 'head' ? 1 : -1;
  const upright = side === 'left' || side === 'right';
  const length = upright ? H - low : W;
  const band = (from: number, to: number): readonly [number, number] => [
    Math.min(from, to),
    Math.max(from, to),
  ];
  const reveal = band(-towardsFrame * onReveal, 0);
  const root: Record<Side, Point2> = { left: [0, -low], right: [W, -low], head: [0, -H], sill: [0, -low] };
  const lap = numbers.sealLap;
  const tabs: FaceSpec[] = upright
    ? []
    : [
        {
          id: 'left-tab',
          surface: surfaces['left-reveal'],
          flat: rectangle([-lap, 0], reveal),
          from: 'reveal',
        },
        {
          id: 'right-tab',
          surface: surfaces['right-reveal'],
          flat: rectangle([W, W + lap], reveal),
          from: 'reveal',
        },
      ];
  const sheet = foldSheet(
    { id, material: 'corner-tape' },
    { at: root[side], along: upright ? [0, -1] : [1, 0] },
    [
      {
        id: 'frame',
        surface: surfaces['unit-inside'],
        flat: rectangle([0, length], band(0, towardsFrame * onFrame)),
      },
      {
        id: 'reveal',
        surface: surfaces[`${side}-reveal`],
        flat: rectangle([0, length], reveal),
        from: 'frame',
      },
      ...tabs,
    ],
  );
  return { form: 'sheet', id, stock: 'worked', sheet };
}
