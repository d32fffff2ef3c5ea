import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { setLines } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { jobSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

const lines = jobSchema.shape.lines.unwrap();
/** `was`: the lines the sender started from. */
const body = z.strictObject({ was: lines, lines });

/** Replaces the common lines of a job, unless somebody else changed them meanwhile. */
export const PUT = async ({ params, request }) => {
  const change = await readBody(request, body);
  if (!(await setLines(database(), params.job, change))) error(409, text.lines.changed);
  return json({ lines: change.lines });
};
