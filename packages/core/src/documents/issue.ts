/** A plan frozen when work began. */
import * as z from 'zod/mini';
import { serverSays } from './envelope.ts';
import { name, instant, versionNumber, words } from './fields.ts';
import { frozenBuildSchema } from './frozen-build.ts';
import { lookCodes } from '../vocabulary/looks.ts';
import { openingSchema } from './opening.ts';
import { wallSchema } from './wall.ts';
import { unitSchema } from './unit.ts';
import { methodSchema } from './method.ts';

/** A plan frozen when work began, as the inputs it was made from: what field entries refer to. */
export const issueSchema = z.strictObject({
  version: versionNumber,
  person: name,
  account: z.optional(z.uuid()),
  brought: serverSays.brought,
  at: instant,
  opening: openingSchema,
  wall: wallSchema,
  unit: unitSchema,
  method: methodSchema,
  /** Work begins although something fails or is not known: what it was, and why somebody goes on. */
  despite: z.optional(
    z.strictObject({
      grade: z.enum(['fails', 'not-checkable']),
      reason: words(500).check(z.trim(), z.minLength(1, 'a reason is needed')),
    }),
  ),
  /** What somebody has to see for the plan to hold, beside what every hold point asks. */
  looks: z.optional(
    z
      .array(
        z.strictObject({
          step: words(60),
          code: z.enum(lookCodes),
          /** Pieces it is about; of something that goes through another, that one first. */
          things: z.array(words(60)).check(z.maxLength(40)),
        }),
      )
      .check(z.maxLength(200)),
  ),
  /** Content of every step at that moment, so that a later plan knows which ticks still stand. */
  steps: z.array(z.strictObject({ id: words(60), hash: words(64) })).check(z.maxLength(200)),
  /** The wall that was cut; left out only in files written before it was kept, which are filled in when read in. */
  build: z.optional(frozenBuildSchema),
});

export type Issue = z.infer<typeof issueSchema>;

export type Look = NonNullable<Issue['looks']>[number];
