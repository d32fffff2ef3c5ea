import type { APIRequestContext } from '@playwright/test';
import { may, roles, type Role } from '../src/lib/contract/rights.ts';
import { ACCESS } from '../src/lib/server/access.ts';
import { expect, signIn, test } from './support.ts';

const base = () => process.env.HULVEK_BASE ?? '';
const PASSWORD = 'level-and-plumb';
const WHO: Record<Role, string> = {
  owner: 'ines',
  lead: 'tove',
  installer: 'jonas',
  inspector: 'maret',
  viewer: 'eilif',
};
const ACTION_HEADERS = { 'x-sveltekit-action': 'true', accept: 'application/json' };

const enter = async (request: APIRequestContext, email: string, password = PASSWORD) => {
  const answer = await request.post('/sign-in', {
    headers: { origin: base(), accept: 'text/html' },
    form: { email, password },
    maxRedirects: 0,
  });
  expect(answer.status()).toBe(303);
};

/** A stream has no end to wait for: its first line says who is let in. */
async function knockAtStream(request: APIRequestContext, url: string): Promise<'let in' | 'refused'> {
  const { cookies } = await request.storageState();
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join('; ');
  const answer = await fetch(`${base()}${url}`, { headers: { cookie } });
  await answer.body?.cancel();
  return answer.ok ? 'let in' : 'refused';
}

/** Sends a request that carries nothing sensible, so that whoever is let through changes nothing. */
async function knock(request: APIRequestContext, key: string): Promise<'let in' | 'refused'> {
  const [method = 'GET', address = ''] = key.split(' ');
  const url = address
    .replace('[job]', 'skarv-point')
    .replace('[opening]', 'skarv-s-01')
    .replace('[stage=stage]', 'measure')
    .replace('[token]', 'no-such-token')
    .replace('[photo]', 'no-such-photo')
    .replace('[kind]', 'methods')
    .replace('[item]', 'pocket')
    .replace('[task]', 'no-such-task');
  if (address.endsWith('/changes')) return knockAtStream(request, url);
  const answer = await request.fetch(url, {
    method,
    headers: { origin: base(), ...(address.includes('?/') ? ACTION_HEADERS : {}) },
    ...(method === 'GET' ? {} : address.startsWith('/api') ? { data: {} } : { form: {} }),
    maxRedirects: 0,
  });
  const status = answer.status();
  if (status === 401 || status === 403 || status === 405) return 'refused';
  if (status === 303 && (answer.headers().location ?? '').startsWith('/sign-in?next=')) return 'refused';
  // A form sent by script is answered in JSON, a redirect too.
  if (status === 200 && method === 'POST' && /"redirect".*\/sign-in\?next=/.test(await answer.text()))
    return 'refused';
  if (status === 404 && (await answer.text()).includes('There is no such job')) return 'refused';
  expect(status, `${key} answered`).toBeLessThan(500);
  return 'let in';
}

test('every address × every role, somebody signed in without a role, and a stranger', async ({
  playwright,
  page,
  browser,
}) => {
  // Somebody with an account who belongs to no job: invited, then removed.
  await signIn(page);
  await page.goto('/jobs/skarv-point/people');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = (await page.getByRole('link', { name: /\/invite\// }).getAttribute('href')) ?? '';
  const guest = await (await browser.newContext()).newPage();
  await guest.goto(link);
  await guest.getByLabel('Your name').fill('Runa Lyng');
  await guest.getByLabel('E-mail').fill('runa@demo.invalid');
  await guest.getByLabel('Password').fill('short');
  await guest.getByRole('button', { name: 'Make an account' }).click();
  await expect(guest.getByRole('alert')).toContainText('at least 10 characters');
  await guest.getByLabel('Your name').fill('Runa Lyng');
  await guest.getByLabel('E-mail').fill('runa@demo.invalid');
  await guest.getByLabel('Password').fill(PASSWORD);
  await guest.getByRole('button', { name: 'Make an account' }).click();
  await expect(guest).toHaveURL(/\/jobs\/skarv-point$/);
  await page.reload();
  page.once('dialog', (dialog) => dialog.accept());
  await page.getByRole('button', { name: /^Remove\s*, Runa Lyng$/ }).click();
  await expect(page.getByRole('button', { name: /^Remove\s*, Runa Lyng$/ })).toHaveCount(0);
  await guest.goto(link);
  await expect(guest.getByRole('alert')).toContainText('used already');
  // Some of the knocks end these people's sessions: a page left open would ask on and be refused.
  await page.goto('about:blank');
  await guest.context().close();

  const people: { name: string; role: Role | null; signedIn: boolean; email: string }[] = [
    ...roles.map((role) => ({ name: role, role, signedIn: true, email: `${WHO[role]}@demo.invalid` })),
    { name: 'no role', role: null, signedIn: true, email: 'runa@demo.invalid' },
    { name: 'stranger', role: null, signedIn: false, email: '' },
  ];
  // Signing out last: it ends the session the other requests need.
  const keys = Object.keys(ACCESS).sort(
    (a, b) => Number(/sign-out|everywhere/.test(a)) - Number(/sign-out|everywhere/.test(b)),
  );
  const table: Record<string, Record<string, string>> = {};
  const wrong: string[] = [];
  for (const person of people) {
    for (const key of keys) {
      // A session each: some of the addresses end it.
      const request = await playwright.request.newContext({ baseURL: base() });
      if (person.signedIn) await enter(request, person.email);
      const access = ACCESS[key] ?? 'people';
      const allowed =
        access === 'open' ||
        access === 'token' ||
        (person.signedIn &&
          (access === 'person' ||
            (access === 'keeper' ? person.role === 'owner' : may(person.role, access))));
      const seen = await knock(request, key);
      (table[key] ??= {})[person.name] = seen === 'let in' ? 'yes' : '·';
      if ((seen === 'let in') !== allowed) wrong.push(`${person.name}: ${key} ${seen}`);
      await request.dispose();
    }
  }
  console.table(table);
  expect(wrong).toEqual([]);
});
