/** The calendar's own figures as they are typed, and read back. */
import { momentIn, type Calendar, type WeatherRow } from '@hulvek/core';

/** A day of weather as somebody types it. */
export interface TypedDay {
  day: string;
  rain_mm: string;
  rainFrom: string;
  rainTo: string;
  low_C: string;
  high_C: string;
  wind_ms: string;
  gust_ms: string;
}

/** A calendar to begin with: five days a week, whoever begins it, invented weather. */
export function firstCalendar(o: {
  readonly today: string;
  readonly zone: string;
  readonly me: { readonly id: string; readonly name: string };
}): Calendar {
  return {
    start: o.today,
    zone: o.zone,
    hours: { from: '07:00', to: '15:30' },
    weekdays: [1, 2, 3, 4, 5],
    people: [
      { id: 'p1', name: o.me.name, account: o.me.id, skills: ['look', 'set', 'seal'], off: [] },
      { id: 'p2', name: 'Second person', skills: ['set', 'seal'], off: [] },
    ],
    tools: {},
    setup_min: 15,
    deliveries: [],
    others: [],
    weather: { source: 'invented', seed: 1 },
    pins: [],
    kept: [],
    covers: [],
  };
}

const figure = (text: string): number => Number(text.trim().replace(',', '.'));
const HOURS = Array.from({ length: 24 }, (_, h) => h);

/** Hourly rows of typed days: warm in the early afternoon, cold before sunrise, rain spread over its hours. */
export function rowsOfDays(days: readonly TypedDay[], zone: string): WeatherRow[] {
  return days
    .filter(({ day }) => day !== '')
    .toSorted((a, b) => (a.day < b.day ? -1 : 1))
    .flatMap((one) => {
      const [low, high, wind_ms, gust_ms, rain] = [
        one.low_C,
        one.high_C,
        one.wind_ms,
        one.gust_ms,
        one.rain_mm,
      ].map(figure) as [number, number, number, number, number];
      const [from, to] = [figure(one.rainFrom || '0'), figure(one.rainTo || '24')];
      return HOURS.map((h): WeatherRow => {
        const warm = 0.5 - 0.5 * Math.cos(((h - 4) / 24) * 2 * Math.PI);
        const isWet = rain > 0 && h >= from && h < to;
        return {
          at: momentIn(zone, one.day, `${String(h).padStart(2, '0')}:00`),
          temperature_C: low + (high - low) * warm,
          // Nobody types a dew point: the night's low is near it.
          dew_point_C: isWet ? low + (high - low) * warm - 0.5 : low,
          rain_mm: isWet && to > from ? rain / (to - from) : 0,
          wind_ms,
          gust_ms,
        };
      });
    });
}

/** Days as they were typed, from rows made of them. */
export function daysOfRows(
  rows: readonly WeatherRow[],
  dayOf: (at: string) => { day: string; time: string },
): TypedDay[] {
  const byDay = new Map<string, WeatherRow[]>();
  for (const row of rows) byDay.set(dayOf(row.at).day, [...(byDay.get(dayOf(row.at).day) ?? []), row]);
  return [...byDay].map(([day, own]) => {
    const wet = own.filter(({ rain_mm }) => rain_mm > 0);
    const hour = (row: WeatherRow | undefined) => Number(dayOf(row?.at ?? '').time.slice(0, 2));
    const shown = (value: number) => String(Math.round(value * 10) / 10);
    return {
      day,
      rain_mm: shown(wet.reduce((sum, { rain_mm }) => sum + rain_mm, 0)),
      rainFrom: wet[0] ? String(hour(wet[0])) : '',
      rainTo: wet[0] ? String(hour(wet.at(-1)) + 1) : '',
      low_C: shown(Math.min(...own.map(({ temperature_C }) => temperature_C))),
      high_C: shown(Math.max(...own.map(({ temperature_C }) => temperature_C))),
      wind_ms: shown(own[0]?.wind_ms ?? 0),
      gust_ms: shown(own[0]?.gust_ms ?? 0),
    };
  });
}
