import { database } from '$lib/server/db/index.ts';
import { saveOpening } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { openingSchema } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

const body = z.strictObject({ version: z.int().positive(), opening: openingSchema });

/** Saves an opening; 409 carries what somebody else stored meanwhile. */
export const PUT = async ({ params, request }) => {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    error(400, issue ? `${issue.path.join('.')}: ${issue.message}` : text.errors.badRequest);
  }
  if (parsed.data.opening.id !== params.opening) error(400, text.errors.badRequest);
  const result = await saveOpening(database(), params.job, parsed.data.opening, parsed.data.version);
  if (result.ok) return json({ version: result.version });
  if (!result.theirs) error(404, text.errors.noOpening);
  return json(result.theirs, { status: 409 });
};
