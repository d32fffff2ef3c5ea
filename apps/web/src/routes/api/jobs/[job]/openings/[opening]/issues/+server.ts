import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { freezePlan, reasonMissing } from '$lib/server/services/frozen-plans.ts';
import { loadPart, openingOfPart } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { issueOf, issueSchema, planOpening, versionsBefore } from '@hulvek/core';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** Newest frozen version the sender knew; 0 when there was none. */
const body = z.strictObject({ after: versionsBefore, despite: issueSchema.shape.despite });

/** Freezes the plan as it is stored now. */
export const POST = async ({ params, request, locals }) => {
  const { after, despite } = await readBody(request, body);
  const db = database();
  const context = await loadContext(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!context || !part || !locals.person) error(404, errorsWords.noOpening);
  const opening = openingOfPart(part);
  if (reasonMissing(part, opening, context, despite)) error(409, errorsWords.reasonNeeded);
  const plan = planOpening(opening, context);
  const { id: account, name: person } = locals.person;
  const at = new Date().toISOString();
  const of = { version: after + 1, person, account, at, ...(despite && { despite }) };
  const issue = issueOf(plan, of);
  if (!issue) error(409, errorsWords.noPlan);
  const newest = part.issues.at(-1)?.version ?? 0;
  if (newest !== after || !(await freezePlan(db, params.job, issue, account)))
    error(409, errorsWords.frozenMeanwhile);
  return json({ version: issue.version }, { status: 201 });
};
