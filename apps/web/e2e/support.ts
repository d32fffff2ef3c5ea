/** Signing in, and watching for what must never happen on a page. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';

export const test = base.extend<{ refusalsExpected: boolean; quiet: void }>({
  baseURL: async ({ browserName: _browser }, use) => use(process.env.HULVEK_BASE),
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

export async function signIn(page: Page, email = 'ines@demo.invalid'): Promise<void> {
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
  await page.getByLabel('Mark', { exact: true }).fill(mark);
  await page.getByLabel('Façade').fill('North');
  if (unit) await page.locator('select[name=unit]').selectOption({ label: unit });
  await page.getByRole('button', { name: 'Add and measure' }).click();
  await expect(page).toHaveURL(/\/measure$/);
  return new URL(page.url()).pathname.replace(/\/measure$/, '');
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
