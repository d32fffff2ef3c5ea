/** Generic sheet goods: what the computation needs to know of a roll. Defaults; the maker's sheet wins. */

export const sheetMaterialIds = ['wrap', 'stretch-flashing', 'flashing-tape', 'corner-tape', 'fin'] as const;
export type SheetMaterialId = (typeof sheetMaterialIds)[number];

export interface SheetMaterial {
  readonly thickness_mm: number;
  /** Longest a line may be stretched over its flat length; 1 means it does not stretch. */
  readonly largestStretch: number;
  readonly bond: 'self-adhesive' | 'none';
  readonly source: 'common practice, no source';
}

const P = 'common practice, no source' as const;

export const sheetMaterials: Readonly<Record<SheetMaterialId, SheetMaterial>> = {
  wrap: { thickness_mm: 0.2, largestStretch: 1, bond: 'none', source: P },
  'stretch-flashing': { thickness_mm: 1.6, largestStretch: 2, bond: 'self-adhesive', source: P },
  'flashing-tape': { thickness_mm: 0.6, largestStretch: 1, bond: 'self-adhesive', source: P },
  'corner-tape': { thickness_mm: 0.4, largestStretch: 1, bond: 'self-adhesive', source: P },
  fin: { thickness_mm: 1.5, largestStretch: 1, bond: 'none', source: P },
};
