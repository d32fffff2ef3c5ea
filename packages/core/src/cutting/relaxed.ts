/** The plan in which parts of bars may be cut: column generation, and the bound that it proves. */
import type { CutModel } from './model.ts';
import { Pricing, type Pattern } from './patterns.ts';
import { solveProgram, type Row, type Solver } from './program.ts';

/** What a plan is to have least of, and what it may have no more of than plans before it had. Figures are by bar. */
export interface Aim {
  readonly of: readonly number[];
  /** For each piece that is left uncut; `null` where all are to be cut. */
  readonly penalty: number | null;
  readonly caps: readonly { readonly of: readonly number[]; readonly most: number }[];
  /** So many may be left at no cost; then the penalty is nothing. */
  readonly mayLeave: number | null;
}

export interface Relaxed {
  readonly patterns: readonly Pattern[];
  /** How often each is cut, in parts. */
  readonly amounts: readonly number[];
  /** What one more piece of each kind is worth; never so that a pattern is worth more than its bar's limit. */
  readonly worths: readonly number[];
  readonly limits: readonly number[];
  /** No plan has less. */
  readonly bound: number;
}

/** For a piece that is left uncut: more than all bars together could cost; `null` where everything can be cut. */
export const penaltyOf = ({ kinds, bars }: CutModel): number | null => {
  const most = kinds.reduce((sum, { ids }) => sum + ids.length, 0);
  const endless = bars.filter(({ there }) => there >= most);
  if (kinds.every(({ length }) => endless.some((bar) => bar.length >= length))) return null;
  return 1 + most * Math.max(1, ...bars.map(({ cost }) => cost));
};

/** From so many on, better worths than decide the bound are not looked for. */
const MANY_KINDS = 25;

export const keyOf = ({ bar, counts }: Pattern) => `${bar}:${counts.join(',')}`;

/** Besides patterns: one bar that is filled piece by piece. */
export interface Loose {
  readonly bar: (bar: number) => string;
  readonly kind: (kind: number) => string;
}

/** The rows that every plan must hold: all pieces cut or left, no more bars than there are, and the caps. */
export function rowsOf(
  { kinds, bars }: CutModel,
  patterns: readonly Pattern[],
  aim: Aim,
  loose?: Loose,
): Row[] {
  const leaves = aim.penalty !== null;
  const sumOf = (of: readonly number[]): Row['terms'] => [
    ...patterns.flatMap(({ bar }, p) => (of[bar] === 0 ? [] : [[of[bar] ?? 0, `y${p}`] as const])),
    ...(loose ? bars.map((_, b) => [of[b] ?? 0, loose.bar(b)] as const) : []),
  ];
  return [
    ...kinds.map(({ ids }, i): Row => ({
      terms: [
        ...patterns.flatMap(({ counts }, p) =>
          (counts[i] ?? 0) > 0 ? [[counts[i] ?? 0, `y${p}`] as const] : [],
        ),
        ...(leaves ? [[1, `u${i}`] as const] : []),
        ...(loose ? [[1, loose.kind(i)] as const] : []),
      ],
      is: '>=',
      than: ids.length,
    })),
    ...bars.flatMap(({ there }, b): Row[] =>
      Number.isFinite(there)
        ? [
            {
              terms: [...sumOf(bars.map((_, other) => (other === b ? 1 : 0))), [0, 'none']],
              is: '<=',
              than: there,
            },
          ]
        : [],
    ),
    ...aim.caps.map(({ of, most }): Row => ({ terms: [...sumOf(of), [0, 'none']], is: '<=', than: most })),
    ...(aim.mayLeave === null
      ? []
      : [{ terms: kinds.map((_, i) => [1, `u${i}`] as const), is: '<=' as const, than: aim.mayLeave }]),
  ];
}

export const aimed = (
  { kinds }: CutModel,
  patterns: readonly Pattern[],
  { of, penalty, mayLeave }: Aim,
): Row['terms'] => [
  ...patterns.map(({ bar }, p) => [of[bar] ?? 0, `y${p}`] as const),
  ...(penalty === null ? [] : kinds.map((_, i) => [mayLeave === null ? penalty : 0, `u${i}`] as const)),
];

export function relax(
  model: CutModel,
  solver: Solver,
  aim: Aim,
  o: { readonly start: readonly Pattern[]; readonly until: () => boolean },
): Relaxed {
  const { kinds, bars } = model;
  const pricing = new Pricing(model);
  const patterns = [...o.start];
  const known = new Set(patterns.map(keyOf));
  const finite = bars.flatMap(({ there }, b) => (Number.isFinite(there) ? [b] : []));
  let best: Pick<Relaxed, 'bound' | 'worths' | 'limits'> = {
    bound: 0,
    worths: kinds.map(() => 0),
    limits: aim.of,
  };
  let amounts: readonly number[] = [];
  for (;;) {
    const solved = solveProgram(solver, {
      minimize: aimed(model, patterns, aim),
      rows: rowsOf(model, patterns, aim),
    });
    if (!solved) break;
    amounts = patterns.map((_, p) => solved.of(`y${p}`));
    const worths = kinds.map((_, i) => Math.max(0, solved.prices[i] ?? 0));
    const price = (row: number) => Math.min(0, solved.prices[kinds.length + row] ?? 0);
    const barPrices = finite.map((_, i) => price(i));
    const capPrices = aim.caps.map((_, c) => price(finite.length + c));
    // What a pattern on a bar may be worth: the bar's own figure, and what the rows ask for it.
    const limits = bars.map((_, b) => {
      const at = finite.indexOf(b);
      const capped = aim.caps.reduce((sum, { of }, c) => sum + (of[b] ?? 0) * (capPrices[c] ?? 0), 0);
      return (aim.of[b] ?? 0) - (at < 0 ? 0 : (barPrices[at] ?? 0)) - capped;
    });
    const found = pricing.best(worths);
    // Scaled until no pattern is worth more than its bar, the worths prove a bound.
    const scale = found.reduce(
      (least, { worth }, b) => (worth > (limits[b] ?? 0) ? Math.min(least, (limits[b] ?? 0) / worth) : least),
      1,
    );
    const proven =
      scale * kinds.reduce((sum, { ids }, i) => sum + ids.length * (worths[i] ?? 0), 0) +
      finite.reduce((sum, b, i) => sum + (bars[b]?.there ?? 0) * (barPrices[i] ?? 0), 0) +
      aim.caps.reduce((sum, { most }, c) => sum + most * (capPrices[c] ?? 0), 0) +
      (aim.mayLeave === null ? 0 : aim.mayLeave * price(finite.length + aim.caps.length));
    if (proven > best.bound || best.bound === 0)
      best = { bound: Math.max(0, proven), worths: worths.map((w) => w * scale), limits };
    const fresh = found.flatMap(({ worth, counts }, bar): Pattern[] =>
      worth > (limits[bar] ?? 0) + 1e-7 && !known.has(keyOf({ bar, counts })) ? [{ bar, counts }] : [],
    );
    const decided = kinds.length > MANY_KINDS && wholeUp(best.bound) >= wholeUp(solved.value);
    if (fresh.length === 0 || decided || o.until()) break;
    for (const pattern of fresh) {
      known.add(keyOf(pattern));
      patterns.push(pattern);
    }
  }
  return { patterns, amounts, ...best };
}

/** The next whole number that is not below, but for rounding. */
export const wholeUp = (value: number): number =>
  Math.ceil(value - 1e-6 * Math.max(1, Math.abs(value) * 1e-3));
