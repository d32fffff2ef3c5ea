import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { createUser, LEAST_PASSWORD, signIn } from '$lib/server/services/accounts.ts';
import { readInvite, useInvite } from '$lib/server/services/people.ts';
import { setSession } from '$lib/server/session.ts';
import { inviteWords } from '$words/people.ts';
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
    const job = locals.person && (await useInvite(database(), params.token, locals.person.id));
    if (!job) return fail(410, { problem: inviteWords.gone });
    redirect(303, `/jobs/${job}`);
  },
  register: async ({ params, request, cookies, url }) => {
    const db = database();
    const parsed = form.safeParse(await formFields(request));
    if (!parsed.success) return fail(400, { problem: inviteWords.incomplete(LEAST_PASSWORD) });
    // Nobody makes an account without a link that still holds.
    if (!(await readInvite(db, params.token))) return fail(410, { problem: inviteWords.gone });
    const user = await createUser(db, parsed.data);
    if (!user) return fail(409, { problem: inviteWords.taken });
    const job = await useInvite(db, params.token, user);
    const token = await signIn(db, parsed.data.email, parsed.data.password);
    if (!job || !token) return fail(410, { problem: inviteWords.gone });
    setSession(cookies, token, url);
    redirect(303, `/jobs/${job}`);
  },
};
