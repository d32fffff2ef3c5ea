import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { putOnShelf } from '$lib/server/services/jobs.ts';
import { unitsWords } from '$words/units.ts';
import { materialSchema, methodSchema, unitSchema, wallSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** `was`: the item the sender started from; `null` for a new one. */
const body = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('units'), was: z.nullable(unitSchema), item: unitSchema }),
  z.strictObject({ kind: z.literal('walls'), was: z.nullable(wallSchema), item: wallSchema }),
  z.strictObject({ kind: z.literal('methods'), was: z.nullable(methodSchema), item: methodSchema }),
  z.strictObject({ kind: z.literal('materials'), was: z.nullable(materialSchema), item: materialSchema }),
]);

/** Adds an item to a job's shelf or changes one, unless somebody else changed it meanwhile. */
export const PUT = async ({ params, request }) => {
  const change = await readBody(request, body);
  if (!(await putOnShelf(database(), params.job, change))) error(409, unitsWords.changed);
  return json({ item: change.item });
};
