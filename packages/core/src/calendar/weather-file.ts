/** Hours of weather from a file: hourly EPW, taken by month and day since its year is a typical one, or a table with headings. */
import Papa from 'papaparse';
import type { WeatherRow } from '../documents/calendar.ts';
import { daysFrom, momentIn } from './days.ts';

export type WeatherFileError =
  | { readonly code: 'empty' }
  /** A heading that is asked for and is not there. */
  | { readonly code: 'heading'; readonly what: Column }
  /** A heading without its unit, or with one that is not known. */
  | { readonly code: 'unit'; readonly heading: string }
  | { readonly code: 'time' | 'figure'; readonly line: number; readonly found: string }
  | { readonly code: 'order'; readonly line: number }
  /** It says nothing of rain, which nobody may guess. */
  | { readonly code: 'no-rain'; readonly line: number }
  /** Nothing of it falls into the days that are planned. */
  | { readonly code: 'other-days' };

export type WeatherFile =
  | { readonly ok: true; readonly rows: readonly WeatherRow[]; readonly typicalYear: boolean }
  | { readonly ok: false; readonly error: WeatherFileError };

/** Days taken from a file at most: a calendar keeps so many rows. */
const MOST_days = 100;
/** Gusts where a file has none, times the mean wind: common practice, no source. */
const GUSTS = 1.6;
/** Least fields of an hour that says something of rain. */
const EPW = { month: 1, day: 2, hour: 3, dry: 6, dew: 7, from: 20, wind: 21, rain: 33 } as const;
const EPW_HEADERS = 8;

class Refused extends Error {
  readonly problem: WeatherFileError;
  constructor(problem: WeatherFileError) {
    super(problem.code);
    this.problem = problem;
  }
}

/**
 * Returns the hours of a weather file from a day on, a hundred days at most.
 *
 * @param zone IANA; times without an offset are of it
 * @param from the first day, like 2026-11-30
 */
export function readWeatherFile(
  text: string,
  { zone, from }: { readonly zone: string; readonly from: string },
): WeatherFile {
  try {
    const typicalYear = /^\uFEFF?LOCATION,/.test(text);
    const rows = typicalYear ? epwRows(text, zone, from) : tableRows(text, zone, from);
    return rows.length > 0 ? { ok: true, rows, typicalYear } : { ok: false, error: { code: 'other-days' } };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, error: error.problem };
    throw error;
  }
}

const linesOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data;

const tenth = (value: number): number => Math.round(value * 10) / 10;

function figure(text: string | undefined, line: number, least: number, most: number): number {
  const value = Number((text ?? '').trim().replace(',', '.'));
  if ((text ?? '').trim() === '' || !Number.isFinite(value) || value < least || value > most)
    throw new Refused({ code: 'figure', line, found: text ?? '' });
  return value;
}

function epwRows(text: string, zone: string, from: string): WeatherRow[] {
  const hours = new Map<string, { readonly line: number; readonly fields: readonly string[] }>();
  for (const [i, fields] of linesOf(text).entries()) {
    if (i < EPW_HEADERS) continue;
    const [month, day, hour] = [fields[EPW.month], fields[EPW.day], fields[EPW.hour]].map(Number);
    hours.set(`${month}-${day}-${hour}`, { line: i + 1, fields });
  }
  return daysFrom(from, MOST_days).flatMap((day) =>
    Array.from({ length: 24 }, (_, h): WeatherRow[] => {
      const [, month, date] = day.split('-').map(Number);
      const known = hours.get(`${month}-${date}-${h + 1}`);
      if (!known) return [];
      const { line, fields } = known;
      const rain = fields[EPW.rain];
      if (rain === undefined || Number(rain) >= 999) throw new Refused({ code: 'no-rain', line });
      const wind_ms = figure(fields[EPW.wind], line, 0, 80);
      const direction = Number(fields[EPW.from]);
      const dew = Number(fields[EPW.dew]);
      return [
        {
          at: momentIn(zone, day, `${String(h).padStart(2, '0')}:00`),
          temperature_C: figure(fields[EPW.dry], line, -60, 60),
          ...(dew < 40 && dew > -80 && { dew_point_C: dew }),
          rain_mm: figure(rain, line, 0, 300),
          wind_ms,
          ...(direction >= 0 && direction <= 360 && { from_deg: direction }),
          gust_ms: tenth(wind_ms * GUSTS),
        },
      ];
    }).flat(),
  );
}

type Column = 'time' | 'temperature' | 'dew point' | 'rain' | 'wind' | 'gust' | 'from' | 'chance';
/** Words of a heading; the first that fits is taken, so that gusts and directions come before wind. */
const WORDS: readonly (readonly [Column, RegExp])[] = [
  ['time', /time|date|hour|^at$/i],
  ['dew point', /dew/i],
  ['chance', /chance|prob/i],
  ['gust', /gust/i],
  ['from', /direction|from|bearing/i],
  ['temperature', /temp/i],
  ['rain', /rain|precip/i],
  ['wind', /wind/i],
];
const celsius = (f: number): number => ((f - 32) * 5) / 9;
const same = (value: number): number => value;
const times = (by: number) => (value: number) => value * by;
const TEMPERATURE = { '°C': same, C: same, '°F': celsius, F: celsius } as const;
const SPEED = { 'm/s': same, 'km/h': times(1 / 3.6), mph: times(0.44704), kn: times(0.514444) } as const;
const UNITS: Readonly<Record<Exclude<Column, 'time'>, Readonly<Record<string, (value: number) => number>>>> =
  {
    temperature: TEMPERATURE,
    'dew point': TEMPERATURE,
    rain: { mm: same, in: times(25.4) },
    wind: SPEED,
    gust: SPEED,
    from: { '°': same, deg: same },
    chance: { '%': times(0.01), '0-1': same },
  };
const ASKED: readonly Column[] = ['time', 'temperature', 'rain', 'wind'];

interface Heading {
  readonly at: number;
  readonly to: (value: number) => number;
}

function headingsOf(cells: readonly string[]): Map<Column, Heading> {
  const found = new Map<Column, Heading>();
  for (const [at, cell] of cells.entries()) {
    const column = WORDS.find(([, words]) => words.test(cell))?.[0];
    if (!column || found.has(column)) continue;
    if (column === 'time') {
      found.set(column, { at, to: same });
      continue;
    }
    const unit = /[([]\s*([^)\]]+?)\s*[)\]]/.exec(cell)?.[1] ?? '';
    const to = UNITS[column][unit];
    if (!to) throw new Refused({ code: 'unit', heading: cell });
    found.set(column, { at, to });
  }
  const missing = ASKED.find((column) => !found.has(column));
  if (missing) throw new Refused({ code: 'heading', what: missing });
  return found;
}

function tableRows(text: string, zone: string, from: string): WeatherRow[] {
  const [head, ...lines] = linesOf(text);
  if (!head) throw new Refused({ code: 'empty' });
  const headings = headingsOf(head);
  const days = new Set(daysFrom(from, MOST_days));
  let last = -Infinity;
  return lines.flatMap((cells, i): WeatherRow[] => {
    const line = i + 2;
    const cell = (column: Column) => cells[headings.get(column)?.at ?? -1]?.trim() ?? '';
    const at = instantOf(cell('time'), zone, line);
    if (Date.parse(at) <= last) throw new Refused({ code: 'order', line });
    last = Date.parse(at);
    if (![at.slice(0, 10), dayBefore(at)].some((day) => days.has(day))) return [];
    const read = (column: Column, least: number, most: number) => {
      const value = figure(cell(column), line, -1000, 1000);
      const converted = headings.get(column)?.to(value) ?? value;
      if (converted < least || converted > most)
        throw new Refused({ code: 'figure', line, found: cell(column) });
      return Math.round(converted * 100) / 100;
    };
    const maybe = <K extends keyof WeatherRow>(key: K, column: Column, least: number, most: number) =>
      headings.has(column) && cell(column) !== '' ? { [key]: read(column, least, most) } : {};
    const wind_ms = read('wind', 0, 80);
    if (cell('rain') === '') throw new Refused({ code: 'no-rain', line });
    return [
      {
        at,
        temperature_C: read('temperature', -60, 60),
        rain_mm: read('rain', 0, 300),
        wind_ms,
        gust_ms: headings.has('gust') && cell('gust') !== '' ? read('gust', 0, 120) : tenth(wind_ms * GUSTS),
        ...maybe('dew_point_C', 'dew point', -80, 40),
        ...maybe('from_deg', 'from', 0, 360),
        ...maybe('chance', 'chance', 0, 1),
      },
    ];
  });
}

const dayBefore = (at: string): string => new Date(Date.parse(at) - 86_400_000).toISOString().slice(0, 10);

/** A moment with its offset, or a date and time of the job's own zone. */
function instantOf(text: string, zone: string, line: number): string {
  const local = /^(\d{4}-\d{2}-\d{2})[ T](\d{1,2}:\d{2})(?::\d{2})?$/.exec(text);
  const at = local ? momentIn(zone, local[1] ?? '', (local[2] ?? '').padStart(5, '0')) : text;
  const ms = /^\d{4}-\d{2}-\d{2}T.*(Z|[+-]\d{2}:?\d{2})$/.test(at) ? Date.parse(at) : NaN;
  if (Number.isNaN(ms)) throw new Refused({ code: 'time', line, found: text });
  return new Date(ms).toISOString();
}
