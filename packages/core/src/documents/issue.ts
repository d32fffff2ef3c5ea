/** A plan frozen when work began. */
import * as z from 'zod/mini';
import { name, instant, words } from './fields.ts';
import { frozenBuildSchema } from './frozen-build.ts';
import { openingSchema } from './opening.ts';
import { wallSchema } from './wall.ts';
import { unitSchema } from './unit.ts';
import { methodSchema } from './method.ts';

/** A plan frozen when work began, as the inputs it was made from: what field entries refer to. */
export const issueSchema = z.strictObject({
  version: z.int().check(z.positive()),
  person: name,
  at: instant,
  opening: openingSchema,
  wall: wallSchema,
  unit: unitSchema,
  method: methodSchema,
  /** Content of every step at that moment, so that a later plan knows which ticks still stand. */
  steps: z.array(z.strictObject({ id: words(60), hash: words(64) })).check(z.maxLength(200)),
  /** The wall that was cut; left out only in files written before it was kept, which are filled in when read in. */
  build: z.optional(frozenBuildSchema),
});

export type Issue = z.infer<typeof issueSchema>;
