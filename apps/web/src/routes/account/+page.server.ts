import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import {
  changePassword,
  endSession,
  eraseAccount,
  LEAST_PASSWORD,
  sessionsOf,
  signOutEverywhere,
} from '$lib/server/services/accounts.ts';
import { note } from '$lib/server/services/audit.ts';
import { passwordProblem } from '$lib/server/services/passwords.ts';
import { gotIn, mayTry } from '$lib/server/services/tries.ts';
import { clearSession, SESSION_COOKIE } from '$lib/server/session.ts';
import { accountWords, passwordWords, signInWords } from '$words/people.ts';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const text = z.string().check(z.maxLength(200));
const passwordForm = z.object({ old: text, next: text });
const eraseForm = z.object({ password: text });

export const load = async ({ locals, cookies }) => ({
  sessions: locals.person
    ? await sessionsOf(database(), locals.person.id, cookies.get(SESSION_COOKIE) ?? '')
    : [],
});

export const actions = {
  password: async ({ request, locals, cookies, getClientAddress }) => {
    const parsed = passwordForm.safeParse(await formFields(request));
    const { person } = locals;
    if (!parsed.success || !person) return fail(400, { problem: accountWords.short(LEAST_PASSWORD) });
    const db = database();
    // Whoever has the session may guess at the old password no more often than at the door.
    const knock = { account: `old ${person.id}`, address: getClientAddress() };
    if (!(await mayTry(db, knock))) return fail(429, { problem: signInWords.tooMany });
    const weak = passwordProblem(parsed.data.next, [person.name, person.email]);
    if (weak) return fail(400, { problem: passwordWords[weak] });
    const change = { ...parsed.data, user: person.id, keep: cookies.get(SESSION_COOKIE) ?? '' };
    if (!(await changePassword(db, change))) return fail(400, { problem: accountWords.wrong });
    await gotIn(db, knock);
    await note(db, { action: 'password-changed', user: person.id });
    return { changed: true };
  },
  end: async ({ request, locals }) => {
    const parsed = z.object({ session: z.uuid() }).safeParse(await formFields(request));
    if (!parsed.success || !locals.person) return fail(400, { problem: accountWords.gone });
    await endSession(database(), locals.person.id, parsed.data.session);
    await note(database(), { action: 'sessions-ended', user: locals.person.id });
    return { ended: true };
  },
  everywhere: async ({ locals, cookies, url }) => {
    if (locals.person) {
      await signOutEverywhere(database(), locals.person.id);
      await note(database(), { action: 'sessions-ended', user: locals.person.id });
    }
    clearSession(cookies, url);
    redirect(303, '/sign-in');
  },
  erase: async ({ request, locals, cookies, url, getClientAddress }) => {
    const parsed = eraseForm.safeParse(await formFields(request));
    const { person } = locals;
    if (!parsed.success || !person) return fail(400, { problem: accountWords.wrong });
    const db = database();
    if (!(await mayTry(db, { account: `old ${person.id}`, address: getClientAddress() })))
      return fail(429, { problem: signInWords.tooMany });
    const done = await eraseAccount(db, person.id, parsed.data.password);
    if (done === 'wrong-password') return fail(400, { problem: accountWords.wrong });
    if (done === 'only-owner') return fail(409, { problem: accountWords.onlyOwner });
    await note(db, { action: 'erased', user: person.id });
    clearSession(cookies, url);
    redirect(303, '/sign-in');
  },
};
