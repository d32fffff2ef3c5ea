/** Hourly weather from an EPW file, read down to monthly means; what is wrong with a file is said by its line. */
import Papa from 'papaparse';
import { dewPoint, saturationPressure } from '../quantities/psychrometrics.ts';
import { DAYS_OF_MONTH, MONTHS, type MonthClimate } from './months.ts';

export interface EpwPeriod {
  readonly name: string;
  /** Month and day, both counted from 1. */
  readonly from: readonly [month: number, day: number];
  readonly to: readonly [month: number, day: number];
}

export interface EpwMonth extends MonthClimate {
  /** Hours that both temperature and humidity are known of. */
  readonly hours: number;
}

export interface EpwWeather {
  readonly place: string;
  readonly altitude_m: number | null;
  readonly leapYear: boolean;
  readonly periods: readonly EpwPeriod[];
  /** January first; `null` where no hour of a month is known. */
  readonly months: readonly (EpwMonth | null)[];
  /** Hours in the file, and how many of them lack temperature, or humidity by either of its two figures. */
  readonly hours: number;
  readonly missing: { readonly temperature: number; readonly humidity: number };
}

export type EpwError =
  | { readonly code: 'header'; readonly line: number; readonly expected: string }
  | { readonly code: 'periods'; readonly line: number }
  | { readonly code: 'short-line'; readonly line: number; readonly fields: number }
  | { readonly code: 'date'; readonly line: number; readonly found: string }
  | { readonly code: 'outside-periods'; readonly line: number; readonly found: string }
  | { readonly code: 'leap-day'; readonly line: number }
  | { readonly code: 'figure'; readonly line: number; readonly what: EpwFigure; readonly found: string }
  | { readonly code: 'hours'; readonly line: number; readonly expected: number; readonly found: number };

export type EpwFigure = 'temperature' | 'dew point' | 'humidity';
export type EpwResult =
  { readonly ok: true; readonly value: EpwWeather } | { readonly ok: false; readonly error: EpwError };

/** The eight lines before the data, in their order. */
const HEADERS = [
  'LOCATION',
  'DESIGN CONDITIONS',
  'TYPICAL/EXTREME PERIODS',
  'GROUND TEMPERATURES',
  'HOLIDAYS/DAYLIGHT SAVINGS',
  'COMMENTS 1',
  'COMMENTS 2',
  'DATA PERIODS',
] as const;
/** Year, month, day, hour, minute, flags, then dry bulb, dew point, relative humidity, pressure … */
const LEAST_FIELDS = 9;
const FIELD = { month: 1, day: 2, hour: 3, dry: 6, dew: 7, humidity: 8 } as const;
/** Figures that stand for "not known", and what else a figure may be. */
const FIGURES = {
  dry: { what: 'temperature', missing: 99.9, least: -70, most: 70 },
  dew: { what: 'dew point', missing: 99.9, least: -70, most: 70 },
  humidity: { what: 'humidity', missing: 999, least: 0, most: 110 },
} as const;
const HOURS_A_DAY = 24;

class Refused extends Error {
  readonly problem: EpwError;
  constructor(problem: EpwError) {
    super(problem.code);
    this.problem = problem;
  }
}

/**
 * Returns the monthly means of temperature and of vapour pressure of an hourly file.
 *
 * A relative humidity that is missing is taken from the dew point where that is given. Several data periods in one
 * file are read one after the other; a leap day counts to February, and is refused where the header knows of none.
 *
 * Source: EnergyPlus weather file format (data dictionary), from memory.
 */
export function readEpw(text: string): EpwResult {
  try {
    return { ok: true, value: weatherOf(text) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, error: error.problem };
    throw error;
  }
}

function weatherOf(text: string): EpwWeather {
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimiter: ',',
    skipEmptyLines: false,
  }).data;
  while (rows.length > 0 && isEmpty(rows.at(-1))) rows.pop();
  HEADERS.forEach((expected, i) => {
    if ((rows[i]?.[0] ?? '').trim().toUpperCase() !== expected)
      throw new Refused({ code: 'header', line: i + 1, expected });
  });
  const location = rows[0] ?? [];
  const leapYear = /^y/i.test((rows[4]?.[1] ?? '').trim());
  const { perHour, periods } = periodsOf(rows[7] ?? []);
  const data = rows.slice(HEADERS.length);
  const expected = periods.reduce((sum, p) => sum + daysIn(p, leapYear), 0) * HOURS_A_DAY * perHour;
  const sums = Array.from({ length: MONTHS }, () => ({ hours: 0, temperature: 0, pressure: 0 }));
  const missing = { temperature: 0, humidity: 0 };
  data.forEach((row, i) => {
    const hour = hourOf(row, { line: HEADERS.length + i + 1, leapYear, periods });
    if (hour.temperature === null) missing.temperature += 1;
    if (hour.pressure === null) missing.humidity += 1;
    const sum = sums[hour.month - 1];
    if (!sum || hour.temperature === null || hour.pressure === null) return;
    sum.hours += 1;
    sum.temperature += hour.temperature;
    sum.pressure += hour.pressure;
  });
  if (data.length !== expected)
    throw new Refused({ code: 'hours', line: HEADERS.length + data.length, expected, found: data.length });
  const altitude = Number(location[9]);
  return {
    place: [location[1], location[3]]
      .map((part) => part?.trim())
      .filter(Boolean)
      .join(', '),
    altitude_m: (location[9] ?? '').trim() !== '' && Number.isFinite(altitude) ? altitude : null,
    leapYear,
    periods,
    months: sums.map(({ hours, temperature, pressure }) => {
      if (hours === 0) return null;
      const outside_C = temperature / hours;
      const humidity_percent = Math.min(100, (100 * pressure) / hours / saturationPressure(outside_C));
      return { hours, outside_C, humidity_percent };
    }),
    hours: data.length,
    missing,
  };
}

const isEmpty = (row: readonly string[] | undefined): boolean =>
  (row ?? []).every((field) => field.trim() === '');

function periodsOf(row: readonly string[]): { perHour: number; periods: EpwPeriod[] } {
  const line = HEADERS.length;
  const [count, perHour] = [Number(row[1]), Number(row[2])];
  const whole = (n: number, most: number) => Number.isInteger(n) && n >= 1 && n <= most;
  if (!whole(count, 100) || !whole(perHour, 60)) throw new Refused({ code: 'periods', line });
  const periods = Array.from({ length: count }, (_, i): EpwPeriod => {
    const [name, , from, to] = row.slice(3 + 4 * i, 7 + 4 * i);
    const [start, end] = [dayOf(from), dayOf(to)];
    if (!start || !end) throw new Refused({ code: 'periods', line });
    return { name: (name ?? '').trim(), from: start, to: end };
  });
  return { perHour, periods };
}

function dayOf(written: string | undefined): readonly [number, number] | null {
  const found = /^\s*(\d{1,2})\s*\/\s*(\d{1,2})\s*(\/\s*\d{4}\s*)?$/.exec(written ?? '');
  if (!found) return null;
  const [month, day] = [Number(found[1]), Number(found[2])];
  return isDay(month, day, true) ? [month, day] : null;
}

const daysOf = (month: number, leapYear: boolean): number =>
  (DAYS_OF_MONTH[month - 1] ?? 0) + (month === 2 && leapYear ? 1 : 0);
const isDay = (month: number, day: number, leapYear: boolean): boolean =>
  day >= 1 && day <= daysOf(month, leapYear);
const dayOfYear = ([month, day]: readonly [number, number], leapYear: boolean): number =>
  Array.from({ length: month - 1 }, (_, i) => daysOf(i + 1, leapYear)).reduce((sum, days) => sum + days, day);

/** A period may run over the turn of the year. */
function daysIn({ from, to }: EpwPeriod, leapYear: boolean): number {
  const [a, b] = [dayOfYear(from, leapYear), dayOfYear(to, leapYear)];
  return b >= a ? b - a + 1 : b - a + 1 + 365 + (leapYear ? 1 : 0);
}

interface Where {
  readonly line: number;
  readonly leapYear: boolean;
  readonly periods: readonly EpwPeriod[];
}

function hourOf(
  row: readonly string[],
  { line, leapYear, periods }: Where,
): { month: number; temperature: number | null; pressure: number | null } {
  if (row.length < LEAST_FIELDS) throw new Refused({ code: 'short-line', line, fields: row.length });
  const [month, day, hour] = [FIELD.month, FIELD.day, FIELD.hour].map((i) => Number(row[i] ?? Number.NaN));
  const found = row.slice(1, 4).join('/');
  if (month === undefined || day === undefined || hour === undefined || !(hour >= 1 && hour <= HOURS_A_DAY))
    throw new Refused({ code: 'date', line, found });
  if (!isDay(month, day, true) || !Number.isInteger(month) || !Number.isInteger(day))
    throw new Refused({ code: 'date', line, found });
  if (!isDay(month, day, leapYear)) throw new Refused({ code: 'leap-day', line });
  const at = dayOfYear([month, day], leapYear);
  const inside = periods.some(({ from, to }) => {
    const [a, b] = [dayOfYear(from, leapYear), dayOfYear(to, leapYear)];
    return a <= b ? at >= a && at <= b : at >= a || at <= b;
  });
  if (!inside) throw new Refused({ code: 'outside-periods', line, found });
  const figure = (field: keyof typeof FIGURES): number | null => {
    const { what, missing, least, most } = FIGURES[field];
    const typed = (row[FIELD[field]] ?? '').trim();
    const value = Number(typed);
    if (typed === '' || value === missing) return null;
    if (!Number.isFinite(value) || value < least || value > most)
      throw new Refused({ code: 'figure', line, what, found: typed });
    return value;
  };
  const [temperature, dew, humidity] = [figure('dry'), figure('dew'), figure('humidity')];
  const fromHumidity =
    temperature === null || humidity === null ? null : (saturationPressure(temperature) * humidity) / 100;
  return { month, temperature, pressure: fromHumidity ?? (dew === null ? null : saturationPressure(dew)) };
}

/** The file's months as a job keeps them; `null` where one of them is not known. */
export function epwMonths({ months }: EpwWeather): MonthClimate[] | null {
  const known = months.flatMap((m) =>
    m ? [{ outside_C: round(m.outside_C), humidity_percent: round(m.humidity_percent) }] : [],
  );
  return known.length === MONTHS ? known : null;
}

const round = (value: number): number => Math.round(value * 10) / 10;

/** Dew point of a month's mean air, °C. */
export const monthDewPoint = (month: MonthClimate): number =>
  dewPoint(month.outside_C, month.humidity_percent);
