import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { setUnitSystem } from '$lib/server/services/jobs.ts';
import { json } from '@sveltejs/kit';
import * as z from 'zod/mini';

const body = z.strictObject({ units: z.enum(['mm', 'in']) });

export const PUT = async ({ params, request }) => {
  const { units } = await readBody(request, body);
  await setUnitSystem(database(), params.job, units);
  return json({ units });
};
