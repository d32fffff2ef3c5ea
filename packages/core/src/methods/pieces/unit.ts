/** The unit in its place: frame, glass, fin, the bead behind the fin, shims and foam round the frame. */
import type { Shim } from '../../fit/shims.ts';
import { foldSheet } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import { box, type Range, type Solid } from '../../geometry/solid.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { sillHeight, withUnit, type PieceContext } from './context.ts';
import type { BeadPiece, SheetPiece, SolidPiece } from './piece.ts';

const GLASS_THICKNESS_mm = 24;
const SHIM_WIDTH_mm = 40;

const edges = (context: PieceContext, piece: string) => {
  const { unit } = withUnit(context, piece);
  return { ...unit, right: unit.left + unit.width, top: unit.bottom + unit.height };
};

export function unitSolids(id: string, context: PieceContext): SolidPiece {
  const { left, right, bottom, top, frameFace: f, mullions, front, back } = edges(context, id);
  const depth: Range = [back, front];
  const glassMiddle = (front + back) / 2;
  const glass: Range = [glassMiddle - GLASS_THICKNESS_mm / 2, glassMiddle + GLASS_THICKNESS_mm / 2];
  const part = (name: string, u: Range, v: Range) => box(`${id}-${name}`, 'frame', u, v, depth);
  return {
    form: 'solid',
    id,
    sawn: null,
    solids: [
      part('sill', [left, right], [bottom, bottom + f]),
      part('head', [left, right], [top - f, top]),
      part('left', [left, left + f], [bottom + f, top - f]),
      part('right', [right - f, right], [bottom + f, top - f]),
      box(`${id}-glass`, 'glass', [left + f, right - f], [bottom + f, top - f], glass),
      // Two frames stand against each other at a mullion.
      ...mullions.map((u, i) => part(`mullion-${i + 1}`, [u - f, u + f], [bottom + f, top - f])),
    ],
  };
}

/** The fin is a sheet that arrives with the unit, in one piece with its frame. */
export function finSheet(id: string, context: PieceContext): SheetPiece {
  const { left, right, bottom, top, finWidth: fin } = edges(context, id);
  const wall = context.opening.surfaces.wall;
  const outer: Range = [left - fin, right + fin];
  const sheet = foldSheet({ id, material: 'fin' }, { at: [0, 0], along: [1, 0] }, [
    { id: 'left', surface: wall, flat: rectangle([outer[0], left], [bottom, top]) },
    {
      id: 'head',
      surface: wall,
      flat: [
        [outer[0], top],
        [left, top],
        [right, top],
        [outer[1], top],
        [outer[1], top + fin],
        [outer[0], top + fin],
      ],
      from: 'left',
    },
    { id: 'right', surface: wall, flat: rectangle([right, outer[1]], [bottom, top]), from: 'head' },
    {
      id: 'sill',
      surface: wall,
      flat: [
        [outer[0], bottom - fin],
        [outer[1], bottom - fin],
        [outer[1], bottom],
        [right, bottom],
        [left, bottom],
        [outer[0], bottom],
      ],
      from: 'left',
    },
  ]);
  return { form: 'sheet', id, stock: 'in place', sheet };
}

/** Bead in line with the fin holes at both jambs and the head; nothing along the sill. */
export function finBead(id: string, context: PieceContext): BeadPiece {
  const { left, right, bottom, top, holeFromFrame: hole } = edges(context, id);
  const line: readonly Point2[] = [
    [left - hole, bottom],
    [left - hole, top + hole],
    [right + hole, top + hole],
    [right + hole, bottom],
  ];
  return {
    form: 'bead',
    id,
    path: line.map(([u, v]) => [u, v, 0]),
    diameter_mm: context.numbers.beadDiameter,
  };
}

/** Shims as the fit asks for them: level blocks at the jambs, wedges bevelled against the slope at the sill. */
export function shimSolids(id: string, shims: readonly Shim[], context: PieceContext): SolidPiece {
  const { left, right, bottom, front, back } = edges(context, id);
  const { numbers } = context;
  const inFrame: Range = [back, Math.min(front, 0)];
  const solids = shims.map((shim, i): Solid => {
    const name = `${id}-${i + 1}`;
    const half = SHIM_WIDTH_mm / 2;
    if (shim.side === 'sill') {
      return {
        id: name,
        material: 'shim',
        u: [shim.at_mm - half, shim.at_mm + half],
        profile: [
          [inFrame[1], sillHeight(numbers, -inFrame[1])],
          [inFrame[1], bottom],
          [inFrame[0], bottom],
          [inFrame[0], sillHeight(numbers, -inFrame[0])],
        ],
      };
    }
    const u: Range =
      shim.side === 'left' ? [left - shim.thickness_mm, left] : [right, right + shim.thickness_mm];
    return box(name, 'shim', u, [shim.at_mm - half, shim.at_mm + half], inFrame);
  });
  return { form: 'solid', id, solids, sawn: null };
}

/** Low-expansion foam in the inner half of the frame depth on all four sides; the outer half stays open to drain. */
export function gapFoam(id: string, context: PieceContext): SolidPiece {
  const { opening, numbers } = context;
  const { left, right, bottom, top, front, back } = edges(context, id);
  const middle = (back + Math.min(front, 0)) / 2;
  const w: Range = [back, middle];
  return {
    form: 'solid',
    id,
    sawn: null,
    solids: [
      {
        id: `${id}-sill`,
        material: 'foam',
        u: [0, opening.width],
        profile: [
          [back, sillHeight(numbers, -back)],
          [middle, sillHeight(numbers, -middle)],
          [middle, bottom],
          [back, bottom],
        ],
      },
      box(`${id}-left`, 'foam', [0, left], [bottom, top], w),
      box(`${id}-right`, 'foam', [right, opening.width], [bottom, top], w),
      box(`${id}-head`, 'foam', [0, opening.width], [top, opening.height], w),
    ],
  };
}
