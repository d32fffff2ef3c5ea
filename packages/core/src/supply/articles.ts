/** What can be bought, by the size it is bought in. */
import type { Material } from '../documents/material.ts';
import type { Supply } from '../documents/supply.ts';
import {
  BOARD_WIDTH_mm,
  LONG_FASTENER_DAYS,
  sold,
  USUAL_FASTENER_mm,
  type ArticleForm,
  type Goods,
  type Sold,
} from '../vocabulary/stock.ts';

/** Something that is bought. */
export interface Article {
  /** The same for the same goods in the same size, in every job. */
  readonly id: string;
  readonly goods: Goods;
  readonly form: ArticleForm;
  /** Rolls: across; bars: the section; boards: the sheet; fasteners and shims: their one size, mm. */
  readonly width_mm: number | null;
  readonly thickness_mm: number | null;
  /** The job's own stock of this kind and width, where there is one. */
  readonly material: string | null;
  /** The unit, of units. */
  readonly unit: string | null;
}

const trimmed = (mm: number) => String(Math.round(mm * 10) / 10);

/** The same object for the same article: a job names few, many times. */
const articles = new Map<string, Article>();
const MOST_ARTICLES = 5000;

export const articleOf = (
  goods: Goods,
  o: {
    readonly width_mm?: number;
    readonly thickness_mm?: number;
    readonly material?: string | null;
    readonly unit?: string;
  } = {},
): Article => {
  const { width_mm = null, thickness_mm = null, material = null, unit = null } = o;
  const key = `${goods}|${width_mm}|${thickness_mm}|${material}|${unit}`;
  const before = articles.get(key);
  if (before) return before;
  const size = [width_mm, thickness_mm].flatMap((mm) => (mm === null ? [] : [trimmed(mm)])).join('x');
  const article: Article = {
    id: [goods, unit ?? (size === '' ? null : size)].filter((part) => part !== null).join('/'),
    goods,
    form: sold[goods].form,
    width_mm,
    thickness_mm,
    material,
    unit,
  };
  if (articles.size >= MOST_ARTICLES) articles.clear();
  articles.set(key, article);
  return article;
};

interface Width {
  readonly mm: number;
  readonly id: string | null;
}
/** By the stock of a job: the widths of each kind, narrowest first. */
const widths = new WeakMap<readonly Material[], Map<Goods, readonly Width[]>>();

function widthsOf(goods: Goods, materials: readonly Material[]): readonly Width[] {
  const known = widths.get(materials) ?? new Map<Goods, readonly Width[]>();
  widths.set(materials, known);
  const before = known.get(goods);
  if (before) return before;
  const own = materials.flatMap((m): Width[] =>
    m.kind === goods && m.width ? [{ mm: m.width.mm, id: m.id }] : [],
  );
  const usual = (sold[goods].widths_mm ?? []).map((mm): Width => ({ mm, id: null }));
  const found = (own.length > 0 ? own : usual).toSorted((a, b) => a.mm - b.mm);
  known.set(goods, found);
  return found;
}

/** The narrowest roll that a strip comes from; the widest, where none is wide enough. */
export function rollFor(goods: Goods, width_mm: number, materials: readonly Material[]): Article {
  const choices = widthsOf(goods, materials);
  const found = choices.find(({ mm }) => mm >= width_mm - 0.5) ??
    choices.at(-1) ?? { mm: width_mm, id: null };
  return articleOf(goods, { width_mm: found.mm, material: found.id });
}

/** The widest roll of a kind: a wall is wrapped in as few courses as may be. */
export const widestRoll = (goods: Goods, materials: readonly Material[]): Article =>
  rollFor(goods, Infinity, materials);

/** How it is sold in this job: the usual, the job's own stock, and what somebody entered. */
export interface Terms {
  readonly lengths_mm: readonly number[];
  /** Boards: across the sheet, mm. */
  readonly across_mm: number;
  /** ml or pieces of one pack. */
  readonly pack: number;
  readonly waste: number;
  readonly lead_days: number;
  readonly few: boolean;
  readonly price: number | null;
}

export function termsOf(article: Article, supply: Supply, materials: readonly Material[]): Terms {
  const usual: Sold = sold[article.goods];
  const entered = supply.articles.find(({ id }) => id === article.id);
  const own = materials.find(({ id }) => id === article.material);
  const isLong = article.goods === 'fastener' && (article.width_mm ?? 0) > USUAL_FASTENER_mm;
  const hasLength = article.form === 'roll' || article.form === 'bar';
  const lengths =
    hasLength && entered?.pack !== undefined
      ? [entered.pack]
      : own?.length
        ? [own.length.mm]
        : (usual.lengths_mm ?? []);
  return {
    lengths_mm: article.form === 'board' && entered?.sheet ? [entered.sheet[0]] : lengths,
    across_mm: (article.form === 'board' ? entered?.sheet?.[1] : undefined) ?? BOARD_WIDTH_mm,
    pack: (hasLength ? undefined : entered?.pack) ?? usual.pack ?? 1,
    waste: usual.waste,
    lead_days: entered?.lead_days ?? (isLong ? LONG_FASTENER_DAYS : usual.lead_days),
    few: entered?.few ?? (isLong || usual.few === true),
    price: entered?.price ?? null,
  };
}
