/** Nights between the days of a calendar: what they drive onto a façade, and what an order of the work leaves open to them. */
import type { Calendar, WeatherRow } from '../documents/calendar.ts';
import { comesIn, drivingRain, type Evening } from '../order/evenings.ts';
import type { Model } from '../work/model.ts';
import { daysFrom, momentIn, weekdayOf } from './days.ts';
import type { CalendarOpening } from './tasks.ts';

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

/** Height of wall above an opening from which water runs down to it, mm: common practice, no source. */
const CATCH_mm = 1000;

/** What of an open night the order can do something about: what the finished opening lets in too is its plan's fault. */
export function orderCost(
  opening: JudgedOpening,
  done: number,
  night: NightOf,
  azimuth_deg?: number,
): number {
  const last = opening.build.steps.length;
  if (done >= last || opening.evenings[done]?.state === opening.evenings[last]?.state) return 0;
  return wetOf(opening, done, night, azimuth_deg);
}

/** Nothing but looks so far: the hole is as others left it, and whoever left it keeps it dry. */
export const isUntouched = ({ build }: JudgedOpening, done: number): boolean =>
  build.steps.slice(0, done).every(({ events }) => events.every(({ op }) => op === 'look'));

/** Dry, or no wetter than it will be when all is done. */
export const isAsFinished = (opening: JudgedOpening | undefined, done: number): boolean => {
  const state = opening?.evenings[done]?.state;
  return state === 'drains' || state === opening?.evenings.at(-1)?.state;
};

/** Litres that come in at most; what the unit itself lets through, which nobody can say, counts as what falls on it. */
export function wetOf(
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
export function nightsOf(
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
