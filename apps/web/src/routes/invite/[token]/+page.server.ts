import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { LEAST_PASSWORD, openSession } from '$lib/server/services/accounts.ts';
import { passwordProblem } from '$lib/server/services/passwords.ts';
import { readInvite, register, useInvite } from '$lib/server/services/people.ts';
import { setSession } from '$lib/server/session.ts';
import { inviteWords, passwordWords } from '$words/people.ts';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

export const load = async ({ params }) => ({ invite: await readInvite(database(), params.token) });

const form = z.object({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(120)),
  email: z.email().check(z.maxLength(200)),
  password: z.string().check(z.minLength(LEAST_PASSWORD), z.maxLength(200)),
});

export const actions = {
  join: async ({ params, locals }) => {
    const joined = locals.person && (await useInvite(database(), params.token, locals.person.id));
    if (!joined) return fail(410, { problem: inviteWords.gone });
    if (!joined.spent) return fail(409, { problem: inviteWords.already, job: joined.job });
    redirect(303, `/jobs/${joined.job}`);
  },
  register: async ({ params, request, cookies, url }) => {
    const db = database();
    const parsed = form.safeParse(await formFields(request));
    if (!parsed.success) return fail(400, { problem: inviteWords.incomplete(LEAST_PASSWORD) });
    const weak = passwordProblem(parsed.data.password, [parsed.data.name, parsed.data.email]);
    if (weak) return fail(400, { problem: passwordWords[weak] });
    // Nobody makes an account without a link that still holds.
    if (!(await readInvite(db, params.token))) return fail(410, { problem: inviteWords.gone });
    const made = await register(db, params.token, parsed.data);
    if (!made.ok) return fail(made.because === 'taken' ? 409 : 410, { problem: inviteWords[made.because] });
    const agent = request.headers.get('user-agent') ?? '';
    setSession(cookies, await openSession(db, made.user, agent), url);
    redirect(303, `/jobs/${made.job}`);
  },
};
