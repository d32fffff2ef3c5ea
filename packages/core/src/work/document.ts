/** `hulvek-work` version 1: tasks, people, tools, places and weather, as a file says them. */
import * as z from 'zod/mini';
import { readBy } from '../documents/read.ts';

const moment = z.iso.datetime({ offset: true });
const id = z.string().check(z.minLength(1), z.maxLength(120));
const minutes = z.number().check(z.gte(0), z.lte(600_000));
const count = z.int().check(z.gte(0), z.lte(1000));

const lag = z.strictObject({
  after: z.optional(id),
  task: z.optional(id),
  from: z.optional(z.enum(['start', 'end'])),
  to: z.optional(z.enum(['start', 'end'])),
  least_min: z.optional(minutes),
  most_min: z.optional(minutes),
});

const taskSchema = z.strictObject({
  id,
  minutes: z.int().check(z.gte(0), z.lte(100_000)),
  after: z.optional(z.array(lag).check(z.maxLength(1000))),
  people: z.optional(z.int().check(z.gte(1), z.lte(50))),
  skills: z.optional(z.array(id).check(z.maxLength(50))),
  tools: z.optional(z.record(z.string(), count)),
  place: z.optional(id),
  conditions: z.optional(
    z.strictObject({
      temperature_C: z.optional(z.tuple([z.number(), z.number()])),
      gust_ms_max: z.optional(z.number().check(z.gte(0))),
      dry: z.optional(z.boolean()),
      dry_after_min: z.optional(minutes),
      daylight: z.optional(z.boolean()),
    }),
  ),
  release: z.optional(moment),
  due: z.optional(moment),
  unsplit: z.optional(z.boolean()),
});

export const workSchema = z.strictObject({
  format: z.literal('hulvek-work'),
  version: z.literal(1),
  start: moment,
  zone: z.optional(z.string()),
  site: z.optional(
    z.strictObject({
      latitude: z.number().check(z.gte(-90), z.lte(90)),
      longitude: z.number().check(z.gte(-180), z.lte(180)),
    }),
  ),
  people: z
    .array(
      z.strictObject({
        id,
        skills: z.array(id).check(z.maxLength(100)),
        hours: z.array(z.tuple([moment, moment])).check(z.maxLength(5000)),
      }),
    )
    .check(z.maxLength(500)),
  tools: z.array(z.strictObject({ id, count })).check(z.maxLength(500)),
  places: z
    .array(z.strictObject({ id, setup_min: z.int().check(z.gte(0), z.lte(10_000)) }))
    .check(z.maxLength(5000)),
  tasks: z.array(taskSchema).check(z.maxLength(10_000)),
  weather: z
    .array(
      z.strictObject({
        at: moment,
        temperature_C: z.number().check(z.gte(-90), z.lte(70)),
        gust_ms: z.number().check(z.gte(0), z.lte(150)),
        rain_mm: z.number().check(z.gte(0), z.lte(1000)),
        dew_point_C: z.optional(z.number()),
        chance: z.optional(z.number().check(z.gte(0), z.lte(1))),
      }),
    )
    .check(z.maxLength(20_000)),
});

export type Work = z.infer<typeof workSchema>;
export type WorkTask = Work['tasks'][number];

export type WorkRead =
  { readonly ok: true; readonly value: Work } | { readonly ok: false; readonly problems: readonly string[] };

const MOST = 20;

/** Reads a work file: its shape first, then everything that names something else. Every problem with its path. */
export function readWork(value: unknown): WorkRead {
  const shaped = readBy(workSchema, value);
  if (!shaped.ok)
    return {
      ok: false,
      problems: shaped.problems.slice(0, MOST).map(({ path, message }) => `${path}: ${message}`),
    };
  const problems = [...wrongNames(shaped.value)].slice(0, MOST);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: shaped.value };
}

function* wrongNames(work: Work): Generator<string> {
  for (const list of ['people', 'tools', 'places', 'tasks'] as const) {
    const seen = new Set<string>();
    for (const [i, { id: own }] of work[list].entries()) {
      if (seen.has(own)) yield `${list}[${i}].id: "${own}" is there twice`;
      seen.add(own);
    }
  }
  const known = (list: readonly { readonly id: string }[]) => new Set(list.map((one) => one.id));
  const [tasks, tools, places] = [known(work.tasks), known(work.tools), known(work.places)];
  for (const [i, task] of work.tasks.entries()) {
    const at = `tasks[${i}]`;
    for (const [j, { after, task: named, least_min = 0, most_min }] of (task.after ?? []).entries()) {
      const before = after ?? named;
      if (before === undefined) yield `${at}.after[${j}].after: this is missing`;
      else if (after !== undefined && named !== undefined && after !== named)
        yield `${at}.after[${j}]: "after" and "task" name two different tasks`;
      else if (!tasks.has(before)) yield `${at}.after[${j}].after: there is no task "${before}"`;
      else if (before === task.id) yield `${at}.after[${j}].after: a task cannot wait for itself`;
      if (most_min !== undefined && most_min < least_min)
        yield `${at}.after[${j}].most_min: less than the least`;
    }
    for (const tool of Object.keys(task.tools ?? {}))
      if (!tools.has(tool)) yield `${at}.tools.${tool}: there is no such tool`;
    if (task.place !== undefined && !places.has(task.place))
      yield `${at}.place: there is no place "${task.place}"`;
    const range = task.conditions?.temperature_C;
    if (range && range[0] > range[1])
      yield `${at}.conditions.temperature_C: the first must not be above the second`;
    if (task.conditions?.daylight && !work.site) yield `site: this is missing; ${at} asks for daylight`;
  }
  for (const [i, { hours }] of work.people.entries())
    for (const [j, [from, to]] of hours.entries())
      if (Date.parse(from) >= Date.parse(to)) yield `people[${i}].hours[${j}]: ends before it begins`;
  for (const [i, { at }] of work.weather.entries()) {
    const before = work.weather[i - 1];
    if (before && Date.parse(before.at) >= Date.parse(at))
      yield `weather[${i}].at: rows must follow each other in time`;
  }
  if (work.zone !== undefined && !isZone(work.zone)) yield `zone: there is no time zone "${work.zone}"`;
  const circle = circleOf(work);
  if (circle) yield `tasks: these wait for each other in a circle: ${circle.join(' → ')}`;
}

const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone }).format();
    return true;
  } catch {
    return false;
  }
};

/** Tasks that wait for each other in a circle; nothing where none do. */
function circleOf(work: Work): string[] | null {
  const before = new Map(
    work.tasks.map((task) => [task.id, (task.after ?? []).flatMap((a) => a.after ?? a.task ?? [])]),
  );
  const done = new Set<string>();
  const path: string[] = [];
  const walk = (task: string): string[] | null => {
    const at = path.indexOf(task);
    if (at >= 0) return [...path.slice(at), task];
    if (done.has(task)) return null;
    path.push(task);
    for (const next of before.get(task) ?? []) {
      const found = walk(next);
      if (found) return found;
    }
    path.pop();
    done.add(task);
    return null;
  };
  for (const { id: task } of work.tasks) {
    const found = walk(task);
    if (found) return found;
  }
  return null;
}
