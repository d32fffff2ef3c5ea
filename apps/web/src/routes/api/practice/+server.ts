import { answersBody, sharingBody } from '$lib/contract/practice.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { practiceOf, setSharing, takeAnswers } from '$lib/server/services/practice.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';

const FRESH = { headers: { 'cache-control': 'no-store' } };

/** Somebody's own practice. */
export const GET = async ({ locals }) => {
  if (!locals.person) error(401);
  return json(await practiceOf(database(), locals.person.id), FRESH);
};

/** Takes answers from a device. */
export const POST = async ({ request, locals }) => {
  if (!locals.person) error(401);
  const { answers } = await readBody(request, answersBody);
  await takeAnswers(database(), locals.person.id, answers);
  return json({});
};

/** Lets the leads of a job see the skills, or no more. */
export const PUT = async ({ request, locals }) => {
  if (!locals.person) error(401);
  const body = await readBody(request, sharingBody);
  if (!(await setSharing(database(), { user: locals.person.id, ...body }))) error(404, errorsWords.noJob);
  return json({});
};
