/** Plans a job's calendar: nothing open to the rain first, then due dates, finish, ways and hands. */
import type { Calendar, CalendarPlan, WeatherRow } from '../documents/calendar.ts';
import { comesIn, drivingRain, type Evening } from '../order/evenings.ts';
import { Grounds, type Placed as PlacedAt } from '../work/board.ts';
import { finishBound, type HeldBy } from '../work/bound.ts';
import {
  doneBy,
  planChains,
  searchChains,
  type ChainModel,
  type ChainPlan,
  type ChainScore,
  type ChainSearch,
} from '../work/chains.ts';
import { modelOf, type Model } from '../work/model.ts';
import { dayAndTime, daysFrom, momentIn, weekdayOf } from './days.ts';
import { calendarWork, firstDayOf, type CalendarOpening, type CalendarWork } from './tasks.ts';
import { dryHours, weatherOf } from './weather.ts';

/** An opening with what rain would do on each of its evenings. */
export interface JudgedOpening extends CalendarOpening {
  /** By steps done; the first is before any. */
  readonly evenings: readonly Evening[];
}

export interface NightOf {
  /** The day that it follows. */
  readonly day: string;
  readonly from: string;
  readonly to: string;
  /** What the rows say of it; `null` where there are none for it. */
  readonly rain_mm: number | null;
  readonly wind_ms: number;
  readonly chance: number;
  /** Its hours with rain. */
  readonly wet: readonly WeatherRow[];
}

/** What a night drives onto a façade, l/m²: straight onto it where nobody says where it looks, or where the wind comes from. */
const fallsOn = ({ wet }: Pick<NightOf, 'wet'>, azimuth_deg?: number): number =>
  wet.reduce((sum, { rain_mm, wind_ms, from_deg }) => {
    const angle_deg =
      azimuth_deg === undefined || from_deg === undefined ? 0 : Math.abs(from_deg - azimuth_deg);
    return sum + drivingRain({ rain_mm, hours: 1, wind_ms, angle_deg });
  }, 0);

export interface JobToPlan {
  readonly calendar: Calendar;
  readonly openings: readonly JudgedOpening[];
  /** Where each façade looks, degrees from north through east. */
  readonly azimuths?: ReadonlyMap<string, number>;
  readonly gust_ms?: number | undefined;
  readonly now: string;
}

export interface CalendarModel extends CalendarWork {
  readonly chainModel: ChainModel;
  readonly nights: readonly NightOf[];
  readonly weather: readonly WeatherRow[];
  /** Of each row, whether faces are dry. */
  readonly dry: readonly boolean[];
  readonly knownUntil: string;
  readonly openings: readonly JudgedOpening[];
  readonly azimuths: ReadonlyMap<string, number>;
}

/** From setting to secure fastening the same hands hold the unit. */
const HELD = new Set(['set', 'align', 'fasten']);

/** Height of wall above an opening from which water runs down to it, mm: common practice, no source. */
const CATCH_mm = 1000;

export function calendarModel({
  calendar,
  openings,
  azimuths = new Map(),
  gust_ms,
  now,
}: JobToPlan): CalendarModel {
  const weather = weatherOf(calendar, now);
  const own = calendarWork({ calendar, openings, gust_ms, weather, now });
  const dry = dryHours(weather.rows);
  const model = modelOf(own.work, { dryRows: dry, unknownIsFair: true });
  const nights = nightsOf(calendar, firstDayOf(calendar, now), weather.rows, model);
  const roles = new Map(
    openings.flatMap(({ id, build }) => build.steps.map((step) => [`${id}/${step.id}`, step.role] as const)),
  );
  const held = own.tasks.map(
    ({ opening, step, isLook }) => !isLook && HELD.has(roles.get(`${opening}/${step}`) ?? ''),
  );
  const minute = (at: string) => (Date.parse(at) - model.start_ms) / 60_000;
  const covered = new Set(calendar.covers.map(({ opening, on }) => `${opening} ${on}`));
  const chains = own.chains.map(({ opening: id, tasks, stops }) => {
    const opening = openings.find((one) => one.id === id);
    const doneSteps = (k: number) =>
      k === 0
        ? (opening?.build.steps.findIndex((step) => !opening.done.has(step.id)) ?? 0)
        : (own.tasks[tasks[k - 1] ?? -1]?.doneAfter ?? 0);
    const costs = new Map<number, number>();
    return {
      tasks,
      stops: stops.map(
        (stop, k) =>
          stop &&
          (isAsFinished(opening, doneSteps(k)) || (opening && isUntouched(opening, doneSteps(k))) === true),
      ),
      nightCost: (done: number, n: number): number => {
        const night = nights[n];
        // Before anything is opened up there is nothing to keep dry.
        if (!night || !opening || isUntouched(opening, doneSteps(done)) || covered.has(`${id} ${night.day}`))
          return 0;
        const key = done * nights.length + n;
        const known = costs.get(key);
        if (known !== undefined) return known;
        const cost = night.chance * orderCost(opening, doneSteps(done), night, azimuths.get(opening.facade));
        costs.set(key, cost);
        return cost;
      },
    };
  });
  return {
    ...own,
    weather: weather.rows,
    dry,
    knownUntil: new Date(Math.max(weather.until_ms, model.start_ms)).toISOString(),
    nights,
    openings,
    azimuths,
    chainModel: {
      model,
      chains,
      isLook: (task) => own.tasks[task]?.isLook === true,
      isHeld: (task) => held[task] === true,
      nights: nights.map(({ from, to }): [number, number] => [minute(from), minute(to)]),
    },
  };
}

/** What of an open night the order can do something about: what the finished opening lets in too is its plan's fault. */
function orderCost(opening: JudgedOpening, done: number, night: NightOf, azimuth_deg?: number): number {
  const last = opening.build.steps.length;
  if (done >= last || opening.evenings[done]?.state === opening.evenings[last]?.state) return 0;
  return wetOf(opening, done, night, azimuth_deg);
}

/** Nothing but looks so far: the hole is as others left it, and whoever left it keeps it dry. */
const isUntouched = ({ build }: JudgedOpening, done: number): boolean =>
  build.steps.slice(0, done).every(({ events }) => events.every(({ op }) => op === 'look'));

/** Dry, or no wetter than it will be when all is done. */
const isAsFinished = (opening: JudgedOpening | undefined, done: number): boolean => {
  const state = opening?.evenings[done]?.state;
  return state === 'drains' || state === opening?.evenings.at(-1)?.state;
};

/** Litres that come in at most; what the unit itself lets through, which nobody can say, counts as what falls on it. */
function wetOf(
  { evenings, build }: Pick<JudgedOpening, 'evenings' | 'build'>,
  done: number,
  night: Pick<NightOf, 'wet'>,
  azimuth_deg?: number,
): number {
  const evening = evenings[done];
  if (!evening || evening.state === 'drains') return 0;
  const falls = fallsOn(night, azimuth_deg);
  const { width, height } = build.context.opening;
  const onUnit = (falls * width * height) / 1e6;
  // What nobody can judge is not dry.
  return evening.state === 'not-checkable' ? onUnit : (comesIn(evening, build, falls, CATCH_mm) ?? onUnit);
}

/** Every night after a day on which anybody works. */
function nightsOf(
  calendar: Calendar,
  first: string,
  rows: readonly WeatherRow[],
  { horizon, start_ms }: Model,
): NightOf[] {
  const days = daysFrom(first, Math.ceil(horizon / 1440));
  const all = days.filter((day) => calendar.weekdays.includes(weekdayOf(day)));
  return all.flatMap((day, i): NightOf[] => {
    const next = all[i + 1];
    const from = momentIn(calendar.zone, day, calendar.hours.to);
    if (!next || Date.parse(from) < start_ms) return [];
    const to = momentIn(calendar.zone, next, calendar.hours.from);
    const own = rows.filter(
      ({ at }) => Date.parse(at) >= Date.parse(from) && Date.parse(at) < Date.parse(to),
    );
    const wet = own.filter(({ rain_mm }) => rain_mm > 0);
    return [
      {
        day,
        from,
        to,
        rain_mm: own.length > 0 ? own.reduce((sum, { rain_mm }) => sum + rain_mm, 0) : null,
        wind_ms: wet.length > 0 ? wet.reduce((sum, { wind_ms }) => sum + wind_ms, 0) / wet.length : 0,
        chance: Math.max(0, ...wet.map(({ chance = 1 }) => chance)),
        wet,
      },
    ];
  });
}

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

/** A plan that was taken before, as minutes of a model; tasks that are done since, or that no longer are, fall out. */
export function placedOf(
  { chainModel: { model }, tasks }: CalendarModel,
  plan: Pick<CalendarPlan, 'tasks'>,
): ChainPlan['placed'] {
  const known = new Map(plan.tasks.map((task) => [`${task.opening}/${task.step}`, task]));
  const person = new Map(model.people.map((id, i) => [id, i]));
  return tasks.map(({ id }) => {
    const one = known.get(id);
    if (!one) return null;
    const crew = one.people.flatMap((p) => person.get(p) ?? []);
    return {
      start: (Date.parse(one.from) - model.start_ms) / 60_000,
      end: (Date.parse(one.to) - model.start_ms) / 60_000,
      crew,
    };
  });
}

/**
 * One better plan after the other, for whoever does other things between.
 *
 * @param fixed tasks that stand where they are
 */
export const searchCalendar = (
  model: CalendarModel,
  fixed: ReadonlyMap<number, PlacedAt> = new Map(),
): Generator<ChainPlan, void, void> => searchChains({ ...model.chainModel, fixed });

export const planCalendar = (model: CalendarModel, search: ChainSearch): ChainPlan =>
  planChains(model.chainModel, search);

/** Evenings on which the order leaves something open that rain would wet: how many, and how much comes in at most, litres. */
export function openNights(
  { chainModel: { chains, nights } }: CalendarModel,
  placed: ChainPlan['placed'],
): { nights: number; litres: number } {
  let [count, litres] = [0, 0];
  for (const chain of chains)
    for (const [n, [from]] of nights.entries()) {
      const cost = chain.nightCost(doneBy(chain, placed, from), n);
      if (cost <= 0) continue;
      count++;
      litres += cost;
    }
  return { nights: count, litres };
}

/** As the list stands: one opening after the other, everything as early as it can be, without a thought for the night. */
export const planByList = (model: CalendarModel): ChainPlan =>
  planChains({ ...model.chainModel, blind: true }, { enough: () => true });
