/** Generic sheet goods: what the computation needs to know of a roll. Defaults; the maker's sheet wins. */

export const sheetMaterialIds = [
  'wrap',
  'self-adhered',
  'coated-face',
  'foam-face',
  'masonry-face',
  'stretch-flashing',
  'flashing-tape',
  'corner-tape',
  'fluid',
  'membrane',
  'air-sheet',
  'sheet-metal',
  'fin',
] as const;
export type SheetMaterialId = (typeof sheetMaterialIds)[number];

export interface SheetMaterial {
  readonly thickness_mm: number;
  /** Longest a line may be stretched over its flat length; 1 means it does not stretch. */
  readonly largestStretch: number;
  readonly bond: 'self-adhesive' | 'fuses' | 'none';
  readonly source: 'common practice, no source';
}

const roll = (thickness_mm: number, bond: SheetMaterial['bond'], largestStretch = 1): SheetMaterial => ({
  thickness_mm,
  largestStretch,
  bond,
  source: 'common practice, no source',
});

export const sheetMaterials: Readonly<Record<SheetMaterialId, SheetMaterial>> = {
  wrap: roll(0.2, 'none'),
  'self-adhered': roll(0.6, 'self-adhesive'),
  // Faces of what is there already have no thickness of their own.
  'coated-face': roll(0, 'none'),
  'foam-face': roll(0, 'none'),
  'masonry-face': roll(0, 'none'),
  'stretch-flashing': roll(1.6, 'self-adhesive', 2),
  'flashing-tape': roll(0.6, 'self-adhesive'),
  'corner-tape': roll(0.4, 'self-adhesive'),
  fluid: roll(0.35, 'fuses', Infinity),
  membrane: roll(0.6, 'self-adhesive'),
  'air-sheet': roll(0.2, 'none'),
  'sheet-metal': roll(0.6, 'none'),
  fin: roll(1.5, 'none'),
};

/** Drawing and physics class; hatches and, later, conductivities hang on it. */
export const solidMaterials = [
  'wood',
  'wood-board',
  'insulation',
  'foam-board',
  'masonry',
  'render',
  'plaster',
  'siding',
  'frame',
  'glass',
  'foam',
  'wool',
  'fibre',
  'insulation-block',
  'hd-foam',
  'panel',
  'band',
  'rod',
  'metal',
  'shim',
  'sealant',
] as const;

export type SolidMaterial = (typeof solidMaterials)[number];
