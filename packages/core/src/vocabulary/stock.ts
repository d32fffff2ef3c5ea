/** In which forms and sizes material is sold where nobody says otherwise: common practice, no source. */
import type { SheetMaterialId, SolidMaterial } from './materials.ts';

/** `roll`: strips off a roll · `bar`: lengths off a bar · `board`: strips off a sheet · `volume`: tubes and cans · `count`. */
export const articleForms = ['roll', 'bar', 'board', 'volume', 'count'] as const;
export type ArticleForm = (typeof articleForms)[number];

/** What is counted besides the materials that pieces are made of. */
export const countedGoods = ['unit', 'fastener', 'shim-pair', 'wedge', 'lift-day', 'cup', 'primer'] as const;
export type CountedGood = (typeof countedGoods)[number];
export type Goods = SheetMaterialId | SolidMaterial | CountedGood;

export interface Sold {
  readonly form: ArticleForm;
  /** Rolls and boards: what is sold, narrowest first, mm. */
  readonly widths_mm?: readonly number[];
  /** One roll or board, or bars, mm. */
  readonly lengths_mm?: readonly number[];
  /** Of a tube or can, ml; how many in a box. */
  readonly pack?: number;
  /** Bought on top of what is needed. */
  readonly waste: number;
  /** Days from the order to the van. */
  readonly lead_days: number;
  /** Few shops keep it. */
  readonly few?: true;
}

const rolls = (
  widths_mm: readonly number[],
  length_mm: number,
  more: Partial<Pick<Sold, 'lead_days' | 'few'>> = {},
): Sold => ({ form: 'roll', widths_mm, lengths_mm: [length_mm], waste: 0, lead_days: 2, ...more });
const tubes = (pack: number, more: Partial<Sold> = {}): Sold => ({
  form: 'volume',
  pack,
  waste: 0.15,
  lead_days: 2,
  ...more,
});
const pieces = (pack: number, more: Partial<Sold> = {}): Sold => ({
  form: 'count',
  pack,
  waste: 0,
  lead_days: 2,
  ...more,
});
const bars = (lengths_mm: readonly number[], more: Partial<Sold> = {}): Sold => ({
  form: 'bar',
  lengths_mm,
  waste: 0,
  lead_days: 2,
  ...more,
});
const board = (more: Partial<Sold> = {}): Sold => ({
  form: 'board',
  widths_mm: [BOARD_WIDTH_mm],
  lengths_mm: [2440],
  waste: 0,
  lead_days: 2,
  ...more,
});

/** Across a board as it is sold, mm: common practice, no source. */
export const BOARD_WIDTH_mm = 1220;

const TIMBER = [2400, 3000, 3600, 4200, 4800] as const;

export const sold: Readonly<Record<Goods, Sold>> = {
  wrap: rolls([1500, 2740], 50_000),
  'self-adhered': rolls([300, 1000], 20_000, { lead_days: 5 }),
  'coated-face': pieces(1),
  'foam-face': pieces(1),
  'masonry-face': pieces(1),
  fin: pieces(1),
  'stretch-flashing': rolls([150, 230, 300], 15_000, { lead_days: 4 }),
  'flashing-tape': rolls([50, 75, 100, 150, 230, 300], 25_000),
  'corner-tape': rolls([60], 25_000, { lead_days: 7, few: true }),
  fluid: tubes(600, { lead_days: 5 }),
  membrane: rolls([75, 100, 150, 200, 300, 450, 600], 30_000, { lead_days: 7, few: true }),
  'air-sheet': rolls([300, 1500], 50_000, { lead_days: 5 }),
  'sheet-metal': rolls([300, 500, 1000], 10_000, { lead_days: 10, few: true }),
  wood: bars(TIMBER),
  'wood-board': board(),
  insulation: pieces(1),
  'foam-board': board({ lead_days: 4 }),
  masonry: pieces(1, { lead_days: 10 }),
  render: tubes(25_000),
  plaster: tubes(25_000),
  siding: bars([3600]),
  frame: pieces(1),
  glass: pieces(1, { lead_days: 20 }),
  foam: tubes(20_000, { lead_days: 2 }),
  wool: rolls([100], 10_000),
  fibre: rolls([100], 10_000),
  'insulation-block': bars([1200], { lead_days: 7, few: true }),
  'hd-foam': bars([1200, 2400], { lead_days: 10, few: true }),
  panel: board({ lead_days: 5 }),
  band: rolls([], 6000, { lead_days: 7, few: true }),
  rod: rolls([], 30_000, { lead_days: 3 }),
  metal: bars([3000], { lead_days: 5 }),
  shim: pieces(50),
  sealant: tubes(300),
  unit: pieces(1, { lead_days: 42 }),
  fastener: pieces(100),
  'shim-pair': pieces(50),
  wedge: pieces(50),
  'lift-day': pieces(1, { lead_days: 5, few: true }),
  cup: pieces(1),
  primer: tubes(1000),
};

/** Longer fasteners are not in every shop, mm: common practice, no source. */
export const USUAL_FASTENER_mm = 100;
export const LONG_FASTENER_DAYS = 7;

/** What a long seam that is joined laps, mm: common practice, no source. */
export const SPLICE_mm = 150;
/** A saw takes so much, mm: common practice, no source. */
export const SAW_mm = 3;

/** Shims in the shop, mm; thicker ones are stacked: common practice, no source. */
export const SHIM_SIZES_mm = [3, 6, 10, 15, 20, 25, 30] as const;
