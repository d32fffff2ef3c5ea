/** What of a plan is placed so far: who is where until when, which tools are taken, and when the next task can be. */
import type { Model, ModelTask, WorkLag } from './model.ts';

export interface Placed {
  readonly start: number;
  readonly end: number;
  readonly crew: readonly number[];
}

export type WhyNot =
  'no-weather' | 'no-people' | 'no-tools' | 'no-time' | 'waits-for-unplaced' | 'too-late-after';

export type Try =
  | { readonly ok: true; readonly placed: Placed }
  /** `retry`: nothing before this minute will do; Infinity where nothing ever will. */
  | { readonly ok: false; readonly why: WhyNot; readonly retry: number };

/** What is taken so far. */
export class Board {
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

  /** Where a person was last before a minute, and until when they are busy. */
  #around(person: number, start: number): { place: number | null; isFirst: boolean; busyUntil: number } {
    let place: number | null = null;
    let isFirst = true;
    let busyUntil = 0;
    for (const other of this.#own[person] ?? []) {
      const placed = this.placed[other];
      if (!placed) continue;
      if (placed.start > start) break;
      place = this.model.tasks[other]?.place ?? place;
      isFirst = false;
      busyUntil = Math.max(busyUntil, placed.end);
    }
    return { place, isFirst, busyUntil };
  }

  /**
   * Whether what a person does afterwards stays possible: the next of it with a place may need another set-up now.
   *
   * @returns a minute before which nothing else will do either; `null` where all fits
   */
  #stillFits(person: number, put: { start: number; end: number; place: number | null }): number | null {
    const later = (this.#own[person] ?? []).flatMap((index) => {
      const placed = this.placed[index];
      return placed && placed.start > put.start
        ? [{ placed, place: this.model.tasks[index]?.place ?? null }]
        : [];
    });
    const retry = later[0]?.placed.end ?? Infinity;
    let free = put.end;
    for (const { placed, place } of later) {
      if (placed.start < free) return retry;
      if (place !== null) {
        const need = place === put.place ? 0 : (this.model.setup[place] ?? 0);
        if (placed.start - need < free) return retry;
        for (let m = placed.start - need; m < placed.start; m++)
          if (this.model.on[person]?.[m] !== 1) return retry;
        return null;
      }
      free = placed.end;
    }
    return null;
  }

  /** A task with this crew from exactly this minute on. */
  at(task: ModelTask, crew: readonly number[], start: number): Try {
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
    for (const [i, { place }] of around.entries()) {
      const later = this.#stillFits(crew[i] ?? -1, { start, end, place: task.place ?? place });
      if (later !== null) return no(later);
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
        const tried = this.at(task, crew, start);
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

export const baseOf = ({ from }: WorkLag, before: Pick<Placed, 'start' | 'end'>): number =>
  from === 'end' ? before.end : before.start;
