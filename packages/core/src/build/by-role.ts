/** Pieces of a build by what they do. */
import type { Piece } from '../methods/pieces/piece.ts';
import type { SolidMaterial } from '../vocabulary/materials.ts';
import type { PieceRole } from '../vocabulary/roles.ts';
import type { Side } from '../vocabulary/sides.ts';

interface Built {
  readonly pieces: readonly Piece[];
}

interface Book {
  readonly named: ReadonlyMap<string, Piece>;
  readonly playing: ReadonlyMap<PieceRole, readonly Piece[]>;
}

/** Asked for at every turn, and the same for one list of pieces. */
const books = new WeakMap<readonly Piece[], Book>();

function bookOf({ pieces }: Built): Book {
  const known = books.get(pieces);
  if (known) return known;
  const playing = new Map<PieceRole, Piece[]>();
  for (const piece of pieces)
    for (const role of piece.roles) {
      const own = playing.get(role);
      if (own) own.push(piece);
      else playing.set(role, [piece]);
    }
  const book = { named: new Map(pieces.map((piece) => [piece.id, piece])), playing };
  books.set(pieces, book);
  return book;
}

export const pieceNamed = (build: Built, id: string): Piece | undefined => bookOf(build).named.get(id);

/** Whether a thing is a piece that plays the role. */
export const plays = (build: Built, thing: string, role: PieceRole): boolean =>
  bookOf(build).named.get(thing)?.roles.includes(role) ?? false;

/** Every piece that plays a role, in the order in which pieces are made. */
export const piecesFor = (build: Built, role: PieceRole): readonly Piece[] =>
  bookOf(build).playing.get(role) ?? [];

/** The first piece that plays a role, on the side named where it is made for each. */
export const pieceFor = (build: Built, role: PieceRole, side?: Side): Piece | undefined =>
  piecesFor(build, role).find((piece) => side === undefined || piece.side === side);

/** A thing with left and right as one; what is no piece stands for itself. */
export function kindOf(build: Built, thing: string): string {
  const piece = pieceNamed(build, thing);
  return piece?.side === 'left' || piece?.side === 'right' ? piece.family : thing;
}

/** Whether a piece with thickness is of a material. */
export const madeOf = (piece: Piece, material: SolidMaterial): boolean =>
  piece.form === 'solid' && piece.solids.some((solid) => solid.material === material);
