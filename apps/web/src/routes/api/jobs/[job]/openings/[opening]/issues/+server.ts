import { database } from '$lib/server/db/index.ts';
import { freezePlan, loadField, loadJob } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { planOpening, type Issue } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

/** Newest frozen version the sender knew; 0 when there was none. */
const body = z.strictObject({ after: z.int().nonnegative() });

/** Freezes the plan as it is stored now. */
export const POST = async ({ params, request, locals }) => {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success || !locals.person) error(400, text.errors.badRequest);
  const db = database();
  const stored = await loadJob(db, params.job);
  const opening = stored?.openings.find((o) => o.opening.id === params.opening)?.opening;
  if (!stored || !opening) error(404, text.errors.noOpening);
  const { build, wall, unit, method } = planOpening(opening, stored.context);
  if (!build || !wall || !unit || !method) error(409, text.errors.noPlan);
  const issue: Issue = {
    version: parsed.data.after + 1,
    person: locals.person.name,
    at: new Date().toISOString(),
    opening,
    wall,
    unit,
    method,
    steps: build.steps.map(({ id, hash }) => ({ id, hash })),
  };
  const field = await loadField(db, params.job, params.opening);
  const newest = field.issues.at(-1)?.version ?? 0;
  if (newest !== parsed.data.after || !(await freezePlan(db, params.job, issue)))
    error(409, text.errors.frozenMeanwhile);
  return json({ version: issue.version }, { status: 201 });
};
