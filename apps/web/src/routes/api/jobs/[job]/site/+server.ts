import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { changeJob } from '$lib/server/services/jobs.ts';
import { sitePartSchema } from '$lib/contract/site-parts.ts';
import { siteWords } from '$words/conditions.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** `was`: the same parts as the sender knew them. */
const body = z.strictObject({ was: sitePartSchema, change: sitePartSchema });

/** The plan of a large job, as it was and as it is to be, bytes. */
const LARGEST_bytes = 16 * 1024 * 1024;

/** Changes what the job says of its site: common lines, altitude, wind, what façades ask for. */
export const PUT = async ({ params, request }) => {
  const { was, change } = await readBody(request, body, LARGEST_bytes);
  if (!(await changeJob(database(), params.job, was, change))) error(409, siteWords.changed);
  return json(change);
};
