/** What to cut on the ground before going up: every worked piece with its size, read off its own outline. */
import { cutSize, flatArea, foldLines } from '../geometry/sheet.ts';
import { distance3 } from '../geometry/vector.ts';
import type { SheetMaterialId, SolidMaterial } from '../vocabulary/materials.ts';
import type { BeadPiece, Piece } from '../methods/pieces/piece.ts';

export interface CutRow {
  readonly piece: string;
  readonly material: SheetMaterialId | SolidMaterial;
  readonly length_mm: number;
  /** Across the strip; the bead's diameter. */
  readonly width_mm: number;
  /** Sawn pieces only: the thick edge. */
  readonly thickness_mm: number | null;
  /** How many of this size. */
  readonly count: number;
  readonly area_mm2: number;
  /** Fluids and sealant: what one of them takes, without waste. */
  readonly volume_ml: number | null;
  readonly folds: number;
  readonly slits: number;
  /** Places where the strip is laid double. */
  readonly pleats: number;
  /** Largest stretch at a corner that is not cut; 1 when nothing is stretched. */
  readonly stretch: number;
}

/** Asked for by the plan, by cards and by the take-off: a piece is measured once. */
const known = new WeakMap<Piece, readonly CutRow[]>();

export const cutList = (pieces: readonly Piece[]): CutRow[] =>
  pieces.flatMap((piece) => {
    const rows = known.get(piece) ?? cutRows(piece);
    known.set(piece, rows);
    return rows;
  });

const ML_PER_mm3 = 1e-3;

function cutRows(piece: Piece): CutRow[] {
  const plain = {
    piece: piece.id,
    thickness_mm: null,
    count: 1,
    volume_ml: null,
    folds: 0,
    slits: 0,
    pleats: 0,
    stretch: 1,
  };
  switch (piece.form) {
    case 'sheet': {
      if (piece.stock === 'in place') return [];
      const { sheet, film_mm } = piece;
      const area_mm2 = flatArea(sheet);
      const brushed = film_mm !== undefined;
      return [
        {
          ...plain,
          ...cutSize(sheet),
          material: sheet.material,
          area_mm2,
          volume_ml: brushed ? area_mm2 * film_mm * ML_PER_mm3 : null,
          folds: brushed ? 0 : foldLines(sheet).length,
          slits: brushed ? 0 : sheet.slits.length,
          pleats: sheet.pleats.length,
          stretch: brushed ? 1 : Math.max(1, ...sheet.fans.map((fan) => fan.stretch)),
        },
      ];
    }
    case 'solid': {
      const material = piece.solids[0]?.material ?? 'wood';
      return piece.sawn.map((size) => ({
        ...plain,
        ...size,
        material,
        area_mm2: size.length_mm * size.width_mm,
        volume_ml:
          material === 'sealant' ? size.length_mm * size.width_mm * size.thickness_mm * ML_PER_mm3 : null,
      }));
    }
    case 'bead': {
      const length_mm = beadLength(piece);
      return [
        {
          ...plain,
          material: 'sealant',
          length_mm,
          width_mm: piece.diameter_mm,
          area_mm2: length_mm * piece.diameter_mm,
          volume_ml: (Math.PI / 4) * piece.diameter_mm ** 2 * length_mm * ML_PER_mm3,
        },
      ];
    }
  }
}

export const beadLength = ({ paths }: BeadPiece): number =>
  paths.reduce(
    (total, path) => total + path.slice(1).reduce((sum, p, i) => sum + distance3(p, path[i] ?? p), 0),
    0,
  );
