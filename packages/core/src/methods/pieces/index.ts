/** Piece kinds by name, so that methods can ask for them in a table. */
import type { Side } from '../../fit/placement.ts';
import type { Shim } from '../../fit/shims.ts';
import type { PieceRow } from '../method.ts';
import type { PieceContext } from './context.ts';
import type { Piece } from './piece.ts';
import { headFlashing, jambFlashing, stretchPan } from './reveal.ts';
import { headTape, innerSeal, jambTape, slitTape } from './tape.ts';
import { finBead, finSheet, gapFoam, shimSolids, unitSolids } from './unit.ts';
import { bevelledBoard, wrapWithFlap } from './wall.ts';

interface Maker {
  /** `opening` pieces lie on the opening alone and set where the unit can sit; `unit` pieces follow its place. */
  readonly lies: 'opening' | 'unit';
  readonly make: (row: PieceRow, context: PieceContext, shims: readonly Shim[]) => Piece;
}

const jamb = (side: Side | undefined, id: string): 'left' | 'right' => {
  if (side === 'left' || side === 'right') return side;
  throw new Error(`${id} must be left or right`);
};
const anySide = (side: Side | undefined, id: string): Side => {
  if (side) return side;
  throw new Error(`${id} needs a side`);
};

export const pieceMakers = {
  'wrap-with-flap': { lies: 'opening', make: ({ id }, context) => wrapWithFlap(id, context) },
  'bevelled-board': { lies: 'opening', make: ({ id }, context) => bevelledBoard(id, context) },
  'stretch-pan': { lies: 'opening', make: ({ id }, context) => stretchPan(id, context) },
  'jamb-flashing': {
    lies: 'opening',
    make: ({ id, side }, context) => jambFlashing(id, jamb(side, id), context),
  },
  'head-flashing': { lies: 'opening', make: ({ id }, context) => headFlashing(id, context) },
  unit: { lies: 'unit', make: ({ id }, context) => unitSolids(id, context) },
  fin: { lies: 'unit', make: ({ id }, context) => finSheet(id, context) },
  'fin-bead': { lies: 'unit', make: ({ id }, context) => finBead(id, context) },
  'jamb-shims': {
    lies: 'unit',
    make: ({ id }, context, shims) =>
      shimSolids(
        id,
        shims.filter((s) => s.side !== 'sill'),
        context,
      ),
  },
  'sill-shims': {
    lies: 'unit',
    make: ({ id }, context, shims) =>
      shimSolids(
        id,
        shims.filter((s) => s.side === 'sill'),
        context,
      ),
  },
  'jamb-tape': { lies: 'unit', make: ({ id, side }, context) => jambTape(id, jamb(side, id), context) },
  'head-tape': { lies: 'unit', make: ({ id }, context) => headTape(id, context) },
  'slit-tape': { lies: 'opening', make: ({ id, side }, context) => slitTape(id, jamb(side, id), context) },
  'gap-foam': { lies: 'unit', make: ({ id }, context) => gapFoam(id, context) },
  'inner-seal': { lies: 'unit', make: ({ id, side }, context) => innerSeal(id, anySide(side, id), context) },
} as const satisfies Record<string, Maker>;

export type PieceKind = keyof typeof pieceMakers;

export const liesOnOpening = (row: PieceRow): boolean => pieceMakers[row.kind].lies === 'opening';

export function makePiece(row: PieceRow, context: PieceContext, shims: readonly Shim[]): Piece {
  const maker: Maker = pieceMakers[row.kind];
  return maker.make(row, context, shims);
}
