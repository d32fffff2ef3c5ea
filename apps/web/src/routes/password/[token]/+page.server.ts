import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { openSession } from '$lib/server/services/accounts.ts';
import { namesOf } from '$lib/server/services/names.ts';
import { passwordProblem } from '$lib/server/services/passwords.ts';
import { passwordByLink } from '$lib/server/services/people.ts';
import { readToken } from '$lib/server/services/tokens.ts';
import { setSession } from '$lib/server/session.ts';
import { newPasswordWords, passwordWords } from '$words/people.ts';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const form = z.object({ password: z.string() });

export const load = async ({ params }) => {
  const db = database();
  const token = await readToken(db, 'password', params.token);
  return { name: token?.userId ? (await namesOf(db, [token.userId])).account(token.userId) : null };
};

export const actions = {
  default: async ({ params, request, cookies, url }) => {
    const db = database();
    const parsed = form.safeParse(await formFields(request));
    const weak = parsed.success ? passwordProblem(parsed.data.password) : 'too-short';
    if (weak || !parsed.success) return fail(400, { problem: passwordWords[weak ?? 'too-short'] });
    const user = await passwordByLink(db, params.token, parsed.data.password);
    if (user === null) return fail(410, { problem: newPasswordWords.gone });
    setSession(cookies, await openSession(db, user, request.headers.get('user-agent') ?? ''), url);
    redirect(303, '/jobs');
  },
};
