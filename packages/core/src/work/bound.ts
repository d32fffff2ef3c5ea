/** Before which minute no plan of these tasks can end, and what holds it up. */
import { baseOf, type Grounds } from './board.ts';
import type { ModelTask } from './model.ts';
import { NEVER } from './times.ts';

/** What no plan can undercut: the two need not come from one way of doing it. */
interface Soonest {
  readonly start: number;
  readonly end: number;
}

export type HeldBy =
  /** One task after the other, each as early as its own conditions and people let it. */
  | { readonly kind: 'chain'; readonly tasks: readonly number[] }
  /** So much work for these people, all together; with weather where not all of their hours will do. */
  | { readonly kind: 'people'; readonly people: readonly number[]; readonly weather: boolean }
  | { readonly kind: 'tool'; readonly tool: number };

export interface Bound {
  readonly minute: number;
  readonly by: HeldBy | null;
}

/** People of whom every set is looked at; of more only all together and each alone. */
const MOST_SETS = 8;

/**
 * No plan of the tasks that `counts` ends before this minute: every task as early as its own conditions, people and what it
 * waits for let it, as if nobody were busy elsewhere; and for any of the people the work that only they can do, in the hours
 * in which it can be done.
 */
export function finishBound(grounds: Grounds, counts: (task: number) => boolean = () => true): Bound {
  const { tasks } = grounds.model;
  const known = new Map<number, Soonest>();
  const before = new Map<number, number>();
  const soonest = (i: number): Soonest => {
    const found = known.get(i);
    if (found) return found;
    const task = tasks[i];
    let [from, endLeast] = [task?.release ?? 0, 0];
    for (const lag of task?.after ?? []) {
      const least = baseOf(lag, soonest(lag.task)) + lag.least;
      if (lag.to === 'start' ? least > from : least > endLeast) before.set(i, lag.task);
      if (lag.to === 'start') from = Math.max(from, least);
      else endLeast = Math.max(endLeast, least);
    }
    let [start, end] = [NEVER, NEVER];
    for (const crew of task?.crews ?? []) {
      const times = grounds.times.of(i, crew);
      const at = times.next(Math.ceil(from));
      if (at === NEVER) continue;
      start = Math.min(start, at);
      end = Math.min(end, times.end(at));
    }
    const is = { start, end: Math.max(end, Math.ceil(endLeast)) };
    known.set(i, is);
    return is;
  };
  let best: Bound = { minute: 0, by: null };
  const counted = tasks.flatMap((task, i) => (counts(i) ? [{ task, i }] : []));
  for (const { i } of counted) {
    const { end } = soonest(i);
    if (end === NEVER || end <= best.minute) continue;
    const chain = [i];
    for (let at = before.get(i); at !== undefined; at = before.get(at)) chain.unshift(at);
    best = { minute: end, by: { kind: 'chain', tasks: chain } };
  }
  const later = (bound: Bound) => {
    if (bound.minute > best.minute) best = bound;
  };
  for (const people of setsOf(grounds.model.people.length))
    for (const { tasks: some, minutes } of byConditions(
      counted.map(({ task }) => task),
      grounds.model.horizon,
    )) {
      const inSet = new Set(people);
      const work = some.reduce((sum, task) => sum + task.minutes * fewestOf(task, inSet), 0);
      if (work > 0)
        later({
          minute: doneBy(grounds, people, minutes, work),
          by: { kind: 'people', people, weather: minutes !== null },
        });
    }
  for (const [tool, { count }] of grounds.model.tools.entries()) {
    const work = counted.reduce(
      (sum, { task }) => sum + task.minutes * (task.tools.find(([id]) => id === tool)?.[1] ?? 0),
      0,
    );
    if (work > 0 && count > 0) later({ minute: withTool(grounds, work / count), by: { kind: 'tool', tool } });
  }
  return best;
}

/** At least so many of these people are at a task, whoever does it. */
const fewestOf = ({ crews }: ModelTask, people: ReadonlySet<number>): number => {
  let fewest = Infinity;
  for (const crew of crews) {
    let n = 0;
    for (const person of crew) if (people.has(person)) n++;
    fewest = Math.min(fewest, n);
    if (fewest === 0) break;
  }
  return Number.isFinite(fewest) ? fewest : 0;
};

/** Every set of people, or all and each where there are many. */
function setsOf(n: number): number[][] {
  const all = Array.from({ length: n }, (_, p) => p);
  if (n > MOST_SETS) return [all, ...all.map((p) => [p])];
  return Array.from({ length: 2 ** n - 1 }, (_, k) => all.filter((p) => ((k + 1) >> p) & 1));
}

/** All tasks in all minutes; and for every condition those that can only be worked at while it holds. */
function byConditions(
  tasks: readonly ModelTask[],
  horizon: number,
): { tasks: readonly ModelTask[]; minutes: Uint8Array | null }[] {
  const rules = [...new Set(tasks.flatMap(({ worked }) => worked ?? []))];
  const isWithin = (inner: Uint8Array, outer: Uint8Array) => {
    for (let m = 0; m < horizon; m++) if (inner[m] === 1 && outer[m] !== 1) return false;
    return true;
  };
  return [
    { tasks, minutes: null },
    ...rules.map((minutes) => {
      const within = new Set(rules.filter((rule) => rule === minutes || isWithin(rule, minutes)));
      return { tasks: tasks.filter(({ worked }) => worked !== null && within.has(worked)), minutes };
    }),
  ];
}

/** First minute by which people have done so much, in the minutes that will do. */
function doneBy(
  { model }: Grounds,
  people: readonly number[],
  minutes: Uint8Array | null,
  work: number,
): number {
  let left = work;
  for (let m = 0; m < model.horizon; m++) {
    if (minutes && minutes[m] !== 1) continue;
    for (const person of people) left -= model.on[person]?.[m] ?? 0;
    if (left <= 0) return m + 1;
  }
  return 0;
}

/** First minute by which somebody was there for so long. */
function withTool({ model }: Grounds, work: number): number {
  let left = work;
  for (let m = 0; m < model.horizon; m++) {
    if (model.on.some((on) => on[m] === 1)) left--;
    if (left <= 0) return m + 1;
  }
  return 0;
}
