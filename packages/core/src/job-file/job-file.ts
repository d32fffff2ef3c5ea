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

export const jobFileSchema = z
  .strictObject({
    format: z.literal(JOB_FORMAT),
    version: z.literal(JOB_VERSION),
    job: jobSchema,
    walls: z.array(wallSchema).check(z.maxLength(many)),
    units: z.array(unitSchema).check(z.maxLength(many)),
    methods: z.array(methodSchema).check(z.maxLength(many)),
    materials: z.optional(z.array(materialSchema).check(z.maxLength(many))),
    openings: z.array(openingDocumentSchema).check(z.maxLength(many)),
    records: z.strictObject({
      readings: z.array(readingSchema).check(z.maxLength(200_000)),
      issues: z.array(issueSchema).check(z.maxLength(many)),
      entries: z.array(entrySchema).check(z.maxLength(200_000)),
    }),
  })
  .check(
    z.superRefine((file, context) => {
      const report = (path: (string | number)[], message: string) =>
        context.addIssue({ code: 'custom', path, message });
      for (const list of ['walls', 'units', 'methods', 'materials', 'openings'] as const) {
        const seen = new Set<string>();
        file[list]?.forEach(({ id }, i) => {
          if (seen.has(id)) report([list, i, 'id'], `"${id}" is used twice`);
          seen.add(id);
        });
      }
      const ids = { wall: idsOf(file.walls), unit: idsOf(file.units), method: idsOf(file.methods) };
      file.openings.forEach((opening, i) => {
        for (const choice of ['wall', 'unit', 'method'] as const) {
          const id = opening[choice];
          if (id !== null && !ids[choice].has(id))
            report(['openings', i, choice], `there is no ${choice} "${id}" in this file`);
        }
      });
      const openings = idsOf(file.openings);
      const issues = new Set<string>();
      file.records.issues.forEach(({ opening, version }, i) => {
        const key = `${opening.id}/${version}`;
        if (issues.has(key))
          report(['records', 'issues', i, 'version'], `plan ${version} of "${opening.id}" is there twice`);
        issues.add(key);
        if (!openings.has(opening.id))
          report(
            ['records', 'issues', i, 'opening', 'id'],
            `there is no opening "${opening.id}" in this file`,
          );
      });
      const readings = new Set<string>();
      file.records.readings.forEach((reading, i) => {
        if (readings.has(reading.id))
          report(['records', 'readings', i, 'id'], `"${reading.id}" is used twice`);
        readings.add(reading.id);
        if (!openings.has(reading.opening))
          report(
            ['records', 'readings', i, 'opening'],
            `there is no opening "${reading.opening}" in this file`,
          );
      });
      for (const { at, path, message } of impossibleTicks(file.records))
        report([...path, at, 'step'], message);
      const entries = new Set<string>();
      file.records.entries.forEach((entry, i) => {
        if (entries.has(entry.id)) report(['records', 'entries', i, 'id'], `"${entry.id}" is used twice`);
        entries.add(entry.id);
        if (!openings.has(entry.opening))
          report(['records', 'entries', i, 'opening'], `there is no opening "${entry.opening}" in this file`);
        if (!issues.has(`${entry.opening}/${entry.issue}`)) {
          report(
            ['records', 'entries', i, 'issue'],
            `plan ${entry.issue} of "${entry.opening}" is not in this file`,
          );
        }
      });
    }),
  );

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

/** Reads a job file from its text; every problem carries its place and a plain sentence. */
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
  const result = jobFileSchema.safeParse(current);
  if (result.success) return { ok: true, value: result.data };
  return { ok: false, problems: plainProblems(result.error, current) };
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
export const contextOf = ({ job, walls, units, methods }: JobFile): JobContext => ({
  job,
  walls,
  units,
  methods,
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
