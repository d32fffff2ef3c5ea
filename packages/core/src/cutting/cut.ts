/** From which bar each piece is cut: fewest left over, then the least of bars or money, then the longest rest kept whole. */
import { TENTHS, type StockFile } from './document.ts';
import { cutModel, type CutModel } from './model.ts';
import { Pricing, weightOf, type Pattern } from './patterns.ts';
import type { Solver } from './program.ts';
import { Search, trimmed, type Found } from './search.ts';

export interface CutBar {
  readonly stock: string;
  readonly pieces: readonly string[];
  readonly left_mm: number;
}

export interface CutAnswer {
  readonly bars: readonly CutBar[];
  /** How many of each stock. */
  readonly used: Readonly<Record<string, number>>;
  readonly cost?: number;
  /** No plan that cuts as many needs fewer bars, or less money where the stock has costs. */
  readonly bound: number;
  /** The bound is met. */
  readonly optimal: boolean;
  readonly unplaced: readonly string[];
}

export interface CuttingOptions {
  /** As long as it may look. */
  readonly seconds?: number;
  /** Milliseconds of a steady clock. */
  readonly now: () => number;
}

/**
 * Returns a plan of cuts. Patterns come from column generation; up to some thousands of them every one that a best plan
 * could hold is looked at, and then the plan is proven best by a mixed-integer program in each of its aims. Beyond that
 * it is the best of those found, and `bound` says how far from the best it can be.
 *
 * Source: Gilmore and Gomory 1961; bound of Farley 1990, from memory.
 */
export function cutStock(file: StockFile, solver: Solver, o: CuttingOptions): CutAnswer {
  const model = cutModel(file);
  const end = o.now() + (o.seconds ?? 10) * 1000;
  const search = new Search(model, solver, () => (end - o.now()) / 1000);
  return answered(file, model, search.run());
}

/** What is left of a bar, mm; the cut behind the last piece is gone too. */
const restOf = ({ kinds, bars, step_mm, kerf_mm }: CutModel, { bar, counts }: Pattern): number =>
  Math.max(0, ((bars[bar]?.room ?? 0) - weightOf(kinds, counts)) * step_mm - kerf_mm);

/** The first bar of a file, filled as full as its pieces let it be; `null` where nothing fits. */
export function bestFill(file: StockFile): CutBar | null {
  const model = cutModel(file);
  const [bar] = model.bars;
  const [best] = new Pricing(model).best(model.kinds.map(({ weight }) => weight));
  if (!bar || !best || !best.counts.some((n) => n > 0)) return null;
  return {
    stock: bar.stock[0]?.id ?? '',
    pieces: best.counts.flatMap((n, i) => model.kinds[i]?.ids.slice(0, n) ?? []),
    left_mm: Math.round(restOf(model, { bar: 0, counts: best.counts }) * TENTHS) / TENTHS,
  };
}

function answered(file: StockFile, model: CutModel, { plan, bound, proven }: Found): CutAnswer {
  const { kinds, bars } = model;
  const next = kinds.map(() => 0);
  const ids = (kind: number, n: number): string[] => {
    const from = next[kind] ?? 0;
    next[kind] = from + n;
    return kinds[kind]?.ids.slice(from, from + n) ?? [];
  };
  const stocks = bars.map(({ stock }) => stock.map(({ id, count }) => ({ id, left: count })));
  const cut = trimmed(model, plan.cut)
    .filter(({ counts }) => counts.some((n) => n > 0))
    .sort((a, b) => a.bar - b.bar || restOf(model, a) - restOf(model, b))
    .map(({ bar, counts }): CutBar => {
      const from = stocks[bar]?.find(({ left }) => left > 0);
      if (from) from.left--;
      return {
        stock: from?.id ?? '',
        pieces: counts.flatMap((n, i) => ids(i, n)),
        left_mm: Math.round(restOf(model, { bar, counts }) * TENTHS) / TENTHS,
      };
    });
  const unplaced = [...model.tooLong, ...kinds.flatMap((kind, i) => kind.ids.slice(next[i] ?? 0))];
  const used: Record<string, number> = {};
  for (const { stock } of cut) used[stock] = (used[stock] ?? 0) + 1;
  const costs = new Map(file.stock.map(({ id, cost = 0 }) => [id, cost]));
  const cost = Math.round(cut.reduce((sum, { stock }) => sum + (costs.get(stock) ?? 0), 0) * 1e4) / 1e4;
  return {
    bars: cut,
    used,
    ...(model.costStep === null ? {} : { cost }),
    bound: model.costStep === null ? bound : Math.round(bound * model.costStep * 1e4) / 1e4,
    optimal: proven,
    unplaced,
  };
}
