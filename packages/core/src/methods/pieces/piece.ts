/** What a piece maker returns: a folded sheet, solids, or a line of sealant. */
import type { Sheet } from '../../geometry/sheet.ts';
import type { Solid } from '../../geometry/solid.ts';
import type { Point3 } from '../../geometry/vector.ts';

/** `worked`: cut from stock and listed; `in place`: there already and only slit, or part of the unit. */
export interface SheetPiece {
  readonly form: 'sheet';
  readonly id: string;
  readonly stock: 'worked' | 'in place';
  readonly sheet: Sheet;
}

export interface SolidPiece {
  readonly form: 'solid';
  readonly id: string;
  readonly solids: readonly Solid[];
  /** Sawn size: length, width, thick edge; null when it is not sawn. */
  readonly sawn: {
    readonly length_mm: number;
    readonly width_mm: number;
    readonly thickness_mm: number;
  } | null;
}

export interface BeadPiece {
  readonly form: 'bead';
  readonly id: string;
  readonly path: readonly Point3[];
  readonly diameter_mm: number;
}

export type Piece = SheetPiece | SolidPiece | BeadPiece;
