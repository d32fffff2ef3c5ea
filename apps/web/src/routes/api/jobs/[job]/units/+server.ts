import { database } from '$lib/server/db/index.ts';
import { loadJob, setUnitSystem } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

const body = z.strictObject({ units: z.enum(['mm', 'in']) });

export const PUT = async ({ params, request }) => {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success) error(400, text.errors.badRequest);
  const db = database();
  if (!(await loadJob(db, params.job))) error(404, text.errors.noJob);
  await setUnitSystem(db, params.job, parsed.data.units);
  return json(parsed.data);
};
