import { database, type Database } from '$lib/server/db/index.ts';
import { may } from '$lib/server/rights.ts';
import { loadJob, saveOpening } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { contentHash, openingSchema, type Opening } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

const body = z.strictObject({ version: z.int().positive(), opening: openingSchema });

/** Saves an opening; 409 carries what somebody else stored meanwhile. */
export const PUT = async ({ params, request, locals }) => {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    error(400, issue ? `${issue.path.join('.')}: ${issue.message}` : text.errors.badRequest);
  }
  if (parsed.data.opening.id !== params.opening) error(400, text.errors.badRequest);
  const db = database();
  if (!may(locals.role, 'plan') && !(await onlySurveyChanged(db, params.job, parsed.data.opening))) {
    error(403, text.errors.notAllowed);
  }
  const result = await saveOpening(db, params.job, parsed.data.opening, parsed.data.version);
  if (result.ok) return json({ version: result.version });
  if (!result.theirs) error(404, text.errors.noOpening);
  return json(result.theirs, { status: 409 });
};

/** Whether an opening differs from what is stored in its survey alone: measuring is not planning. */
async function onlySurveyChanged(db: Database, job: string, opening: Opening): Promise<boolean> {
  const stored = (await loadJob(db, job))?.openings.find((o) => o.opening.id === opening.id)?.opening;
  return (
    stored === undefined ||
    contentHash({ ...stored, survey: null }) === contentHash({ ...opening, survey: null })
  );
}
