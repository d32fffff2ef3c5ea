import { toldBody } from '$lib/contract/told.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { makeTold, toldIn } from '$lib/server/services/told.ts';
import { revokeToken } from '$lib/server/services/tokens.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

export const GET = async ({ params }) => json(await toldIn(database(), params.job));

/** Makes links that tell notices; each is shown once. */
export const POST = async ({ params, request, locals }) => {
  if (!locals.person) error(401);
  const { kind, list } = await readBody(request, toldBody);
  const secrets = await makeTold(database(), { job: params.job, kind, list, madeBy: locals.person.id });
  const root = kind === 'notice' ? '/told' : '/signs';
  return json({ paths: secrets.map((secret) => `${root}/${secret}`) });
};

export const DELETE = async ({ params, url }) => {
  const id = z.uuid().safeParse(url.searchParams.get('link'));
  if (!id.success || !(await revokeToken(database(), params.job, id.data))) error(404, errorsWords.notFound);
  return json({});
};
