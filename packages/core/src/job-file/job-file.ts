/** The open job file: everything people entered about one job, in one JSON document. */
import * as z from 'zod/mini';
import { entrySchema, type Entry } from '../documents/entry.ts';
import { issueSchema, type Issue } from '../documents/issue.ts';
import { jobSchema, type JobContext } from '../documents/job.ts';
import { materialSchema } from '../documents/material.ts';
import { methodSchema } from '../documents/method.ts';
import { openingDocumentSchema, type Opening } from '../documents/opening.ts';
import { readingSchema, type Reading } from '../documents/survey.ts';
import { unitSchema } from '../documents/unit.ts';
import { wallSchema } from '../documents/wall.ts';
import { openingOf } from '../survey/readings.ts';
import { fromVersion1 } from './version-1.ts';
import { plainProblems, type DocumentProblem } from '../documents/plain-problem.ts';
import { migrated } from '../documents/read.ts';
import { isFields } from '../documents/renamed.ts';

export const JOB_FORMAT = 'hulvek-job';
export const JOB_VERSION = 3;

const many = 5000;

const lists = {
  walls: wallSchema,
  units: unitSchema,
  methods: methodSchema,
  materials: materialSchema,
  openings: openingDocumentSchema,
} as const;
const records = { readings: readingSchema, issues: issueSchema, entries: entrySchema } as const;
const MOST = { readings: 200_000, issues: many, entries: 200_000 } as const;

export const jobFileSchema = z
  .strictObject({
    format: z.literal(JOB_FORMAT),
    version: z.literal(JOB_VERSION),
    job: jobSchema,
    walls: z.array(lists.walls).check(z.maxLength(many)),
    units: z.array(lists.units).check(z.maxLength(many)),
    methods: z.array(lists.methods).check(z.maxLength(many)),
    materials: z.optional(z.array(lists.materials).check(z.maxLength(many))),
    openings: z.array(lists.openings).check(z.maxLength(many)),
    records: z.strictObject({
      readings: z.array(records.readings).check(z.maxLength(MOST.readings)),
      issues: z.array(records.issues).check(z.maxLength(MOST.issues)),
      entries: z.array(records.entries).check(z.maxLength(MOST.entries)),
    }),
  })
  .check(
    z.superRefine((file, context) => {
      for (const { path, message } of misfits(file))
        context.addIssue({ code: 'custom', path: [...path], message });
    }),
  );

/** The file around its lists, whose items are judged one by one. */
const shellSchema = z.strictObject({
  format: z.literal(JOB_FORMAT),
  version: z.literal(JOB_VERSION),
  job: jobSchema,
  ...mapped(lists, () => z.array(z.unknown()).check(z.maxLength(many))),
  materials: z.optional(z.array(z.unknown()).check(z.maxLength(many))),
  records: z.strictObject(mapped(records, (name) => z.array(z.unknown()).check(z.maxLength(MOST[name])))),
});

function mapped<Name extends string, Value>(
  of: Readonly<Record<Name, unknown>>,
  make: (name: Name) => Value,
): Record<Name, Value> {
  return Object.fromEntries((Object.keys(of) as Name[]).map((name) => [name, make(name)])) as Record<
    Name,
    Value
  >;
}

/** As many problems as somebody reads: whoever made the file has to look at it anyway. */
const HANDFUL = 20;

/** What is wrong with single items, list after list, and no further than a handful. */
function* wrongItems(file: z.infer<typeof shellSchema>): Iterable<DocumentProblem> {
  const all: [readonly string[], readonly unknown[], z.ZodMiniType][] = [
    ...(Object.keys(lists) as (keyof typeof lists)[]).map(
      (name): [readonly string[], readonly unknown[], z.ZodMiniType] => [
        [name],
        file[name] ?? [],
        lists[name],
      ],
    ),
    ...(Object.keys(records) as (keyof typeof records)[]).map(
      (name): [readonly string[], readonly unknown[], z.ZodMiniType] => [
        ['records', name],
        file.records[name],
        records[name],
      ],
    ),
  ];
  for (const [path, items, schema] of all)
    for (const [i, item] of items.entries()) {
      const result = schema.safeParse(item);
      if (!result.success) yield* plainProblems(result.error, item, [...path, i], HANDFUL);
    }
}

/** What does not fit together in a file whose items are sound. */
function* misfits(
  file: JobFile,
): Iterable<{ readonly path: readonly (string | number)[]; readonly message: string }> {
  const at = (path: readonly (string | number)[], message: string) => ({ path, message });
  for (const list of ['walls', 'units', 'methods', 'materials', 'openings'] as const) {
    const seen = new Set<string>();
    for (const [i, { id }] of (file[list] ?? []).entries()) {
      if (seen.has(id)) yield at([list, i, 'id'], `"${id}" is used twice`);
      seen.add(id);
    }
  }
  const ids = { wall: idsOf(file.walls), unit: idsOf(file.units), method: idsOf(file.methods) };
  for (const [i, opening] of file.openings.entries())
    for (const choice of ['wall', 'unit', 'method'] as const) {
      const id = opening[choice];
      if (id !== null && !ids[choice].has(id))
        yield at(['openings', i, choice], `there is no ${choice} "${id}" in this file`);
    }
  const openings = idsOf(file.openings);
  const noOpening = (id: string) => `there is no opening "${id}" in this file`;
  const issues = new Set<string>();
  for (const [i, { opening, version }] of file.records.issues.entries()) {
    const key = `${opening.id}/${version}`;
    const path = ['records', 'issues', i] as const;
    if (issues.has(key)) yield at([...path, 'version'], `plan ${version} of "${opening.id}" is there twice`);
    issues.add(key);
    if (!openings.has(opening.id)) yield at([...path, 'opening', 'id'], noOpening(opening.id));
  }
  const readings = new Set<string>();
  for (const [i, reading] of file.records.readings.entries()) {
    const path = ['records', 'readings', i] as const;
    if (readings.has(reading.id)) yield at([...path, 'id'], `"${reading.id}" is used twice`);
    readings.add(reading.id);
    if (!openings.has(reading.opening)) yield at([...path, 'opening'], noOpening(reading.opening));
  }
  for (const { at: i, path, message } of impossibleTicks(file.records))
    yield at([...path, i, 'step'], message);
  const entries = new Set<string>();
  for (const [i, entry] of file.records.entries.entries()) {
    const path = ['records', 'entries', i] as const;
    if (entries.has(entry.id)) yield at([...path, 'id'], `"${entry.id}" is used twice`);
    entries.add(entry.id);
    if (!openings.has(entry.opening)) yield at([...path, 'opening'], noOpening(entry.opening));
    if (!issues.has(`${entry.opening}/${entry.issue}`))
      yield at([...path, 'issue'], `plan ${entry.issue} of "${entry.opening}" is not in this file`);
  }
}

function firstOf<T>(all: Iterable<T>, most: number): T[] {
  const found: T[] = [];
  for (const one of all) {
    found.push(one);
    if (found.length >= most) break;
  }
  return found;
}

interface Records {
  readonly issues: readonly Issue[];
  readonly entries: readonly Entry[];
}

/** Ticks of a frozen wall that hands could not have made in the order in which they stand. */
function* impossibleTicks({ issues, entries }: Records) {
  const path = ['records', 'entries'] as const;
  const steps = new Map(
    issues.flatMap(({ opening, version, build }) =>
      build
        ? [[`${opening.id}/${version}`, new Map(build.steps.map((step) => [step.id, step]))] as const]
        : [],
    ),
  );
  const undone = new Set(entries.flatMap(({ undoes }) => undoes ?? []));
  const done = new Map<string, Set<string>>();
  const inTime = entries
    .map((entry, at) => ({ entry, at }))
    .toSorted((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at));
  for (const { entry, at } of inTime) {
    if (entry.kind !== 'tick' || undone.has(entry.id)) continue;
    const rows = steps.get(`${entry.opening}/${entry.issue}`);
    const ticked = done.get(entry.opening) ?? new Set<string>();
    done.set(entry.opening, ticked);
    const row = rows?.get(entry.step);
    if (rows && !row) yield { at, path, message: `the frozen plan has no step "${entry.step}"` };
    const missing = row?.after.find(({ step, because }) => because === 'physical' && !ticked.has(step));
    if (missing)
      yield {
        at,
        path,
        message: `"${entry.step}" cannot be done before "${missing.step}", which nobody ticked before it`,
      };
    ticked.add(entry.step);
  }
}

export type JobFile = z.infer<typeof jobFileSchema>;

export type FileProblem = DocumentProblem;

export type JobFileResult =
  | { readonly ok: true; readonly value: JobFile }
  | { readonly ok: false; readonly problems: readonly FileProblem[] };

/** Steps from each older version to the next. */
const migrations: Readonly<Record<number, (file: Record<string, unknown>) => unknown>> = {
  1: fromVersion1,
  // Frozen plans may now carry the wall that was cut; those that do not are filled in where plans are made.
  2: (file) => ({ ...file, version: 3 }),
};

/** Reads a job file from its text; a handful of problems, each with its place and a plain sentence. */
export function readJobFile(text: string): JobFileResult {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return whole('this is not a complete JSON document; it may have been cut off');
  }
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return whole('a job file is one JSON object');
  const { format, version } = data as Record<string, unknown>;
  if (format !== JOB_FORMAT)
    return problem('format', `this is not a job file: format must be "${JOB_FORMAT}"`);
  if (typeof version !== 'number')
    return problem('version', `the version must be a number; this program reads ${JOB_VERSION}`);
  if (version > JOB_VERSION || (version < JOB_VERSION && !migrations[version])) {
    return problem('version', `the file has version ${version}, this program reads version ${JOB_VERSION}`);
  }
  let current = data as Record<string, unknown>;
  for (let v = version; v < JOB_VERSION; v++)
    current = (migrations[v]?.(current) ?? current) as typeof current;
  current = withDocumentsOfToday(current);
  const shell = shellSchema.safeParse(current);
  if (!shell.success) return { ok: false, problems: plainProblems(shell.error, current, [], HANDFUL) };
  const wrong = firstOf(wrongItems(shell.data), HANDFUL);
  if (wrong.length > 0) return { ok: false, problems: wrong };
  const result = jobFileSchema.safeParse(current);
  if (result.success) return { ok: true, value: result.data };
  return { ok: false, problems: plainProblems(result.error, current, [], HANDFUL) };
}

/** Values that were renamed within a version, under their present names. */
function withDocumentsOfToday(file: Record<string, unknown>): Record<string, unknown> {
  const each = (kind: 'method' | 'opening' | 'issue', list: unknown): unknown =>
    Array.isArray(list) ? list.map((item: unknown) => migrated(kind, item)) : list;
  return {
    ...file,
    ...('methods' in file && { methods: each('method', file.methods) }),
    ...('openings' in file && { openings: each('opening', file.openings) }),
    ...(isFields(file.records) &&
      'issues' in file.records && {
        records: { ...file.records, issues: each('issue', file.records.issues) },
      }),
  };
}

/** The openings of a job file with their surveys as they stand. */
export function openingsOf(file: JobFile): Opening[] {
  const readings = new Map<string, Reading[]>(file.openings.map(({ id }) => [id, []]));
  for (const reading of file.records.readings) readings.get(reading.opening)?.push(reading);
  return file.openings.map((document) => openingOf(document, readings.get(document.id) ?? []));
}

/** The part of a job file that plans are made with. */
export const contextOf = ({ job, walls, units, methods, materials }: JobFile): JobContext => ({
  job,
  walls,
  units,
  methods,
  ...(materials && { materials }),
});

/** Writes a job file; reading it back gives the same document. */
export const writeJobFile = (file: JobFile): string => `${JSON.stringify(file, null, 2)}\n`;

/** The published JSON Schema of the current version. */
export const jobFileJsonSchema = (): unknown => ({
  title: 'Hulvek job file',
  ...z.toJSONSchema(jobFileSchema, { io: 'input' }),
});

const idsOf = (list: readonly { id: string }[]): Set<string> => new Set(list.map((item) => item.id));
const problem = (path: string, message: string): JobFileResult => ({
  ok: false,
  problems: [{ path, message }],
});
const whole = (message: string): JobFileResult => problem('', message);
