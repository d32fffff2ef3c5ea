/** On a phone, without a network: measured at the step, a fault that stops what would cover it, mended and looked at again. */
import { chromium } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { logSchema, verifyLog } from '@hulvek/core';
import type { Pack } from '../src/lib/contract/pack.ts';
import { launchArguments } from '../playwright.config.ts';
import { lineTo } from './cuttable-line.ts';
import { expect, expectAccessible, signIn, startInstalling, test } from './support.ts';

const JOB = '/jobs/skarv-point';

test('a figure out of its limits is measured again, a fault waits for its mend and a second look, all of it offline', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'ines@demo.invalid');
  // No other test works at this opening.
  await page.goto(`${JOB}/skarv-s-04/install`);
  const begun = page.locator('details[data-status]').first();
  const start = page.getByRole('button', { name: /^Freeze .* and start$/ });
  await expect(start.or(begun).first()).toBeVisible();
  if (await start.isVisible()) await startInstalling(page);
  await expect(begun).toBeVisible({ timeout: 30_000 });

  const line = await lineTo(new URL(process.env.HULVEK_BASE ?? ''));
  const phone = await chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'hulvek-phone-')), {
    executablePath: '/usr/bin/chromium',
    args: launchArguments,
    viewport: { width: 390, height: 844 },
    baseURL: line.base,
  });
  const site = await phone.newPage();
  await signIn(site, 'jonas@demo.invalid');
  await site.goto(`${JOB}/skarv-s-04/install`);
  await expect(site.locator('details[data-status]').first()).toBeVisible();
  await site.waitForFunction(() => navigator.serviceWorker?.controller);
  line.cut();

  // Ticks on until the pan lies, with looks by whoever may where the job asks for them.
  const next = site.locator('details[data-status="open"][open]').first();
  const pan = site.locator('details[data-status]').filter({ hasText: /pan/i }).first();
  for (let n = 0; n < 12; n++) {
    if ((await pan.getAttribute('data-status')) === 'open') break;
    await next.getByRole('button', { name: 'Done', exact: true }).click();
    await site.waitForTimeout(250);
  }
  await expect(pan).toHaveAttribute('data-status', 'open');
  const measured = pan.getByTestId('measured');
  const surface = measured.getByLabel(/^Temperature of the surface/);
  await surface.fill('cold');
  await measured.getByRole('button', { name: 'Keep' }).first().click();
  await expect(measured.getByRole('alert')).toContainText('does not read as a figure');
  await surface.fill('-9');
  await measured.getByRole('button', { name: 'Keep' }).first().click();
  await expect(measured).toContainText('warm or shade it, or wait');
  await surface.fill('12');
  await measured.getByRole('button', { name: 'Keep' }).first().click();
  await expect(measured).toContainText('2 times so far');
  await expect(measured).not.toContainText('warm or shade it, or wait');
  // At its end, where the bar at the thumb lies over nothing.
  await site.evaluate(() => scrollTo(0, document.documentElement.scrollHeight));
  await expectAccessible(site);

  await pan.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(pan).not.toHaveAttribute('data-status', 'open');
  if (!(await pan.evaluate((card: HTMLDetailsElement) => card.open))) await pan.locator('summary').click();
  await pan.getByRole('button', { name: 'Fault', exact: true }).click();
  const form = pan.getByTestId('fault-form');
  await expect(form).toContainText(/To be mended before/);
  await form.getByLabel('What is wrong, in words').fill('a hole at the left corner');
  await form.getByRole('button', { name: 'Note the fault' }).click();
  const faults = pan.getByTestId('faults');
  await expect(faults).toContainText('a hole at the left corner');
  await faults.getByLabel('How it was mended').fill('a patch over it');
  await faults.getByRole('button', { name: 'Mended' }).click();
  // Whoever mended it is not the one who looks again.
  await expect(faults.getByRole('button', { name: 'Looked again: good' })).toBeDisabled();
  await expectAccessible(site);

  line.mend();
  await site.reload();
  await expect(site.getByText(/waits|Kept on this device/).first()).toBeHidden({ timeout: 60_000 });

  // Somebody else: the list of the job, then the look.
  await page.goto(`${JOB}/punch`);
  const row = page.getByTestId('punch').locator('li').filter({ hasText: 'a hole at the left corner' });
  await expect(row).toContainText('mended, to be looked at again', { timeout: 30_000 });
  await expectAccessible(page);
  await row.getByRole('link').click();
  const again = page.getByTestId('faults');
  const card = page.locator('details[data-status]').filter({ has: again });
  await expect(card).toHaveCount(1);
  if (!(await card.evaluate((one: HTMLDetailsElement) => one.open))) await card.locator('summary').click();
  await again.getByRole('button', { name: 'Looked again: good' }).click();
  await expect(again).toContainText('closed');
  await page.goto(`${JOB}/punch`);
  await expect(page.getByText('None of these.')).toBeVisible();

  // The step that covers the pan says what it hides; covered unseen, it stays on the list with its reason.
  await page.goto(`${JOB}/skarv-s-04/install`);
  const cover = page
    .getByTestId('cover-list')
    .filter({ hasText: /\bpan\b/i })
    .first();
  // Cards of steps that are done are folded away.
  const cards = page.locator('details[data-status]:not([data-status="done"])');
  await expect(cards.first()).toBeVisible();
  for (const one of await cards.all()) {
    if (!(await one.evaluate((card: HTMLDetailsElement) => card.open))) await one.locator('summary').click();
    if (await cover.isVisible()) break;
  }
  await expect(cover).toContainText(/of \d+ something was not seen/);
  await cover.getByRole('button', { name: 'Cover it all the same …' }).click();
  await cover.getByLabel(/^Why it is covered unseen/).fill('rain is coming');
  await cover.getByRole('button', { name: 'Put it on the punch list' }).click();
  await page.goto(`${JOB}/punch`);
  await expect(page.getByTestId('punch')).toContainText('Covered unseen: rain is coming');

  // The day is closed with the head of the log, and the log verifies against it: what the phone made offline too.
  await page.goto(`${JOB}/day`);
  await expect(page.getByTestId('day-people')).toContainText('Jonas');
  await expectAccessible(page);
  await page.getByLabel('Words of the day').fill('cold and dry');
  await page.getByRole('button', { name: 'Close the day' }).click();
  await expect(page.getByTestId('closed')).toContainText(/Receipt \d+, head [0-9a-f]{64}/);
  const log = logSchema.parse(await (await page.request.get(`${JOB}/log`)).json());
  const pack = (await (await page.request.get(`/api${JOB}/pack`)).json()) as Pack;
  const kept = pack.context.job.days?.at(-1)?.head;
  if (!kept) throw new Error('the day has no head');
  const verdict = verifyLog(log, [kept]);
  expect(verdict.problems).toEqual([]);
  expect(verdict.gaps).toEqual([]);
  expect(log.entries.some((entry) => typeof entry.previous === 'string' && entry.previous !== '')).toBe(true);
  await phone.close();
  line.close();
});
