/** Generic sheet goods: what the computation needs to know of a roll. Defaults; the maker's sheet wins. */

import type { LayerMaterial } from './wall-layers.ts';

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
  /** Equivalent air layer, m. */
  readonly sd_m: number;
  readonly source: 'common practice, no source';
}

const roll = (
  thickness_mm: number,
  bond: SheetMaterial['bond'],
  more: { readonly sd_m: number; readonly largestStretch?: number },
): SheetMaterial => ({
  thickness_mm,
  largestStretch: 1,
  bond,
  ...more,
  source: 'common practice, no source',
});

export const sheetMaterials: Readonly<Record<SheetMaterialId, SheetMaterial>> = {
  wrap: roll(0.2, 'none', { sd_m: 0.05 }),
  'self-adhered': roll(0.6, 'self-adhesive', { sd_m: 0.3 }),
  // Faces of what is there already have no thickness of their own.
  'coated-face': roll(0, 'none', { sd_m: 0.5 }),
  'foam-face': roll(0, 'none', { sd_m: 0 }),
  'masonry-face': roll(0, 'none', { sd_m: 0 }),
  'stretch-flashing': roll(1.6, 'self-adhesive', { sd_m: 50, largestStretch: 2 }),
  'flashing-tape': roll(0.6, 'self-adhesive', { sd_m: 40 }),
  'corner-tape': roll(0.4, 'self-adhesive', { sd_m: 40 }),
  fluid: roll(0.35, 'fuses', { sd_m: 1.5, largestStretch: Infinity }),
  membrane: roll(0.6, 'self-adhesive', { sd_m: 10 }),
  'air-sheet': roll(0.2, 'none', { sd_m: 100 }),
  'sheet-metal': roll(0.6, 'none', { sd_m: 1500 }),
  fin: roll(1.5, 'none', { sd_m: 50 }),
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

export interface BulkMaterial {
  /** Design value, W/(m K). */
  readonly lambda_WmK: number;
  /** How many times harder vapour goes through it than through still air, dry; left out where nothing asks for it. */
  readonly mu?: number;
  readonly source: string;
}

const BOOKS = 'ISO 10456 and handbooks of materials, from memory';
const bulk = (lambda_WmK: number, source = BOOKS) => ({ lambda_WmK, source });
const layer = (lambda_WmK: number, mu: number) => ({ lambda_WmK, mu, source: BOOKS });
const PRACTICE = 'common practice, no source';

/** What is drawn, built in or stands as a layer of the wall: each by one row. Frames and glass come with their unit. */
export const bulkMaterials = {
  wood: layer(0.13, 50),
  'wood-board': layer(0.13, 50),
  insulation: layer(0.038, 1),
  // As expanded polystyrene.
  'foam-board': layer(0.035, 60),
  'wool-board': layer(0.036, 1),
  masonry: layer(0.5, 10),
  brick: layer(0.77, 16),
  block: layer(0.5, 10),
  concrete: layer(2.1, 100),
  render: layer(0.9, 15),
  plaster: layer(0.57, 10),
  drywall: layer(0.25, 10),
  siding: layer(0.14, 50),
  batten: layer(0.13, 50),
  /** Between the studs: framing counts as what fills it. */
  stud: layer(0.038, 1),
  foam: bulk(0.04, PRACTICE),
  wool: bulk(0.038),
  fibre: bulk(0.045),
  'insulation-block': bulk(0.04, PRACTICE),
  'hd-foam': bulk(0.05, PRACTICE),
  panel: bulk(0.1),
  band: bulk(0.05, PRACTICE),
  rod: bulk(0.045, PRACTICE),
  metal: bulk(50),
  shim: bulk(0.22),
  sealant: bulk(0.35),
  /** Bent flashing: galvanized steel. */
  'sheet-metal': bulk(50),
} as const satisfies Readonly<
  Record<Exclude<SolidMaterial, 'frame' | 'glass'> | LayerMaterial | 'sheet-metal', BulkMaterial>
>;

/** Equivalent air layers of seals that are no sheets, m: common practice, no source. */
export const sealSd_m = { sealant: 20, band: 0.5, foam: 2.5 } as const;

/** What the layers of a wall are drawn and solved as; what is framed is made of studs and what lies between them. */
export const layerSolids: Readonly<Record<string, SolidMaterial>> = {
  siding: 'siding',
  'foam-board': 'foam-board',
  'wool-board': 'insulation',
  'wood-board': 'wood-board',
  drywall: 'plaster',
  plaster: 'plaster',
  render: 'render',
  brick: 'masonry',
  block: 'masonry',
  concrete: 'masonry',
};
