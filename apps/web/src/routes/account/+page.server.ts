import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { changePassword, LEAST_PASSWORD, signOutEverywhere } from '$lib/server/services/accounts.ts';
import { clearSession, SESSION_COOKIE } from '$lib/server/session.ts';
import { accountWords } from '$words/people.ts';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const form = z.object({
  old: z.string().check(z.maxLength(200)),
  next: z.string().check(z.minLength(LEAST_PASSWORD), z.maxLength(200)),
});

export const actions = {
  password: async ({ request, locals, cookies }) => {
    const parsed = form.safeParse(await formFields(request));
    if (!parsed.success || !locals.person) return fail(400, { problem: accountWords.short(LEAST_PASSWORD) });
    const change = { ...parsed.data, user: locals.person.id, keep: cookies.get(SESSION_COOKIE) ?? '' };
    if (!(await changePassword(database(), change))) return fail(400, { problem: accountWords.wrong });
    return { changed: true };
  },
  everywhere: async ({ locals, cookies, url }) => {
    if (locals.person) await signOutEverywhere(database(), locals.person.id);
    clearSession(cookies, url);
    redirect(303, '/sign-in');
  },
};
