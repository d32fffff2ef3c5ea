import { formFields } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { signIn, userByEmail } from '$lib/server/services/accounts.ts';
import { note } from '$lib/server/services/audit.ts';
import { gotIn, mayTry } from '$lib/server/services/tries.ts';
import { DEMO_PASSWORD, DEMO_PEOPLE } from '$lib/server/services/demo.ts';
import { nextPage } from '$lib/server/next-page.ts';
import { mayUseDemo } from '$lib/server/demo-access.ts';
import { setSession } from '$lib/server/session.ts';
import { signInWords } from '$words/people.ts';
import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod/mini';

const form = z.object({
  email: z.string().check(z.trim(), z.minLength(1), z.maxLength(200)),
  password: z.string().check(z.minLength(1), z.maxLength(200)),
});

const isDemo = (email: string): boolean =>
  DEMO_PEOPLE.some((person) => person.email.toLowerCase() === email.trim().toLowerCase());

export const load = ({ locals, request, getClientAddress }) => {
  if (locals.person) redirect(303, '/jobs');
  const demo =
    process.env.HULVEK_DEMO === 'off' || !mayUseDemo(getClientAddress(), request.headers)
      ? null
      : { email: DEMO_PEOPLE[0]?.email ?? '', password: DEMO_PASSWORD };
  return { demo };
};

export const actions = {
  default: async ({ request, cookies, url, getClientAddress }) => {
    const parsed = form.safeParse(await formFields(request));
    const email = parsed.success ? parsed.data.email : '';
    if (!parsed.success) return fail(400, { email, problem: signInWords.incomplete });
    const db = database();
    const knock = { account: email, address: getClientAddress() };
    if (isDemo(email) && !mayUseDemo(knock.address, request.headers))
      return fail(403, { email, problem: signInWords.demoElsewhere });
    if (!(await mayTry(db, knock))) return fail(429, { email, problem: signInWords.tooMany });
    const agent = request.headers.get('user-agent') ?? '';
    const token = await signIn(db, email, parsed.data.password, agent);
    const user = await userByEmail(db, email);
    if (!token) {
      await note(db, { action: 'not-signed-in', user });
      return fail(401, { email, problem: signInWords.wrong });
    }
    await gotIn(db, knock);
    await note(db, { action: 'signed-in', user });
    setSession(cookies, token, url);
    redirect(303, nextPage(url.searchParams.get('next')));
  },
};
