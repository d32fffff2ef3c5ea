/** What to cut on the ground before going up: every worked piece with its size, read off its own outline. */
import { cutSize, flatArea, foldLines } from '../geometry/sheet.ts';
import { distance3 } from '../geometry/vector.ts';
import type { SheetMaterialId } from '../methods/materials.ts';
import type { Piece } from '../methods/pieces/piece.ts';

export interface CutRow {
  readonly piece: string;
  readonly material: SheetMaterialId | 'wood' | 'sealant';
  readonly length_mm: number;
  /** Across the strip; the bead's diameter. */
  readonly width_mm: number;
  /** Sawn boards only: the thick edge. */
  readonly thickness_mm: number | null;
  readonly area_mm2: number;
  readonly folds: number;
  readonly slits: number;
  /** Largest stretch at a corner that is not cut; 1 when nothing is stretched. */
  readonly stretch: number;
}

export const cutList = (pieces: readonly Piece[]): CutRow[] => pieces.flatMap((piece) => cutRow(piece) ?? []);

function cutRow(piece: Piece): CutRow | null {
  const plain = { piece: piece.id, thickness_mm: null, folds: 0, slits: 0, stretch: 1 };
  switch (piece.form) {
    case 'sheet': {
      if (piece.stock === 'in place') return null;
      const { sheet } = piece;
      return {
        ...plain,
        ...cutSize(sheet),
        material: sheet.material,
        area_mm2: flatArea(sheet),
        folds: foldLines(sheet).length,
        slits: sheet.slits.length,
        stretch: Math.max(1, ...sheet.fans.map((fan) => fan.stretch)),
      };
    }
    case 'solid': {
      if (!piece.sawn) return null;
      const { length_mm, width_mm } = piece.sawn;
      return { ...plain, ...piece.sawn, material: 'wood', area_mm2: length_mm * width_mm };
    }
    case 'bead': {
      const length_mm = piece.path.slice(1).reduce((sum, p, i) => sum + distance3(p, piece.path[i] ?? p), 0);
      return {
        ...plain,
        material: 'sealant',
        length_mm,
        width_mm: piece.diameter_mm,
        area_mm2: length_mm * piece.diameter_mm,
      };
    }
  }
}
