/**
 * Plans a work file: one task after the other at its earliest minute with the crew that is done first, in an order that is
 * then changed again and again for a better one. The first plan is there at once; whoever asks ends the search. A small job
 * is then gone through wholly, so that its plan is the best there is.
 */
import { generator } from '../quantities/random.ts';
import { baseOf, Board, Grounds, type Placed, type Try, type WhyNot } from './board.ts';
import { MOST_EXACT, searchExactly } from './exact.ts';
import type { Model } from './model.ts';
import { compareScores, scoreOf, type Score } from './score.ts';

export interface WorkPlan {
  readonly placed: readonly (Placed | null)[];
  /** Why a task found no place, where a reason was met. */
  readonly why: readonly (WhyNot | null)[];
  readonly score: Score;
  /** No plan is better. */
  readonly proven: boolean;
}

/** How often a task is begun later so that what must follow it soon can; and all of a plan together. */
const MOST_TRIES = 400;
const MOST_TRIES_OF_PLAN = 4000;

/** What of a model every plan by an order asks for. */
interface Ways {
  readonly grounds: Grounds;
  /** Tasks that must follow a task within a time. */
  readonly soon: readonly (readonly number[])[];
  /** Tasks that wait for a task. */
  readonly next: readonly (readonly number[])[];
  /** What a task must not be placed before, so that what follows it soon does not wait for other things. */
  readonly holds: readonly (readonly number[])[];
}

export function waysOf(grounds: Grounds): Ways {
  const { tasks } = grounds.model;
  const soon = tasks.map((): number[] => []);
  const next = tasks.map((): number[] => []);
  for (const [i, { after }] of tasks.entries())
    for (const { task, most } of after) {
      next[task]?.push(i);
      if (Number.isFinite(most)) soon[task]?.push(i);
    }
  const below = (task: number, seen: Set<number>): Set<number> => {
    for (const one of next[task] ?? []) if (!seen.has(one)) below(one, seen.add(one));
    return seen;
  };
  const holds = tasks.map((_, task) => {
    const followers = soon[task] ?? [];
    if (followers.length === 0) return [];
    const after = below(task, new Set());
    return followers.flatMap((one) =>
      (tasks[one]?.after ?? []).flatMap(({ task: other }) =>
        other === task || after.has(other) ? [] : [other],
      ),
    );
  });
  return { grounds, soon, next, holds };
}

/** How a plan is made. */
interface Manner {
  readonly order: readonly number[];
  /** Tasks with a crew that they are given. */
  readonly given: ReadonlyMap<number, number>;
  /** Of so many that are first in the order the one that can begin first is next: nobody waits who could work. */
  readonly look: number;
}

/** One plan by one order of preference. */
export function planBy(ways: Ways, { order, given, look }: Manner): WorkPlan {
  const { tasks } = ways.grounds.model;
  const board = new Board(ways.grounds, given);
  const why: (WhyNot | null)[] = tasks.map(() => null);
  const open = new Set(order);

  let allTries = 0;
  /** Places a task and what must follow it soon; nothing of it stays where that cannot be. */
  const place = (task: number, from: number): Try => {
    let begin = from;
    let last: Try = { ok: false, why: 'no-time' };
    for (let tries = 0; tries < MOST_TRIES && allTries < MOST_TRIES_OF_PLAN; tries++, allTries++) {
      const tried = board.earliest(task, begin);
      if (!tried.ok) return tried;
      board.put(task, tried.placed);
      const set: number[] = [];
      let failed: Try | null = null;
      let later = 1;
      for (const next of ways.soon[task] ?? []) {
        if (!open.has(next) || board.placed[next]) continue;
        if (!(tasks[next]?.after ?? []).every((lag) => board.placed[lag.task])) continue;
        const then = place(next, 0);
        if (then.ok) {
          set.push(next);
          continue;
        }
        failed = then;
        later = Math.max(1, tooLateBy(next, task));
        break;
      }
      if (!failed) return tried;
      for (const next of set.toReversed()) takeWithFollowers(next);
      board.take(task);
      if (!Number.isFinite(later)) return { ok: false, why: failed.ok ? 'no-time' : failed.why };
      last = { ok: false, why: 'too-late-after' };
      begin = tried.placed.start + later;
    }
    return last;
  };
  /** By how much a task comes too early for one that must follow it soon; Infinity where that one finds no time at all. */
  const tooLateBy = (next: number, task: number): number => {
    const placed = board.placed[task];
    const then = board.earliest(next, 0, { patient: true });
    if (!placed || !then.ok) return Infinity;
    return Math.max(
      ...(tasks[next]?.after ?? []).map((lag) =>
        lag.task === task
          ? Math.ceil(
              (lag.to === 'start' ? then.placed.start : then.placed.end) - baseOf(lag, placed) - lag.most,
            )
          : 1,
      ),
    );
  };
  const takeWithFollowers = (task: number): void => {
    for (const next of ways.soon[task] ?? []) if (board.placed[next]) takeWithFollowers(next);
    board.take(task);
  };

  /** By their rank in the order: those whose tasks before them are all dealt with. */
  const ready = new Ready(order);
  const waits = tasks.map(({ after }) => after.reduce((n, { task }) => n + Number(open.has(task)), 0));
  for (const task of order) if (waits[task] === 0) ready.add(task);
  const deal = (task: number): void => {
    if (!open.delete(task)) return;
    ready.remove(task);
    for (const next of ways.next[task] ?? []) {
      const left = (tasks[next]?.after ?? []).reduce((n, lag) => n + Number(open.has(lag.task)), 0);
      waits[next] = left;
      if (left === 0 && open.has(next)) {
        ready.add(next);
        if (board.placed[next]) deal(next);
      }
    }
  };
  const soonest = (some: readonly number[]): number | undefined => {
    let best = some[0];
    let first = Infinity;
    for (const task of some) {
      const placed = board.placed[task];
      const tried = placed ? null : board.earliest(task, 0);
      const start = placed ? -1 : tried?.ok ? tried.placed.start : Infinity;
      if (start < first) [best, first] = [task, start];
    }
    return best;
  };
  while (open.size > 0) {
    const may = (task: number) => !(ways.holds[task] ?? []).some((other) => open.has(other));
    const next = look > 1 ? soonest(ready.some(may, look)) : ready.first(may);
    if (next === undefined) break;
    if (!board.placed[next]) {
      const tried = place(next, 0);
      if (!tried.ok) why[next] = tried.why;
    }
    deal(next);
  }
  const placed = [...board.placed];
  return { placed, why, score: scoreOf(ways.grounds.model, placed), proven: false };
}

/** Tasks that can be placed, the first in the order first. */
class Ready {
  readonly #rank: ReadonlyMap<number, number>;
  readonly #tasks: number[] = [];

  constructor(order: readonly number[]) {
    this.#rank = new Map(order.map((task, i) => [task, i]));
  }

  #at(task: number): number {
    const rank = this.#rank.get(task) ?? 0;
    let [low, high] = [0, this.#tasks.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.#rank.get(this.#tasks[middle] ?? -1) ?? 0) < rank) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  add(task: number): void {
    const at = this.#at(task);
    if (this.#tasks[at] !== task) this.#tasks.splice(at, 0, task);
  }

  remove(task: number): void {
    const at = this.#at(task);
    if (this.#tasks[at] === task) this.#tasks.splice(at, 1);
  }

  /** So many of the first that will do, else the first. */
  some(will: (task: number) => boolean, many: number): readonly number[] {
    const found: number[] = [];
    for (const task of this.#tasks) {
      if (!will(task)) continue;
      found.push(task);
      if (found.length >= many) break;
    }
    return found.length > 0 ? found : this.#tasks.slice(0, 1);
  }

  /** The first that will do, else the first. */
  first(will: (task: number) => boolean): number | undefined {
    return this.#tasks.find(will) ?? this.#tasks[0];
  }
}

/** Longest way from a task to the end of all that waits for it, minutes. */
function tailsOf({ grounds: { model }, next }: Ways): number[] {
  const tails = model.tasks.map(() => -1);
  const tail = (i: number): number => {
    const known = tails[i] ?? 0;
    if (known >= 0) return known;
    tails[i] = 0;
    let longest = 0;
    for (const one of next[i] ?? []) {
      const lag = model.tasks[one]?.after.find(({ task }) => task === i);
      longest = Math.max(longest, tail(one) + (lag?.least ?? 0));
    }
    return (tails[i] = (model.tasks[i]?.minutes ?? 0) + longest);
  };
  return model.tasks.map((_, i) => tail(i));
}

/** How many tasks lie before a task at most. */
function levelsOf({ grounds: { model } }: Ways): number[] {
  const levels = model.tasks.map(() => -1);
  const level = (i: number): number => {
    const known = levels[i] ?? 0;
    if (known >= 0) return known;
    levels[i] = 0;
    return (levels[i] = Math.max(0, ...(model.tasks[i]?.after ?? []).map(({ task }) => level(task) + 1)));
  };
  return model.tasks.map((_, i) => level(i));
}

/** From this on a rest is one that people go elsewhere for, minutes. */
const LONG_REST_min = 240;

/** How many long rests lie before a task, and after it, at most. */
function restsOf({ grounds: { model }, next }: Ways): { before: number[]; after: number[] } {
  const isLong = (least: number) => Number(least >= LONG_REST_min);
  const before = model.tasks.map(() => -1);
  const after = model.tasks.map(() => -1);
  const early = (i: number): number => {
    if ((before[i] ?? 0) >= 0) return before[i] ?? 0;
    before[i] = 0;
    return (before[i] = Math.max(
      0,
      ...(model.tasks[i]?.after ?? []).map(({ task, least }) => early(task) + isLong(least)),
    ));
  };
  const late = (i: number): number => {
    if ((after[i] ?? 0) >= 0) return after[i] ?? 0;
    after[i] = 0;
    const ways = (next[i] ?? []).map(
      (one) => late(one) + isLong(model.tasks[one]?.after.find(({ task }) => task === i)?.least ?? 0),
    );
    return (after[i] = Math.max(0, ...ways));
  };
  return { before: model.tasks.map((_, i) => early(i)), after: model.tasks.map((_, i) => late(i)) };
}

/** Orders to begin with: by due dates, by what hangs on it, as listed, and place by place so that nobody goes to and fro. */
function firstOrders(ways: Ways): number[][] {
  const { tasks } = ways.grounds.model;
  const all = tasks.map((_, i) => i);
  const tails = tailsOf(ways);
  const levels = levelsOf(ways);
  const due = (i: number) => tasks[i]?.due ?? Infinity;
  const place = (i: number) => tasks[i]?.place ?? -1;
  const rests = restsOf(ways);
  // What still has to rest goes first everywhere, what has rested last: between lies all the rest.
  const phase = (i: number) => ((rests.after[i] ?? 0) > 0 ? 0 : (rests.before[i] ?? 0) > 0 ? 2 : 1);
  return [
    all.toSorted((a, b) => due(a) - due(b) || (tails[b] ?? 0) - (tails[a] ?? 0) || a - b),
    all.toSorted((a, b) => (tails[b] ?? 0) - (tails[a] ?? 0) || a - b),
    all,
    all.toSorted((a, b) => place(a) - place(b) || (levels[a] ?? 0) - (levels[b] ?? 0) || a - b),
    all.toSorted((a, b) => place(a) - place(b) || (tails[b] ?? 0) - (tails[a] ?? 0) || a - b),
    all.toSorted((a, b) => place(a) - place(b) || a - b),
    all.toSorted(
      (a, b) => phase(a) - phase(b) || place(a) - place(b) || (levels[a] ?? 0) - (levels[b] ?? 0) || a - b,
    ),
    all.toSorted(
      (a, b) => phase(a) - phase(b) || place(a) - place(b) || (tails[b] ?? 0) - (tails[a] ?? 0) || a - b,
    ),
  ];
}

export interface SearchOptions {
  readonly seed?: number;
  /** Asked before every further plan; the best so far is the answer when it says so. */
  readonly enough: (plans: number) => boolean;
  readonly onBetter?: (plan: WorkPlan) => void;
}

/** How often a change is one of the crew and not of the order. */
const CREW_SHARE = 0.3;
/** Shares of all tasks that are moved together. */
const BLOCKS = [0, 0, 0.02, 0.05, 0.2];
/** Plans by changed orders before a small job is gone through wholly. */
const FIRST_TRIES = 60;

/** As many as are looked at where nobody shall wait who could work. */
const LOOK = 12;
/** Orders of which the best are tried so as well. */
const LOOKED_AT = 3;

/** Best first of several orders, then of orders that differ from the best by one task moved or many together. */
export function planWork(model: Model, { seed = 1, enough, onBetter }: SearchOptions): WorkPlan {
  const ways = waysOf(new Grounds(model));
  const random = generator(seed);
  const [first = [], ...others] = firstOrders(ways);
  let manner: Manner = { order: first, given: new Map(), look: 1 };
  let best = planBy(ways, manner);
  onBetter?.(best);
  const tried: { manner: Manner; score: Score }[] = [{ manner, score: best.score }];
  const better = (one: Manner): void => {
    const candidate = planBy(ways, one);
    tried.push({ manner: one, score: candidate.score });
    const difference = compareScores(candidate.score, best.score);
    if (difference <= 0) manner = one;
    if (difference >= 0) return;
    best = candidate;
    onBetter?.(best);
  };
  let plans = 1;
  for (const order of others) {
    if (enough(plans++)) return best;
    better({ ...manner, order });
  }
  const n = first.length;
  if (n === 0) return { ...best, proven: true };
  for (const { manner: one } of tried
    .toSorted((a, b) => compareScores(a.score, b.score))
    .slice(0, LOOKED_AT)) {
    if (enough(plans++)) return best;
    better({ ...one, look: LOOK });
  }
  const isSmall = n <= MOST_EXACT;
  while (!enough(plans++)) {
    if (isSmall && plans > FIRST_TRIES)
      return wholly(ways.grounds, best, { enough: () => enough(plans++), onBetter });
    better(changed(manner, model, random));
    tried.length = 0;
  }
  return best;
}

/** The same with one to three changes: a crew, or where one task or many together stand in the order. */
function changed({ order, given, look }: Manner, model: Model, random: () => number): Manner {
  const any = (below: number) => Math.floor(random() * below);
  const next = [...order];
  const crews = new Map(given);
  for (let changes = 1 + any(3); changes > 0; changes--) {
    if (random() < CREW_SHARE) {
      const task = any(next.length);
      const choices = model.tasks[task]?.crews.length ?? 0;
      // Half of the time whoever is done first again.
      if (choices > 1 && random() < 0.5) crews.set(task, any(choices));
      else crews.delete(task);
      continue;
    }
    // Now one, now many that stand together: a whole façade or an opening goes before another.
    const many = Math.max(1, Math.round((BLOCKS[any(BLOCKS.length)] ?? 0) * next.length));
    const block = next.splice(any(next.length - many + 1), many);
    next.splice(any(next.length + 1), 0, ...block);
  }
  return { order: next, given: crews, look };
}

/** Goes through a small job wholly; what it does not place has the reason that was met before. */
function wholly(
  grounds: Grounds,
  best: WorkPlan,
  { enough, onBetter }: { enough: () => boolean; onBetter?: SearchOptions['onBetter'] },
): WorkPlan {
  const asPlan = (placed: WorkPlan['placed'], proven: boolean): WorkPlan => ({
    placed,
    why: placed.map((one, i) => (one ? null : (best.why[i] ?? null))),
    score: scoreOf(grounds.model, placed),
    proven,
  });
  const { placed, proven } = searchExactly(grounds, {
    enough,
    known: best.placed,
    onBetter: (found) => onBetter?.(asPlan(found, false)),
  });
  return asPlan(placed, proven);
}
