/** A change of the openings a job has: added, changed, removed, put back; all of it together or nothing. */
import { documentSchema, versionNumber } from '@hulvek/core';
import * as z from 'zod/mini';

/** Openings that one change may touch. */
export const MOST_OPENINGS = 500;

const ids = z.array(z.string().check(z.maxLength(64))).check(z.maxLength(MOST_OPENINGS));

export const openingsChangeSchema = z.strictObject({
  /** Units that the openings go by and the job does not have yet. */
  units: z.array(documentSchema('unit')).check(z.maxLength(200)),
  /** Walls likewise. */
  walls: z._default(z.array(documentSchema('wall')).check(z.maxLength(100)), []),
  add: z.array(documentSchema('opening')).check(z.maxLength(MOST_OPENINGS)),
  /** Each with the version it was changed from. */
  change: z
    .array(z.strictObject({ version: versionNumber, document: documentSchema('opening') }))
    .check(z.maxLength(MOST_OPENINGS)),
  remove: ids,
  /** Removed openings that are put back. */
  restore: ids,
});
export type OpeningsChange = Readonly<z.infer<typeof openingsChangeSchema>>;

export const NO_CHANGE: OpeningsChange = {
  units: [],
  walls: [],
  add: [],
  change: [],
  remove: [],
  restore: [],
};

/** Versions that the changed openings have now, by id. */
export const openingsChanged = z.object({ versions: z.record(z.string(), z.int()) });

/** An opening that is out of sight and can be put back. */
const removedSchema = z.object({
  id: z.string(),
  mark: z.string(),
  name: z.string(),
  person: z.string(),
  at: z.string(),
});
export type RemovedOpening = Readonly<z.infer<typeof removedSchema>>;
export const removedAnswer = z.object({ openings: z.array(removedSchema) });
