/**
 * Plans a work file: one task after the other at its earliest minute with the crew that is done first, in an order that is
 * then changed again and again for a better one. The first plan is there at once; whoever asks ends the search.
 */
import { generator } from '../quantities/random.ts';
import { baseOf, Board, type Placed, type Try, type WhyNot } from './board.ts';
import type { Model } from './model.ts';

export interface WorkPlan {
  readonly placed: readonly (Placed | null)[];
  readonly why: readonly (WhyNot | null)[];
  readonly score: Score;
}

/** Compared from the first to the last: unplaced, late minutes, finish, sum of starts. */
export type Score = readonly [unplaced: number, late: number, finish: number, starts: number];

export function compareScores(a: Score, b: Score): number {
  for (const [i, value] of a.entries()) {
    const other = b[i] ?? 0;
    if (Math.abs(value - other) > 1e-9) return value - other;
  }
  return 0;
}

/** How often a task is begun later so that what must follow it soon can. */
const MOST_TRIES = 400;

/** Tasks that must follow a task within a time, by task. */
function followersOf({ tasks }: Model): readonly (readonly number[])[] {
  const followers = tasks.map((): number[] => []);
  for (const [i, { after }] of tasks.entries())
    for (const { task, most } of after) if (Number.isFinite(most)) followers[task]?.push(i);
  return followers;
}

/** One plan by one order of preference, some tasks with a crew that they are given. */
export function planBy(
  model: Model,
  order: readonly number[],
  given: ReadonlyMap<number, number> = new Map(),
): WorkPlan {
  const board = new Board(model, given);
  const followers = followersOf(model);
  const why: (WhyNot | null)[] = model.tasks.map(() => null);
  const open = new Set(order);

  /** Places a task and what must follow it soon; nothing of it stays where that cannot be. */
  const place = (task: number, from: number): Try => {
    let begin = from;
    let last: Try = { ok: false, why: 'no-time', retry: Infinity };
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      const tried = board.earliest(task, begin);
      if (!tried.ok) return tried;
      board.put(task, tried.placed);
      const set: number[] = [];
      let failed: Try | null = null;
      let later = 1;
      for (const next of followers[task] ?? []) {
        if (!open.has(next) || board.placed[next]) continue;
        const ready = (model.tasks[next]?.after ?? []).every((lag) => board.placed[lag.task] !== null);
        if (!ready) continue;
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
      if (!Number.isFinite(later)) {
        for (const next of set.toReversed()) takeWithFollowers(next);
        board.take(task);
        return { ok: false, why: failed.ok ? 'no-time' : failed.why, retry: Infinity };
      }
      for (const next of set.toReversed()) takeWithFollowers(next);
      board.take(task);
      last = { ok: false, why: 'too-late-after', retry: Infinity };
      begin = tried.placed.start + later;
    }
    return last;
  };
  /** By how much a task comes too early for one that must follow it soon; Infinity where that one finds no time at all. */
  const tooLateBy = (next: number, task: number): number => {
    const placed = board.placed[task];
    const then = board.earliest(next, 0, true);
    if (!placed || !then.ok) return Infinity;
    return Math.max(
      ...(model.tasks[next]?.after ?? []).map((lag) =>
        lag.task === task
          ? Math.ceil(
              (lag.to === 'start' ? then.placed.start : then.placed.end) - baseOf(lag, placed) - lag.most,
            )
          : 1,
      ),
    );
  };
  const takeWithFollowers = (task: number): void => {
    for (const next of followers[task] ?? []) if (board.placed[next]) takeWithFollowers(next);
    board.take(task);
  };

  /** Whether what must follow it soon still waits for something that can be done before it. */
  const holds = (task: number): boolean =>
    (followers[task] ?? []).some((next) =>
      (model.tasks[next]?.after ?? []).some(
        ({ task: other }) => other !== task && open.has(other) && !dependsOn(model, other, task),
      ),
    );
  while (open.size > 0) {
    const ready = order.filter(
      (task) => open.has(task) && (model.tasks[task]?.after ?? []).every((lag) => !open.has(lag.task)),
    );
    const next = ready.find((task) => !holds(task)) ?? ready[0];
    if (next === undefined) break;
    if (board.placed[next] === null) {
      const tried = place(next, 0);
      if (!tried.ok) why[next] = tried.why;
    }
    open.delete(next);
    for (const task of ready) if (board.placed[task] !== null) open.delete(task);
  }
  return { placed: [...board.placed], why, score: scoreOf(model, board.placed) };
}

function dependsOn({ tasks }: Model, task: number, on: number): boolean {
  const seen = new Set<number>();
  const walk = (one: number): boolean => {
    if (one === on) return true;
    if (seen.has(one)) return false;
    seen.add(one);
    return (tasks[one]?.after ?? []).some((lag) => walk(lag.task));
  };
  return walk(task);
}

export function scoreOf({ tasks }: Model, placed: readonly (Placed | null)[]): Score {
  let [unplaced, late, finish, starts] = [0, 0, 0, 0];
  for (const [i, task] of tasks.entries()) {
    const one = placed[i];
    if (!one) {
      unplaced++;
      continue;
    }
    if (task.due !== null) late += Math.max(0, one.end - task.due);
    finish = Math.max(finish, one.end);
    starts += one.start;
  }
  return [unplaced, late, finish, starts];
}

/** Longest way from a task to the end of all that waits for it, minutes. */
function tailsOf({ tasks }: Model): number[] {
  const next = tasks.map((): number[] => []);
  for (const [i, { after }] of tasks.entries()) for (const { task } of after) next[task]?.push(i);
  const tails = tasks.map(() => -1);
  const tail = (i: number): number => {
    const known = tails[i] ?? 0;
    if (known >= 0) return known;
    tails[i] = 0;
    const longest = Math.max(0, ...(next[i] ?? []).map(tail));
    return (tails[i] = (tasks[i]?.minutes ?? 0) + longest);
  };
  return tasks.map((_, i) => tail(i));
}

/** Orders to begin with: by due dates, by what hangs on it, as listed. */
function firstOrders(model: Model): number[][] {
  const all = model.tasks.map((_, i) => i);
  const tails = tailsOf(model);
  const due = (i: number) => model.tasks[i]?.due ?? Infinity;
  return [
    all.toSorted((a, b) => due(a) - due(b) || (tails[b] ?? 0) - (tails[a] ?? 0) || a - b),
    all.toSorted((a, b) => (tails[b] ?? 0) - (tails[a] ?? 0) || a - b),
    all,
  ];
}

export interface SearchOptions {
  readonly seed?: number;
  /** Asked before every further plan; the best so far is the answer when it says so. */
  readonly enough: (plans: number) => boolean;
  readonly onBetter?: (plan: WorkPlan) => void;
}

/** Best first of several orders, then of orders that differ from the best by one task moved or two changed. */
export function planWork(model: Model, { seed = 1, enough, onBetter }: SearchOptions): WorkPlan {
  const random = generator(seed);
  let order = firstOrders(model)[0] ?? [];
  let given: ReadonlyMap<number, number> = new Map();
  let best = planBy(model, order);
  onBetter?.(best);
  const better = (candidate: WorkPlan, by: number[], crews: ReadonlyMap<number, number>): void => {
    const difference = compareScores(candidate.score, best.score);
    if (difference > 0) return;
    [order, given] = [by, crews];
    if (difference < 0) {
      best = candidate;
      onBetter?.(best);
    }
  };
  let plans = 1;
  for (const other of firstOrders(model).slice(1)) {
    if (enough(plans++)) return best;
    better(planBy(model, other), other, new Map());
  }
  const n = order.length;
  if (n === 0) return best;
  const any = (below: number) => Math.floor(random() * below);
  while (!enough(plans++)) {
    const next = [...order];
    const crews = new Map(given);
    for (let changes = 1 + any(3); changes > 0; changes--) {
      if (random() < CREW_SHARE) {
        const task = any(n);
        const choices = model.tasks[task]?.crews.length ?? 0;
        // Half of the time whoever is done first again.
        if (choices > 1 && random() < 0.5) crews.set(task, any(choices));
        else crews.delete(task);
        continue;
      }
      const [moved] = next.splice(any(n), 1);
      if (moved !== undefined) next.splice(any(n), 0, moved);
    }
    better(planBy(model, next, crews), next, crews);
  }
  return best;
}

/** How often a change is one of the crew and not of the order. */
const CREW_SHARE = 0.3;
