/** How far the strips of an opening run over the wall face, and whether there is wall enough. */
import { bounds } from '../geometry/polygon.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { Build } from './build.ts';

export const wallSides = ['left', 'right', 'above', 'below'] as const;
export type WallSide = (typeof wallSides)[number];

/** Beyond the edge of the rough opening, mm. */
export type Reach = Readonly<Record<WallSide, number>>;

export interface PieceReach {
  readonly piece: string;
  readonly reach: Reach;
}

/** The wall's own layer, and a seam of it, goes on to the next opening and needs no room of its own. */
const runsOn = ({ roles, stock, sheet }: Extract<Piece, { form: 'sheet' }>): boolean =>
  sheet.material === 'wrap' ||
  roles.includes('course-seam') ||
  (stock === 'in place' && !roles.includes('fin'));

/** Reach of every strip on the wall face; the wrap runs on to the next wall and is left out. */
export function pieceReaches({ build }: { readonly build: Build | null }): PieceReach[] {
  if (!build) return [];
  const { width, height, buck } = build.context.opening;
  // Pieces are laid out from the opening that a buck leaves.
  const leg = buck?.leg ?? 0;
  return build.pieces.flatMap((piece) => {
    if (piece.form !== 'sheet' || runsOn(piece)) return [];
    const onWall = piece.sheet.faces.filter((face) => face.surface === 'wall').flatMap((face) => face.placed);
    if (onWall.length === 0) return [];
    const { x, y } = bounds(onWall);
    return {
      piece: piece.id,
      reach: {
        left: -x[0] - leg,
        right: x[1] - width - leg,
        above: y[1] - height - leg,
        below: -y[0] - leg,
      },
    };
  });
}

/** The farthest reach to each side, 0 where nothing passes the edge. */
export const farthestReach = (reaches: readonly PieceReach[]): Reach => {
  const most = (side: WallSide) => Math.max(0, ...reaches.map((r) => r.reach[side]));
  return { left: most('left'), right: most('right'), above: most('above'), below: most('below') };
};
