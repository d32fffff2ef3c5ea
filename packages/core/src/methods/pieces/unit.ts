/** The unit in its place: frame, glass, fin, and what holds it: shims, blocks, clips, brackets. */
import type { Shim } from '../../fit/shims.ts';
import { foldSheet } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import { box, type Range, type Solid } from '../../geometry/solid.ts';
import type { SolidMaterial } from '../../vocabulary/materials.ts';
import { edgesOfUnit, sillHeight, type PieceContext } from './context.ts';
import { inPlace, solidPiece, type SheetPiece, type SolidPiece } from './piece.ts';

const GLASS_THICKNESS_mm = 24;
const SHIM_WIDTH_mm = 40;
const BLOCK_WIDTH_mm = 80;

export function unitSolids(id: string, context: PieceContext): SolidPiece {
  const { left, right, bottom, top, frameFace: f, mullions, front, back } = edgesOfUnit(context, id);
  const depth: Range = [back, front];
  const glassMiddle = (front + back) / 2;
  const thick = Math.min(GLASS_THICKNESS_mm, front - back);
  const glass: Range = [glassMiddle - thick / 2, glassMiddle + thick / 2];
  const part = (name: string, u: Range, v: Range) => box(`${id}-${name}`, 'frame', u, v, depth);
  return solidPiece(id, [
    part('sill', [left, right], [bottom, bottom + f]),
    part('head', [left, right], [top - f, top]),
    part('left', [left, left + f], [bottom + f, top - f]),
    part('right', [right - f, right], [bottom + f, top - f]),
    box(`${id}-glass`, 'glass', [left + f, right - f], [bottom + f, top - f], glass),
    // Two frames stand against each other at a mullion.
    ...mullions.map((u, i) => part(`mullion-${i + 1}`, [u - f, u + f], [bottom + f, top - f])),
  ]);
}

/** The fin is a sheet that arrives with the unit, in one piece with its frame. */
export function finSheet(id: string, context: PieceContext): SheetPiece {
  const { left, right, bottom, top, finWidth: fin } = edgesOfUnit(context, id);
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
  return inPlace(id, sheet);
}

/** Frame depth that stands inside the opening. */
const inOpening = ({ back, front }: { back: number; front: number }): Range => [back, Math.min(front, 0)];

/** A block of `width` under the frame that makes good the slope of the sill. */
function underFrame(
  name: string,
  at: number,
  width: number,
  material: SolidMaterial,
  context: PieceContext,
): Solid {
  const unit = edgesOfUnit(context, name);
  const [inner, outer] = inOpening(unit);
  const { numbers } = context;
  return {
    id: name,
    material,
    u: [at - width / 2, at + width / 2],
    profile: [
      [outer, sillHeight(numbers, -outer)],
      [outer, unit.bottom],
      [inner, unit.bottom],
      [inner, sillHeight(numbers, -inner)],
    ],
  };
}

/** Wedges bevelled against the slope at the sill, or blocks of insulation in their place. */
export function sillShims(
  id: string,
  shims: readonly Shim[],
  material: SolidMaterial,
  context: PieceContext,
): SolidPiece {
  const width = material === 'insulation-block' ? BLOCK_WIDTH_mm : SHIM_WIDTH_mm;
  const own = shims.filter((s) => s.side === 'sill');
  return solidPiece(
    id,
    own.map((s, i) => underFrame(`${id}-${i + 1}`, s.at_mm, width, material, context)),
  );
}

/** Opposed pairs at the jambs, as the fit asks for them. */
export function jambShims(id: string, shims: readonly Shim[], context: PieceContext): SolidPiece {
  const unit = edgesOfUnit(context, id);
  const w = inOpening(unit);
  const half = SHIM_WIDTH_mm / 2;
  const solids = shims
    .filter((s) => s.side !== 'sill')
    .map((shim, i) => {
      const u: Range =
        shim.side === 'left'
          ? [unit.left - shim.thickness_mm, unit.left]
          : [unit.right, unit.right + shim.thickness_mm];
      return box(`${id}-${i + 1}`, 'shim', u, [shim.at_mm - half, shim.at_mm + half], w);
    });
  return solidPiece(id, solids);
}

const CLIP_WIDTH_mm = 40;
const CLIP_THICK_mm = 2;
const CLIP_REACH_mm = 60;

/** Flat straps from the frame's sides onto the reveal towards the room, one at every jamb shim. */
export function clips(id: string, shims: readonly Shim[], context: PieceContext): SolidPiece {
  const { opening } = context;
  const { back } = edgesOfUnit(context, id);
  const w: Range = [Math.max(back - CLIP_REACH_mm, opening.framing), back + CLIP_REACH_mm / 2];
  const half = CLIP_WIDTH_mm / 2;
  const solids = shims
    .filter((s) => s.side !== 'sill')
    .map((shim, i) => {
      const u: Range =
        shim.side === 'left' ? [0, CLIP_THICK_mm] : [opening.width - CLIP_THICK_mm, opening.width];
      return box(`${id}-${i + 1}`, 'metal', u, [shim.at_mm - half, shim.at_mm + half], w);
    });
  return solidPiece(id, solids);
}

const BRACKET_THICK_mm = 5;

/** Angles fixed to the masonry that carry the frame before it, under every sill shim. */
export function brackets(id: string, shims: readonly Shim[], context: PieceContext): SolidPiece {
  const { opening, numbers } = context;
  const { front, back } = edgesOfUnit(context, id);
  const w: Range = [
    Math.min(opening.sheathing - CLIP_REACH_mm, back),
    Math.max(front - BRACKET_THICK_mm, back),
  ];
  const own = shims.filter((s) => s.side === 'sill');
  return solidPiece(
    id,
    own.map((s, i) => {
      const top = Math.max(sillHeight(numbers, -front), 0) + BRACKET_THICK_mm;
      return box(
        `${id}-${i + 1}`,
        'metal',
        [s.at_mm - CLIP_WIDTH_mm, s.at_mm + CLIP_WIDTH_mm],
        [top - BRACKET_THICK_mm, top],
        w,
      );
    }),
  );
}

/** Thin packs between the pan's lip and the bottom fin that keep the way out open. */
export function finSpacers(id: string, shims: readonly Shim[], context: PieceContext): SolidPiece {
  const { bottom, finWidth } = edgesOfUnit(context, id);
  const thick = context.numbers.spacer;
  const solids = shims
    .filter((s) => s.side === 'sill')
    .map((s, i) =>
      box(
        `${id}-${i + 1}`,
        'shim',
        [s.at_mm - SHIM_WIDTH_mm / 2, s.at_mm + SHIM_WIDTH_mm / 2],
        [bottom - finWidth, bottom],
        [0, thick],
      ),
    );
  return solidPiece(id, solids);
}
