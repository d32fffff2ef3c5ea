/** What of a plan is placed so far: who is where until when, which tools are taken, and when the next task can be. */
import type { Model, ModelTask, WorkLag } from './model.ts';
import { NEVER, TimesOf, workedBefore } from './times.ts';

export interface Placed {
  readonly start: number;
  readonly end: number;
  readonly crew: readonly number[];
}

export const whyNots = [
  'no-weather',
  'no-people',
  'did-it',
  'no-tools',
  'no-time',
  'waits-for-unplaced',
  'too-late-after',
  'too-early-after',
  'busy',
] as const;
export type WhyNot = (typeof whyNots)[number];

export type Try =
  { readonly ok: true; readonly placed: Placed } | { readonly ok: false; readonly why: WhyNot };

/** What of a model every plan asks for again; made once for all of them. */
export class Grounds {
  readonly model: Model;
  readonly times: TimesOf;
  /** For each person, minutes at work without a break directly before each minute. */
  readonly workedBefore: readonly Int32Array[];

  constructor(model: Model) {
    this.model = model;
    this.times = new TimesOf(model);
    this.workedBefore = model.on.map(workedBefore);
  }
}

const NOBODY: readonly number[] = [];

interface Asked {
  readonly patient?: boolean;
  readonly kin?: readonly number[];
  /** Nobody but these. */
  readonly only?: readonly number[] | null;
}

/** Who is at a thing already goes on with it, unless somebody else is done by so much sooner, minutes. */
const KIN_min = 20;

/** What is taken so far. */
export class Board {
  readonly #grounds: Grounds;
  readonly model: Model;
  /** The crew that a task is given; any of them where it is not said. */
  readonly #given: ReadonlyMap<number, number>;
  readonly placed: (Placed | null)[];
  /** Tasks of each person in their order. */
  readonly #own: number[][];
  readonly #tools: Uint16Array[];

  constructor(grounds: Grounds, given: ReadonlyMap<number, number> = new Map()) {
    this.#grounds = grounds;
    const { model } = grounds;
    this.model = model;
    this.#given = given;
    this.placed = model.tasks.map(() => null);
    this.#own = model.people.map(() => []);
    this.#tools = model.tools.map(() => new Uint16Array(model.horizon));
  }

  put(task: number, placed: Placed): void {
    this.placed[task] = placed;
    for (const person of placed.crew) this.#own[person]?.splice(this.#after(person, placed.start), 0, task);
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

  /** How many tasks of a person have begun by a minute. */
  #after(person: number, minute: number): number {
    const own = this.#own[person] ?? [];
    let [low, high] = [0, own.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.placed[own[middle] ?? -1]?.start ?? 0) <= minute) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /**
   * Whether somebody can be at a task from start to end, with the way there before it and the way on after it.
   *
   * @returns the next minute that may do; the start itself where all fits
   */
  #fits(person: number, task: ModelTask, start: number, end: number): number {
    const own = this.#own[person] ?? [];
    if (own.length === 0) return start;
    const at = this.#after(person, start);
    const before = own[at - 1];
    if (before !== undefined) {
      const busyUntil = this.placed[before]?.end ?? 0;
      const need = this.#setup(task.place, this.model.tasks[before]?.place ?? null);
      if (start < busyUntil + need) return busyUntil + need;
      if (need > 0 && (this.#grounds.workedBefore[person]?.[start] ?? 0) < need) return start + 1;
    }
    const next = own[at];
    if (next === undefined) return start;
    const then = this.placed[next];
    if (!then) return start;
    const need = this.#setup(this.model.tasks[next]?.place ?? null, task.place);
    if (then.start - need < end) return Math.max(start + 1, then.end);
    // The way on may be one more than before.
    return need > 0 && (this.#grounds.workedBefore[person]?.[then.start] ?? 0) < need
      ? Math.max(start + 1, then.end)
      : start;
  }

  /** Minutes to set up at a place, coming from another. */
  #setup(place: number | null, from: number | null): number {
    return place === null || place === from ? 0 : (this.model.setup[place] ?? 0);
  }

  /** First minute from `start` on at which the tools are there until the task is done; `start` itself where they are. */
  #toolsFrom(task: ModelTask, start: number, end: number): number {
    for (const [tool, count] of task.tools) {
      const [used, there] = [this.#tools[tool], this.model.tools[tool]?.count ?? 0];
      if (!used || count > there) return NEVER;
      for (let m = end - 1; m >= start; m--) if ((used[m] ?? 0) + count > there) return m + 1;
    }
    return start;
  }

  /**
   * The earliest way to do a task from a minute on: done first, begun first, crew as listed.
   *
   * @param patient as if nothing had to follow within a time
   * @param only whoever holds a thing does not give it away
   * @param kin whoever of these does it may be done a little later than others would be
   */
  earliest(index: number, from: number, { patient = false, kin = [], only = null }: Asked = {}): Try {
    const task = this.model.tasks[index];
    if (!task) return { ok: false, why: 'no-time' };
    if (task.crews.length === 0) return { ok: false, why: 'no-people' };
    const window = this.#window(task, patient);
    if (window === null) return { ok: false, why: 'waits-for-unplaced' };
    let best: Placed | null = null;
    let bestEnd = Infinity;
    let why: WhyNot = 'no-time';
    const least = Math.ceil(Math.max(from, task.release, window.least));
    const given = task.crews[this.#given.get(index) ?? -1];
    const did = this.#did(task);
    for (const crew of given ? [given] : task.crews) {
      if (only && !crew.every((person) => only.includes(person))) continue;
      if (crew.some((person) => did.includes(person))) {
        why = 'did-it';
        continue;
      }
      const times = this.#grounds.times.of(index, crew);
      if (times.byConditions) why = 'no-weather';
      const early = crew.some((person) => kin.includes(person)) ? KIN_min : 0;
      let start = times.next(least);
      while (start < NEVER && start <= window.most) {
        const end = times.end(start);
        if (best && (end - early > bestEnd || (end - early === bestEnd && start >= best.start))) break;
        if (end > window.endMost) break;
        let free: number = end < window.endLeast ? start + 1 : start;
        for (const person of crew) if (free === start) free = this.#fits(person, task, start, end);
        if (free === start && task.tools.length > 0) {
          free = this.#toolsFrom(task, start, end);
          if (free !== start) why = 'no-tools';
        }
        if (free === start) {
          best = { start, end, crew };
          bestEnd = end - early;
          break;
        }
        start = free === NEVER ? NEVER : times.next(free);
      }
    }
    if (best) return { ok: true, placed: best };
    const late = Number.isFinite(window.most) || Number.isFinite(window.endMost);
    return { ok: false, why: late ? 'too-late-after' : why };
  }

  /** Why a task cannot be done just so; `null` where it can. */
  against(index: number, { start, end, crew }: Placed): WhyNot | null {
    const task = this.model.tasks[index];
    if (!task) return 'no-time';
    const own = task.crews.find(
      (one) => one.length === crew.length && one.every((person) => crew.includes(person)),
    );
    if (!own) return 'no-people';
    const did = this.#did(task);
    if (own.some((person) => did.includes(person))) return 'did-it';
    const times = this.#grounds.times.of(index, own);
    if (start < task.release || times.next(start) !== start || times.end(start) !== end)
      return times.byConditions && start >= task.release ? 'no-weather' : 'no-time';
    const window = this.#window(task, false);
    if (window === null) return 'waits-for-unplaced';
    if (start < window.least || end < window.endLeast) return 'too-early-after';
    if (start > window.most || end > window.endMost) return 'too-late-after';
    if (own.some((person) => this.#fits(person, task, start, end) !== start)) return 'busy';
    return this.#toolsFrom(task, start, end) === start ? null : 'no-tools';
  }

  /** Whoever did what this task looks at. */
  #did({ apart = NOBODY, barred = NOBODY }: ModelTask): readonly number[] {
    return apart.length === 0
      ? barred
      : [...barred, ...apart.flatMap((task) => this.placed[task]?.crew ?? [])];
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

export const baseOf = ({ from }: WorkLag, before: Pick<Placed, 'start' | 'end'>): number =>
  from === 'end' ? before.end : before.start;
