/** Why a task begins when it does and not earlier. */
import { baseOf, Grounds, type Placed } from '../work/board.ts';
import type { Model } from '../work/model.ts';
import type { CalendarModel } from './plan.ts';

export type Because =
  /** Nothing begins earlier. */
  | { readonly kind: 'first' }
  | { readonly kind: 'after'; readonly task: number; readonly rest_min: number }
  | { readonly kind: 'person'; readonly person: string; readonly task: number; readonly setup_min: number }
  | { readonly kind: 'tool'; readonly tool: string }
  | { readonly kind: 'hours' }
  | {
      readonly kind: 'weather';
      readonly dry: boolean;
      readonly gust: boolean;
      readonly warm: boolean;
      readonly light: boolean;
    }
  | { readonly kind: 'release' }
  /** It would be left open over a wet night, or something else went before. */
  | { readonly kind: 'night' };

export function whyThen(model: CalendarModel, placed: readonly (Placed | null)[], index: number): Because {
  const { model: work } = model.chainModel;
  const task = work.tasks[index];
  const own = placed[index];
  if (!task || !own) return { kind: 'first' };
  let [least, by, rest] = [task.release, -1, 0];
  for (const lag of task.after) {
    const before = placed[lag.task];
    if (!before || lag.to === 'end') continue;
    const at = baseOf(lag, before) + lag.least;
    if (at >= least) [least, by, rest] = [at, lag.task, lag.least];
  }
  const crew = task.crews.find(
    (one) => one.every((person) => own.crew.includes(person)) && one.length === own.crew.length,
  );
  if (!crew) return { kind: 'first' };
  if (own.start === least) return by >= 0 ? { kind: 'after', task: by, rest_min: rest } : { kind: 'release' };
  const possible = new Grounds(work).times.of(index, crew).next(Math.ceil(least));
  if (possible === own.start) {
    const minute = own.start - 1;
    if (crew.some((person) => work.on[person]?.[minute] !== 1)) return { kind: 'hours' };
    const asked = model.work.tasks[index]?.conditions ?? {};
    return {
      kind: 'weather',
      dry: asked.dry === true,
      gust: asked.gust_ms_max !== undefined,
      warm: asked.temperature_C !== undefined,
      light: asked.daylight === true,
    };
  }
  const busy = busyUntil(work, placed, index, own);
  return busy ?? { kind: 'night' };
}

function busyUntil(
  work: Model,
  placed: readonly (Placed | null)[],
  index: number,
  own: Placed,
): Because | null {
  let found: (Because & { readonly kind: 'person' }) | null = null;
  let latest = -1;
  for (const [task, one] of placed.entries()) {
    if (!one || task === index || one.end > own.start || one.end <= latest) continue;
    const person = one.crew.find((p) => own.crew.includes(p));
    if (person === undefined) continue;
    latest = one.end;
    const [from, to] = [work.tasks[task]?.place ?? null, work.tasks[index]?.place ?? null];
    const setup_min = to === null || to === from ? 0 : (work.setup[to] ?? 0);
    found = { kind: 'person', person: work.people[person] ?? '', task, setup_min };
  }
  return found && own.start - latest <= found.setup_min + 1 ? found : null;
}
