import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { putOnShelf } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { materialSchema, methodSchema, unitSchema, wallSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

/** `was`: the item the sender started from; `null` for a new one. */
const body = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('units'), was: unitSchema.nullable(), item: unitSchema }),
  z.strictObject({ kind: z.literal('walls'), was: wallSchema.nullable(), item: wallSchema }),
  z.strictObject({ kind: z.literal('methods'), was: methodSchema.nullable(), item: methodSchema }),
  z.strictObject({ kind: z.literal('materials'), was: materialSchema.nullable(), item: materialSchema }),
]);

/** Adds an item to a job's shelf or changes one, unless somebody else changed it meanwhile. */
export const PUT = async ({ params, request }) => {
  const change = await readBody(request, body);
  if (!(await putOnShelf(database(), params.job, change))) error(409, text.units.changed);
  return json({ item: change.item });
};
