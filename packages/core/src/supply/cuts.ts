/** From the needs of a job to plans of cuts: one for each roll and bar, two steps for boards. */
import { bestFill, cutStock, type CutAnswer, type CutBar, type CuttingOptions } from '../cutting/cut.ts';
import { MOST_PIECES, type StockFile } from '../cutting/document.ts';
import type { Solver } from '../cutting/program.ts';
import type { Supply } from '../documents/supply.ts';
import { SAW_mm } from '../vocabulary/stock.ts';
import type { Article, Terms } from './articles.ts';
import type { Need } from './needs.ts';
import { partsOf, type TakeoffLine } from './takeoff.ts';

/** One strip or length to cut. */
export interface Strip {
  readonly id: string;
  readonly need: Need;
  /** Which of a need's pieces, counted from 1, and of which part of it, where it is joined. */
  readonly number: number;
  readonly part: readonly [number: number, of: number];
  readonly length_mm: number;
}

export interface CutPlan {
  readonly article: Article;
  readonly terms: Terms;
  readonly kerf_mm: number;
  readonly strips: ReadonlyMap<string, Strip>;
  /** Of rolls and bars the bound is the least length of new ones, mm; of boards their number. */
  readonly answer: CutAnswer;
  /** Length of each stock, and whether it is a left-over from the van. */
  readonly stock: ReadonlyMap<string, { readonly length_mm: number; readonly leftOver: boolean }>;
  /** Boards: how many strips of which width come from each sheet, and what is waste of all, a share. */
  readonly sheets: {
    readonly width_mm: number;
    readonly length_mm: number;
    readonly each: readonly (readonly number[])[];
    readonly waste: number;
  } | null;
}

/** A tenth of a millimetre up: what is cut is never shorter than what is asked. */
const up = (mm: number): number => Math.ceil(mm * 10 - 1e-6) / 10;

export interface CutsOf {
  readonly line: TakeoffLine;
  readonly supply: Supply;
  /** Strips that were cut already. */
  readonly done?: ReadonlySet<string>;
}

/** Every strip of a line, in the order of the work. A strip keeps its name while the piece it is for keeps its size. */
export function stripsOf({ article, terms, needs }: TakeoffLine): Strip[] {
  const longest = Math.max(...terms.lengths_mm, 1);
  const numbered = new Map<string, number>();
  return needs.flatMap((need) => {
    const parts = article.form === 'board' ? [need.length_mm ?? 0] : partsOf(need, longest);
    const of = `${need.opening}|${need.piece ?? ''}|${up(need.length_mm ?? 0)}x${up(need.width_mm ?? 0)}`;
    return Array.from({ length: need.count }, (_, n) =>
      parts.map((length_mm, k): Strip => {
        const nth = (numbered.get(of) ?? 0) + 1;
        numbered.set(of, nth);
        return {
          id: `${of}|${nth}`,
          need,
          number: n + 1,
          part: [k + 1, parts.length],
          length_mm: up(length_mm),
        };
      }),
    ).flat();
  });
}

export function cutPlan(
  { line, supply, done = new Set() }: CutsOf,
  solver: Solver,
  o: CuttingOptions,
): CutPlan {
  const { article, terms } = line;
  const all = stripsOf(line)
    .filter(({ id }) => !done.has(id))
    .slice(0, MOST_PIECES);
  const strips = new Map(all.map((strip) => [strip.id, strip]));
  const kerf_mm = article.form === 'roll' ? 0 : SAW_mm;
  const base = { article, terms, kerf_mm, strips };
  if (article.form === 'board') return { ...base, ...boards(all, terms, solver, o) };
  const left = supply.van.flatMap(({ id, article: of, length_mm, amount }) =>
    of === article.id && length_mm !== undefined
      ? [{ id: `van:${id}`, length_mm: Math.floor(length_mm * 10) / 10, count: Math.floor(amount) }]
      : [],
  );
  const fresh = terms.lengths_mm.map((length_mm) => ({ id: `new:${length_mm}`, length_mm, cost: length_mm }));
  const cut = (stock: StockFile['stock'], pieces: StockFile['pieces']) =>
    cutStock({ format: 'hulvek-stock', version: 1, kerf_mm, stock, pieces }, solver, o);
  const asked = all.map(({ id, length_mm }) => ({ id, length_mm }));
  // The least that is new, with left-overs for next to nothing; and left-overs filled first, where that needs no more.
  const joint = cut(
    [...left.map((one) => ({ ...one, cost: Math.round(one.length_mm) / 100 })), ...fresh],
    asked,
  );
  const isNew = ({ stock }: CutBar) => stock.startsWith('new:');
  const newLength = (bars: readonly CutBar[]) =>
    bars.filter(isNew).reduce((sum, { stock }) => sum + Number(stock.slice('new:'.length)), 0);
  const first = leftOversFirst(left, asked, kerf_mm);
  const rest = first.bars.length > 0 ? cut(fresh, first.rest) : null;
  const firstWins =
    rest !== null &&
    rest.unplaced.length <= joint.unplaced.length &&
    newLength(rest.bars) <= newLength(joint.bars);
  const bars = firstWins ? [...first.bars, ...rest.bars] : joint.bars;
  return {
    ...base,
    answer: {
      ...joint,
      bars,
      used: countOf(bars),
      unplaced: firstWins ? rest.unplaced : joint.unplaced,
    },
    stock: new Map(
      [...left, ...fresh].map(
        ({ id, length_mm }) => [id, { length_mm, leftOver: id.startsWith('van:') }] as const,
      ),
    ),
    sheets: null,
  };
}

const countOf = (bars: readonly CutBar[]): Record<string, number> => {
  const used: Record<string, number> = {};
  for (const { stock } of bars) used[stock] = (used[stock] ?? 0) + 1;
  return used;
};

/** Each left-over, the longest first, filled as full as the pieces that are left let it be. */
function leftOversFirst(
  left: readonly { readonly id: string; readonly length_mm: number; readonly count: number }[],
  pieces: StockFile['pieces'],
  kerf_mm: number,
): { readonly bars: readonly CutBar[]; readonly rest: StockFile['pieces'] } {
  const bars: CutBar[] = [];
  let rest = pieces;
  for (const { id, length_mm, count } of left.toSorted((a, b) => b.length_mm - a.length_mm))
    for (let n = 0; n < count && rest.length > 0; n++) {
      const own = bestFill({
        format: 'hulvek-stock',
        version: 1,
        kerf_mm,
        stock: [{ id, length_mm }],
        pieces: rest,
      });
      if (!own) break;
      bars.push(own);
      const taken = new Set(own.pieces);
      rest = rest.filter((piece) => !taken.has(piece.id));
    }
  return { bars, rest };
}

/**
 * A board is ripped into strips over its whole length, strips are cut across: two cuts, as on a site. Boards have no grain:
 * the first cuts run along the sheet or across it, whichever takes fewer.
 */
function boards(
  all: readonly Strip[],
  { lengths_mm: [length_mm = 2440], across_mm }: Terms,
  solver: Solver,
  o: CuttingOptions,
): Boards {
  const along = ripped(all, [length_mm, across_mm], solver, o);
  const across = ripped(all, [across_mm, length_mm], solver, o);
  const worth = ({ answer }: Boards) => [answer.unplaced.length, answer.used.board ?? 0] as const;
  const [[a, b], [c, d]] = [worth(along), worth(across)];
  return c < a || (c === a && d < b) ? across : along;
}

type Boards = Pick<CutPlan, 'answer' | 'stock' | 'sheets'>;

function ripped(
  all: readonly Strip[],
  [length_mm, across_mm]: readonly [number, number],
  solver: Solver,
  o: CuttingOptions,
): Boards {
  const widths = [...new Set(all.map(({ need }) => up(need.width_mm ?? 0)))].sort((a, b) => b - a);
  const cut = (stock_mm: number, pieces: StockFile['pieces']) =>
    cutStock(
      {
        format: 'hulvek-stock',
        version: 1,
        kerf_mm: SAW_mm,
        stock: [{ id: 'stock', length_mm: stock_mm }],
        pieces,
      },
      solver,
      o,
    );
  const byWidth = widths.map((width) => ({
    width,
    answer: cut(
      length_mm,
      all
        .filter(({ need }) => up(need.width_mm ?? 0) === width)
        .map(({ id, length_mm: mm }) => ({ id, length_mm: mm })),
    ),
  }));
  const rips = byWidth.flatMap(({ width, answer }) =>
    answer.bars.length > 0 ? [{ id: `rip:${width}`, length_mm: width, count: answer.bars.length }] : [],
  );
  const across = cut(across_mm, rips);
  const area = all.reduce((sum, { need, length_mm: mm }) => sum + mm * (need.width_mm ?? 0), 0);
  const bars = byWidth.flatMap(({ width, answer }) =>
    answer.bars.map((bar) => ({ ...bar, stock: `rip:${width}` })),
  );
  return {
    answer: {
      bars,
      used: { board: across.bars.length },
      bound: across.bound,
      optimal: across.optimal && byWidth.every(({ answer }) => answer.optimal),
      unplaced: [...byWidth.flatMap(({ answer }) => answer.unplaced), ...across.unplaced],
    },
    stock: new Map(widths.map((width) => [`rip:${width}`, { length_mm, leftOver: false }])),
    sheets: {
      width_mm: across_mm,
      length_mm,
      each: across.bars.map(({ pieces }) => pieces.map((id) => Number(id.slice('rip:'.length)))),
      waste: across.bars.length === 0 ? 0 : 1 - area / (across.bars.length * across_mm * length_mm),
    },
  };
}
