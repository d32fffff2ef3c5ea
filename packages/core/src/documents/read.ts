/** The one way in for stored and received documents: renamed values brought up to date, then held against the schema. */
import * as z from 'zod/mini';
import { builtSchema, entrySchema, photoSchema } from './entry.ts';
import { typedLength } from './fields.ts';
import { issueSchema } from './issue.ts';
import { jobSchema } from './job.ts';
import { materialSchema } from './material.ts';
import { methodSchema } from './method.ts';
import { openingDocumentSchema, openingSchema } from './opening.ts';
import { plainProblems, type DocumentProblem } from './plain-problem.ts';
import { withAdded } from './added.ts';
import { isFields, withPresentNames } from './renamed.ts';
import { readingSchema } from './survey.ts';
import { unitSchema } from './unit.ts';
import { wallSchema } from './wall.ts';

const byKind = {
  job: jobSchema,
  wall: wallSchema,
  unit: unitSchema,
  method: methodSchema,
  material: materialSchema,
  opening: openingDocumentSchema,
  /** With its survey as it stood. */
  'opening-as-measured': openingSchema,
  reading: readingSchema,
  entry: entrySchema,
  photo: photoSchema,
  built: builtSchema,
  length: typedLength,
  issue: issueSchema,
} as const;

export type DocumentKind = keyof typeof byKind;
export type DocumentOf<Kind extends DocumentKind> = z.infer<(typeof byKind)[Kind]>;
const schemas: { readonly [Kind in DocumentKind]: z.ZodMiniType<DocumentOf<Kind>> } = byKind;

/** Brings a document of an earlier day to today's shape, as far as it is one; the schema judges the rest. */
const migrations: Partial<Record<DocumentKind, (value: unknown) => unknown>> = {
  method: withPresentNames,
  opening: withPresentNames,
  'opening-as-measured': withPresentNames,
  issue: (value) =>
    isFields(value)
      ? {
          ...value,
          opening: withPresentNames(value.opening),
          method: withPresentNames(value.method),
          ...(value.build !== undefined && { build: withAdded(value.build) }),
        }
      : value,
};

export const migrated = (kind: DocumentKind, value: unknown): unknown => migrations[kind]?.(value) ?? value;

export type ReadResult<Value> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly problems: readonly DocumentProblem[] };

/** Returns the document, or every place where it is none with a plain sentence. */
export function read<Kind extends DocumentKind>(kind: Kind, value: unknown): ReadResult<DocumentOf<Kind>> {
  return readBy(documentSchema(kind), value);
}

/** The schema of a kind with its migration before it, for schemas that hold documents. */
export function documentSchema<Kind extends DocumentKind>(kind: Kind): z.ZodMiniType<DocumentOf<Kind>> {
  const migration = migrations[kind];
  const schema: z.ZodMiniType<DocumentOf<Kind>> = schemas[kind];
  return migration ? z.pipe(z.transform(migration), schema) : schema;
}

/** The same for what is made of documents: a pack, an answer. */
export function readBy<Schema extends z.ZodMiniType>(
  schema: Schema,
  value: unknown,
): ReadResult<z.infer<Schema>> {
  const result = schema.safeParse(value);
  if (result.success) return { ok: true, value: result.data };
  return { ok: false, problems: plainProblems(result.error, value) };
}

/** A document that is there and cannot be read: it is never taken for another one, and nothing is made up for it. */
export class UnreadableDocument extends Error {
  readonly problems: readonly DocumentProblem[];

  constructor(where: string, problems: readonly DocumentProblem[]) {
    const [first] = problems;
    const place = first && first.path !== '' ? `${first.path}: ` : '';
    super(`${where} cannot be read: ${place}${first?.message ?? 'it is empty'}`);
    this.name = 'UnreadableDocument';
    this.problems = problems;
  }
}

/**
 * Returns the document.
 *
 * @param where what it is, for the sentence: "opening S-01"
 *
 * @throws UnreadableDocument where it is none
 */
export function mustRead<Kind extends DocumentKind>(
  kind: Kind,
  value: unknown,
  where: string,
): DocumentOf<Kind> {
  const result = read(kind, value);
  if (!result.ok) throw new UnreadableDocument(where, result.problems);
  return result.value;
}
