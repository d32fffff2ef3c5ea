/** A job's calendar: planned, taken, moved by keys, re-planned after an absence; a day on a phone without a network; the feed. */
import ICAL from 'ical.js';
import { chromium } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchArguments } from '../playwright.config.ts';
import { lineTo } from './cuttable-line.ts';
import { expect, expectAccessible, signIn, test } from './support.ts';

const JOB = '/jobs/skarv-point';

interface OwnEvent {
  readonly uid: string;
  readonly sequence: number;
  readonly status: string;
  readonly start: string;
  readonly text: string;
}
const eventsIn = (text: string): OwnEvent[] =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((event) => ({
    uid: String(event.getFirstPropertyValue('uid')),
    sequence: Number(event.getFirstPropertyValue('sequence')),
    status: String(event.getFirstPropertyValue('status')),
    start: String(event.getFirstPropertyValue('dtstart')),
    text: event.toString(),
  }));

test('the work is planned and taken, moved by keys, told why, re-planned after an absence, and read by other programs', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'tove@demo.invalid');
  await page.goto(`${JOB}/calendar`);
  const bars = page.locator('[data-bar]');
  const summary = page.getByTestId('summary');
  await page.getByRole('button', { name: 'Plan the work' }).click({ timeout: 30_000 });
  await expect(bars.first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Stop/ }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page.getByText(/^Taken by Tove Aas/)).toBeVisible({ timeout: 30_000 });
  await expect(summary).toContainText('Done');
  await expect(summary).toContainText('In the order of the list');
  await expect(page.getByText('Not in the calendar, because too little is known: W-03.')).toBeVisible();
  // In this view no bar is half under the row of the nights.
  await page.getByRole('button', { name: 'people', exact: true }).click();
  await expectAccessible(page);

  // A link of one's own: one's own work and nobody else's name.
  await page.getByText('In your own calendar').click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = (await page.locator('code').innerText()).trim();
  const feed = async () => eventsIn(await (await fetch(link)).text());
  const before = await feed();
  expect(before.length).toBeGreaterThan(20);
  expect(new Set(before.map(({ uid }) => uid)).size).toBe(before.length);
  expect(before.every(({ sequence, status }) => sequence === 0 && status === 'CONFIRMED')).toBe(true);
  expect(before.every(({ text, start }) => !/Jonas|Third/.test(text) && start.endsWith('Z'))).toBe(true);

  // The last bar of all, a quarter of an hour later, by keys alone.
  await page.getByRole('button', { name: 'openings', exact: true }).click();
  await bars.last().focus();
  const chosen = await bars.last().getAttribute('aria-label');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Why then and not earlier' })).toBeVisible();
  await page.keyboard.press('Shift+ArrowRight');
  const offered = page.getByRole('button', { name: 'Take this plan' });
  const refused = page.getByText(/^It cannot be then/);
  await expect(offered.or(refused).first()).toBeVisible();
  if (await refused.isVisible()) {
    // In the last quarter of the day it goes the other way.
    await page.keyboard.press('Shift+ArrowLeft');
  }
  if (await offered.isVisible()) {
    await expect(page.getByTestId('against')).toContainText('steps moved');
    await page.getByRole('button', { name: 'Leave it as it was' }).click();
    await expect(offered).toHaveCount(0);
    await expect(page.getByRole('button', { name: chosen ?? '', exact: true })).toBeVisible();
  }

  // Somebody is away on the first day: what cannot stay is told, and the plan is mended with the least change.
  await page.getByRole('button', { name: 'Crew, hours, weather' }).click();
  const settings = page.getByTestId('calendar-settings');
  const day = new Date(Math.min(...before.map(({ start }) => Date.parse(start)))).toISOString().slice(0, 10);
  await settings.getByLabel('Days off').first().fill(day);
  await settings.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/of the plan cannot stay/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Re-plan with the least change' }).click();
  await offered.click();
  await expect(page.getByText(/of the plan cannot stay/)).toHaveCount(0, { timeout: 30_000 });
  // The plan is on its way to the server for a moment after the page shows it.
  const stillOn = ({ start, status }: OwnEvent) => start.startsWith(day) && status === 'CONFIRMED';
  await expect.poll(async () => (await feed()).filter(stillOn)).toEqual([]);
  const after = await feed();
  const was = new Map(before.map((event) => [event.uid, event]));
  for (const event of after) {
    const old = was.get(event.uid);
    if (!old) continue;
    const moved = event.start !== old.start || event.status !== old.status;
    if (moved) expect(event.sequence).toBeGreaterThan(0);
    else if (event.sequence === 0) expect(event.start).toBe(old.start);
  }
  // Nothing is doubled, and what is no longer there is taken out.
  expect(new Set(after.map(({ uid }) => uid)).size).toBe(after.length);
  for (const { uid } of before) expect(after.some((event) => event.uid === uid)).toBe(true);

  await page.getByRole('button', { name: 'End the link' }).click();
  await expect(page.getByText('The link has ended.')).toBeVisible();
  expect(await feed()).toEqual([]);
});

test('on a phone without a network the day is there: my steps in order, with whom, what to bring', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'tove@demo.invalid');
  await page.goto(`${JOB}/calendar`);
  const plan = page.getByRole('button', { name: 'Plan the work' });
  const taken = page.getByText(/^Taken by Tove Aas/);
  await expect(plan.or(taken).first()).toBeVisible({ timeout: 30_000 });
  if (await plan.isVisible()) {
    await plan.click({ timeout: 30_000 });
    await page.getByRole('button', { name: /^Stop/ }).click({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Take this plan' }).click({ timeout: 30_000 });
  }
  await expect(taken).toBeVisible({ timeout: 30_000 });

  const line = await lineTo(new URL(process.env.HULVEK_BASE ?? ''));
  const phone = await chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'hulvek-phone-')), {
    executablePath: '/usr/bin/chromium',
    args: launchArguments,
    viewport: { width: 390, height: 844 },
    baseURL: line.base,
  });
  const site = await phone.newPage();
  await signIn(site, 'jonas@demo.invalid');
  await site.goto(`${JOB}/today`);
  await expect(site.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();
  const days = site.getByRole('combobox', { name: /^Day/ });
  await expect(days).toBeVisible();
  await site.waitForFunction(() => navigator.serviceWorker?.controller);
  line.cut();
  await site.reload();
  await expect(days).toBeVisible();
  const last = await days.locator('option').last().getAttribute('value');
  await days.selectOption(last ?? '');
  const steps = site.locator('ol > li');
  await expect(steps.first()).toBeVisible();
  await expect(steps.first()).toContainText(/with |alone/);
  expect(await site.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expectAccessible(site);
  await phone.close();
  line.close();
});

test('a calendar begins from nothing: weather from a file, an errand, goals in another order; a bar is dragged; it prints', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page);
  await page.goto('/jobs/tannery-row/calendar');
  await page.getByRole('button', { name: 'Begin a calendar' }).click();
  const settings = page.getByTestId('calendar-settings');
  await settings.getByLabel('from a file').check();
  const first = await settings.getByLabel('First day').inputValue();
  const hour = (h: number, rain: string) =>
    `${new Date(Date.parse(`${first}T00:00:00Z`) + h * 3_600_000).toISOString()},9,${rain},3,5`;
  const file = (head: string, rain = '0') => ({
    name: 'hours.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([head, ...Array.from({ length: 480 }, (_, h) => hour(h, rain))].join('\n')),
  });
  const HEAD = 'time,temperature (°C),rain (mm),wind (m/s),gust (m/s)';
  await settings.locator('input[type=file]').setInputFiles(file(HEAD.replace(' (mm)', '')));
  await expect(settings.getByRole('alert')).toContainText('“rain” does not say its unit');
  await settings.locator('input[type=file]').setInputFiles(file(HEAD));
  await expect(settings.getByText(/^hours\.csv: 480 hours/)).toBeVisible();
  await settings.getByRole('button', { name: 'Add an errand' }).click();
  await settings.getByLabel(/^What, such as/).fill('Move the scaffold');
  await settings.getByLabel('Holds back').last().selectOption({ label: 'all work outside' });
  await settings.getByRole('button', { name: 'an early finish: more important' }).click();
  await settings.getByRole('button', { name: 'Save' }).click();
  await expect(settings).toHaveCount(0);

  await page.getByRole('button', { name: 'Plan the work' }).click({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Stop/ }).click({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page.getByText(/^Taken by Ines/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'openings', exact: true }).click();
  const errand = page.getByRole('button', { name: /^Move the scaffold,/ });
  await expect(errand).toBeVisible();
  await expect(page.getByText('hours.csv', { exact: true })).toBeVisible();

  // Dragged far to the right it offers what that would move, and can be left as it was.
  const bar = page.locator('[data-bar]').last();
  await bar.scrollIntoViewIfNeeded();
  const box = await bar.boundingBox();
  if (!box) throw new Error('no bar to drag');
  await page.mouse.move(box.x + 3, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + box.height / 2, { steps: 8 });
  const against = page.getByTestId('against');
  const refused = page.getByText(/^It cannot be then/);
  await expect(against.or(refused).first()).toBeVisible({ timeout: 30_000 });
  await page.mouse.up();
  const leave = page.getByRole('button', { name: 'Leave it as it was' });
  await expect(leave.or(refused).first()).toBeVisible();
  if (await leave.isVisible()) await leave.click();

  await page.evaluate(() => dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('cell', { name: 'Move the scaffold' })).toBeVisible();
  await expect(page.locator('[data-bar]').first()).toBeHidden();
});
