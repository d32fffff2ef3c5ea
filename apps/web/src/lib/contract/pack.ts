/** What a device carries of a job: everything needed to look at it, measure and install without a network. */
import { documentSchema } from '@hulvek/core';
import { actions, lookRules, roles } from './rights.ts';
import * as z from 'zod/mini';
import { judgedSchema } from './judged.ts';

export const readsSchema = z.enum(['mm', 'in']);

export const meSchema = z.object({
  id: z.string(),
  name: z.string(),
  email: z.string(),
  /** What this person reads figures in; null, and what was kept before this was asked, go by each job. */
  reads: z.optional(z.nullable(readsSchema)),
});
export type Me = Readonly<z.infer<typeof meSchema>>;

const jobContextSchema = z.object({
  job: documentSchema('job'),
  walls: z.readonly(z.array(documentSchema('wall'))),
  units: z.readonly(z.array(documentSchema('unit'))),
  methods: z.readonly(z.array(documentSchema('method'))),
  materials: z.optional(z.readonly(z.array(documentSchema('material')))),
});

/** Everything kept about one opening, as it travels to the devices. */
export const openingPartSchema = z.object({
  document: documentSchema('opening'),
  version: z.int(),
  readings: z.readonly(z.array(documentSchema('reading'))),
  issues: z.readonly(z.array(documentSchema('issue'))),
  entries: z.readonly(z.array(documentSchema('entry'))),
  /** Left out until it was judged once. */
  judged: z.optional(judgedSchema),
});
export type OpeningPart = Readonly<z.infer<typeof openingPartSchema>>;

export const packSchema = z.object({
  me: meSchema,
  /** Counts everything stored in the job. */
  revision: z.int(),
  role: z.enum(roles),
  rights: z.readonly(z.array(z.enum(actions))),
  lookRule: z.enum(lookRules),
  context: jobContextSchema,
  openings: z.readonly(z.array(openingPartSchema)),
  /** When the server put it together. */
  at: z.string(),
});
export type Pack = Readonly<z.infer<typeof packSchema>>;

/** What changed of a job since a revision: put into the pack that a device has. */
export const packChangesSchema = z.extend(packSchema, {
  /** The revision it goes on from. */
  since: z.int(),
  /** Only those that changed, with frozen plans only where there are new ones. */
  openings: z.readonly(
    z.array(z.extend(openingPartSchema, { issues: z.optional(openingPartSchema.shape.issues) })),
  ),
  /** All there are, in their order. */
  order: z.readonly(z.array(z.string())),
});
export type PackChanges = Readonly<z.infer<typeof packChangesSchema>>;
