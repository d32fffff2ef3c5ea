import { answerBody, shareBody } from '$lib/contract/shared.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { answerQuestion, makeShare, sharesIn } from '$lib/server/services/shares.ts';
import { revokeToken } from '$lib/server/services/tokens.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

export const GET = async ({ params }) =>
  json(await sharesIn(database(), params.job), { headers: { 'cache-control': 'no-store' } });

/** Makes a link; it is shown once. */
export const POST = async ({ params, request, locals }) => {
  if (!locals.person) error(401);
  const body = await readBody(request, shareBody);
  const secret = await makeShare(database(), { job: params.job, madeBy: locals.person.id, ...body });
  return json({ path: `/shared/${secret}` });
};

/** Answers a question. */
export const PUT = async ({ params, request, locals }) => {
  if (!locals.person) error(401);
  const body = await readBody(request, answerBody);
  if (!(await answerQuestion(database(), { job: params.job, user: locals.person.id, ...body })))
    error(404, errorsWords.notFound);
  return json({});
};

export const DELETE = async ({ params, url }) => {
  const id = z.uuid().safeParse(url.searchParams.get('link'));
  if (!id.success || !(await revokeToken(database(), params.job, id.data))) error(404, errorsWords.notFound);
  return json({});
};
