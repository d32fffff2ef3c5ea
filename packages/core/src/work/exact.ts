/**
 * The best plan of a small job, proven: every order of begins and every crew is gone through, but for those that cannot be
 * better than what is known.
 *
 * For one order of begins and one choice of crews the earliest begins that keep all rules are also the best, since nothing
 * that is counted gets less when something begins later. So only orders and crews have to be chosen, and how late a task
 * begins that something must follow in time: on the steps that all times of the job are multiples of.
 */
import { scoreOf, type Score, compareScores } from './score.ts';
import type { Grounds, Placed } from './board.ts';
import type { Model, ModelTask } from './model.ts';
import { NEVER } from './times.ts';

export interface Search {
  /** Asked now and then; the best so far is the answer when it says so. */
  readonly enough: () => boolean;
  /** What is known already: only what is better is looked for. */
  readonly known?: readonly (Placed | null)[];
  /** Ends with the first plan in which every task is placed. */
  readonly anyWhole?: boolean;
  readonly onBetter?: (placed: readonly (Placed | null)[]) => void;
}

export interface Found {
  readonly placed: readonly (Placed | null)[];
  readonly score: Score;
  /** Nothing better is possible. */
  readonly proven: boolean;
}

/** Tasks of a job that is searched like this. */
export const MOST_EXACT = 14;

/** A rule between two tasks: the base of the one is at least and at most so far before the target of the other. */
interface Rule {
  readonly base: number;
  readonly from: 'start' | 'end';
  readonly target: number;
  readonly to: 'start' | 'end';
  readonly least: number;
  readonly most: number;
}

/** What is chosen so far, in the order of begins. */
interface State {
  readonly order: readonly number[];
  readonly mask: number;
  readonly crew: readonly (readonly number[] | null)[];
  readonly start: Int32Array;
  readonly end: Int32Array;
  /** Of each person: until when, and at which place; -2 before the first task, -1 at none. */
  readonly free: Int32Array;
  readonly place: Int32Array;
}

/** Nodes between two questions whether it is enough. */
const ASK_EVERY = 512;
/** States remembered before they are forgotten. */
const MOST_REMEMBERED = 400_000;

export function searchExactly(grounds: Grounds, search: Search): Found {
  return new Exact(grounds, search).run();
}

class Exact {
  readonly #grounds: Grounds;
  readonly #model: Model;
  readonly #search: Search;
  readonly #rules: readonly Rule[];
  /** Rules of each task, as base or target. */
  readonly #of: readonly (readonly Rule[])[];
  /** Tasks whose begin waits for another, by that one's bits. */
  readonly #needs: readonly number[];
  /** People who can stand in for each other have the same number. */
  readonly #alike: readonly number[];
  /** Minutes at work of all people together before each minute. */
  readonly #hands: readonly Int32Array[];
  readonly #order: readonly number[];
  /** Minutes that all times of the job are multiples of. */
  readonly #step: number;
  /** Tasks that cannot be placed whatever people and weather do. */
  readonly #never: readonly boolean[];
  readonly #seen = new Map<string, Float64Array[]>();
  #remembered = 0;
  #nodes = 0;
  #stopped = false;
  #best: readonly (Placed | null)[];
  #score: Score;

  constructor(grounds: Grounds, search: Search) {
    this.#grounds = grounds;
    this.#model = grounds.model;
    this.#search = search;
    const { tasks } = this.#model;
    this.#rules = tasks.flatMap(({ after }, target) =>
      after.map(({ task, from, to, least, most }) => ({ base: task, from, target, to, least, most })),
    );
    this.#of = tasks.map((_, i) => this.#rules.filter(({ base, target }) => base === i || target === i));
    this.#needs = tasks.map(({ after }) =>
      after.reduce((bits, { task, to }) => (to === 'start' ? bits | (1 << task) : bits), 0),
    );
    this.#alike = alikeOf(this.#model);
    this.#hands = this.#model.on.map((on) => {
      const before = new Int32Array(on.length + 1);
      for (let m = 0; m < on.length; m++) before[m + 1] = (before[m] ?? 0) + (on[m] ?? 0);
      return before;
    });
    this.#order = inTurn(this.#model);
    this.#step = stepOf(this.#model);
    this.#never = neverOf(this.#model);
    this.#best = search.known ?? tasks.map(() => null);
    this.#score = scoreOf(this.#model, this.#best);
  }

  run(): Found {
    const n = this.#model.tasks.length;
    const people = this.#model.people.length;
    this.#from({
      order: [],
      mask: 0,
      crew: Array.from({ length: n }, () => null),
      start: new Int32Array(n),
      end: new Int32Array(n),
      free: new Int32Array(people),
      place: new Int32Array(people).fill(-2),
    });
    return { placed: this.#best, score: this.#score, proven: !this.#stopped };
  }

  /** Goes on from a state; `false` where nothing better can come of it. */
  #from(state: State): boolean {
    if (this.#stopped) return false;
    if (++this.#nodes % ASK_EVERY === 0 && this.#search.enough()) {
      this.#stopped = true;
      return false;
    }
    const done = this.#scoreOf(state);
    this.#keep(state, done);
    if (this.#isDone()) return false;
    const bound = this.#boundOf(state, done, true);
    if (!bound) return true;
    const isWorse = (one: Score) =>
      compareScores(one, this.#score) >= 0 || (this.#search.anyWhole === true && one[0] > 0);
    if (isWorse(bound)) {
      // Begun later, what comes too late now may follow in time.
      const later = this.#boundOf(state, done, false);
      return later !== null && !isWorse(later);
    }
    if (this.#isBeaten(state, done)) return true;
    const next: { state: State; start: number; end: number; task: number; crew: readonly number[] }[] = [];
    for (const [task, { crews }] of this.#model.tasks.entries()) {
      if (this.#never[task] || (state.mask >> task) & 1 || (this.#needs[task] ?? 0) & ~state.mask) continue;
      const tried = new Set<string>();
      for (const crew of crews) {
        // People who can stand in for each other and stand alike are one choice.
        const looks = crew
          .map((p) => `${this.#alike[p]} ${state.free[p]} ${state.place[p]}`)
          .sort()
          .join('|');
        if (tried.has(looks)) continue;
        tried.add(looks);
        const one = this.#with(state, task, crew, 0);
        if (one) next.push({ state: one, start: one.start[task] ?? 0, end: one.end[task] ?? 0, task, crew });
      }
    }
    next.sort((a, b) => a.start - b.start || a.end - b.end || a.task - b.task);
    for (const { state: first, task, crew } of next) {
      let one: State | null = first;
      const mayWait = this.#mayWait(state, task);
      while (one) {
        const goesOn = this.#from(one);
        if (this.#stopped || this.#isDone()) return false;
        // What cannot be better begun now cannot be better begun later.
        if (!mayWait || !goesOn) break;
        one = this.#with(state, task, crew, (one.start[task] ?? 0) + this.#step);
      }
    }
    return true;
  }

  #isDone(): boolean {
    return this.#search.anyWhole === true && this.#score[0] === 0;
  }

  /** Whether it may be right to begin a task later than it could be: for what must follow it in time, or must end with it. */
  #mayWait({ mask }: State, task: number): boolean {
    return (this.#of[task] ?? []).some(
      ({ base, target, to, most }) =>
        (base === task && Number.isFinite(most) && !((mask >> target) & 1)) ||
        (target === task && to === 'end' && !((mask >> base) & 1)),
    );
  }

  /** Keeps what is chosen, where it may stand as it is and is the best so far. */
  #keep(state: State, done: Score): void {
    const score: Score = [this.#model.tasks.length - state.order.length, done[1], done[2], done[3]];
    if (compareScores(score, this.#score) >= 0) return;
    if (
      state.order.some((task) =>
        (this.#model.tasks[task]?.after ?? []).some((lag) => !((state.mask >> lag.task) & 1)),
      )
    )
      return;
    this.#score = score;
    this.#best = this.#model.tasks.map((_, i): Placed | null => {
      const crew = state.crew[i];
      return crew ? { start: state.start[i] ?? 0, end: state.end[i] ?? 0, crew } : null;
    });
    this.#search.onBetter?.(this.#best);
  }

  #scoreOf({ order, start, end }: State): Score {
    let [late, finish, starts] = [0, 0, 0];
    for (const task of order) {
      const due = this.#model.tasks[task]?.due ?? null;
      if (due !== null) late += Math.max(0, (end[task] ?? 0) - due);
      finish = Math.max(finish, end[task] ?? 0);
      starts += start[task] ?? 0;
    }
    return [0, late, finish, starts];
  }

  /** The state with one task more, begun last and not before a minute; `null` where that cannot be. */
  #with(state: State, index: number, crew: readonly number[], least: number): State | null {
    const task = this.#model.tasks[index];
    if (!task) return null;
    const last = state.order.at(-1);
    let from = Math.max(task.release, least, last === undefined ? 0 : (state.start[last] ?? 0));
    let endLeast = 0;
    let [most, endMost] = [Infinity, Infinity];
    for (const rule of this.#of[index] ?? []) {
      if (rule.target !== index || !((state.mask >> rule.base) & 1)) continue;
      const at = (rule.from === 'end' ? state.end[rule.base] : state.start[rule.base]) ?? 0;
      if (rule.to === 'start') {
        from = Math.max(from, at + rule.least);
        most = Math.min(most, at + rule.most);
      } else {
        endLeast = Math.max(endLeast, at + rule.least);
        endMost = Math.min(endMost, at + rule.most);
      }
    }
    const times = this.#grounds.times.of(index, crew);
    from = Math.ceil(from);
    for (;;) {
      const start = from === NEVER ? NEVER : times.next(from);
      if (start === NEVER || start > most) return null;
      const end = times.end(start);
      if (end > endMost) return null;
      from = end < endLeast ? start + 1 : start;
      for (const person of crew) from = Math.max(from, this.#freeFrom(state, person, task, start));
      if (from === start && task.tools.length > 0) from = this.#toolsFrom(state, task, start);
      if (from !== start) continue;
      return this.#begun(state, index, { start, end, crew });
    }
  }

  /** The state with a task placed; `null` where that breaks a rule with what is placed already. */
  #begun(state: State, index: number, { start, end, crew }: Placed): State | null {
    for (const { base, target, from, to, least, most } of this.#of[index] ?? []) {
      if (base !== index || !((state.mask >> target) & 1)) continue;
      const lag =
        ((to === 'end' ? state.end[target] : state.start[target]) ?? 0) - (from === 'end' ? end : start);
      if (lag < least || lag > most) return null;
    }
    const one: State = {
      order: [...state.order, index],
      mask: state.mask | (1 << index),
      crew: state.crew.with(index, crew),
      start: state.start.slice(),
      end: state.end.slice(),
      free: state.free.slice(),
      place: state.place.slice(),
    };
    one.start[index] = start;
    one.end[index] = end;
    for (const person of crew) {
      one.free[person] = end;
      one.place[person] = this.#model.tasks[index]?.place ?? -1;
    }
    return one;
  }

  /** First minute from `start` on at which somebody is there and set up; `start` itself where they are. */
  #freeFrom(state: State, person: number, task: ModelTask, start: number): number {
    const free = state.free[person] ?? 0;
    const place = state.place[person] ?? -2;
    const need =
      task.place === null || place === -2 || place === task.place ? 0 : (this.#model.setup[task.place] ?? 0);
    if (start < free + need) return free + need;
    return need > 0 && (this.#grounds.workedBefore[person]?.[start] ?? 0) < need ? start + 1 : start;
  }

  /** Tools of those that have begun come free when they end. */
  #toolsFrom(state: State, task: ModelTask, start: number): number {
    for (const [tool, count] of task.tools) {
      const there = this.#model.tools[tool]?.count ?? 0;
      if (count > there) return NEVER;
      let used = 0;
      let soonest = NEVER;
      for (const other of state.order) {
        const taken = this.#model.tasks[other]?.tools.find(([id]) => id === tool);
        const end = state.end[other] ?? 0;
        if (!taken || end <= start) continue;
        used += taken[1];
        soonest = Math.min(soonest, end);
      }
      if (used + count > there) return soonest;
    }
    return start;
  }

  /**
   * No plan that goes on from here is better than this; `null` where none goes on.
   *
   * @param inTime whether what cannot follow in time any more counts as unplaced
   */
  #boundOf(state: State, done: Score, inTime: boolean): Score | null {
    const { tasks } = this.#model;
    const last = state.order.at(-1);
    const now = last === undefined ? 0 : (state.start[last] ?? 0);
    const startAt = new Int32Array(tasks.length);
    const endAt = new Int32Array(tasks.length);
    let [unplaced, late, finish, left] = [0, done[1], done[2], 0];
    const starts: number[] = [];
    const works: number[] = [];
    for (const i of this.#order) {
      if ((state.mask >> i) & 1) {
        startAt[i] = state.start[i] ?? 0;
        endAt[i] = state.end[i] ?? 0;
        continue;
      }
      const task = tasks[i];
      if (!task) continue;
      let from = Math.max(task.release, now);
      let endLeast = 0;
      let never = this.#never[i] ?? false;
      let [startMost, endMost] = [Infinity, Infinity];
      for (const { task: base, from: side, to, least, most } of task.after) {
        if (startAt[base] === NEVER) never = true;
        const at = (side === 'end' ? endAt[base] : startAt[base]) ?? 0;
        if (to === 'start') from = Math.max(from, Math.ceil(at + least));
        else endLeast = Math.max(endLeast, Math.ceil(at + least));
        if (!inTime || !((state.mask >> base) & 1)) continue;
        if (to === 'start') startMost = Math.min(startMost, at + most);
        else endMost = Math.min(endMost, at + most);
      }
      let [start, end] = [NEVER, NEVER];
      if (!never)
        for (const crew of task.crews) {
          const times = this.#grounds.times.of(i, crew);
          let at = from;
          for (const person of crew) at = Math.max(at, state.free[person] ?? 0);
          const begin = times.next(at);
          if (begin === NEVER) continue;
          start = Math.min(start, begin);
          end = Math.min(end, times.end(begin));
        }
      // What it must follow is placed, and it cannot follow in time any more.
      if (start > startMost || Math.max(end, endLeast) > endMost) start = NEVER;
      startAt[i] = start;
      endAt[i] = start === NEVER ? NEVER : Math.max(end, endLeast);
      if (start === NEVER) {
        unplaced++;
        continue;
      }
      if (task.due !== null) late += Math.max(0, (endAt[i] ?? 0) - task.due);
      finish = Math.max(finish, endAt[i] ?? 0);
      const work = task.minutes * (task.crews[0]?.length ?? 0);
      left += work;
      starts.push(start);
      works.push(work);
    }
    if (starts.length === 0 && unplaced === 0) return null;
    finish = Math.max(finish, this.#whenDone(state, left));
    // Of what is left the k-th begins only when all but as many as there are people are done before it.
    starts.sort((a, b) => a - b);
    works.sort((a, b) => a - b);
    const people = this.#model.people.length;
    let sum = done[3];
    let before = 0;
    for (const [k, start] of starts.entries()) {
      if (k >= people && people > 0) before += works[k - people] ?? 0;
      sum += before > 0 ? Math.max(start, this.#whenDone(state, before)) : start;
    }
    return [unplaced, late, finish, sum];
  }

  /** First minute by which so much work can be done by all who are free. */
  #whenDone({ free }: State, work: number): number {
    if (work <= 0) return 0;
    const { horizon } = this.#model;
    const doneBy = (minute: number) =>
      this.#hands.reduce(
        (sum, hands, p) =>
          sum + Math.max(0, (hands[minute] ?? 0) - (hands[Math.min(horizon, free[p] ?? 0)] ?? 0)),
        0,
      );
    if (doneBy(horizon) < work) return NEVER;
    let [low, high] = [0, horizon];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (doneBy(middle) >= work) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /** Whether the same tasks were placed before in a way from which everything is possible that is possible from here. */
  #isBeaten(state: State, done: Score): boolean {
    const last = state.order.at(-1);
    if (last === undefined) return false;
    const figures = [done[1], done[2], done[3], state.start[last] ?? 0];
    const waiting: number[] = [];
    for (const { base, target, from, to, most } of this.#rules) {
      const [hasBase, hasTarget] = [(state.mask >> base) & 1, (state.mask >> target) & 1];
      if (hasBase === hasTarget) continue;
      const at = hasBase
        ? ((from === 'end' ? state.end[base] : state.start[base]) ?? 0)
        : ((to === 'end' ? state.end[target] : state.start[target]) ?? 0);
      waiting.push(at);
      // Neither earlier nor later is better where something must follow in time, or end with it.
      if (Number.isFinite(most) || !hasBase) waiting.push(-at);
    }
    for (const [task, { tools }] of this.#model.tasks.entries())
      if (tools.length > 0 && (state.mask >> task) & 1)
        waiting.push(Math.max(state.end[task] ?? 0, state.start[last] ?? 0));
    const people = Array.from(
      this.#alike,
      (alike, p) => [alike, state.place[p] ?? -2, state.free[p] ?? 0] as const,
    ).sort((a, b) => a[0] - b[0] || a[1] - b[1] || a[2] - b[2]);
    const key = `${state.mask} ${people.map(([alike, place]) => `${alike}:${place}`).join()}`;
    const own = Float64Array.from([...figures, ...people.map(([, , free]) => free), ...waiting]);
    const others = this.#seen.get(key);
    if (others?.some((other) => other.every((value, i) => value <= (own[i] ?? 0)))) return true;
    if (this.#remembered > MOST_REMEMBERED) {
      this.#seen.clear();
      this.#remembered = 0;
    }
    const kept = (others ?? []).filter((other) => !own.every((value, i) => value <= (other[i] ?? 0)));
    this.#remembered += 1 - ((others?.length ?? 0) - kept.length);
    this.#seen.set(key, [...kept, own]);
    return false;
  }
}

/** For each person the first who can stand in for them: at work at the same times, and in every crew with the same others. */
function alikeOf({ on, people, tasks }: Model): number[] {
  const hours = on.map((minutes) => minutes.join(''));
  const key = (crews: readonly (readonly number[])[]) =>
    crews
      .map((crew) => crew.toSorted((a, b) => a - b).join())
      .sort()
      .join('|');
  const keys = tasks.map(({ crews }) => key(crews));
  const alike = (a: number, b: number) => {
    const swap = (p: number) => (p === a ? b : p === b ? a : p);
    return (
      hours[a] === hours[b] &&
      tasks.every(({ crews }, i) => key(crews.map((crew) => crew.map(swap))) === keys[i])
    );
  };
  const first: number[] = [];
  for (const p of people.keys()) first.push(first.find((q) => first[q] === q && alike(q, p)) ?? p);
  return first;
}

/** Tasks in an order in which each comes after what it waits for. */
function inTurn({ tasks }: Model): number[] {
  const order: number[] = [];
  const done = new Set<number>();
  const walk = (i: number): void => {
    if (done.has(i)) return;
    done.add(i);
    for (const { task } of tasks[i]?.after ?? []) walk(task);
    order.push(i);
  };
  for (const i of tasks.keys()) walk(i);
  return order;
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** The longest step that all times of a job are multiples of, minutes. */
function stepOf({ tasks, on, setup, horizon }: Model): number {
  const times = [horizon, ...setup];
  const edges = (minutes: Uint8Array | null) => {
    if (minutes) for (let m = 1; m < minutes.length; m++) if (minutes[m] !== minutes[m - 1]) times.push(m);
  };
  for (const minutes of on) edges(minutes);
  for (const rule of new Set(tasks.flatMap(({ worked, begins }) => [worked, begins]))) edges(rule);
  for (const { minutes, after, release, due } of tasks)
    times.push(
      minutes,
      release,
      due ?? 0,
      ...after.flatMap(({ least, most }) => [least, Number.isFinite(most) ? most : 0]),
    );
  const step = times.map(Math.round).reduce(divisor, 0);
  return times.every(Number.isInteger) ? Math.max(1, step) : 1;
}

/**
 * Tasks whose times contradict each other, with all that they wait for: shortest ways between begins and ends, of which one
 * leads back to where it began in less than no time.
 */
function neverOf({ tasks }: Model): boolean[] {
  const n = tasks.length;
  const before = tasks.map(({ after }) => after.map(({ task }) => task));
  const closure = (i: number, found = new Set<number>()): Set<number> => {
    if (found.has(i)) return found;
    found.add(i);
    for (const one of before[i] ?? []) closure(one, found);
    return found;
  };
  return tasks.map((_, i) => {
    const own = [...closure(i)];
    // Node 2k is the begin and node 2k + 1 the end: at most so much later is the one than the other.
    const most = Array.from({ length: 2 * n }, (_row, a) =>
      Float64Array.from({ length: 2 * n }, (_one, b) => (a === b ? 0 : Infinity)),
    );
    const limit = (from: number, to: number, value: number) => {
      const row = most[from];
      if (row) row[to] = Math.min(row[to] ?? Infinity, value);
    };
    for (const k of own) {
      limit(2 * k + 1, 2 * k, -(tasks[k]?.minutes ?? 0));
      if (tasks[k]?.unsplit) limit(2 * k, 2 * k + 1, tasks[k]?.minutes ?? 0);
      for (const lag of tasks[k]?.after ?? []) {
        const [base, target] = [2 * lag.task + Number(lag.from === 'end'), 2 * k + Number(lag.to === 'end')];
        limit(target, base, -lag.least);
        limit(base, target, lag.most);
      }
    }
    const nodes = own.flatMap((k) => [2 * k, 2 * k + 1]);
    for (const middle of nodes)
      for (const a of nodes)
        for (const b of nodes) limit(a, b, (most[a]?.[middle] ?? Infinity) + (most[middle]?.[b] ?? Infinity));
    return nodes.some((node) => (most[node]?.[node] ?? 0) < 0);
  });
}
