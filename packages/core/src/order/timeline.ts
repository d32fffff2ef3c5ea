/** The steps of one opening as a line in time: when each may begin, what it waits for, and what it must not wait longer for. */
import type { PlannedStep } from '../build/build.ts';
import type { After } from '../methods/method.ts';

export interface TimedStep {
  readonly id: string;
  /** Minutes from the begin of the first step, nights left out. */
  readonly start_min: number;
  readonly end_min: number;
  /** Idle before it, because a rest has to pass; nothing where it goes on at once. */
  readonly waits: { readonly min: number; readonly step: string } | null;
  /** A step before it whose longest time is over by then. */
  readonly late: readonly { readonly step: string; readonly by_min: number }[];
}

export interface Timeline {
  readonly steps: readonly TimedStep[];
  readonly total_min: number;
  /** Hands at work; the rest of it waits. */
  readonly work_min: number;
}

const SAME_min = 1e-6;

/** When a step may begin at the earliest by one thing it waits for. */
export function earliestBy(
  { from = 'end', to = 'start', least_min = 0 }: After,
  before: Pick<TimedStep, 'start_min' | 'end_min'>,
  work_min: number,
): number {
  const base = (from === 'end' ? before.end_min : before.start_min) + least_min;
  return to === 'end' ? base - work_min : base;
}

/** One crew, one step after the other, each as soon as it may. */
export function timelineOf(steps: readonly Pick<PlannedStep, 'id' | 'after' | 'work_min'>[]): Timeline {
  const placed = new Map<string, TimedStep>();
  let free = 0;
  for (const { id, after, work_min } of steps) {
    let start = free;
    let waits: TimedStep['waits'] = null;
    for (const reason of after) {
      const before = placed.get(reason.step);
      if (!before) continue;
      const least = earliestBy(reason, before, work_min);
      if (least > start + SAME_min) {
        start = least;
        waits = { min: least - free, step: reason.step };
      }
    }
    const late = after.flatMap(({ step, from = 'end', to = 'start', most_min }) => {
      const before = placed.get(step);
      if (!before || most_min === undefined) return [];
      const limit = (from === 'end' ? before.end_min : before.start_min) + most_min;
      const by_min = (to === 'end' ? start + work_min : start) - limit;
      return by_min > SAME_min ? [{ step, by_min }] : [];
    });
    free = start + work_min;
    placed.set(id, { id, start_min: start, end_min: free, waits, late });
  }
  return {
    steps: [...placed.values()],
    total_min: free,
    work_min: steps.reduce((sum, { work_min }) => sum + work_min, 0),
  };
}

/** What comes within a working day of what it follows must not be parted from it by an evening. */
const EVENING_min = 12 * 60;

/** Why work cannot be left after so many steps. */
export type NoStop =
  /** The unit is in and not yet held: nobody leaves it so. */
  | { readonly because: 'not-held'; readonly step: string }
  /** What was done last skins, dries or sets before the next day. */
  | {
      readonly because: 'not-in-time';
      readonly step: string;
      readonly next: string;
      readonly most_min: number;
    };

/**
 * Why work cannot stop after `count` steps; nothing where it can.
 *
 * Setting is never parted from secure fastening (common practice, no source).
 */
export function noStopAfter(
  steps: readonly Pick<PlannedStep, 'id' | 'role' | 'after'>[],
  count: number,
): NoStop | null {
  const done = new Set(steps.slice(0, count).map(({ id }) => id));
  const left = steps.slice(count);
  const set = steps.find(({ role }) => role === 'set');
  const held = steps.filter(({ role }) => role === 'fasten').at(-1);
  if (set && held && done.has(set.id) && !done.has(held.id)) return { because: 'not-held', step: held.id };
  for (const { id, after } of left)
    for (const { step, most_min } of after)
      if (most_min !== undefined && most_min < EVENING_min && done.has(step))
        return { because: 'not-in-time', step, next: id, most_min };
  return null;
}
