/**
 * Plans chains of tasks, each worked from one good stop to the next: what must not be left over a night is done in one day
 * where it can be, and begins on another day where it cannot.
 */
import { generator } from '../quantities/random.ts';
import { baseOf, Board, Grounds, type Placed, type WhyNot } from './board.ts';
import type { Model } from './model.ts';
import { scoreOf } from './score.ts';

/** Tasks of one thing in their order. */
export interface Chain {
  readonly tasks: readonly number[];
  /** Whether it can be left after so many of them; the first is before any. */
  readonly stops: readonly boolean[];
  /** What it costs to leave it over a night after so many. */
  readonly nightCost: (done: number, night: number) => number;
  /** It is placed before all others. */
  readonly first?: boolean;
}

export interface ChainModel {
  readonly model: Model;
  readonly chains: readonly Chain[];
  /** From the end of work to its next begin, minutes. */
  readonly nights: readonly (readonly [from: number, to: number])[];
  /** Tasks that stand where they are. */
  readonly fixed?: ReadonlyMap<number, Placed>;
  /** What somebody from outside does between, who does not go on with it. */
  readonly isLook?: (task: number) => boolean;
  /** What is held by those who began it until it is made fast. */
  readonly isHeld?: (task: number) => boolean;
  /** Without regard to what stands open over night: as a list is worked off. */
  readonly blind?: boolean;
  /** What counts, from the first to the last, where that is not the score as it stands. */
  readonly rank?: (score: ChainScore) => readonly number[];
}

/** Compared from the first to the last. */
export type ChainScore = readonly [
  unplaced: number,
  nights: number,
  late: number,
  finish: number,
  moves: number,
  /** Minutes at work between somebody's first and last task of a day with nothing to do. */
  idle: number,
  starts: number,
];

export interface ChainPlan {
  readonly placed: readonly (Placed | null)[];
  readonly why: readonly (WhyNot | null)[];
  readonly score: ChainScore;
}

/** Days on which a part is tried when it would be left open. */
const MOST_DAYS = 12;
const MOST_TRIES = 200;

/** Tasks between two stops. */
interface Part {
  readonly chain: number;
  readonly from: number;
  readonly to: number;
}

export function partsOf(chains: readonly Chain[]): Part[] {
  return chains.flatMap(({ tasks, stops }, chain) => {
    const parts: Part[] = [];
    let from = 0;
    for (let k = 1; k <= tasks.length; k++) {
      if (k < tasks.length && !stops[k]) continue;
      parts.push({ chain, from, to: k });
      from = k;
    }
    return parts;
  });
}

/** One plan: parts by their order, those of one chain after each other. */
export function planParts(
  {
    chains,
    nights,
    fixed = new Map(),
    isLook = () => false,
    isHeld = () => false,
    blind = false,
  }: ChainModel,
  grounds: Grounds,
  parts: readonly Part[],
  order: readonly number[],
): ChainPlan {
  const { tasks } = grounds.model;
  const board = new Board(grounds);
  const why: (WhyNot | null)[] = tasks.map(() => null);
  for (const [task, placed] of fixed) board.put(task, placed);
  const nextOf = new Map<number, number[]>();
  for (const [i, { chain }] of parts.entries()) nextOf.set(chain, [...(nextOf.get(chain) ?? []), i]);

  /** Places the tasks of a part from a minute on; says where to try again where that cannot be. */
  const tryPart = (
    own: readonly number[],
    from: number,
  ): { ok: true } | { ok: false; task: number; why: WhyNot; shift: number } => {
    let kin: readonly number[] = [];
    let hands: readonly number[] | null = null;
    for (const [k, task] of own.entries()) {
      const stands = board.placed[task];
      if (stands) {
        kin = stands.crew;
        if (isHeld(task)) hands ??= stands.crew;
        continue;
      }
      const begin = k === 0 ? from : 0;
      const only = isHeld(task) ? hands : null;
      const held = board.earliest(task, begin, { kin, only });
      // Better in other hands than not at all.
      const tried = held.ok || !only ? held : board.earliest(task, begin, { kin });
      if (tried.ok) {
        board.put(task, tried.placed);
        if (!isLook(task)) kin = tried.placed.crew;
        if (isHeld(task)) hands ??= tried.placed.crew;
        continue;
      }
      let shift = Infinity;
      if (tried.why === 'too-late-after') {
        const then = board.earliest(task, 0, { patient: true });
        if (then.ok)
          shift = Math.max(
            1,
            ...(tasks[task]?.after ?? []).map((lag) => {
              const before = board.placed[lag.task];
              return before
                ? Math.ceil(
                    (lag.to === 'start' ? then.placed.start : then.placed.end) -
                      baseOf(lag, before) -
                      lag.most,
                  )
                : 1;
            }),
          );
      }
      for (const done of own.slice(0, k)) if (!fixed.has(done)) board.take(done);
      return { ok: false, task, why: tried.why, shift };
    }
    return { ok: true };
  };
  const takePart = (own: readonly number[]) => {
    for (const task of own) if (!fixed.has(task)) board.take(task);
  };
  /** What the nights cost that a part is left open over. */
  const costOf = (chain: Chain, { from, to }: Part): number => {
    let cost = 0;
    for (const [n, [begin]] of nights.entries()) {
      let done = from;
      for (let k = from; k < to; k++)
        if ((board.placed[chain.tasks[k] ?? -1]?.end ?? Infinity) <= begin) done = k + 1;
      if (done > from && done < to) cost += chain.nightCost(done, n);
    }
    return cost;
  };

  const placePart = (part: Part): void => {
    const chain = chains[part.chain];
    if (!chain) return;
    const own = chain.tasks.slice(part.from, part.to);
    let begin = 0;
    let best: { cost: number; placed: (Placed | null)[] } | null = null;
    for (let days = 0, tries = 0; days < MOST_DAYS && tries < MOST_TRIES; tries++) {
      const tried = tryPart(own, begin);
      if (!tried.ok) {
        why[tried.task] = tried.why;
        if (!Number.isFinite(tried.shift)) break;
        const first = own.find((task) => !fixed.has(task));
        const again = first === undefined ? null : board.earliest(first, begin);
        begin = (again?.ok ? again.placed.start : begin) + tried.shift;
        continue;
      }
      const cost = costOf(chain, part);
      if (!best || cost < best.cost - 1e-9)
        best = { cost, placed: own.map((task) => board.placed[task] ?? null) };
      const start = board.placed[own[0] ?? -1]?.start ?? 0;
      takePart(own);
      if (cost === 0 || blind) break;
      days++;
      const night = nights.find(([from]) => from > start);
      if (!night) break;
      begin = night[1];
    }
    if (!best) return;
    for (const [k, task] of own.entries()) {
      const placed = best.placed[k];
      if (!placed) continue;
      why[task] = null;
      if (!fixed.has(task)) board.put(task, placed);
    }
  };
  const done = new Set<number>();
  const isFirst = (i: number) => chains[parts[i]?.chain ?? -1]?.first === true;
  for (const i of [...order.filter(isFirst), ...order.filter((one) => !isFirst(one))]) {
    const part = parts[i];
    if (!part) continue;
    // What comes before it in its chain comes before it here.
    for (const earlier of nextOf.get(part.chain) ?? []) {
      const one = parts[earlier];
      if (!one || done.has(earlier) || one.from > part.from) continue;
      placePart(one);
      done.add(earlier);
    }
  }
  const placed = [...board.placed];
  return { placed, why, score: scoreChains({ chains, nights }, grounds.model, placed) };
}

export function scoreChains(
  { chains, nights }: Pick<ChainModel, 'chains' | 'nights'>,
  model: Model,
  placed: readonly (Placed | null)[],
): ChainScore {
  const [unplaced, late, finish, starts] = scoreOf(model, placed);
  let open = 0;
  for (const chain of chains)
    for (const [n, [begin]] of nights.entries()) open += chain.nightCost(doneBy(chain, placed, begin), n);
  return [unplaced, open, late, finish, movesOf(model, placed), idleOf(model, placed), starts];
}

function idleOf({ on, horizon }: Model, placed: readonly (Placed | null)[]): number {
  const own = on.map((): Placed[] => []);
  for (const one of placed) for (const person of one?.crew ?? []) if (one) own[person]?.push(one);
  let idle = 0;
  for (const [person, list] of own.entries()) {
    list.sort((a, b) => a.start - b.start);
    let until = list[0]?.end ?? 0;
    for (const { start, end } of list.slice(1)) {
      // Between two days nobody is idle.
      const minutes = start - until > 0 && start - until < LONG_GAP_min ? on[person] : undefined;
      if (minutes) for (let m = until; m < Math.min(start, horizon); m++) idle += minutes[m] ?? 0;
      until = Math.max(until, end);
    }
  }
  return idle;
}
const LONG_GAP_min = 720;

/** How many tasks of a chain are done by a minute, without a gap. */
export function doneBy(
  { tasks }: Pick<Chain, 'tasks'>,
  placed: readonly (Placed | null)[],
  minute: number,
): number {
  let done = 0;
  while (done < tasks.length && (placed[tasks[done] ?? -1]?.end ?? Infinity) <= minute) done++;
  return done;
}

/** How often somebody goes from one place to another. */
function movesOf(model: Model, placed: readonly (Placed | null)[]): number {
  const own = model.people.map((): { start: number; place: number | null }[] => []);
  for (const [i, one] of placed.entries())
    for (const person of one?.crew ?? [])
      own[person]?.push({ start: one?.start ?? 0, place: model.tasks[i]?.place ?? null });
  let moves = 0;
  for (const list of own) {
    list.sort((a, b) => a.start - b.start);
    for (const [k, { place }] of list.entries()) if (k > 0 && place !== list[k - 1]?.place) moves++;
  }
  return moves;
}

export function compareChains(
  a: ChainScore,
  b: ChainScore,
  rank: (score: ChainScore) => readonly number[] = (score) => score,
): number {
  const others = rank(b);
  for (const [i, value] of rank(a).entries()) {
    const other = others[i] ?? 0;
    if (Math.abs(value - other) > 1e-9) return value - other;
  }
  return 0;
}

export interface ChainSearch {
  readonly seed?: number;
  readonly enough: (plans: number) => boolean;
  readonly onBetter?: (plan: ChainPlan) => void;
}

/** The best plan found until it is enough. */
export function planChains(chainModel: ChainModel, { seed, enough, onBetter }: ChainSearch): ChainPlan {
  let best: ChainPlan | null = null;
  let plans = 0;
  for (const plan of searchChains(chainModel, seed)) {
    if (plan !== best) onBetter?.(plan);
    best = plan;
    if (enough(plans++)) break;
  }
  if (!best) throw new Error('no order of the parts was tried');
  return best;
}

/**
 * Tries one plan after the other and gives the best so far after each: by chains as listed, stage by stage, by what is left
 * of each; then by orders that differ from the best by a few parts. It ends when there is nothing to change.
 */
export function* searchChains(chainModel: ChainModel, seed = 1): Generator<ChainPlan, void, void> {
  const grounds = new Grounds(chainModel.model);
  const parts = partsOf(chainModel.chains);
  const n = parts.length;
  const random = generator(seed);
  let best: ChainPlan | null = null;
  let order = parts.map((_, i) => i);
  for (const one of firstOrders(chainModel, parts)) {
    const plan = planParts(chainModel, grounds, parts, one);
    if (!best || compareChains(plan.score, best.score, chainModel.rank) < 0) {
      best = plan;
      order = one;
    }
    yield best;
  }
  while (best && n > 1) {
    const next = [...order];
    for (let changes = 1 + Math.floor(random() * 3); changes > 0; changes--) {
      const [moved] = next.splice(Math.floor(random() * n), 1);
      if (moved !== undefined) next.splice(Math.floor(random() * n), 0, moved);
    }
    const plan = planParts(chainModel, grounds, parts, next);
    const difference = compareChains(plan.score, best.score, chainModel.rank);
    if (difference <= 0) order = next;
    if (difference < 0) best = plan;
    yield best;
  }
}

/** Orders to begin with. */
function firstOrders({ chains, model }: ChainModel, parts: readonly Part[]): number[][] {
  const all = parts.map((_, i) => i);
  const nth = new Map<number, number>();
  const stages = parts.map(({ chain }) => {
    const stage = nth.get(chain) ?? 0;
    nth.set(chain, stage + 1);
    return stage;
  });
  const lefts = parts.map(({ chain, from }) =>
    (chains[chain]?.tasks ?? [])
      .slice(from)
      .reduce((sum, task) => sum + (model.tasks[task]?.minutes ?? 0) + restBefore(model, task), 0),
  );
  return [
    all,
    all.toSorted((a, b) => (stages[a] ?? 0) - (stages[b] ?? 0) || a - b),
    all.toSorted((a, b) => (lefts[b] ?? 0) - (lefts[a] ?? 0) || a - b),
  ];
}

const restBefore = ({ tasks }: Model, task: number): number =>
  Math.max(0, ...(tasks[task]?.after ?? []).map(({ least }) => least));
