/** A phone without a network: everything entered is there after the browser was closed, and arrives exactly once. */
import { createHash } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type APIRequestContext, type BrowserContext, type Page } from '@playwright/test';
import type { Pack } from '../src/lib/contract/pack.ts';
import { launchArguments } from '../playwright.config.ts';
import { lineTo } from './cuttable-line.ts';
import { expect, expectAccessible, newOpening, signIn, startInstalling, stepsDone, test } from './support.ts';

test.use({ refusalsExpected: true });

const JOB = '/jobs/skarv-point';
const READINGS = [
  ['Width, bottom', '621'],
  ['Width, middle', '620'],
  ['Width, top', '24 7/16"'],
  ['Height, left', '926'],
  ['Height, centre', '925'],
  ['Height, right', '925'],
  ['Sill, left', '0'],
  ['Sill, right', '-1'],
] as const;

const STEPS = ['check-opening', 'wrap', 'cut-flap', 'slope-board', 'pan'];
const MORE_STEPS = ['jamb-flashing', 'head-flashing', 'unpack', 'dry-fit', 'bead'];

const device = (folder: string, baseURL: string): Promise<BrowserContext> =>
  chromium.launchPersistentContext(folder, {
    executablePath: '/usr/bin/chromium',
    args: launchArguments,
    viewport: { width: 390, height: 844 },
    baseURL,
  });

const packOf = async (request: APIRequestContext): Promise<Pack> =>
  (await (await request.get(`/api${JOB}/pack`)).json()) as Pack;

const partOf = async (request: APIRequestContext, id: string) => {
  const part = (await packOf(request)).openings.find((o) => o.document.id === id);
  if (!part) throw new Error(`no opening ${id}`);
  return part;
};

/** The worker must have taken everything the pages need before the network goes. */
async function readyForOffline(page: Page): Promise<void> {
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
}

const tick = async (page: Page): Promise<void> => {
  await page.locator('details[open]').getByRole('button', { name: 'Done', exact: true }).click();
};

test('a survey, ten ticks and a picture without a network, the browser closed in between, arrive exactly', async ({
  page,
}) => {
  const line = await lineTo(new URL(process.env.HULVEK_BASE ?? ''));
  const folder = mkdtempSync(join(tmpdir(), 'hulvek-phone-'));
  let phone = await device(folder, line.base);
  let site = await phone.newPage();
  await signIn(site);
  const fresh = await newOpening(site, 'T-09', null);
  await site.goto(`${JOB}/skarv-s-01/install`);
  await startInstalling(site);
  await expect(stepsDone(site, 0)).toBeVisible();
  await readyForOffline(site);

  line.cut();
  await site.goto(`${fresh}/measure`);
  for (const [label, typed] of READINGS) {
    await site.getByLabel(label).fill(typed);
    await site.getByLabel(label).press('Enter');
  }
  await site.goto(`${JOB}/skarv-s-01/install`);
  for (let done = 1; done <= 5; done++) {
    await tick(site);
    await expect(stepsDone(site, Math.min(done, 4))).toBeVisible();
  }
  const picture = join(import.meta.dirname, '../../../docs/screenshots/job.png');
  await site.locator('details[open] input[type=file]').setInputFiles(picture);
  await expect(site.getByRole('img', { name: /Picture by Ines Kallas/ })).toBeVisible();
  await site.getByRole('button', { name: 'I have looked' }).click();
  for (let done = 6; done <= 10; done++) {
    await tick(site);
    await expect(stepsDone(site, done)).toBeVisible();
  }
  await expect(site.getByText('20 entries wait on this device.')).toBeVisible();
  await expectAccessible(site);
  await phone.close();

  phone = await device(folder, line.base);
  site = await phone.newPage();
  await site.goto(`${JOB}/skarv-s-01/install`);
  await expect(stepsDone(site, 10)).toBeVisible();
  await expect(site.getByText('20 entries wait on this device.')).toBeVisible();
  await site.goto(`${fresh}/measure`);
  for (const [label, typed] of READINGS) await expect(site.getByLabel(label)).toHaveValue(typed);

  line.mend();
  await expect(site.getByText(/wait on this device/)).toHaveCount(0);
  await expect(site.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await signIn(page);
  const measured = await partOf(page.request, fresh.split('/').at(-1) ?? '');
  expect(measured.readings.map((r) => r.value?.typed)).toEqual(READINGS.map(([, typed]) => typed));
  expect(measured.readings.every((r) => r.person === 'Ines Kallas' && r.at !== null)).toBe(true);
  // The bar speaks of what waits; what is on its way has still to arrive.
  await expect
    .poll(async () => (await partOf(page.request, 'skarv-s-01')).entries.length)
    .toBeGreaterThanOrEqual(12);
  const { entries } = await partOf(page.request, 'skarv-s-01');
  expect(entries.map((e) => `${e.kind} ${e.step}`)).toEqual([
    ...STEPS.map((s) => `tick ${s}`),
    'photo pan',
    'look pan',
    ...MORE_STEPS.map((s) => `tick ${s}`),
  ]);
  expect(new Set(entries.map((e) => e.id)).size).toBe(12);
  const photo = entries.find((e) => e.kind === 'photo');
  const stored = await (await page.request.get(`/api${JOB}/photos/${photo?.id}`)).body();
  expect(createHash('sha256').update(stored).digest('hex')).toBe(photo?.photo?.sha256);
  expect(photo?.photo).toMatchObject({ type: 'image/jpeg', width_px: 1280, height_px: 800 });
  await phone.close();
  line.close();
});

test('with a second device that wrote meanwhile nothing is lost: both figures stand, a refused tick waits with its reason', async ({
  page,
}) => {
  const line = await lineTo(new URL(process.env.HULVEK_BASE ?? ''));
  const phone = await device(mkdtempSync(join(tmpdir(), 'hulvek-phone-')), line.base);
  const site = await phone.newPage();
  await signIn(site, 'jonas@demo.invalid');
  await site.goto(`${JOB}/skarv-s-05/install`);
  await expect(stepsDone(site, 9)).toBeVisible();
  await readyForOffline(site);
  await signIn(page);
  // Others may have ticked and taken back here before.
  const before = new Set((await partOf(page.request, 'skarv-s-05')).entries.map(({ id }) => id));

  line.cut();
  await tick(site);
  await expect(stepsDone(site, 10)).toBeVisible();
  await tick(site);
  await expect(stepsDone(site, 11)).toBeVisible();
  await site.goto(`${JOB}/skarv-s-02/measure`);
  for (const [label, typed] of [
    ['Width, top', '1219'],
    ['Width, bottom', '1220'],
  ] as const) {
    await site.getByLabel(label).fill(typed);
    await site.getByLabel(label).press('Enter');
  }
  await expect(site.getByText('4 entries wait on this device.')).toBeVisible();

  await page.goto(`${JOB}/skarv-s-05/install`);
  await page.getByText('Show the 9 steps before').click();
  const fitted = page.locator('details', { hasText: 'Dry fit: set the unit' }).last();
  await fitted.locator('summary').click();
  await fitted.getByRole('button', { name: /Take back/ }).click();
  await expect(stepsDone(page, 8)).toBeVisible();
  await page.goto(`${JOB}/skarv-s-02/measure`);
  await page.getByLabel('Width, top').fill('1211');
  await page.getByLabel('Width, top').press('Enter');
  await page.getByLabel('Height, left').fill('1226');
  await page.getByLabel('Height, left').press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();

  line.mend();
  const refused = site.getByRole('region', { name: '2 entries were not taken by the server' });
  await expect(refused).toContainText('Something before this step is still open');
  await expect(page.getByRole('region', { name: 'Two figures for one point' })).toContainText('Jonas Myhr');
  await expect(site.getByLabel('Height, left')).toHaveValue('1226');
  await expect(page.getByLabel('Width, bottom')).toHaveValue('1220');
  await page.getByRole('button', { name: 'Keep 1219' }).click();
  await expect(site.getByRole('region', { name: 'Two figures for one point' })).toHaveCount(0);
  await expect(site.getByLabel('Width, top')).toHaveValue('1219');

  // What was refused is still there after a reload, and is taken once nothing speaks against it.
  await site.reload();
  await expect(refused).toBeVisible();
  await expectAccessible(site);
  await page.goto(`${JOB}/skarv-s-05/install`);
  await page.locator('details[open]').getByRole('button', { name: 'Done', exact: true }).click();
  await expect(stepsDone(page, 9)).toBeVisible();
  for (const left of [1, 0]) {
    await site.getByRole('button', { name: 'Send again' }).first().click();
    await expect(site.getByRole('button', { name: 'Send again' })).toHaveCount(left);
  }
  await expect(stepsDone(page, 11)).toBeVisible();
  const { entries } = await partOf(page.request, 'skarv-s-05');
  const own = entries.filter((e) => !before.has(e.id) && e.person === 'Jonas Myhr');
  expect(own.map((e) => e.step)).toEqual(['bead', 'set']);
  const { readings } = await partOf(page.request, 'skarv-s-02');
  const width = readings.filter((r) => r.point === 'widthTop').map((r) => r.value?.typed);
  expect(width.sort()).toEqual(['1211', '1219', '1219']);
  await phone.close();
  line.close();
});
