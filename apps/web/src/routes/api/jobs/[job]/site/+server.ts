import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { changeJob } from '$lib/server/services/jobs.ts';
import type { siteParts } from '$lib/site-parts.ts';
import { text } from '$lib/texts/en.ts';
import { jobSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

const part = jobSchema.pick({
  lines: true,
  altitude_m: true,
  facades: true,
  wind: true,
  climate: true,
  heatLimits: true,
  months: true,
  joints: true,
  prices: true,
  handling: true,
} satisfies Record<(typeof siteParts)[number], true>);
/** `was`: the same parts as the sender knew them. */
const body = z.strictObject({ was: part, change: part });

/** Changes what the job says of its site: common lines, altitude, wind, what façades ask for. */
export const PUT = async ({ params, request }) => {
  const { was, change } = await readBody(request, body);
  if (!(await changeJob(database(), params.job, was, change))) error(409, text.site.changed);
  return json(change);
};
