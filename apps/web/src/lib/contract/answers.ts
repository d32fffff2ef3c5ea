/** What the server answers and says, read on this side of the line. */
import {
  documentSchema,
  shelfKinds,
  signedHeadSchema,
  type ShelfDocument,
  type ShelfItem,
} from '@hulvek/core';
import * as z from 'zod/mini';
import { meSchema, openingPartSchema } from './pack.ts';

export const meAnswer = z.object({ me: z.nullable(meSchema) });

/** One answer per record sent, in the same order. */
const recordAnswerSchema = z.discriminatedUnion('ok', [
  z.object({ id: z.string(), ok: z.literal(true) }),
  z.object({ id: z.string(), ok: z.literal(false), refusal: z.string() }),
]);
export type RecordAnswer = Readonly<z.infer<typeof recordAnswerSchema>>;
export const recordAnswers = z.object({ answers: z.array(recordAnswerSchema) });

export const partAnswer = z.object({ revision: z.int(), part: openingPartSchema });

/** What is stored of an opening's choices. */
export const storedSchema = z.object({ document: documentSchema('opening'), version: z.int() });
export type Stored = Readonly<z.infer<typeof storedSchema>>;

/** A choice that could not yet be saved, kept on the device with what it began from. */
export const keptDraftSchema = z.extend(storedSchema, { base: documentSchema('opening') });

/** Where one's own calendar can be read; null once the link has ended. */
export const feedAnswer = z.object({ path: z.nullable(z.string()) });

/** The newest signed head of a log, and whether the one that was kept is of the same log. */
export const headAnswer = z.object({ head: z.nullable(signedHeadSchema), own: z.boolean() });

export const savedAnswer = z.object({ version: z.int() });

/** One version of what was chosen. */
const versionSchema = z.object({
  version: z.int(),
  document: documentSchema('opening'),
  person: z.string(),
  at: z.string(),
});
export type Version = Readonly<z.infer<typeof versionSchema>>;
export const versionsAnswer = z.object({ versions: z.array(versionSchema) });

/** Where a job stands, and what brought it there: records as they are, the rest by the openings to ask for. */
export const heardSchema = z.object({
  revision: z.int(),
  /** The revision that this follows; left out where it is only said where the job stands. */
  from: z.optional(z.int()),
  /** Openings of which more changed than records; `null` for the whole job. */
  openings: z.optional(z.nullable(z.array(z.string()))),
  entries: z.optional(z.array(documentSchema('entry'))),
  readings: z.optional(z.array(documentSchema('reading'))),
});
export type Heard = Readonly<z.infer<typeof heardSchema>>;

/** A change of a job as servers tell each other of it. */
export const numberedChangeSchema = z.object({
  job: z.string(),
  revision: z.int(),
  openings: z.nullable(z.array(z.string())),
  records: z.array(z.string()),
  /** Whether a plan may be another one now. */
  plans: z.boolean(),
});

const SHELF_DOCUMENT = { walls: 'wall', units: 'unit', methods: 'method', materials: 'material' } as const;

const shelfItemSchema: z.ZodMiniType<ShelfItem> = z.pipe(
  z.object({
    kind: z.enum(shelfKinds),
    id: z.string(),
    version: z.int(),
    document: z.unknown(),
    person: z.string(),
    account: z.optional(z.string()),
    at: z.string(),
  }),
  z.transform((item, context): ShelfItem => {
    const schema: z.ZodMiniType<ShelfDocument> = documentSchema(SHELF_DOCUMENT[item.kind]);
    const result = schema.safeParse(item.document);
    if (result.success) return { ...item, document: result.data };
    for (const { path, message } of result.error.issues)
      context.issues.push({ code: 'custom', path: ['document', ...path], message, input: item.document });
    return z.NEVER;
  }),
);
export const shelfAnswer = z.object({
  items: z.array(shelfItemSchema),
  /** Names of those who may write on it, and whether whoever asks is one. */
  keepers: z.array(z.string()),
  mayKeep: z.boolean(),
});
export const shelfVersionsAnswer = z.object({ items: z.array(shelfItemSchema) });
export const shelfItemAnswer = z.object({ item: shelfItemSchema });

/** What one of a job's own walls, units, methods or materials was; `null` where it had been taken out. */
const itemVersionSchema = z.object({
  version: z.int(),
  document: z.nullable(
    z.union([
      documentSchema('wall'),
      documentSchema('unit'),
      documentSchema('method'),
      documentSchema('material'),
    ]),
  ),
  person: z.string(),
  at: z.string(),
});
export type ItemVersion = Readonly<z.infer<typeof itemVersionSchema>>;
export const itemVersionsAnswer = z.object({ versions: z.array(itemVersionSchema) });

/** The jobs of whoever is signed in, and where each stands. */
const myJobSchema = z.object({ id: z.string(), name: z.string(), revision: z.int() });
export type MyJob = Readonly<z.infer<typeof myJobSchema>>;
export const myJobsAnswer = z.object({ jobs: z.array(myJobSchema) });

/** The sentence of a refusal. */
export const refusalAnswer = z.object({ message: z.optional(z.string()) });
