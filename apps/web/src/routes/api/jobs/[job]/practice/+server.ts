import { roundBody, type JobPractice } from '$lib/contract/practice.ts';
import { may } from '$lib/contract/rights.ts';
import { beside } from '$lib/server/beside/threads.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { endRound, makeRound, roundsOf, sharersOf } from '$lib/server/services/practice.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** Rounds of the job; for leads the skills of those who allow it. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const rounds = await roundsOf(db, params.job);
  const leads = may(locals.role, 'settings');
  const { people, others } = leads ? await sharersOf(db, params.job) : { people: [], others: 0 };
  const answer: JobPractice = {
    rounds,
    people: leads ? await beside('skillsOfPeople', { people, now_ms: Date.now() }) : null,
    others,
  };
  return json(answer, { headers: { 'cache-control': 'no-store' } });
};

export const POST = async ({ params, request, locals }) => {
  if (!locals.person) error(401);
  const body = await readBody(request, roundBody);
  return json({ id: await makeRound(database(), { job: params.job, madeBy: locals.person.id, ...body }) });
};

export const DELETE = async ({ params, url }) => {
  const id = z.uuid().safeParse(url.searchParams.get('round'));
  if (!id.success || !(await endRound(database(), params.job, id.data))) error(404, errorsWords.notFound);
  return json({});
};
