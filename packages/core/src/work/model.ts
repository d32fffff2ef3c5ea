/** A work file as minutes: who is there when, when which task may be worked at, what waits for what. */
import { getTimes } from 'suncalc';
import type { Work, WorkTask } from './document.ts';

export interface WorkLag {
  readonly task: number;
  readonly from: 'start' | 'end';
  readonly to: 'start' | 'end';
  readonly least: number;
  readonly most: number;
}

export interface ModelTask {
  readonly id: string;
  readonly minutes: number;
  readonly after: readonly WorkLag[];
  /** Sets of people that can do it together, by index; empty where nobody can. */
  readonly crews: readonly (readonly number[])[];
  readonly tools: readonly (readonly [tool: number, count: number])[];
  readonly place: number | null;
  /** 1 for each minute it may be worked at by its conditions; `null` where it has none. */
  readonly worked: Uint8Array | null;
  /** 1 for each minute it may begin at; `null` where any will do. */
  readonly begins: Uint8Array | null;
  readonly release: number;
  readonly due: number | null;
  readonly unsplit: boolean;
  /** Tasks whose people do not do this one. */
  readonly apart?: readonly number[];
  /** People who do not, by index. */
  readonly barred?: readonly number[];
}

export interface Model {
  readonly start_ms: number;
  readonly zone: string;
  /** Minutes after which nobody is there any more. */
  readonly horizon: number;
  /** For each person 1 for each minute at work. */
  readonly on: readonly Uint8Array[];
  readonly people: readonly string[];
  readonly tools: readonly { readonly id: string; readonly count: number }[];
  readonly setup: readonly number[];
  readonly tasks: readonly ModelTask[];
}

const MINUTE_ms = 60_000;
const DAY_ms = 86_400_000;
/** A row of weather holds until the next, the last one for so long. */
const LAST_ROW_min = 60;
/** Most sets of people that are tried for one task. */
const MOST_CREWS = 300;

/** What a job knows of its weather that a file of work does not say. */
export interface ModelOptions {
  /** Of each row, whether faces are dry: instead of so many minutes after rain. */
  readonly dryRows?: readonly boolean[];
  /** Where no row holds nothing stands in the way: whoever shows the plan says that the weather is not known. */
  readonly unknownIsFair?: boolean;
}

export function modelOf(work: Work, options: ModelOptions = {}): Model {
  const start_ms = Date.parse(work.start);
  const minuteOf = (at: string) => (Date.parse(at) - start_ms) / MINUTE_ms;
  const horizon = Math.max(
    0,
    ...work.people.flatMap(({ hours }) => hours.map(([, to]) => Math.floor(minuteOf(to)))),
  );
  const on = work.people.map(({ hours }) => {
    const minutes = new Uint8Array(horizon);
    for (const [from, to] of hours) {
      const begin = Math.max(0, Math.ceil(minuteOf(from)));
      minutes.fill(1, begin, Math.max(begin, Math.floor(minuteOf(to))));
    }
    return minutes;
  });
  const weather = weatherOf(work, horizon, minuteOf, options);
  const daylight =
    work.site && work.tasks.some(({ conditions }) => conditions?.daylight)
      ? daylightOf(work, horizon, start_ms)
      : null;
  const [taskAt, toolAt, placeAt] = [work.tasks, work.tools, work.places].map(
    (list) => new Map(list.map(({ id }, i) => [id, i])),
  ) as [Map<string, number>, Map<string, number>, Map<string, number>];
  // Most tasks of a job ask for the same: what they share is worked out once, and is one and the same.
  const conditions = onceFor(
    (task) => JSON.stringify(task.conditions ?? null),
    (task) => conditionsOf(task, weather, daylight),
  );
  const crews = onceFor(
    ({ people, skills }) => JSON.stringify([people, skills]),
    (task) => crewsOf(work, task),
  );
  return {
    start_ms,
    zone: work.zone ?? 'UTC',
    horizon,
    on,
    people: work.people.map(({ id }) => id),
    tools: work.tools,
    setup: work.places.map(({ setup_min }) => setup_min),
    tasks: work.tasks.map((task): ModelTask => ({
      id: task.id,
      minutes: task.minutes,
      after: (task.after ?? []).map((lag) => ({
        task: taskAt.get(lag.after ?? lag.task ?? '') ?? -1,
        from: lag.from ?? 'end',
        to: lag.to ?? 'start',
        least: lag.least_min ?? 0,
        most: lag.most_min ?? Infinity,
      })),
      crews: crews(task),
      tools: Object.entries(task.tools ?? {}).flatMap(([id, count]) =>
        count > 0 ? [[toolAt.get(id) ?? -1, count] as const] : [],
      ),
      place: task.place === undefined ? null : (placeAt.get(task.place) ?? null),
      ...conditions(task),
      release: task.release === undefined ? 0 : Math.max(0, Math.ceil(minuteOf(task.release))),
      due: task.due === undefined ? null : minuteOf(task.due),
      unsplit: task.unsplit ?? false,
    })),
  };
}

/** Makes something only once for tasks that are alike. */
function onceFor<T>(keyOf: (task: WorkTask) => string, make: (task: WorkTask) => T): (task: WorkTask) => T {
  const known = new Map<string, T>();
  return (task) => {
    const key = keyOf(task);
    const made = known.get(key) ?? make(task);
    known.set(key, made);
    return made;
  };
}

interface MinuteWeather {
  /** 1 where a row holds. */
  readonly known: Uint8Array;
  readonly temperature_C: Float64Array;
  readonly gust_ms: Float64Array;
  readonly rain: Uint8Array;
  /** The last minute with rain up to and with each; -∞ where no row says that it rained. */
  readonly lastWet: Float64Array;
  /** 1 where faces are dry; `null` where that goes by the minutes after rain. */
  readonly dry: Uint8Array | null;
  readonly unknownIsFair: boolean;
}

function weatherOf(
  work: Work,
  horizon: number,
  minuteOf: (at: string) => number,
  { dryRows, unknownIsFair = false }: ModelOptions,
): MinuteWeather {
  const dry = dryRows ? new Uint8Array(horizon).fill(unknownIsFair ? 1 : 0) : null;
  const known = new Uint8Array(horizon);
  const [temperature_C, gust_ms] = [new Float64Array(horizon), new Float64Array(horizon)];
  const rain = new Uint8Array(horizon);
  const lastWet = new Float64Array(horizon);
  /** What rained before the first minute, in minutes before it. */
  let before = -Infinity;
  for (const [i, row] of work.weather.entries()) {
    const from = minuteOf(row.at);
    const next = work.weather[i + 1];
    const to = next ? minuteOf(next.at) : from + LAST_ROW_min;
    if (row.rain_mm > 0 && from < 0) before = Math.max(before, Math.min(0, to) - 1);
    for (let m = Math.max(0, Math.ceil(from)); m < Math.min(horizon, to); m++) {
      known[m] = 1;
      temperature_C[m] = row.temperature_C;
      gust_ms[m] = row.gust_ms;
      rain[m] = row.rain_mm > 0 ? 1 : 0;
      if (dry) dry[m] = dryRows?.[i] ? 1 : 0;
    }
  }
  let wet = before;
  for (let m = 0; m < horizon; m++) {
    if (rain[m] === 1) wet = m;
    lastWet[m] = wet;
  }
  return { known, temperature_C, gust_ms, rain, lastWet, dry, unknownIsFair };
}

/** 1 for each minute with the sun above the horizon. */
function daylightOf({ site }: Work, horizon: number, start_ms: number): Uint8Array {
  const minutes = new Uint8Array(horizon);
  if (!site) return minutes;
  for (let day = -1; day <= horizon / 1440 + 1; day++) {
    const noon = new Date(start_ms + day * DAY_ms);
    const { sunrise, sunset } = getTimes(noon, site.latitude, site.longitude) as {
      sunrise: Date | null;
      sunset: Date | null;
    };
    if (!sunrise || !sunset) continue;
    const [from, to] = [sunrise, sunset].map((at) => (at.getTime() - start_ms) / MINUTE_ms);
    if (from === undefined || to === undefined || Number.isNaN(from) || Number.isNaN(to)) continue;
    const begin = Math.max(0, Math.ceil(from));
    minutes.fill(1, begin, Math.max(begin, Math.min(horizon, Math.floor(to))));
  }
  return minutes;
}

function conditionsOf(
  { conditions }: WorkTask,
  weather: MinuteWeather,
  daylight: Uint8Array | null,
): Pick<ModelTask, 'worked' | 'begins'> {
  if (!conditions) return { worked: null, begins: null };
  const { temperature_C: range, gust_ms_max, dry = false, dry_after_min = 0 } = conditions;
  const asksWeather = range !== undefined || gust_ms_max !== undefined || dry;
  if (!asksWeather && !conditions.daylight) return { worked: null, begins: null };
  const worked = weather.known.map((known, m) => {
    if (asksWeather && known === 0)
      return weather.unknownIsFair && (!conditions.daylight || daylight?.[m] === 1) ? 1 : 0;
    const C = weather.temperature_C[m] ?? 0;
    if (range && (C < range[0] || C > range[1])) return 0;
    if (gust_ms_max !== undefined && (weather.gust_ms[m] ?? 0) > gust_ms_max) return 0;
    if (dry && weather.rain[m] === 1) return 0;
    return conditions.daylight && daylight?.[m] !== 1 ? 0 : 1;
  });
  if (!dry) return { worked, begins: null };
  // Dry when it begins, or for so long before.
  if (weather.dry) return { worked, begins: weather.dry };
  const begins =
    dry_after_min > 0 ? worked.map((_, m) => ((weather.lastWet[m] ?? 0) < m - dry_after_min ? 1 : 0)) : null;
  return { worked, begins };
}

/** Sets of so many people of whom each asked-for skill is held by one at least. */
function crewsOf({ people }: Work, task: WorkTask): number[][] {
  const size = task.people ?? 1;
  const skills = task.skills ?? [];
  const found: number[][] = [];
  const add = (from: number, crew: readonly number[]) => {
    if (found.length >= MOST_CREWS) return;
    if (crew.length === size) {
      if (skills.every((skill) => crew.some((i) => people[i]?.skills.includes(skill)))) found.push([...crew]);
      return;
    }
    for (let i = from; i < people.length; i++) add(i + 1, [...crew, i]);
  };
  add(0, []);
  return found;
}
