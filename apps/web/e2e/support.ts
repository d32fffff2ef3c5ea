/** Signing in, and watching for what must never happen on a page. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { serve, type Served } from './server.ts';

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;

/** Cookies of people who signed in once, by server and e-mail: every later sign-in is a cookie. */
const signedIn = new Map<string, Cookies>();

export const test = base.extend<{ refusalsExpected: boolean; quiet: void }, { server: Served }>({
  /** Files share no server with those of another worker. */
  server: [
    async ({ browserName: _browser }, use) => {
      const served = await serve();
      process.env.HULVEK_BASE = served.base;
      process.env.HULVEK_DATABASE = served.database;
      await use(served);
      await served.stop();
    },
    { scope: 'worker', auto: true, timeout: 60_000 },
  ],
  baseURL: async ({ server }, use) => use(server.base),
  /** Set where a request is meant to fail: the browser itself writes that to the console. */
  refusalsExpected: [false, { option: true }],
  /** Fails a test whose page wrote an error to the console. */
  quiet: [
    async ({ page, refusalsExpected }, use) => {
      const errors: string[] = [];
      page.on('console', (message) => {
        const refused = refusalsExpected && message.text().startsWith('Failed to load resource');
        if (message.type() === 'error' && !refused) errors.push(message.text());
      });
      page.on('pageerror', (error) => errors.push(error.message));
      await use();
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Signs somebody in: by the form the first time, with the cookie that came of it later. */
export async function signIn(page: Page, email = 'ines@demo.invalid'): Promise<void> {
  const key = `${process.env.HULVEK_BASE} ${email}`;
  const cookies = signedIn.get(key);
  if (cookies) {
    await page.context().addCookies(cookies);
    await page.goto('/jobs');
    if (new URL(page.url()).pathname === '/jobs') return;
    // Signed out everywhere meanwhile.
    await page.context().clearCookies();
  }
  await signInByForm(page, email);
  signedIn.set(key, await page.context().cookies());
}

/** Figures by each job again: another test may have chosen for this account what it reads in. */
export const readByJob = (page: Page): Promise<boolean> =>
  page.evaluate(async () => {
    const response = await fetch('/api/me', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ reads: null }),
    });
    return response.ok;
  });

export async function signInByForm(page: Page, email = 'ines@demo.invalid'): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('level-and-plumb');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page).toHaveURL(/\/jobs$/);
}

/** Makes a new opening in the demo job by its form; returns the path of its stages. */
export async function newOpening(
  page: Page,
  mark: string,
  unit: string | null = 'Type B, casement',
): Promise<string> {
  await page.goto('/jobs/skarv-point');
  const form = page.getByRole('region', { name: /^Add an opening/ });
  await form.getByLabel('Marks', { exact: true }).fill(mark);
  await form.getByLabel('Façade').fill('North');
  if (unit) await form.getByRole('combobox', { name: 'Unit', exact: true }).selectOption({ label: unit });
  await form.getByRole('button', { name: 'Add 1 opening' }).click();
  await expect(page).toHaveURL(/\/measure$/);
  return new URL(page.url()).pathname.replace(/\/measure$/, '');
}

/** Freezes the plan of the opening that is open; where something fails or is not known, with a reason. */
export async function startInstalling(page: Page): Promise<void> {
  const start = page.getByRole('button', { name: /^Freeze .* and start$/ });
  // The plan of a first visit may take its time where other tests keep the machine busy.
  await expect(start).toBeVisible({ timeout: 60_000 });
  const reason = page.getByLabel(/^Reason; it stands in the plan/);
  // On a slow machine a press may count although it was not told of in time: the button is then gone.
  await expect(async () => {
    if (await reason.isVisible()) await reason.fill('a trial wall', { timeout: 1000 });
    if (await start.isVisible()) await start.click({ timeout: 1000 });
    await expect(start).toBeHidden({ timeout: 3000 });
  }).toPass({ timeout: 60_000 });
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();

export async function expectAccessible(page: Page): Promise<void> {
  // Pages of a job are worked out in the browser: an empty page has nothing to find.
  await expect(page.locator('h1').first()).toBeVisible();
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}

/** The line on an opening that says how far its work is, whatever number of steps it has. */
export const stepsDone = (page: Page, done: number): Locator =>
  page.getByText(new RegExp(`(^|\\D)${done} of \\d+ steps done`)).last();
