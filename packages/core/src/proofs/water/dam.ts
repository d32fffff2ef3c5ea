/** What stands on the sill against water that runs inward: a dam in its bed, or the rear leg of a pan. */
import { pieceFor, piecesFor } from '../../build/by-role.ts';
import type { Build } from '../../build/build.ts';
import { seals, stands, type Moment } from '../../build/moment.ts';
import { radians } from '../../geometry/vector.ts';

export interface Dam {
  /** From the sill's outer edge to the dam's front along the slope, mm. */
  readonly depth: number;
  /** The bed that water gets under once it has come off; `null` for a leg of the pan itself. */
  readonly bed: string | null;
}

/** @returns `null` where nothing stands there */
export function damOf(moment: Moment): Dam | null {
  const { build } = moment;
  const { opening, numbers } = build.context;
  const dam = pieceFor(build, 'dam');
  if (dam?.form === 'solid' && seals(moment, dam.id)) {
    const front = Math.max(...dam.solids.flatMap(({ profile }) => profile.map(([w]) => w)));
    return { depth: alongSill(build, front), bed: dam.id };
  }
  const legged = piecesFor(build, 'pan').some(
    (piece) =>
      piece.form === 'sheet' &&
      piece.sheet.faces.some(({ id, surface }) => surface === 'sill-rear' && stands(moment, piece.id, id)),
  );
  return legged ? { depth: alongSill(build, numbers.panInset - opening.depth) - 1, bed: null } : null;
}

/** How far along the slope of the sill a depth lies, mm. @param w depth, below 0 */
export const alongSill = ({ context: { numbers } }: Build, w: number): number =>
  -w / Math.cos(radians(numbers.slope));
