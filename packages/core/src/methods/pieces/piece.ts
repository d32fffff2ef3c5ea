/** What a piece maker returns: a folded sheet, solids, or lines of sealant. */
import type { Sheet } from '../../geometry/sheet.ts';
import type { Solid } from '../../geometry/solid.ts';
import type { Point3 } from '../../geometry/vector.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import type { Side } from '../../vocabulary/sides.ts';

/** `worked`: cut from stock and listed; `in place`: there already and only slit, or part of the unit. */
export interface SheetPiece {
  readonly form: 'sheet';
  readonly id: string;
  readonly stock: 'worked' | 'in place';
  readonly sheet: Sheet;
  /** Wet film of a fluid, mm: it is brushed on and not cut. */
  readonly film_mm?: number;
}

export interface Sawn {
  readonly length_mm: number;
  readonly width_mm: number;
  readonly thickness_mm: number;
  /** How many of this size. */
  readonly count: number;
}

export interface SolidPiece {
  readonly form: 'solid';
  readonly id: string;
  readonly solids: readonly Solid[];
  /** Sizes to saw or cut; empty when nothing is. */
  readonly sawn: readonly Sawn[];
}

export interface BeadPiece {
  readonly form: 'bead';
  readonly id: string;
  readonly paths: readonly (readonly Point3[])[];
  readonly diameter_mm: number;
}

/** What a maker returns. */
export type Shape = SheetPiece | SolidPiece | BeadPiece;

/** A shape with what it does in the wall, as its row says. */
export type Piece = Shape & {
  readonly roles: readonly PieceRole[];
  /** What it is called apart from its side. */
  readonly family: string;
  /** Of pieces that are made once for each side. */
  readonly side: Side | null;
};

export const worked = (id: string, sheet: Sheet): SheetPiece => ({
  form: 'sheet',
  id,
  stock: 'worked',
  sheet,
});
export const inPlace = (id: string, sheet: Sheet): SheetPiece => ({
  form: 'sheet',
  id,
  stock: 'in place',
  sheet,
});
export const solidPiece = (id: string, solids: readonly Solid[], sawn: readonly Sawn[] = []): SolidPiece => ({
  form: 'solid',
  id,
  solids,
  sawn,
});
