/** Plans of cuts: textbook instances, the mixed-integer program's optima, and a checker of its own. */
import { readFileSync } from 'node:fs';
import { cutStock, readStock, type CutAnswer, type StockFile } from '@hulvek/core';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { cutOptimum, type CutOptimum } from './references/cut-optimum.ts';
import { faultsOf, largeStock, smallStock } from './support/stock-files.ts';

const cut = async (file: StockFile, seconds = 30): Promise<CutAnswer> =>
  cutStock(file, await loadHighs(), { now: () => performance.now(), seconds });

const bars = (
  length_mm: number,
  pieces: readonly (readonly [length: number, count: number])[],
): StockFile => ({
  format: 'hulvek-stock',
  version: 1,
  stock: [{ id: 'bar', length_mm }],
  pieces: pieces.map(([length_mm, count]) => ({ id: `${length_mm}`, length_mm, count })),
});

describe('plans of cuts from books', () => {
  it.each([
    {
      // Thirteen widths of paper from rolls of 5 600 mm: a classic of cutting stock, from memory.
      what: 'the paper mill',
      file: bars(5600, [
        [1380, 22],
        [1520, 25],
        [1560, 12],
        [1710, 14],
        [1820, 18],
        [1880, 18],
        [1930, 20],
        [2000, 10],
        [2050, 12],
        [2100, 14],
        [2140, 16],
        [2150, 18],
        [2200, 20],
      ]),
      needs: 73,
    },
    {
      // Chvátal, Linear Programming, chapter 13, from memory: 452.25 in parts.
      what: 'raws of 100 inches',
      file: bars(100, [
        [45, 97],
        [36, 610],
        [31, 395],
        [14, 211],
      ]),
      needs: 453,
    },
    {
      // By hand: fifteen of 9 + 5 + 3, five of 5 and ten of 3 on four more; 310 of length need 19 bars of 17.
      what: 'boards of 17 feet',
      file: bars(17, [
        [3, 25],
        [5, 20],
        [9, 15],
      ]),
      needs: 19,
    },
    {
      // By hand: three of 6 take a bar each, and of three of 5 two share one.
      what: 'pieces longer than a half',
      file: bars(10, [
        [6, 3],
        [5, 3],
      ]),
      needs: 5,
    },
  ])('$what needs $needs, proven', async ({ file, needs }) => {
    const answer = await cut(file);
    expect(faultsOf(file, answer)).toEqual([]);
    expect(answer.bars).toHaveLength(needs);
    expect(answer).toMatchObject({ bound: needs, optimal: true, unplaced: [] });
  });

  it('a cut is lost between two pieces and not behind the last that ends the bar', async () => {
    const file = { ...bars(1000, [[498.5, 2]]), kerf_mm: 3 };
    expect(await cut(file)).toMatchObject({
      bars: [{ pieces: ['498.5', '498.5'], left_mm: 0 }],
      optimal: true,
    });
    expect((await cut({ ...file, kerf_mm: 3.1 })).bars).toHaveLength(2);
    // What is left is less by the cut that parts it.
    expect((await cut({ ...bars(1000, [[400, 1]]), kerf_mm: 3 })).bars[0]?.left_mm).toBe(597);
  });

  it('of plans with as many bars the one with less length is taken, then the one that leaves most in one piece', async () => {
    const file: StockFile = {
      ...bars(0, [
        [900, 2],
        [300, 2],
      ]),
      stock: [
        { id: 'long', length_mm: 2000 },
        { id: 'short', length_mm: 1300 },
      ],
    };
    // Two bars either way; 1300 + 1300 is less than 2000 + 1300. 900 + 300 twice leaves 100 and 100;
    // 900 + 300 and 900 + 300 is the only way on two short ones.
    expect((await cut(file)).used).toEqual({ short: 2 });
    const rest = await cut(bars(1000, [[200, 6]]));
    expect(rest.bars.map(({ left_mm }) => left_mm).sort((a, b) => a - b)).toEqual([0, 800]);
  });

  it('money goes before bars where the stock has costs', async () => {
    const file: StockFile = {
      ...bars(0, [[900, 2]]),
      stock: [
        { id: 'long', length_mm: 2000, cost: 30 },
        { id: 'short', length_mm: 1000, cost: 12.5 },
      ],
    };
    expect(await cut(file)).toMatchObject({ used: { short: 2 }, cost: 25, bound: 25, optimal: true });
  });

  it('what no bar is long enough for, or too few bars are there for, is left; as few as can be', async () => {
    const scarce: StockFile = {
      ...bars(0, [
        [1200, 1],
        [600, 2],
        [300, 3],
      ]),
      stock: [{ id: 'bar', length_mm: 1000, count: 1 }],
    };
    const answer = await cut(scarce);
    expect(faultsOf(scarce, answer)).toEqual([]);
    expect([...answer.unplaced].sort()).toEqual(['1200', '600', '600']);
    expect(await cut({ ...scarce, stock: [] })).toMatchObject({ bars: [], bound: 0 });
    expect(await cut({ ...scarce, pieces: [] })).toEqual({
      bars: [],
      used: {},
      bound: 0,
      optimal: true,
      unplaced: [],
    });
  });
});

describe('plans of cuts against the mixed-integer program', () => {
  const optima = Object.entries(
    JSON.parse(readFileSync(new URL('./fixtures/cut-optima.json', import.meta.url), 'utf8')) as Record<
      string,
      CutOptimum
    >,
  ).map(([seed, optimum]) => ({ seed: Number(seed), optimum }));

  const told = (file: StockFile, answer: CutAnswer): CutOptimum => {
    const length = new Map(file.stock.map(({ id, length_mm }) => [id, Math.round(length_mm * 10)]));
    return [
      answer.unplaced.length,
      Math.round((answer.cost ?? 0) * 100),
      answer.bars.length,
      answer.bars.reduce((sum, { stock }) => sum + (length.get(stock) ?? 0), 0),
      Math.round(Math.max(0, ...answer.bars.map(({ left_mm }) => left_mm)) * 10),
    ];
  };
  /** The long run looks at all of them. */
  const looked = process.env.HULVEK_LONG === '1' ? optima : optima.filter((_, i) => i % 5 === 0);

  it('are equal in every aim, and no bound is above an optimum', async () => {
    expect(optima.length).toBeGreaterThanOrEqual(300);
    const wrong: unknown[] = [];
    for (const { seed, optimum } of looked) {
      const file = smallStock(seed);
      const answer = await cut(file);
      const is = told(file, answer);
      const bound = file.stock.some(({ cost }) => cost !== undefined) ? answer.bound * 100 : answer.bound;
      const best = file.stock.some(({ cost }) => cost !== undefined) ? optimum[1] : optimum[2];
      const faults = faultsOf(file, answer);
      if (String(is) !== String(optimum) || faults.length > 0 || bound > best + 1e-6)
        wrong.push({ seed, is, optimum, bound, faults });
    }
    expect(wrong).toEqual([]);
  }, 1_200_000);

  it.each([3, 4, 6, 8, 10, 13, 15, 16, 18, 20])(
    'of seed %i is solved again to the same by the mixed-integer program',
    async (seed) => {
      expect(cutOptimum(smallStock(seed), await loadHighs())).toEqual(
        optima.find((one) => one.seed === seed)?.optimum,
      );
    },
    60_000,
  );

  it('of a thousand pieces stay within one bar of the bound, and mostly on it', async () => {
    const seeds = Array.from({ length: process.env.HULVEK_LONG === '1' ? 60 : 3 }, (_, i) => i + 7);
    let met = 0;
    for (const seed of seeds) {
      const file = largeStock(seed);
      const answer = await cut(file);
      expect(faultsOf(file, answer)).toEqual([]);
      expect(answer.bars.length - answer.bound).toBeLessThanOrEqual(1);
      if (answer.optimal) met++;
    }
    expect(met / seeds.length).toBeGreaterThanOrEqual(0.95);
  }, 600_000);
});

describe('a file of stock', () => {
  const sound = { format: 'hulvek-stock', version: 1, stock: [{ id: 'a', length_mm: 10 }], pieces: [] };
  it.each([
    [{ ...sound, version: 2 }, 'version'],
    [{ ...sound, kerf_mm: -1 }, 'kerf_mm'],
    [{ ...sound, stock: [{ id: 'a', length_mm: -5 }] }, 'stock[0].length_mm'],
    [{ ...sound, stock: [{ id: 'a', length_mm: 5, count: -1 }] }, 'stock[0].count'],
    [{ ...sound, stock: [{ id: 'a', length_mm: 5.25 }] }, 'tenth of a millimetre'],
    [{ ...sound, stock: [...sound.stock, ...sound.stock] }, '"a" is there twice'],
    [
      {
        ...sound,
        pieces: [
          { id: 'p', length_mm: 1 },
          { id: 'p', length_mm: 2 },
        ],
      },
      '"p" is there twice',
    ],
    [{ ...sound, stock: [...sound.stock, { id: 'b', length_mm: 5, cost: 1 }] }, 'stock[0].cost'],
    [{ ...sound, pieces: [{ id: 'p', length_mm: 1, count: 30_000 }] }, 'pieces[0].count'],
  ])('that is wrong is refused with the place (%#)', (file, says) => {
    const read = readStock(file);
    expect(read.ok ? [] : read.problems.join('\n')).toContain(says);
  });
});
