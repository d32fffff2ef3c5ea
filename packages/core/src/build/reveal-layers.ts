/** How thick the flashing is that the unit must pass, read from the pieces themselves. */
import type { Side } from '../vocabulary/sides.ts';
import { contains } from '../geometry/polygon.ts';
import type { SurfaceId } from '../vocabulary/surfaces.ts';
import type { Point2 } from '../geometry/vector.ts';
import { sheetMaterials } from '../vocabulary/materials.ts';
import { sillHeight, type PieceContext } from '../methods/pieces/context.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { Place } from '../survey/frame.ts';

/** Sum of the sheets lying over one point of a surface, mm. */
export function layersAt(pieces: readonly Piece[], surface: SurfaceId, at: Point2): number {
  return pieces.reduce((sum, piece) => {
    if (piece.form !== 'sheet') return sum;
    const faces = piece.sheet.faces.filter((f) => f.surface === surface && contains(f.placed, at)).length;
    return sum + faces * sheetMaterials[piece.sheet.material].thickness_mm;
  }, 0);
}

/** Samples lie this far inside the ends of a reveal, where corner laps are thickest. */
const FROM_END_mm = 15;

/**
 * Returns the layers on the reveal at a measured place, under the middle of the frame's depth. On the sill the
 * whole build-up under the frame's inner edge counts: board, slope and pan.
 */
export function revealLayers(pieces: readonly Piece[], context: PieceContext, frameBack: number) {
  const { opening, numbers } = context;
  const under = Math.max(frameBack / 2, -opening.depth / 2);
  const low = sillHeight(numbers, opening.depth) + FROM_END_mm;
  const high = opening.height - FROM_END_mm;
  const between = (from: number, to: number, place: Place) => from + (to - from) * place;
  const sillBuildUp =
    sillHeight(numbers, -frameBack) + layersAt(pieces, 'sill-reveal', [opening.width / 2, -under]);
  return (side: Side, place: Place): number => {
    const v = between(low, high, place);
    const u = between(FROM_END_mm, opening.width - FROM_END_mm, place);
    if (side === 'left') return layersAt(pieces, 'left-reveal', [v, under]);
    if (side === 'right') return layersAt(pieces, 'right-reveal', [v, -under]);
    return side === 'head' ? layersAt(pieces, 'head-reveal', [u, under]) : sillBuildUp;
  };
}
