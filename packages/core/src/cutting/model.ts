/** A stock file in whole numbers: pieces of one length together, bars of one length and cost together. */
import { TENTHS, type StockFile } from './document.ts';

/** Pieces of one length. */
export interface Kind {
  readonly length: number;
  /** With the cut behind it, in the model's own measure. */
  readonly weight: number;
  /** One entry for each piece, in the order of the file. */
  readonly ids: readonly string[];
}

/** Bars of one length and cost. */
export interface Bar {
  readonly length: number;
  /** With room for the last cut, which falls beside the bar. */
  readonly room: number;
  /** In the smallest step that costs differ by; 1 where nothing has a cost. */
  readonly cost: number;
  readonly stock: readonly { readonly id: string; readonly count: number }[];
  /** How many there are; infinite where a file says nothing. */
  readonly there: number;
}

export interface CutModel {
  readonly kinds: readonly Kind[];
  readonly bars: readonly Bar[];
  /** Pieces that no bar is long enough for. */
  readonly tooLong: readonly string[];
  /** mm of one step of weight and room. */
  readonly step_mm: number;
  readonly kerf_mm: number;
  /** Money of one step of cost; `null` where nothing has a cost. */
  readonly costStep: number | null;
}

/** Costs are told to a ten-thousandth. */
const COST_STEPS = 10_000;

/**
 * Returns the model: n pieces and their n − 1 cuts fit on a bar where n pieces and n cuts fit on a bar that is longer by
 * one cut. Lengths are in steps of their greatest common divisor.
 */
export function cutModel({ kerf_mm = 0, stock, pieces }: StockFile): CutModel {
  const tenths = (mm: number) => Math.round(mm * TENTHS);
  const kerf = tenths(kerf_mm);
  const longest = Math.max(0, ...stock.filter(({ count }) => count !== 0).map((s) => tenths(s.length_mm)));
  const fits = pieces.filter(({ length_mm }) => tenths(length_mm) <= longest);
  const step = [...fits, ...stock].reduce((gcd, s) => divisor(gcd, tenths(s.length_mm) + kerf), 0) || 1;

  const byLength = new Map<number, string[]>();
  for (const { id, length_mm, count = 1 } of fits) {
    const own = byLength.get(tenths(length_mm)) ?? [];
    for (let n = 0; n < count; n++) own.push(id);
    if (own.length > 0) byLength.set(tenths(length_mm), own);
  }
  const kinds = [...byLength]
    .sort(([a], [b]) => b - a)
    .map(([length, ids]): Kind => ({ length, weight: (length + kerf) / step, ids }));

  const priced = stock.some(({ cost }) => cost !== undefined);
  const costs = stock.map(({ cost }) => (priced ? Math.round((cost ?? 0) * COST_STEPS) : 1));
  const costStep = costs.reduce(divisor, 0) || 1;
  const byBar = new Map<string, Bar>();
  for (const [i, { id, length_mm, count = Infinity }] of stock.entries()) {
    if (count === 0) continue;
    const length = tenths(length_mm);
    const cost = (costs[i] ?? 0) / costStep;
    const known = byBar.get(`${length}/${cost}`);
    byBar.set(`${length}/${cost}`, {
      length,
      room: (length + kerf) / step,
      cost,
      stock: [...(known?.stock ?? []), { id, count }],
      there: (known?.there ?? 0) + count,
    });
  }
  return {
    kinds,
    bars: [...byBar.values()].sort((a, b) => b.length - a.length || a.cost - b.cost),
    tooLong: pieces
      .filter(({ length_mm }) => tenths(length_mm) > longest)
      .flatMap(({ id, count = 1 }) => Array.from({ length: count }, () => id)),
    step_mm: step / TENTHS,
    kerf_mm,
    costStep: priced ? costStep / COST_STEPS : null,
  };
}

/** Greatest common divisor. */
export function divisor(a: number, b: number): number {
  while (b > 0) [a, b] = [b, a % b];
  return a;
}
