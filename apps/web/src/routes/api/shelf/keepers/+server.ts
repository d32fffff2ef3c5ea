import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { makeKeeper } from '$lib/server/services/shelf.ts';
import { shelfWords } from '$words/shelf.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

const body = z.strictObject({ email: z.email().check(z.maxLength(200)) });

/** Makes somebody with an account a keeper of the shelf. */
export const POST = async ({ request, locals }) => {
  const { email } = await readBody(request, body);
  if (!(await makeKeeper(database(), email, locals.person?.id ?? null))) error(404, shelfWords.noAccount);
  return json({});
};
