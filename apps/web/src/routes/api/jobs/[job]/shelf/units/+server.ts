import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { putUnit } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { unitSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

/** `was`: the unit the sender started from; `null` for a new one. */
const body = z.strictObject({ was: unitSchema.nullable(), unit: unitSchema });

/** Adds a unit to a job's shelf or changes one, unless somebody else changed it meanwhile. */
export const PUT = async ({ params, request }) => {
  const change = await readBody(request, body);
  if (!(await putUnit(database(), params.job, change))) error(409, text.units.changed);
  return json({ unit: change.unit });
};
