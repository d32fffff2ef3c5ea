/** At which minutes a task can be begun by a crew, and when it is then done: hours, conditions and pauses. */
import type { Model, ModelTask } from './model.ts';

export const NEVER = 0x7fffffff;

/** The minutes of a crew at work, one after the other. */
interface Shift {
  /** Minutes at work before each minute. */
  readonly before: Int32Array;
  /** Which minute is the so-many-eth at work. */
  readonly minutes: Int32Array;
  /** With which of them the stretch without a break begins that each is in. */
  readonly since: Int32Array;
}

/** One way of doing a task: by this crew. */
export class Times {
  readonly #shift: Shift;
  readonly #length: number;
  readonly #unsplit: boolean;
  /** The first after the last minute at work, up to each, that conditions forbid; `null` without conditions. */
  readonly #sound: Int32Array | null;
  /** First minute from each on that it may begin at; `null` where any will do. */
  readonly #begin: Int32Array | null;
  readonly #horizon: number;
  /** Whether more than hours may stand in the way. */
  readonly byConditions: boolean;

  constructor(o: {
    task: ModelTask;
    shift: Shift;
    sound: Int32Array | null;
    begin: Int32Array | null;
    horizon: number;
  }) {
    this.#shift = o.shift;
    this.#length = o.task.minutes;
    this.#unsplit = o.task.unsplit;
    this.#sound = o.task.minutes > 0 ? o.sound : null;
    this.#begin = o.begin;
    this.#horizon = o.horizon;
    this.byConditions = this.#sound !== null || o.begin !== null;
  }

  /** First minute from one on at which it can be begun; `NEVER` where there is none. */
  next(from: number): number {
    const { before, minutes, since } = this.#shift;
    let m = Math.max(0, from);
    for (;;) {
      if (m > this.#horizon) return NEVER;
      if (this.#begin) {
        m = this.#begin[m] ?? NEVER;
        if (m > this.#horizon) return NEVER;
      }
      if (this.#length === 0) return m;
      let k = before[m] ?? 0;
      for (;;) {
        const last = k + this.#length - 1;
        if (last >= minutes.length) return NEVER;
        const least = Math.max(this.#sound?.[last] ?? 0, this.#unsplit ? (since[last] ?? 0) : 0);
        if (least <= k) break;
        k = least;
      }
      const start = minutes[k] ?? NEVER;
      if (start === m || !this.#begin) return start;
      m = start;
      if ((this.#begin[m] ?? NEVER) === m) return m;
    }
  }

  /** When it is done, begun at a minute that `next` gave. */
  end(start: number): number {
    if (this.#length === 0) return start;
    const { before, minutes } = this.#shift;
    return (minutes[(before[start] ?? 0) + this.#length - 1] ?? NEVER) + 1;
  }
}

/** The times of every task and crew of a model, each made when it is first asked for. */
export class TimesOf {
  readonly #model: Model;
  readonly #shifts = new Map<string, Shift>();
  readonly #sounds = new Map<Shift, Map<Uint8Array, Int32Array>>();
  readonly #begins = new Map<Uint8Array, Int32Array>();
  readonly #known: Map<readonly number[], Times>[];

  constructor(model: Model) {
    this.#model = model;
    this.#known = model.tasks.map(() => new Map());
  }

  /** @param crew one of the task's own crews */
  of(index: number, crew: readonly number[]): Times {
    const known = this.#known[index]?.get(crew);
    if (known) return known;
    const task = this.#model.tasks[index];
    if (!task) throw new Error(`there is no task ${index}`);
    const shift = this.#shift(crew);
    const times = new Times({
      task,
      shift,
      sound: task.worked ? this.#sound(shift, task.worked) : null,
      begin: task.begins ? this.#begin(task.begins) : null,
      horizon: this.#model.horizon,
    });
    this.#known[index]?.set(crew, times);
    return times;
  }

  #shift(crew: readonly number[]): Shift {
    const key = crew.join();
    const known = this.#shifts.get(key);
    if (known) return known;
    const { horizon, on } = this.#model;
    const own = crew.flatMap((person) => on[person] ?? []);
    const before = new Int32Array(horizon + 1);
    const minutes = new Int32Array(horizon);
    const since = new Int32Array(horizon);
    let n = 0;
    for (let m = 0; m < horizon; m++) {
      before[m] = n;
      if (!own.every((at) => at[m] === 1)) continue;
      minutes[n] = m;
      since[n] = n > 0 && minutes[n - 1] === m - 1 ? (since[n - 1] ?? 0) : n;
      n++;
    }
    before[horizon] = n;
    const shift = { before, minutes: minutes.slice(0, n), since: since.slice(0, n) };
    this.#shifts.set(key, shift);
    return shift;
  }

  #sound(shift: Shift, worked: Uint8Array): Int32Array {
    const own = this.#sounds.get(shift) ?? new Map<Uint8Array, Int32Array>();
    this.#sounds.set(shift, own);
    const known = own.get(worked);
    if (known) return known;
    const sound = new Int32Array(shift.minutes.length);
    let first = 0;
    for (let k = 0; k < sound.length; k++) {
      if (worked[shift.minutes[k] ?? 0] !== 1) first = k + 1;
      sound[k] = first;
    }
    own.set(worked, sound);
    return sound;
  }

  #begin(begins: Uint8Array): Int32Array {
    const known = this.#begins.get(begins);
    if (known) return known;
    const next = new Int32Array(this.#model.horizon + 2).fill(NEVER);
    for (let m = this.#model.horizon; m >= 0; m--)
      next[m] = m < begins.length && begins[m] === 1 ? m : (next[m + 1] ?? NEVER);
    this.#begins.set(begins, next);
    return next;
  }
}

/** Minutes at work without a break directly before each minute, of one person. */
export function workedBefore(on: Uint8Array): Int32Array {
  const run = new Int32Array(on.length + 1);
  for (let m = 0; m < on.length; m++) run[m + 1] = on[m] === 1 ? (run[m] ?? 0) + 1 : 0;
  return run;
}
