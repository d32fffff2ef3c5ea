/** The best plan of cuts for one aim after the other. */
import { divisor, type CutModel } from './model.ts';
import { patternsWorth, weightOf, type Counts, type Pattern } from './patterns.ts';
import { solveProgram, type Solver } from './program.ts';
import { aimed, keyOf, penaltyOf, relax, rowsOf, wholeUp, type Aim, type Loose } from './relaxed.ts';

/** How often each pattern is cut, and what is left uncut by kind. */
export interface Plan {
  readonly cut: readonly Pattern[];
  readonly left: readonly number[];
}

export interface Found {
  readonly plan: Plan;
  /** Of bars or money alone, for plans that leave no more uncut than this one. */
  readonly bound: number;
  /** The bound is met, and nothing can be left less. */
  readonly proven: boolean;
}

interface Stage {
  readonly plan: Plan;
  readonly bound: number;
  readonly patterns: readonly Pattern[];
  /** Every pattern of every plan that is as good is among them. */
  readonly complete: boolean;
}

/** So many patterns a mixed-integer program is asked about, and so many are looked at for them. */
const MOST_PATTERNS = 6000;
const MOST_LOOKS = 400_000;
/** Seconds for one question where not every pattern is known. */
const PATIENCE_s = 1.2;
const DIVES = 3;
/** Of the time that is left, for an aim that comes after others. */
const SHARE = 0.6;

export class Search {
  readonly #model: CutModel;
  readonly #solver: Solver;
  /** Seconds that are left. */
  readonly #rest: () => number;

  constructor(model: CutModel, solver: Solver, rest: () => number) {
    this.#model = model;
    this.#solver = solver;
    this.#rest = rest;
  }

  run(): Found {
    const { kinds, bars, costStep } = this.#model;
    if (kinds.length === 0) return { plan: { cut: [], left: [] }, bound: 0, proven: true };
    const penalty = penaltyOf(this.#model);
    const costs = bars.map(({ cost }) => cost);
    const first: Aim = { of: costs, penalty, caps: [], mayLeave: null };
    let stage = this.#stage(first, this.#greedy(kinds.map(({ ids }) => ids.length)), []);
    const uncut = sum(stage.plan.left);
    const worth = this.#worthOf(stage.plan, first);
    let bound = stage.bound;
    let proven = worth <= bound;
    const mayLeave = penalty === null ? null : uncut;
    if (penalty !== null) {
      const cost = worth - uncut * penalty;
      if (proven) bound = cost;
      else {
        const least = relax(
          this.#model,
          this.#solver,
          { ...first, mayLeave: uncut },
          {
            start: stage.patterns,
            until: () => this.#rest() < 0,
          },
        );
        proven = Math.floor(bound / penalty) >= uncut && cost <= wholeUp(least.bound);
        bound = wholeUp(least.bound);
      }
    }
    // Among plans that cost the same: fewest bars, then least length of them.
    let aim: Aim = { ...first, mayLeave };
    const finer = [
      ...(costStep === null ? [] : [bars.map(() => 1)]),
      ...(bars.length > 1 ? [longerBy(bars.map(({ length }) => length))] : []),
    ];
    for (const of of finer) {
      aim = {
        of,
        penalty,
        mayLeave,
        caps: [...aim.caps, { of: aim.of, most: this.#sumOf(stage.plan, aim.of) }],
      };
      stage = this.#stage(aim, stage.plan, stage.patterns);
    }
    const caps = [...aim.caps, { of: aim.of, most: this.#sumOf(stage.plan, aim.of) }];
    return { plan: this.#longestRest(stage, { ...aim, caps }) ?? stage.plan, bound, proven };
  }

  #sumOf({ cut }: Plan, of: readonly number[]): number {
    return cut.reduce((total, { bar }) => total + (of[bar] ?? 0), 0);
  }

  /** What a plan has of an aim, what it leaves uncut included; nothing counts of a plan that a cap forbids. */
  #worthOf(plan: Plan, { of, penalty, caps, mayLeave }: Aim): number {
    const uncut = sum(plan.left);
    if (caps.some((cap) => this.#sumOf(plan, cap.of) > cap.most + 1e-6)) return Infinity;
    if (mayLeave !== null && uncut > mayLeave) return Infinity;
    return this.#sumOf(plan, of) + (mayLeave === null ? uncut * (penalty ?? 0) : 0);
  }

  /** The best plan for one aim; never a worse one than is known. */
  #stage(aim: Aim, known: Plan, patterns: readonly Pattern[]): Stage {
    let best = known;
    const take = (plan: Plan): void => {
      if (this.#worthOf(plan, aim) < this.#worthOf(best, aim)) best = plan;
    };
    const relaxed = relax(this.#model, this.#solver, aim, {
      start: once([...this.#singles(), ...known.cut, ...patterns.slice(0, MANY_STARTS)]),
      until: () => this.#rest() < 1,
    });
    let bound = wholeUp(relaxed.bound);
    take(this.#rounded(relaxed.patterns, relaxed.amounts));
    // Every pattern that a plan of the wanted worth could hold: what is best of those is best of all.
    for (let wanted = bound; ;) {
      const gap = wanted - relaxed.bound;
      const all = patternsWorth(this.#model, {
        worths: relaxed.worths,
        least: relaxed.limits.map((limit) => limit - gap - 1e-6),
        most: MOST_PATTERNS,
        looks: MOST_LOOKS,
      });
      if (!all) break;
      const enough = once([...all, ...relaxed.patterns, ...best.cut]);
      const found = this.#whole(enough, aim, this.#rest() * (aim.caps.length === 0 ? 1 : SHARE));
      if (found) take(found.plan);
      if (!found?.proven) {
        // Whether less would do is not known; all plans that are as good as this one are of these patterns.
        if (this.#worthOf(best, aim) <= wanted)
          return { plan: best, bound, patterns: enough, complete: true };
        break;
      }
      if (found.value <= wanted)
        return { plan: best, bound: Math.max(bound, found.value), patterns: enough, complete: true };
      bound = Math.max(bound, wanted + 1);
      wanted = Math.min(found.value, this.#worthOf(best, aim));
    }
    let pool = once([...relaxed.patterns, ...best.cut]);
    const ask = (): void => {
      const found = this.#whole(pool, aim, Math.min(this.#rest(), PATIENCE_s));
      if (found) take(found.plan);
    };
    if (this.#worthOf(best, aim) > bound) ask();
    for (let dive = 0; dive < DIVES && this.#worthOf(best, aim) > bound && this.#rest() > 1; dive++) {
      const dived = this.#dived(relaxed.patterns, relaxed.amounts, aim, dive);
      take(dived.plan);
      pool = once([...pool, ...dived.patterns]);
      if (this.#worthOf(best, aim) > bound) ask();
    }
    return { plan: best, bound, patterns: once([...pool, ...best.cut]), complete: false };
  }

  /** Of one kind alone, as often as it goes. */
  #singles(): Pattern[] {
    const { kinds, bars } = this.#model;
    return kinds.flatMap(({ weight, ids }, i) =>
      bars.flatMap(({ room }, bar): Pattern[] => {
        const n = Math.min(ids.length, Math.floor(room / weight));
        return n > 0 ? [{ bar, counts: kinds.map((_, j) => (i === j ? n : 0)) }] : [];
      }),
    );
  }

  /** The longest first, each time on the bar that wastes least for its money. */
  #greedy(wanted: readonly number[], before: readonly Pattern[] = []): Plan {
    const { kinds, bars } = this.#model;
    const left = [...wanted];
    const there = bars.map((bar, b) => bar.there - before.filter((p) => p.bar === b).length);
    const cut: Pattern[] = [];
    for (;;) {
      const tries = bars.flatMap((bar, b) => {
        if ((there[b] ?? 0) <= 0) return [];
        const rest = [...left];
        const counts = this.#filled(bar.room, rest);
        const weight = weightOf(kinds, counts);
        return weight > 0 ? [{ bar: b, counts, rest, each: bar.cost / weight }] : [];
      });
      const best = tries.sort((a, b) => a.each - b.each)[0];
      if (!best) return { cut: [...before, ...cut], left };
      cut.push({ bar: best.bar, counts: best.counts });
      there[best.bar] = (there[best.bar] ?? 0) - 1;
      left.splice(0, left.length, ...best.rest);
    }
  }

  /** As many of the longest as there is room for, then of the next; what is taken is taken off `left`. */
  #filled(room: number, left: number[]): Counts {
    return this.#model.kinds.map(({ weight }, i) => {
      const n = Math.min(left[i] ?? 0, Math.floor(room / weight));
      left[i] = (left[i] ?? 0) - n;
      room -= n * weight;
      return n;
    });
  }

  /** Whole bars of the relaxed plan; the rest by greed. */
  #rounded(patterns: readonly Pattern[], amounts: readonly number[]): Plan {
    const left = this.#model.kinds.map(({ ids }) => ids.length);
    const cut = patterns.flatMap((pattern, p) =>
      Array.from({ length: Math.floor((amounts[p] ?? 0) + 1e-9) }, () => pattern),
    );
    for (const { counts } of cut)
      for (const [i, n] of counts.entries()) left[i] = Math.max(0, (left[i] ?? 0) - n);
    return this.#greedy(left, cut);
  }

  /**
   * Keeps whole bars of the relaxed plan and relaxes what is left again, until nothing is: other patterns come to light.
   *
   * @param round how many of the parts are rounded up at once, besides the fullest
   */
  #dived(
    patterns: readonly Pattern[],
    amounts: readonly number[],
    aim: Aim,
    round: number,
  ): { readonly plan: Plan; readonly patterns: readonly Pattern[] } {
    const { kinds, bars } = this.#model;
    const left = kinds.map(({ ids }) => ids.length);
    const cut: Pattern[] = [];
    const seen: Pattern[] = [];
    const take = (pattern: Pattern): void => {
      cut.push(pattern);
      for (const [i, n] of pattern.counts.entries()) left[i] = Math.max(0, (left[i] ?? 0) - n);
    };
    let now: { readonly patterns: readonly Pattern[]; readonly amounts: readonly number[] } = {
      patterns,
      amounts,
    };
    while (left.some((n) => n > 0) && this.#rest() > 0.5) {
      const used = now.patterns.map((pattern, p) => ({ pattern, amount: now.amounts[p] ?? 0 }));
      for (const { pattern, amount } of used) for (let n = 1; n <= amount + 1e-9; n++) take(pattern);
      const fullest = used
        .filter(({ amount }) => amount % 1 > 1e-9 && amount % 1 < 1 - 1e-9)
        .sort((a, b) => (b.amount % 1) - (a.amount % 1));
      for (const { pattern } of fullest.slice(0, 1 + round)) {
        const wanted = pattern.counts.map((n, i) => Math.min(n, left[i] ?? 0));
        if (wanted.some((n) => n > 0)) take({ bar: pattern.bar, counts: wanted });
      }
      const open = kinds.flatMap((kind, i) =>
        (left[i] ?? 0) > 0 ? [{ i, kind: { ...kind, ids: kind.ids.slice(0, left[i]) } }] : [],
      );
      if (open.length === 0) break;
      const rest: CutModel = {
        ...this.#model,
        kinds: open.map(({ kind }) => kind),
        bars: bars.map((bar, b) => ({ ...bar, there: bar.there - cut.filter((p) => p.bar === b).length })),
      };
      const search = new Search(rest, this.#solver, this.#rest);
      const relaxed = relax(
        rest,
        this.#solver,
        { ...aim, caps: [], mayLeave: null },
        {
          start: once([...search.#singles(), ...search.#greedy(rest.kinds.map(({ ids }) => ids.length)).cut]),
          until: () => this.#rest() < 0.5,
        },
      );
      now = {
        patterns: relaxed.patterns.map(({ bar, counts }) => ({
          bar,
          counts: kinds.map((_, i) => counts[open.findIndex((one) => one.i === i)] ?? 0),
        })),
        amounts: relaxed.amounts,
      };
      if (!relaxed.amounts.some((amount) => amount > 1e-9)) break;
      seen.push(...now.patterns);
    }
    return { plan: this.#greedy(left, cut), patterns: seen };
  }

  /** The best whole plan of these patterns. */
  #whole(
    patterns: readonly Pattern[],
    aim: Aim,
    seconds: number,
  ): { readonly plan: Plan; readonly value: number; readonly proven: boolean } | null {
    const solved = solveProgram(
      this.#solver,
      {
        minimize: aimed(this.#model, patterns, aim),
        rows: rowsOf(this.#model, patterns, aim),
        whole: this.#names(patterns, aim),
      },
      seconds,
    );
    if (!solved) return null;
    return { plan: this.#read(patterns, solved.of), value: Math.round(solved.value), proven: solved.proven };
  }

  #names(patterns: readonly Pattern[], { penalty }: Aim): string[] {
    return [
      ...patterns.map((_, p) => `y${p}`),
      ...(penalty === null ? [] : this.#model.kinds.map((_, i) => `u${i}`)),
    ];
  }

  #read(patterns: readonly Pattern[], of: (name: string) => number, first: readonly Pattern[] = []): Plan {
    const cut = [
      ...first,
      ...patterns.flatMap((pattern, p) => Array.from({ length: Math.round(of(`y${p}`)) }, () => pattern)),
    ];
    const left = this.#model.kinds.map(({ ids }, i) =>
      Math.max(0, ids.length - cut.reduce((total, { counts }) => total + (counts[i] ?? 0), 0)),
    );
    return { cut, left };
  }

  /** One bar is filled piece by piece, as little as can be; all others by patterns. */
  #longestRest({ plan, patterns, complete }: Stage, aim: Aim): Plan | null {
    const { kinds, bars } = this.#model;
    if (plan.cut.length === 0) return null;
    const loose: Loose = { bar: (b) => `z${b}`, kind: (i) => `s${i}` };
    const inOne = kinds.map(({ weight }, i) => [weight, loose.kind(i)] as const);
    const room = bars.map((bar, b) => [-bar.room, loose.bar(b)] as const);
    const solved = solveProgram(
      this.#solver,
      {
        minimize: [...inOne, ...room],
        rows: [
          ...rowsOf(this.#model, patterns, aim, loose),
          { terms: bars.map((_, b) => [1, loose.bar(b)] as const), is: '=', than: 1 },
          { terms: [...inOne, ...room], is: '<=', than: 0 },
        ],
        whole: [
          ...this.#names(patterns, aim),
          ...kinds.map((_, i) => loose.kind(i)),
          ...bars.map((_, b) => loose.bar(b)),
        ],
        most: bars.map((_, b) => [loose.bar(b), 1] as const),
      },
      Math.min(this.#rest(), complete ? Infinity : PATIENCE_s / 2),
    );
    if (!solved) return null;
    const bar = bars.findIndex((_, b) => Math.round(solved.of(loose.bar(b))) === 1);
    const one: Pattern = { bar, counts: kinds.map((_, i) => Math.round(solved.of(loose.kind(i)))) };
    const found = this.#read(patterns, solved.of, [one]);
    return this.#worthOf(found, aim) < Infinity && this.#restOf(found) >= this.#restOf(plan) ? found : null;
  }

  /** Steps of the longest rest of a plan, its own cut included. */
  #restOf({ cut }: Plan): number {
    const { kinds, bars } = this.#model;
    return Math.max(
      0,
      ...trimmed(this.#model, cut).map(({ bar, counts }) => (bars[bar]?.room ?? 0) - weightOf(kinds, counts)),
    );
  }
}

/** Patterns of the stage before that the next one begins with. */
const MANY_STARTS = 400;

/** Of as many bars the length is told by how much each is longer than the shortest, in the steps that they differ by. */
function longerBy(lengths: readonly number[]): number[] {
  const least = Math.min(...lengths);
  const step = lengths.reduce((gcd, length) => divisor(gcd, length - least), 0) || 1;
  return lengths.map((length) => (length - least) / step);
}

const sum = (list: readonly number[]): number => list.reduce((total, n) => total + n, 0);

const once = (patterns: readonly Pattern[]): Pattern[] => [
  ...new Map(patterns.map((pattern) => [keyOf(pattern), pattern])).values(),
];

/** Patterns may hold more than is asked for: the surplus is taken from the bars that are cut last. */
export function trimmed({ kinds }: CutModel, cut: readonly Pattern[]): Pattern[] {
  const left = kinds.map(({ ids }) => ids.length);
  return cut.map(({ bar, counts }) => ({
    bar,
    counts: counts.map((n, i) => {
      const own = Math.min(n, left[i] ?? 0);
      left[i] = (left[i] ?? 0) - own;
      return own;
    }),
  }));
}
