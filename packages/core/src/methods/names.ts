/** Pieces that the geometry of an opening names before they are made: where it must, it asks here. */
import type { Choices } from '../vocabulary/axes.ts';
import type { Side } from '../vocabulary/sides.ts';

export const UNIT = 'unit';

/** What a level sill has not, and dimensions are named after all the same. */
export const SILL_BOARD = 'board';

export const buckSide = (side: Side): string => `buck-${side}`;

/** The sheet of the wall's own water layer at a side; `null` for an old wall, of which nobody knows. */
export function wallLayerPiece(
  side: Side,
  { waterLayer, sequence }: Pick<Choices, 'waterLayer' | 'sequence'>,
): string | null {
  switch (waterLayer) {
    case 'mechanical-wrap':
    case 'self-adhered':
      if (sequence === 'wrap-first') return 'wrap';
      return side === 'sill' ? 'course-lower' : 'course-upper';
    case 'existing':
      return null;
    default:
      return 'wall-face';
  }
}
