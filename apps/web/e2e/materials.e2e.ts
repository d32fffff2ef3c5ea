/** Material: counted, ordered late and waited for, rained on, cut on the phone; prices for those who settle things. */
import { expect, expectAccessible, signIn, startInstalling, test } from './support.ts';
import type { Page } from '@playwright/test';

const JOB = '/jobs/skarv-point';

/** Takes a plan of the work, where none was taken yet. */
async function takePlan(page: Page): Promise<void> {
  await page.goto(`${JOB}/calendar`);
  const plan = page.getByRole('button', { name: 'Plan the work' });
  const taken = page.getByText(/^Taken by /);
  await expect(plan.or(taken).first()).toBeVisible({ timeout: 30_000 });
  if (await taken.isVisible()) return;
  await plan.click({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Stop/ }).click({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Take this plan' }).click({ timeout: 30_000 });
  await expect(taken).toBeVisible({ timeout: 30_000 });
}

/** Plans again with the least change what cannot stay, and takes it. */
async function mend(page: Page): Promise<void> {
  const cannot = page.getByText(/of the plan cannot stay/);
  await expect(cannot).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Re-plan with the least change' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click({ timeout: 60_000 });
  await expect(cannot).toHaveCount(0, { timeout: 60_000 });
}

test('a late unit and a day of rain go through the calendar, the days to order by, and Today', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await signIn(page, 'tove@demo.invalid');
  await takePlan(page);

  await page.goto(`${JOB}/materials`);
  const list = page.getByTestId('takeoff');
  await expect(list).toContainText('flashing tape, 100', { timeout: 30_000 });
  await list.getByRole('button', { name: /^corner tape/ }).click();
  await expect(list.getByRole('link', { name: 'S-01' }).first()).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('button', { name: /^Order early/ }).click();
  const early = page.getByTestId('early');
  const row = early.locator('> li').filter({ hasText: 'Type A, fixed' });
  await expect(row).toContainText(/should be ordered by now|order this week|order later/);
  const needed = await row.textContent();
  await row.getByRole('button', { name: 'Note' }).click();
  await row.getByLabel('What happened').selectOption('promised');
  await row.getByRole('button', { name: 'Note it' }).click();
  await expect(row.getByRole('alert')).toHaveText('Say for which day it is promised.');
  const late = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
  await row.getByLabel('Promised for').fill(late);
  await row.getByRole('button', { name: 'Note it' }).click();
  await expect(row).toContainText('Holds up N-01, N-02');
  await expectAccessible(page);

  // What is planned for before it comes cannot stay, and is planned for after.
  await row.getByRole('link', { name: 'Plan again in the calendar' }).click();
  await mend(page);
  await page.goto(`${JOB}/materials`);
  await page.getByRole('button', { name: /^Order early/ }).click({ timeout: 30_000 });
  await expect(row).toContainText('on its way, in time', { timeout: 30_000 });
  expect(await row.textContent()).not.toBe(needed);

  // It rains on the day after tomorrow that somebody works on: nothing outside stays on it.
  await page.goto(`${JOB}/calendar`);
  const bars = page.locator('[data-bar]');
  await expect(bars.first()).toBeVisible({ timeout: 60_000 });
  await page.goto(`${JOB}/today`);
  const days = page.getByRole('combobox', { name: /^Day/ });
  const wet = (await days.locator('option').nth(2).getAttribute('value')) ?? '';
  await days.selectOption(wet);
  // “Dry fit” is no work that has to be dry.
  const outside = page.locator('ol > li').filter({ hasText: 'dry faces' });
  await expect(page.locator('ol > li').first()).toBeVisible();
  const before = await outside.count();
  await page.goto(`${JOB}/calendar`);
  await page.getByRole('button', { name: 'Crew, hours, weather' }).click({ timeout: 60_000 });
  const settings = page.getByTestId('calendar-settings');
  await settings.getByRole('radio', { name: 'typed by day' }).check();
  if ((await settings.getByLabel('Day', { exact: true }).count()) === 0)
    await settings.getByRole('button', { name: 'Add a day' }).click();
  await settings.getByLabel('Day', { exact: true }).first().fill(wet);
  await settings.getByLabel('Rain, mm', { exact: true }).first().fill('18');
  await settings.getByRole('button', { name: 'Save' }).click();
  if (before > 0) await mend(page);
  await page.goto(`${JOB}/today`);
  await days.selectOption(wet);
  await expect(outside).toHaveCount(0);
});

test('what is cut is ticked on the phone, what is spoiled is used for others, and prices are not for everybody', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'ines@demo.invalid');
  await page.goto(`${JOB}/skarv-s-02/install`);
  const start = page.getByRole('button', { name: /^Freeze .* and start$/ });
  await expect(start.or(page.getByRole('button', { name: /^Done/ }).first()).first()).toBeVisible();
  if (await start.isVisible()) await startInstalling(page);

  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${JOB}/cutting`);
  const plans = page.getByTestId('cut-plan');
  const corner = plans.filter({ hasText: 'corner tape' });
  await expect(corner).toBeVisible({ timeout: 90_000 });
  const strips = corner.locator('li').filter({ hasText: 'S-02' });
  const all = await strips.count();
  expect(all).toBe(4);
  const count = page.getByTestId('cut-count');
  await expect(count).toContainText(/^\d+ of \d+ cut$/);
  const done = Number((await count.innerText()).split(' ')[0]);
  await strips.first().getByRole('checkbox').check();
  await expect(count).toContainText(`${done + 1} of`);
  await strips.first().getByRole('checkbox').uncheck();
  await expect(count).toContainText(`${done} of`);
  // Cut too short: what is left of it is there for shorter ones.
  await strips.nth(1).getByRole('button', { name: 'Spoiled' }).click();
  await strips.nth(1).getByLabel('How much of it is left?').fill('1100');
  await strips.nth(1).getByRole('button', { name: 'Keep as left-over' }).click();
  await expect(corner.getByText('left-over from the van')).toBeVisible({ timeout: 60_000 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expectAccessible(page);
  // The opening's log says it.
  await page.goto(`${JOB}/cutting`);
  await expect(corner.getByText('left-over from the van')).toBeVisible({ timeout: 90_000 });

  await page.context().clearCookies();
  await signIn(page, 'jonas@demo.invalid');
  const seen = async () => (await (await page.request.get(`/api${JOB}/pack`)).text()).includes('"price"');
  expect(await seen()).toBe(false);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${JOB}/materials`);
  await expect(page.getByTestId('takeoff')).toContainText('On the van', { timeout: 30_000 });
  await expect(page.getByTestId('takeoff')).not.toContainText('Cost');
  await expect(page.getByRole('button', { name: 'Van and prices' })).toHaveCount(0);
  expect((await page.request.get(`${JOB}/materials.pdf`)).status()).toBe(403);
  await page.context().clearCookies();
  await signIn(page, 'ines@demo.invalid');
  expect(await seen()).toBe(true);
  const pdf = await page.request.get(`${JOB}/materials.pdf`);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
});
