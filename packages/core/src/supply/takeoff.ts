/** What a job, a façade, a day or an opening needs, against what is there; and what it costs. */
import type { Build } from '../build/build.ts';
import type { Material } from '../documents/material.ts';
import type { Supply, SupplyOrder } from '../documents/supply.ts';
import type { OrderState } from '../vocabulary/order-states.ts';
import { SPLICE_mm } from '../vocabulary/stock.ts';
import { termsOf, type Article, type Terms } from './articles.ts';
import type { Need } from './needs.ts';

export interface TakeoffLine {
  readonly article: Article;
  readonly terms: Terms;
  /** Every piece that makes this line. */
  readonly needs: readonly Need[];
  /** Of all of them: mm along rolls and bars, mm² of boards, ml without waste, or pieces. */
  readonly net: number;
  /** Packs, rolls, bars or sheets, whole. */
  readonly packs: number;
  /** Longer than any roll or bar that is sold. */
  readonly tooLong: number;
  /** Packs on the van, on order, come, built in by ticks, and left of what was there. */
  readonly van: number;
  readonly ordered: number;
  readonly came: number;
  readonly used: number;
  readonly left: number;
  /** Packs that nobody has asked for yet. */
  readonly missing: number;
  /** For whole packs, and for the parts that are used; `null` where nobody entered a price. */
  readonly cost: number | null;
  readonly costOfParts: number | null;
}

export interface TakeoffOf {
  readonly needs: readonly Need[];
  readonly supply: Supply;
  readonly materials?: readonly Material[] | undefined;
  /** The day that a step is planned for, as a date; `null` where it is in no plan. */
  readonly dayOf?: (opening: string, step: string) => string | null;
  /** Whether the step of an opening is done. */
  readonly isDone?: (opening: string, step: string) => boolean;
}

/** How much of an article one need takes, in what it is sold by. */
const amountOf = ({ article, count, length_mm, width_mm, volume_ml }: Need): number => {
  switch (article.form) {
    case 'volume':
      return volume_ml ?? 0;
    case 'count':
      return count;
    case 'board':
      return count * (length_mm ?? 0) * (width_mm ?? 0);
    default:
      return count * (length_mm ?? 0);
  }
};

/** What is carried from one opening to the next is needed once; what comes for a day serves all of that day. */
function total(needs: readonly Need[], dayOf: NonNullable<TakeoffOf['dayOf']>): number {
  const goods = needs[0]?.article.goods;
  if (goods === 'cup') return Math.max(...needs.map(amountOf));
  if (goods === 'lift-day')
    return new Set(needs.map(({ opening, step }) => (step && dayOf(opening, step)) ?? opening)).size;
  return needs.reduce((sum, need) => sum + amountOf(need), 0);
}

/** Parts of a pack. */
function packsOf(article: Article, amount: number, terms: Terms): number {
  switch (article.form) {
    case 'volume':
      return (amount * (1 + terms.waste)) / terms.pack;
    case 'count':
      return amount / terms.pack;
    case 'board': {
      const [length = 1] = terms.lengths_mm;
      return amount / (length * terms.across_mm);
    }
    default: {
      const longest = Math.max(...terms.lengths_mm, 1);
      return amount / longest;
    }
  }
}

/** The lengths that a need is cut in: one, or several with laps where it may be joined and no stock is long enough. */
export function partsOf(
  { length_mm, mayJoin }: Pick<Need, 'length_mm' | 'mayJoin'>,
  longest_mm: number,
): number[] {
  const whole = length_mm ?? 0;
  if (whole <= longest_mm || !mayJoin || longest_mm <= SPLICE_mm) return [whole];
  const n = Math.ceil((whole - SPLICE_mm) / (longest_mm - SPLICE_mm));
  return Array.from({ length: n }, () => (whole + (n - 1) * SPLICE_mm) / n);
}

/** Whole rolls or bars, the longest strip first, each on the first that has room. */
function wholePacks(needs: readonly Need[], longest_mm: number): { packs: number; tooLong: number } {
  const lengths = new Map<number, number>();
  let tooLong = 0;
  for (const need of needs)
    for (const part of partsOf(need, longest_mm)) {
      if (part > longest_mm) tooLong += need.count;
      else lengths.set(part, (lengths.get(part) ?? 0) + need.count);
    }
  const left = [...lengths].sort(([a], [b]) => b - a).map(([length, count]) => ({ length, count }));
  let packs = 0;
  for (;;) {
    let room = longest_mm;
    const counts = left.map((kind) => {
      const n = Math.min(kind.count, Math.floor((room + 1e-6) / kind.length));
      room -= n * kind.length;
      return n;
    });
    if (!counts.some((n) => n > 0)) return { packs, tooLong };
    // As many alike as there are pieces for.
    const times = Math.max(
      1,
      Math.min(...counts.flatMap((n, i) => (n > 0 ? [Math.floor((left[i]?.count ?? 0) / n)] : []))),
    );
    for (const [i, n] of counts.entries()) {
      const kind = left[i];
      if (kind) kind.count -= n * times;
    }
    packs += times;
  }
}

export const stateOf = ({ events }: SupplyOrder): OrderState => events.at(-1)?.state ?? 'asked';

/** Returns one line for each article, in the order in which the work asks for them first. */
export function takeoff({
  needs,
  supply,
  materials = [],
  isDone = () => false,
  dayOf = () => null,
}: TakeoffOf): TakeoffLine[] {
  const byArticle = new Map<string, Need[]>();
  for (const need of needs) {
    const own = byArticle.get(need.article.id);
    if (own) own.push(need);
    else byArticle.set(need.article.id, [need]);
  }
  return [...byArticle.values()].map((own): TakeoffLine => {
    const { article } = own[0] as Need;
    const terms = termsOf(article, supply, materials);
    const net = total(own, dayOf);
    const parts = packsOf(article, net, terms);
    const isCut = article.form === 'roll' || article.form === 'bar';
    const { packs, tooLong } = isCut
      ? wholePacks(own, Math.max(...terms.lengths_mm, 1))
      : { packs: Math.ceil(parts - 1e-9), tooLong: 0 };
    const done = own.filter(({ opening, step }) => step !== null && isDone(opening, step));
    const used = done.length === 0 ? 0 : packsOf(article, total(done, dayOf), terms);
    const longest = Math.max(...terms.lengths_mm, 1);
    const van = supply.van
      .filter((one) => one.article === article.id)
      .reduce(
        (sum, one) =>
          sum + (one.length_mm === undefined ? one.amount : (one.amount * one.length_mm) / longest),
        0,
      );
    const orders = supply.orders.filter((order) => order.article === article.id);
    const inState = (...states: OrderState[]) =>
      orders.filter((order) => states.includes(stateOf(order))).reduce((sum, { amount }) => sum + amount, 0);
    const came = inState('came');
    const ordered = inState('asked', 'ordered', 'promised');
    const { price } = terms;
    return {
      article,
      terms,
      needs: own,
      net,
      packs,
      tooLong,
      van,
      ordered,
      came,
      used,
      left: van + came - used,
      missing: Math.max(0, Math.ceil(packs - van - came - ordered - 1e-9)),
      cost: price === null ? null : price * packs,
      costOfParts: price === null ? null : price * parts,
    };
  });
}

export interface OpeningCost {
  readonly material: number;
  /** Articles without a price: the sum is not all of it. */
  readonly unpriced: number;
  readonly hours: number;
  readonly labour: number | null;
}

/** What one opening costs: parts of packs, and hours of everybody at the rate. */
export function costOf(
  needs: readonly Need[],
  steps: Build['steps'],
  {
    supply,
    materials,
    rate,
  }: {
    readonly supply: Supply;
    readonly materials?: readonly Material[] | undefined;
    readonly rate: number | null;
  },
): OpeningCost {
  const lines = takeoff({ needs, supply, materials });
  const minutes = steps.reduce(
    (sum, step) => sum + step.work_min * (step.needs.includes('two-people') ? 2 : 1),
    0,
  );
  return {
    material: lines.reduce((sum, line) => sum + (line.costOfParts ?? 0), 0),
    unpriced: lines.filter((line) => line.costOfParts === null).length,
    hours: minutes / 60,
    labour: rate === null ? null : (minutes / 60) * rate,
  };
}

/** What one list has more or less of than another, article by article; what is equal is left out. */
export function difference(
  before: readonly TakeoffLine[],
  after: readonly TakeoffLine[],
): {
  readonly article: Article;
  readonly before: number;
  readonly after: number;
  readonly cost: number | null;
}[] {
  const ids = [...new Set([...before, ...after].map(({ article }) => article.id))];
  return ids.flatMap((id) => {
    const [was, is] = [before, after].map((lines) => lines.find(({ article }) => article.id === id));
    const line = is ?? was;
    if (!line || Math.abs((was?.net ?? 0) - (is?.net ?? 0)) < 1e-6) return [];
    const cost = line.terms.price === null ? null : (is?.costOfParts ?? 0) - (was?.costOfParts ?? 0);
    return [{ article: line.article, before: was?.net ?? 0, after: is?.net ?? 0, cost }];
  });
}
