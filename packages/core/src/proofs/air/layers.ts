/** Which layer of the wall keeps the air out, and what stands under the sheets of a section. */
import type { CutId } from '../../vocabulary/sides.ts';
import { isFrameSide, isOnBuck, isOnFrame, isReveal, type SurfaceId } from '../../vocabulary/surfaces.ts';
import type { Choices } from '../../vocabulary/axes.ts';
import { buckSide, UNIT, wallLayerPiece } from '../../methods/names.ts';
import type { PieceContext } from '../../methods/pieces/context.ts';

/** Layers of the room that come after the window; whoever makes them closes them onto the opening. */
export const ROOM_LAYERS = ['interior-membrane', 'drywall', 'plaster'] as const;
export type RoomLayer = (typeof ROOM_LAYERS)[number];
export const isRoomLayer = (thing: string): thing is RoomLayer =>
  (ROOM_LAYERS as readonly string[]).includes(thing);

/** What stands for the frame in a line. */
export const FRAME = UNIT;
/** Solid wood round the opening; a crack between two of its members is not seen here. */
export const FRAMING = 'framing';

/** The thing that the pen starts on at a side: the wall's own air layer. */
export function wallLayer(side: CutId, { choices }: Pick<PieceContext, 'choices'>): string {
  if (choices.airLayer !== 'water-layer') return choices.airLayer;
  return wallLayerPiece(side, choices) ?? FRAMING;
}

/** A bare board has open seams: it keeps air out only where somebody made it the air layer. */
const boardIsTight = ({ airLayer }: Choices): boolean => airLayer === 'sheathing';

/** Along a side of the opening or up the rear of its sill. */
const inOpening = (surface: SurfaceId): boolean => isReveal(surface) || surface === 'sill-rear';

/**
 * Returns the airtight thing under a point of a surface where no sheet lies, or `null` where air passes: an open
 * joint, insulation, a board with open seams.
 *
 * @param across along the wall in the section, mm @param w depth, mm
 */
export function underneath(
  context: PieceContext,
  at: { side: CutId; surface: SurfaceId; across: number; w: number },
): string | null {
  const { opening, choices, unit } = context;
  const { side, surface, across, w } = at;
  const board = boardIsTight(choices) ? 'sheathing' : null;
  if (isOnBuck(surface)) return opening.surfaces[surface]?.host ?? null;
  if (inOpening(surface)) return underReveal(context, side, w, board);
  if (surface === 'inner-plane') return hasBoard(opening) ? board : solidWall(choices);
  if (isOnFrame(surface)) {
    if (!unit) return null;
    const [from, to] =
      side === 'left' || side === 'right'
        ? [unit.left, unit.left + unit.width]
        : [unit.bottom, unit.bottom + unit.height];
    return surface !== 'unit-inside' || (across > from && across < to) ? FRAME : null;
  }
  if (surface !== 'wall') return null;
  const end = side === 'left' || side === 'right' ? opening.width : opening.height;
  if (across > 0 && across < end) return null;
  if (opening.buck) return Math.max(-across, across - end) < opening.buck.face ? buckSide(side) : null;
  if (choices.waterLayer === 'masonry' || choices.waterLayer === 'foam-face') return null;
  return hasBoard(opening) ? board : FRAMING;
}

/** Where along a surface in a section something else may stand under it. */
export function changesUnder(
  surface: SurfaceId,
  { side }: { readonly side: CutId },
  { opening, unit }: PieceContext,
): readonly number[] {
  const upright = side === 'left' || side === 'right';
  if (runsInDepth(surface)) return [0, opening.sheathing, ...opening.layers.flatMap((l) => l.w)];
  const end = upright ? opening.width : opening.height;
  const face = opening.buck?.face ?? 0;
  const frame = !unit
    ? []
    : upright
      ? [unit.left, unit.left + unit.width]
      : [unit.bottom, unit.bottom + unit.height];
  return [-face, 0, end, end + face, ...frame];
}

const runsInDepth = (surface: SurfaceId): boolean =>
  inOpening(surface) || isFrameSide(surface) || isOnBuck(surface);

const hasBoard = ({ layers }: PieceContext['opening']): boolean =>
  layers.some((l) => l.role === 'sheathing' && l.w[1] > l.w[0]);

const solidWall = ({ waterLayer }: Choices): string => (waterLayer === 'masonry' ? 'masonry' : FRAMING);

function underReveal(
  { opening, choices }: PieceContext,
  side: CutId,
  w: number,
  board: string | null,
): string | null {
  const { buck, sheathing } = opening;
  // The board on the rough sill belongs to the framing; a buck has a sloped sill of its own over the whole depth.
  if (buck && (buck.leg > 0 || side === 'sill' || w > sheathing)) return buckSide(side);
  if (side === 'sill') return solidWall(choices);
  const layer = opening.layers.find((l) => w > l.w[0] && w < l.w[1]);
  if (layer?.role === 'sheathing') return board;
  if (layer?.role === 'framing') return solidWall(choices);
  // Where a measured depth goes beyond the layers the rest counts as framing.
  return layer ? null : solidWall(choices);
}

/** What a layer of the room is closed onto: whatever stands at the inner edge of the reveal. */
export const roomEdge = (context: PieceContext, side: CutId): string =>
  underReveal(context, side, -context.opening.depth + 1, null) ?? solidWall(context.choices);
