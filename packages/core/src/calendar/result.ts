/** A plan as it is shown: bars, what is left out and why, and every evening of it. */
import { Grounds } from '../work/board.ts';
import { finishBound, type HeldBy } from '../work/bound.ts';
import { doneBy, type ChainPlan, type ChainScore } from '../work/chains.ts';
import type { Evening } from '../order/evenings.ts';
import { dayAndTime } from './days.ts';
import { isUntouched, wetOf, type NightOf } from './nights.ts';
import type { CalendarModel } from './plan.ts';

/** One bar: steps of an opening that the same people do one after the other. */
export interface Visit {
  readonly opening: string;
  readonly from: string;
  readonly to: string;
  readonly people: readonly string[];
  readonly place: string;
  readonly tasks: readonly PlannedTask[];
}

export interface PlannedTask {
  readonly id: string;
  readonly opening: string;
  readonly step: string;
  readonly isLook: boolean;
  readonly from: string;
  readonly to: string;
  readonly people: readonly string[];
  readonly place: string;
}

export interface Tonight {
  readonly night: NightOf;
  /** Openings that rain would wet, worst first; those nobody can judge last. */
  readonly open: readonly {
    readonly opening: string;
    readonly done: number;
    readonly evening: Evening;
    readonly litres: number;
    readonly covered: boolean;
    /** The finished opening is no better: its plan fails. */
    readonly byPlan: boolean;
  }[];
  /** Openings begun and dry. */
  readonly drains: readonly string[];
}

export interface CalendarResult {
  readonly tasks: readonly PlannedTask[];
  readonly unplaced: readonly {
    readonly id: string;
    readonly opening: string;
    readonly step: string;
    readonly isLook: boolean;
    readonly why: string;
  }[];
  readonly tonight: readonly Tonight[];
  /** Before these the wood is read: it stood in rain, and no formula says when it is dry. */
  readonly readings: readonly string[];
  readonly score: ChainScore;
  readonly finish: string | null;
  readonly bound: { readonly at: string; readonly by: HeldBy | null } | null;
  readonly knownUntil: string;
}

export function resultOf(
  model: CalendarModel,
  { placed, why, score }: Pick<ChainPlan, 'placed' | 'why' | 'score'>,
  withBound = true,
): CalendarResult {
  const { start_ms, people } = model.chainModel.model;
  const at = (minute: number) => new Date(start_ms + minute * 60_000).toISOString();
  const tasks = model.tasks.flatMap((task, i): PlannedTask[] => {
    const one = placed[i];
    if (!one) return [];
    const { id, opening, step, isLook } = task;
    return [
      {
        id,
        opening,
        step,
        isLook,
        from: at(one.start),
        to: at(one.end),
        people: one.crew.map((p) => people[p] ?? ''),
        place: model.work.tasks[i]?.place ?? '',
      },
    ];
  });
  const bound =
    withBound && tasks.length > 0
      ? finishBound(new Grounds(model.chainModel.model), (i) => placed[i] !== null)
      : null;
  return {
    tasks,
    unplaced: model.tasks.flatMap(({ id, opening, step, isLook }, i) =>
      placed[i] ? [] : [{ id, opening, step, isLook, why: why[i] ?? 'waits-for-unplaced' }],
    ),
    tonight: tonightOf(model, placed),
    readings: readingsFirst(model, placed),
    score,
    finish: tasks.length > 0 ? at(score[3]) : null,
    bound: bound && { at: at(bound.minute), by: bound.by },
    knownUntil: model.knownUntil,
  };
}

function tonightOf(
  { chainModel, nights, tasks, openings, azimuths }: CalendarModel,
  placed: ChainPlan['placed'],
): Tonight[] {
  const last = Math.max(0, ...placed.map((one) => one?.end ?? 0));
  const first = Math.min(...placed.map((one) => one?.start ?? Infinity));
  return nights.flatMap((night, n): Tonight[] => {
    const [from = 0, to = 0] = chainModel.nights[n] ?? [];
    if (from > last + 1440 || to < first) return [];
    const open: Tonight['open'][number][] = [];
    const drains: string[] = [];
    for (const [c, chain] of chainModel.chains.entries()) {
      const opening = openings[c];
      if (!opening) continue;
      const k = doneBy(chain, placed, from);
      const done =
        k === 0
          ? opening.build.steps.findIndex((s) => !opening.done.has(s.id))
          : (tasks[chain.tasks[k - 1] ?? -1]?.doneAfter ?? 0);
      const steps = done < 0 ? opening.build.steps.length : done;
      if (isUntouched(opening, steps)) continue;
      const evening = opening.evenings[steps];
      if (!evening) continue;
      if (evening.state === 'drains' && !evening.noStop) {
        if (steps < opening.build.steps.length) drains.push(opening.id);
        continue;
      }
      const raw = wetOf(opening, steps, night, azimuths.get(opening.facade));
      const cost = chain.nightCost(k, n);
      const byPlan = steps >= opening.build.steps.length || evening.state === opening.evenings.at(-1)?.state;
      open.push({
        opening: opening.id,
        done: steps,
        evening,
        litres: raw,
        covered: !byPlan && raw > 0 && cost === 0,
        byPlan,
      });
    }
    open.sort((a, b) => Number(a.covered) - Number(b.covered) || b.litres - a.litres);
    return [{ night, open, drains }];
  });
}

/** Tasks before which the wood of their opening is read, since rain stood in it before: last night, or one that is planned. */
function readingsFirst(model: CalendarModel, placed: ChainPlan['placed']): string[] {
  const { chainModel, nights, tasks, openings, weather, now } = model;
  const asks = new Set<string>();
  for (const [c, chain] of chainModel.chains.entries()) {
    const opening = openings[c];
    if (!opening) continue;
    const stepOf = (task: number) => opening.build.steps.find(({ id }) => id === tasks[task]?.step);
    const ask = (k: number) => {
      const next = chain.tasks
        .slice(k)
        .find((task) => placed[task] && !tasks[task]?.isLook && stepOf(task)?.needs.includes('dry') === true);
      const id = next === undefined ? undefined : tasks[next]?.id;
      if (id !== undefined) asks.add(id);
    };
    const last = Math.max(0, ...[...opening.done.values()].map(({ at }) => Date.parse(at)));
    const soaked = (row: CalendarModel['weather'][number]) =>
      row.rain_mm > 0 && Date.parse(row.at) > last && Date.parse(row.at) < Date.parse(now);
    const done = opening.build.steps.filter(({ id }) => opening.done.has(id)).length;
    if (!isUntouched(opening, done) && isOpen(opening.evenings[done]) && weather.some(soaked)) ask(0);
    for (const [n, [from]] of chainModel.nights.entries()) {
      const k = doneBy(chain, placed, from);
      if (k < chain.tasks.length && nights[n]?.wet.length && chain.nightCost(k, n) > 0) ask(k);
    }
  }
  return [...asks];
}

const isOpen = (evening: Evening | undefined): boolean => evening?.state.startsWith('wets') === true;

/**
 * Tasks of one opening at one place that follow each other without more than a break between are one bar; looks are bars of
 * their own.
 *
 * @param person only what this one does; everybody's where it is left out
 */
export function visitsOf(tasks: readonly PlannedTask[], zone: string, person?: string): Visit[] {
  const visits: {
    opening: string;
    from: string;
    to: string;
    people: Set<string>;
    place: string;
    day: string;
    tasks: PlannedTask[];
  }[] = [];
  const open = new Map<string, (typeof visits)[number]>();
  const own = person === undefined ? tasks : tasks.filter(({ people }) => people.includes(person));
  for (const task of own.toSorted((a, b) => Date.parse(a.from) - Date.parse(b.from))) {
    const key = `${task.opening} ${task.place} ${task.isLook}`;
    const last = open.get(key);
    const { day } = dayAndTime(zone, task.from);
    const isBreak =
      last === undefined || Date.parse(task.from) - Date.parse(last.to) > GAP_ms || last.day !== day;
    const visit = isBreak
      ? {
          opening: task.opening,
          from: task.from,
          to: task.to,
          people: new Set<string>(),
          place: task.place,
          day,
          tasks: [],
        }
      : last;
    if (isBreak) visits.push(visit);
    open.set(key, visit);
    if (Date.parse(task.to) > Date.parse(visit.to)) visit.to = task.to;
    for (const one of task.people) visit.people.add(one);
    visit.tasks.push(task);
  }
  return visits.map(({ people, day: _day, ...visit }) => ({
    ...visit,
    people: person === undefined ? [...people].sort() : [person],
  }));
}
const GAP_ms = 45 * 60_000;
