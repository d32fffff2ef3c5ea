/** Random files of stock and pieces, and a check of plans that shares nothing with what makes them. */
import { generator, type CutAnswer, type StockFile } from '../../src/index.ts';

/** Up to twenty kinds, few bars of each length where there are counts, kerf in every second one. */
export function smallStock(seed: number): StockFile {
  const chance = generator(seed);
  const between = (a: number, b: number) => a + Math.floor(chance() * (b - a + 1));
  const unit = [1, 10, 25.4][seed % 3] === 25.4 ? 12.7 : ([1, 10][seed % 3] ?? 10);
  const kerf = seed % 2 === 0 ? 0 : between(1, 3);
  const lengths = between(1, 3);
  const priced = seed % 5 === 0;
  const scarce = seed % 7 === 0;
  const mm = (steps: number) => Math.round(steps * unit * 10) / 10;
  return {
    format: 'hulvek-stock',
    version: 1,
    ...(kerf > 0 ? { kerf_mm: mm(kerf) } : {}),
    stock: Array.from({ length: lengths }, (_, i) => ({
      id: `bar-${i + 1}`,
      length_mm: mm(between(60, 130)),
      ...(scarce ? { count: between(1, 4) } : {}),
      ...(priced ? { cost: between(5, 20) + between(0, 3) / 4 } : {}),
    })),
    pieces: Array.from({ length: between(2, 20) }, (_, i) => ({
      id: `piece-${i + 1}`,
      length_mm: mm(between(9, 70)),
      count: between(1, 6),
    })),
  };
}

/** One bar length, up to sixty kinds and a thousand pieces. */
export function largeStock(seed: number): StockFile {
  const chance = generator(seed);
  const between = (a: number, b: number) => a + Math.floor(chance() * (b - a + 1));
  const kinds = between(20, 60);
  const each = Math.floor(1000 / kinds);
  const bar = between(3000, 6500);
  const [low, high] = [
    [0.05, 0.3],
    [0.05, 0.6],
    [0.2, 0.45],
  ][seed % 3] as [number, number];
  return {
    format: 'hulvek-stock',
    version: 1,
    kerf_mm: [0, 3, 3.2][seed % 3] ?? 0,
    stock: [{ id: 'bar', length_mm: bar }],
    pieces: Array.from({ length: kinds }, (_, i) => ({
      id: `piece-${i + 1}`,
      length_mm:
        between(Math.ceil(bar * low), Math.floor(bar * high)) + (seed % 3 === 2 ? between(0, 9) / 10 : 0),
      count: between(1, each),
    })),
  };
}

/** Everything that is wrong with a plan of cuts. */
export function faultsOf(file: StockFile, answer: CutAnswer): string[] {
  const faults: string[] = [];
  const kerf = file.kerf_mm ?? 0;
  const lengths = new Map(file.pieces.map(({ id, length_mm }) => [id, length_mm]));
  const times = new Map<string, number>();
  const used: Record<string, number> = {};
  for (const [i, { stock, pieces, left_mm }] of answer.bars.entries()) {
    const bar = file.stock.find(({ id }) => id === stock);
    if (!bar) faults.push(`bar ${i}: no stock ${stock}`);
    if (!bar) continue;
    used[stock] = (used[stock] ?? 0) + 1;
    let sum = 0;
    for (const id of pieces) {
      sum += lengths.get(id) ?? Number.NaN;
      times.set(id, (times.get(id) ?? 0) + 1);
    }
    if (pieces.length === 0) faults.push(`bar ${i}: nothing is cut from it`);
    if (!(sum + (pieces.length - 1) * kerf <= bar.length_mm + 1e-6)) faults.push(`bar ${i}: too long by far`);
    const left = Math.max(0, bar.length_mm - sum - pieces.length * kerf);
    if (Math.abs(left - left_mm) > 1e-6) faults.push(`bar ${i}: ${left_mm} left, not ${left}`);
  }
  for (const id of answer.unplaced) times.set(id, (times.get(id) ?? 0) + 1);
  for (const { id, count = 1 } of file.pieces)
    if ((times.get(id) ?? 0) !== count) faults.push(`${id}: ${times.get(id) ?? 0} of ${count}`);
  for (const { id, count = Infinity } of file.stock)
    if ((used[id] ?? 0) > count) faults.push(`${id}: ${used[id]} of ${count} used`);
  if (JSON.stringify(Object.entries(used).sort()) !== JSON.stringify(Object.entries(answer.used).sort()))
    faults.push('used: counted otherwise');
  return faults;
}
