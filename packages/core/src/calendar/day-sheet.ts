/** A day on site, from what was entered: who was where, what was done, measured, found and delivered, and what was promised. */
import type { Calendar, CalendarPlan, WeatherRow } from '../documents/calendar.ts';
import type { Entry } from '../documents/entry.ts';
import type { Supply } from '../documents/supply.ts';
import { standing } from '../field/progress.ts';
import { dayAndTime } from './days.ts';
import { LOOK_SUFFIX } from './tasks.ts';

export interface DayOpening {
  readonly opening: string;
  readonly done: readonly { readonly step: string; readonly at: string; readonly person: string }[];
  readonly looks: number;
  readonly measured: readonly Entry[];
  readonly faults: readonly Entry[];
  readonly mended: number;
  readonly otherwise: readonly Entry[];
  readonly departures: readonly Entry[];
  /** Tests that began, and where water was seen. */
  readonly tests: readonly Entry[];
  readonly notes: readonly Entry[];
  readonly pictures: number;
}

export interface DayPerson {
  readonly person: string;
  /** From the first to the last entry: he may have been there longer. */
  readonly from: string;
  readonly to: string;
  readonly openings: readonly string[];
  readonly entries: number;
}

export interface DaySheet {
  readonly day: string;
  readonly people: readonly DayPerson[];
  readonly openings: readonly DayOpening[];
  readonly deliveries: readonly {
    readonly article: string;
    readonly amount: number;
    readonly state: string;
  }[];
  readonly weather: {
    readonly rain_mm: number;
    readonly low_C: number;
    readonly high_C: number;
    readonly gust_ms: number;
  } | null;
  /** Of the plan that was taken: done that day, not done, and done without having been planned for it. */
  readonly promised: readonly { readonly opening: string; readonly step: string; readonly done: boolean }[];
  readonly unplanned: readonly { readonly opening: string; readonly step: string }[];
}

export interface DaySheetOf {
  readonly day: string;
  readonly zone: string;
  readonly parts: readonly { readonly opening: string; readonly entries: readonly Entry[] }[];
  readonly plan?: CalendarPlan | undefined;
  readonly supply?: Supply | undefined;
  /** Known weather; none where it is invented. */
  readonly weather?: readonly WeatherRow[] | undefined;
}

export function daySheet({ day, zone, parts, plan, supply, weather = [] }: DaySheetOf): DaySheet {
  const isOfDay = (at: string) => dayAndTime(zone, at).day === day;
  const people = new Map<string, { from: string; to: string; openings: Set<string>; entries: number }>();
  const ticked = new Set<string>();
  const openings = parts.flatMap(({ opening, entries }): DayOpening[] => {
    const valid = standing(entries);
    for (const { kind, step, at } of valid)
      if (kind === 'tick' && isOfDay(at)) ticked.add(`${opening}/${step}`);
    const own = valid.filter(({ at }) => isOfDay(at));
    if (own.length === 0) return [];
    for (const { person, at } of own) {
      const known = people.get(person) ?? { from: at, to: at, openings: new Set<string>(), entries: 0 };
      if (at < known.from) known.from = at;
      if (at > known.to) known.to = at;
      known.openings.add(opening);
      known.entries += 1;
      people.set(person, known);
    }
    const of = (kind: Entry['kind']) => own.filter((entry) => entry.kind === kind);
    return [
      {
        opening,
        done: of('tick').map(({ step, at, person }) => ({ step, at, person })),
        looks: of('look').length,
        measured: of('measured'),
        faults: of('fault'),
        mended: of('mended').length,
        otherwise: of('built'),
        departures: of('deviation'),
        tests: of('test').filter(({ facts }) => facts?.kind === 'test' || facts?.kind === 'wet'),
        notes: [...of('note'), ...of('override')],
        pictures: of('photo').length,
      },
    ];
  });
  const rows = weather.filter(({ at }) => isOfDay(at));
  const planned = (plan?.tasks ?? []).filter(
    ({ gone, from, step }) => !gone && isOfDay(from) && !step.endsWith(LOOK_SUFFIX),
  );
  const promised = planned.map(({ opening, step }) => ({
    opening,
    step,
    done: ticked.has(`${opening}/${step}`),
  }));
  const wanted = new Set(planned.map(({ opening, step }) => `${opening}/${step}`));
  return {
    day,
    people: [...people]
      .map(([person, { openings: at, ...one }]) => ({ person, ...one, openings: [...at] }))
      .sort((a, b) => a.from.localeCompare(b.from)),
    openings,
    deliveries: (supply?.orders ?? []).flatMap(({ article, amount, events }) =>
      events
        .filter(({ state, at }) => ['came', 'wrong', 'short'].includes(state) && isOfDay(at))
        .map(({ state }) => ({ article, amount, state })),
    ),
    weather:
      rows.length === 0
        ? null
        : {
            rain_mm: rows.reduce((sum, { rain_mm }) => sum + rain_mm, 0),
            low_C: Math.min(...rows.map(({ temperature_C }) => temperature_C)),
            high_C: Math.max(...rows.map(({ temperature_C }) => temperature_C)),
            gust_ms: Math.max(...rows.map(({ gust_ms }) => gust_ms)),
          },
    promised,
    unplanned: plan
      ? openings.flatMap(({ opening, done }) =>
          done.flatMap(({ step }) => (wanted.has(`${opening}/${step}`) ? [] : [{ opening, step }])),
        )
      : [],
  };
}

/** Days on which anything was entered, the newest first. */
export const daysWithEntries = (
  zone: string,
  parts: readonly { readonly entries: readonly Pick<Entry, 'at'>[] }[],
): string[] =>
  [...new Set(parts.flatMap(({ entries }) => entries.map(({ at }) => dayAndTime(zone, at).day)))]
    .sort()
    .reverse();

/** The zone that days are told in: the calendar's. */
export const zoneOf = ({ calendar }: { readonly calendar?: Calendar | undefined }): string =>
  calendar?.zone ?? 'UTC';
