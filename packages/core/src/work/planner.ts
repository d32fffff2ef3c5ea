/**
 * Plans a work file: one task after the other at its earliest minute with the crew that is done first, in an order that is
 * then changed again and again for a better one. The first plan is there at once; whoever asks ends the search.
 */
import { generator } from '../quantities/random.ts';
import type { Model, ModelTask, WorkLag } from './model.ts';

export interface Placed {
  readonly start: number;
  readonly end: number;
  readonly crew: readonly number[];
}

export type WhyNot =
  'no-weather' | 'no-people' | 'no-tools' | 'no-time' | 'waits-for-unplaced' | 'too-late-after';

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

type Try =
  | { readonly ok: true; readonly placed: Placed }
  /** `retry`: nothing before this minute will do; Infinity where nothing ever will. */
  | { readonly ok: false; readonly why: WhyNot; readonly retry: number };

/** What is taken so far. */
class Board {
  readonly model: Model;
  /** The crew that a task is given; any of them where it is not said. */
  readonly #given: ReadonlyMap<number, number>;
  readonly placed: (Placed | null)[];
  /** Tasks of each person in their order. */
  readonly #own: number[][];
  readonly #tools: Uint16Array[];

  constructor(model: Model, given: ReadonlyMap<number, number> = new Map()) {
    this.model = model;
    this.#given = given;
    this.placed = model.tasks.map(() => null);
    this.#own = model.people.map(() => []);
    this.#tools = model.tools.map(() => new Uint16Array(model.horizon));
  }

  put(task: number, placed: Placed): void {
    this.placed[task] = placed;
    for (const person of placed.crew) {
      const own = this.#own[person] ?? [];
      const at = own.findIndex((other) => (this.placed[other]?.start ?? 0) > placed.start);
      own.splice(at < 0 ? own.length : at, 0, task);
    }
    this.#useTools(task, placed, 1);
  }

  take(task: number): void {
    const placed = this.placed[task];
    if (!placed) return;
    for (const person of placed.crew) {
      const own = this.#own[person] ?? [];
      own.splice(own.indexOf(task), 1);
    }
    this.#useTools(task, placed, -1);
    this.placed[task] = null;
  }

  #useTools(task: number, { start, end }: Placed, sign: 1 | -1): void {
    for (const [tool, count] of this.model.tasks[task]?.tools ?? []) {
      const used = this.#tools[tool];
      if (used) for (let m = start; m < end; m++) used[m] = (used[m] ?? 0) + sign * count;
    }
  }

  /** Where a person was last before a minute, and what comes after it. */
  #around(
    person: number,
    start: number,
  ): { place: number | null; isFirst: boolean; busyUntil: number; next: number | null } {
    let place: number | null = null;
    let isFirst = true;
    let busyUntil = 0;
    for (const other of this.#own[person] ?? []) {
      const placed = this.placed[other];
      if (!placed) continue;
      if (placed.start > start) return { place, isFirst, busyUntil, next: other };
      place = this.model.tasks[other]?.place ?? place;
      isFirst = false;
      busyUntil = Math.max(busyUntil, placed.end);
    }
    return { place, isFirst, busyUntil, next: null };
  }

  /** A task with this crew from exactly this minute on. */
  #at(task: ModelTask, crew: readonly number[], start: number): Try {
    const { model } = this;
    const { on, setup, horizon, tools } = model;
    const no = (retry: number, why: WhyNot = 'no-time'): Try => ({ ok: false, why, retry });
    if (task.minutes > 0) {
      // Nights and wet hours are passed over at once.
      let m = start;
      while (m < horizon && !crew.every((person) => on[person]?.[m] === 1)) m++;
      if (m > start) return no(m >= horizon ? Infinity : m);
      if (task.worked) {
        while (m < horizon && task.worked[m] !== 1) m++;
        if (m > start) return no(m >= horizon ? Infinity : m, 'no-weather');
      }
    }
    if (task.begins && task.begins[start] !== 1) return no(start + 1, 'no-weather');
    const around = crew.map((person) => this.#around(person, start));
    for (const [i, { place, isFirst, busyUntil }] of around.entries()) {
      const minutes = on[crew[i] ?? -1];
      if (busyUntil > start) return no(busyUntil);
      const moves = task.place !== null && !isFirst && place !== task.place;
      const need = moves ? (setup[task.place] ?? 0) : 0;
      if (need === 0) continue;
      if (start - need < busyUntil) return no(busyUntil + need);
      for (let m = start - 1; m >= start - need; m--) if (minutes?.[m] !== 1) return no(m + 1 + need);
    }
    let left = task.minutes;
    let m = start;
    for (; left > 0; m++) {
      if (m >= horizon) return no(Infinity);
      const here = crew.every((person) => on[person]?.[m] === 1);
      for (const [tool, count] of task.tools)
        if ((this.#tools[tool]?.[m] ?? 0) + count > (tools[tool]?.count ?? 0)) return no(m + 1, 'no-tools');
      if (!here) {
        if (task.unsplit || m === start) return no(m + 1);
        continue;
      }
      if (task.worked && task.worked[m] !== 1) return no(m + 1, 'no-weather');
      left--;
    }
    const end = m;
    for (const { place, next } of around) {
      if (next === null) continue;
      const later = this.placed[next];
      const other = model.tasks[next];
      if (!later || !other) continue;
      if (later.start < end) return no(later.end);
      const stands = task.place ?? place;
      const need = other.place !== null && stands !== other.place ? (setup[other.place] ?? 0) : 0;
      if (need === 0) continue;
      if (later.start - need < end) return no(later.end);
      for (let before = later.start - need; before < later.start; before++)
        for (const person of later.crew)
          if (crew.includes(person) && on[person]?.[before] !== 1) return no(later.end);
    }
    return { ok: true, placed: { start, end, crew } };
  }

  /**
   * The earliest way to do a task from a minute on: done first, begun first, crew as listed.
   *
   * @param patient as if nothing had to follow within a time
   */
  earliest(index: number, from: number, patient = false): Try {
    const { horizon, tasks } = this.model;
    const task = tasks[index];
    if (!task) return { ok: false, why: 'no-time', retry: Infinity };
    if (task.crews.length === 0) return { ok: false, why: 'no-people', retry: Infinity };
    const window = this.#window(task, patient);
    if (window === null) return { ok: false, why: 'waits-for-unplaced', retry: Infinity };
    let best: Placed | null = null;
    let why: WhyNot = 'no-time';
    let sawWeather = false;
    const given = task.crews[this.#given.get(index) ?? -1];
    for (const crew of given ? [given] : task.crews) {
      let start = Math.ceil(Math.max(from, task.release, window.least));
      while (start <= horizon && start <= window.most) {
        if (best && start + task.minutes > best.end) break;
        const tried = this.#at(task, crew, start);
        if (!tried.ok) {
          if (tried.why === 'no-weather') sawWeather = true;
          why = tried.why;
          if (tried.retry <= start) throw new Error('a plan that does not move on');
          start = tried.retry;
          continue;
        }
        const { end } = tried.placed;
        if (end < window.endLeast) {
          start += Math.max(1, Math.ceil(window.endLeast - end));
          continue;
        }
        if (end > window.endMost) break;
        if (!best || end < best.end || (end === best.end && start < best.start)) best = tried.placed;
        break;
      }
    }
    if (best) return { ok: true, placed: best };
    const late = Number.isFinite(window.most) || Number.isFinite(window.endMost);
    return { ok: false, why: late ? 'too-late-after' : sawWeather ? 'no-weather' : why, retry: Infinity };
  }

  /** Between which minutes it may start and end by what is placed before it; `null` where that is not. */
  #window(
    { after }: ModelTask,
    patient: boolean,
  ): { least: number; most: number; endLeast: number; endMost: number } | null {
    const window = { least: 0, most: Infinity, endLeast: 0, endMost: Infinity };
    for (const lag of after) {
      const before = this.placed[lag.task];
      if (!before) return null;
      const base = baseOf(lag, before);
      if (lag.to === 'start') {
        window.least = Math.max(window.least, base + lag.least);
        if (!patient) window.most = Math.min(window.most, base + lag.most);
      } else {
        window.endLeast = Math.max(window.endLeast, base + lag.least);
        if (!patient) window.endMost = Math.min(window.endMost, base + lag.most);
      }
    }
    return window;
  }
}

const baseOf = ({ from }: WorkLag, before: Placed): number => (from === 'end' ? before.end : before.start);

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

/**
 * No plan ends before this minute: every task as early as its own conditions, people and what it waits for let it, as if nobody
 * were busy elsewhere; and all work together in all the hours there are.
 */
export function finishBound(model: Model): number {
  const earliest = new Map<number, Placed | null>();
  const visit = (i: number): Placed | null => {
    const known = earliest.get(i);
    if (known !== undefined) return known;
    const task = model.tasks[i];
    if (!task) return null;
    const board = new Board({
      ...model,
      tasks: model.tasks.map((t, j) => (j === i ? { ...t, after: [] } : t)),
    });
    let from = 0;
    let endLeast = 0;
    for (const lag of task.after) {
      const before = visit(lag.task);
      if (!before) continue;
      const least = baseOf(lag, before) + lag.least;
      if (lag.to === 'start') from = Math.max(from, least);
      else endLeast = Math.max(endLeast, least);
    }
    const tried = board.earliest(i, from);
    const placed = tried.ok
      ? { start: tried.placed.start, end: Math.max(tried.placed.end, Math.ceil(endLeast)), crew: [] }
      : null;
    earliest.set(i, placed);
    return placed;
  };
  const ends = model.tasks.map((_, i) => visit(i)?.end ?? 0);
  const work = model.tasks.reduce(
    (sum, t, i) => (earliest.get(i) ? sum + t.minutes * (t.crews[0]?.length ?? 0) : sum),
    0,
  );
  let left = work;
  let together = 0;
  for (let m = 0; m < model.horizon && left > 0; m++) {
    for (const on of model.on) left -= on[m] ?? 0;
    together = m + 1;
  }
  return Math.max(0, together, ...ends);
}
