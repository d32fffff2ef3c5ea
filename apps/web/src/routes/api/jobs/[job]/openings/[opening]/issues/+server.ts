import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { freezePlan, loadPart, openingOfPart } from '$lib/server/services/openings.ts';
import { text } from '$lib/texts/en.ts';
import { planOpening, type Issue } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import { z } from 'zod';

/** Newest frozen version the sender knew; 0 when there was none. */
const body = z.strictObject({ after: z.int().nonnegative() });

/** Freezes the plan as it is stored now. */
export const POST = async ({ params, request, locals }) => {
  const { after } = await readBody(request, body);
  const db = database();
  const context = await loadContext(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!context || !part || !locals.person) error(404, text.errors.noOpening);
  const { build, opening, wall, unit, method } = planOpening(openingOfPart(part), context);
  if (!build || !wall || !unit || !method) error(409, text.errors.noPlan);
  const issue: Issue = {
    version: after + 1,
    person: locals.person.name,
    at: new Date().toISOString(),
    opening,
    wall,
    unit,
    method,
    steps: build.steps.map(({ id, hash }) => ({ id, hash })),
  };
  const newest = part.issues.at(-1)?.version ?? 0;
  if (newest !== after || !(await freezePlan(db, params.job, issue))) error(409, text.errors.frozenMeanwhile);
  return json({ version: issue.version }, { status: 201 });
};
