/** Plans a job's calendar: nothing open to the rain first, then due dates, finish, ways and hands. */
import type { Calendar, CalendarPlan, WeatherRow } from '../documents/calendar.ts';
import type { Placed as PlacedAt } from '../work/board.ts';
import {
  doneBy,
  planChains,
  searchChains,
  type ChainModel,
  type ChainPlan,
  type ChainSearch,
} from '../work/chains.ts';
import { modelOf } from '../work/model.ts';
import {
  isAsFinished,
  isUntouched,
  nightsOf,
  orderCost,
  type JudgedOpening,
  type NightOf,
} from './nights.ts';
import { rankOf, withLooksApart, withSheets } from './rules.ts';
import { calendarWork, firstDayOf, type CalendarWork } from './tasks.ts';
import { dryHours, weatherOf } from './weather.ts';

export interface JobToPlan {
  readonly calendar: Calendar;
  readonly openings: readonly JudgedOpening[];
  /** Where each façade looks, degrees from north through east. */
  readonly azimuths?: ReadonlyMap<string, number>;
  readonly gust_ms?: number | undefined;
  /** Whoever did the work does not look at it. */
  readonly looksApart?: boolean;
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
  readonly now: string;
}

/** From setting to secure fastening the same hands hold the unit. */
const HELD = new Set(['set', 'align', 'fasten']);

export function calendarModel({
  calendar,
  openings,
  azimuths = new Map(),
  gust_ms,
  looksApart = false,
  now,
}: JobToPlan): CalendarModel {
  const weather = weatherOf(calendar, now);
  const own = calendarWork({ calendar, openings, gust_ms, weather, now });
  const dry = dryHours(weather.rows);
  const bare = modelOf(own.work, { dryRows: dry, unknownIsFair: true });
  const apart = looksApart ? withLooksApart(bare, own, openings) : bare;
  const model = withSheets(apart, own, calendar, firstDayOf(calendar, now));
  const nights = nightsOf(calendar, firstDayOf(calendar, now), weather.rows, model);
  const roles = new Map(
    openings.flatMap(({ id, build }) => build.steps.map((step) => [`${id}/${step.id}`, step.role] as const)),
  );
  const held = own.tasks.map(
    ({ opening, step, isLook }) => !isLook && HELD.has(roles.get(`${opening}/${step}`) ?? ''),
  );
  const minute = (at: string) => (Date.parse(at) - model.start_ms) / 60_000;
  const covered = new Set(calendar.covers.map(({ opening, on }) => `${opening} ${on}`));
  const chains = own.chains.map(({ opening: id, tasks, stops, first }) => {
    const opening = openings.find((one) => one.id === id);
    const doneSteps = (k: number) =>
      k === 0
        ? (opening?.build.steps.findIndex((step) => !opening.done.has(step.id)) ?? 0)
        : (own.tasks[tasks[k - 1] ?? -1]?.doneAfter ?? 0);
    const costs = new Map<number, number>();
    return {
      tasks,
      first: first === true,
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
    now,
    chainModel: {
      model,
      chains,
      isLook: (task) => own.tasks[task]?.isLook === true,
      isHeld: (task) => held[task] === true,
      rank: rankOf(calendar),
      nights: nights.map(({ from, to }): [number, number] => [minute(from), minute(to)]),
    },
  };
}

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
