/** What a device carries of a job: everything needed to look at it, measure and install without a network. */
import { documentSchema } from '@hulvek/core';
import { actions, lookRules, roles } from '../rights.ts';
import { z } from 'zod';

export const meSchema = z.object({ id: z.string(), name: z.string(), email: z.string() });
export type Me = Readonly<z.infer<typeof meSchema>>;

const jobContextSchema = z.object({
  job: documentSchema('job'),
  walls: z.array(documentSchema('wall')).readonly(),
  units: z.array(documentSchema('unit')).readonly(),
  methods: z.array(documentSchema('method')).readonly(),
  materials: z.array(documentSchema('material')).readonly().optional(),
});

/** Everything kept about one opening, as it travels to the devices. */
export const openingPartSchema = z.object({
  document: documentSchema('opening'),
  version: z.int(),
  readings: z.array(documentSchema('reading')).readonly(),
  issues: z.array(documentSchema('issue')).readonly(),
  entries: z.array(documentSchema('entry')).readonly(),
});
export type OpeningPart = Readonly<z.infer<typeof openingPartSchema>>;

export const packSchema = z.object({
  me: meSchema,
  /** Counts everything stored in the job. */
  revision: z.int(),
  role: z.enum(roles),
  rights: z.array(z.enum(actions)).readonly(),
  lookRule: z.enum(lookRules),
  context: jobContextSchema,
  openings: z.array(openingPartSchema).readonly(),
  /** When the server put it together. */
  at: z.string(),
});
export type Pack = Readonly<z.infer<typeof packSchema>>;
