/** What people do to a page without meaning harm: press twice, go back, reload, open it twice, work on a bad network. */
import type { Page } from '@playwright/test';
import type { Pack } from '../src/lib/contract/pack.ts';
import { expect, newOpening, signIn, startInstalling, stepsDone, test } from './support.ts';

const JOB = '/jobs/skarv-point';

const packOf = async (page: Page): Promise<Pack> =>
  (await (await page.request.get(`/api${JOB}/pack`)).json()) as Pack;
const marksOf = async (page: Page, like: RegExp) =>
  (await packOf(page)).openings.map(({ document }) => document.mark).filter((mark) => like.test(mark));

test('pressed twice, gone back and reloaded, a row of openings is added once', async ({ page }) => {
  await signIn(page);
  await page.goto(`${JOB}/add?way=marks`);
  await page.getByLabel('Marks', { exact: true }).fill('D-01 to D-05');
  await page.getByRole('button', { name: 'Add 5 openings' }).dblclick();
  await expect(page.getByText(/5 openings/).first()).toBeVisible();
  await expect.poll(() => marksOf(page, /^D-/)).toHaveLength(5);
  await page.goto(JOB);
  await page.goBack();
  // A page that comes back as it was left is attached a moment later.
  await expect(page.locator('h1')).toBeVisible();
  await page.reload();
  await expect(page.locator('h1')).toBeVisible();
  expect(await marksOf(page, /^D-/)).toHaveLength(5);
});

test('a façade is added storey by storey, with a place for each, and without the place that was emptied', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`${JOB}/add?way=grid`);
  await page.getByLabel('First mark, lowest storey').fill('G-101');
  await page.getByLabel('Openings in a storey').fill('3');
  await page.getByLabel('Façade', { exact: true }).fill('Court');
  await page.getByLabel('Storey 2, opening 3').fill('');
  await page.getByRole('button', { name: 'Add 5 openings' }).dblclick();
  await expect.poll(() => marksOf(page, /^G-/)).toEqual(['G-101', 'G-102', 'G-103', 'G-201', 'G-202']);
  const made = (await packOf(page)).openings.filter(({ document }) => /^G-/.test(document.mark));
  expect(made.map(({ document: { facade, position } }) => [facade, position?.u.mm, position?.v.mm])).toEqual([
    ['Court', 1000, 900],
    ['Court', 3400, 900],
    ['Court', 5800, 900],
    ['Court', 1000, 3700],
    ['Court', 3400, 3700],
  ]);
  // Pressed again the marks are taken, and it says so.
  await page.getByLabel('First mark, lowest storey').fill('G-101');
  await page.getByRole('button', { name: /^Add \d+ openings?$/ }).click();
  await expect(page.getByRole('alert')).toContainText('Here already');
});

test('two tabs of one opening show each other’s figures, and nothing is lost by closing one', async ({
  page,
  context,
}) => {
  await signIn(page);
  const path = await newOpening(page, 'TT-1', null);
  await page.goto(`${path}/measure`);
  const other = await context.newPage();
  await other.goto(`${path}/measure`);
  await page.getByLabel('Width, bottom').fill('901');
  await page.getByLabel('Width, bottom').press('Enter');
  await expect(other.getByLabel('Width, bottom')).toHaveValue(/901/);
  await other.getByLabel('Width, top').fill('903');
  await other.getByLabel('Width, top').press('Enter');
  await other.close();
  await expect(page.getByLabel('Width, top')).toHaveValue(/903/);
  await page.reload();
  await expect(page.getByLabel('Width, bottom')).toHaveValue(/901/);
  await expect(page.getByLabel('Width, top')).toHaveValue(/903/);
});

test.describe('on a network that takes two seconds and loses every fifth answer', () => {
  test.use({ refusalsExpected: true });

  test('figures and ticks arrive once each, and the page says what waits until they have', async ({
    page,
  }) => {
    test.setTimeout(240_000);
    await signIn(page);
    const path = await newOpening(page, 'SL-1');
    await page.goto(`${path}/measure`);
    await expect(page.getByLabel('Width, bottom')).toBeVisible();
    let asked = 0;
    let lost = 0;
    await page.route(/\/api\/jobs\/[^/]+\/(records|openings|pack)/, async (route) => {
      asked += 1;
      const turn = asked;
      // Half of what is lost was taken by the server, and its answer did not come back.
      if (turn % 10 === 5) await route.fetch().catch(() => undefined);
      await new Promise((done) => setTimeout(done, 2000));
      if (turn % 5 === 0) {
        lost += 1;
        await route.abort('connectionreset').catch(() => undefined);
      } else await route.continue().catch(() => undefined);
    });
    const figures = [
      ['Width, bottom', '611'],
      ['Width, middle', '612'],
      ['Width, top', '613'],
      ['Height, left', '914'],
      ['Height, centre', '915'],
      ['Height, right', '916'],
    ] as const;
    for (const [label, typed] of figures) {
      await page.getByLabel(label).fill(typed);
      await page.getByLabel(label).press('Enter');
    }
    const unsent = page
      .getByRole('status')
      .filter({ hasText: /Saving|not yet on the server|on this device/ });
    await expect(unsent.first()).toBeVisible();
    // Reloaded in the middle of sending.
    await page.reload();
    for (const [label, typed] of figures)
      await expect(page.getByLabel(label)).toHaveValue(new RegExp(typed), { timeout: 30_000 });
    await page.goto(`${path}/install`);
    await startInstalling(page);
    await expect(stepsDone(page, 0)).toBeVisible({ timeout: 60_000 });
    // Pressed twice at once, as browsers tell of it; the card of the next step is there by the second press.
    await page
      .locator('details[open]')
      .getByRole('button', { name: 'Done', exact: true })
      .evaluate((button: HTMLElement) => {
        for (const detail of [1, 2]) button.dispatchEvent(new MouseEvent('click', { bubbles: true, detail }));
      });
    await expect(stepsDone(page, 1)).toBeVisible({ timeout: 30_000 });
    await expect
      .poll(
        async () => {
          const part = (await packOf(page)).openings.find(({ document }) => document.mark === 'SL-1');
          return {
            figures: part?.readings.map(({ value }) => value?.mm).sort(),
            ticks: part?.entries.filter(({ kind }) => kind === 'tick').map(({ step }) => step),
          };
        },
        { timeout: 90_000 },
      )
      .toEqual({ figures: [611, 612, 613, 914, 915, 916], ticks: ['check-opening'] });
    expect(lost).toBeGreaterThan(0);
    await page.unrouteAll({ behavior: 'ignoreErrors' });
  });
});

test('a job begins from another one, is put away, found and taken out again', async ({ page }) => {
  await signIn(page, 'tove@demo.invalid');
  const form = page.locator('form').filter({ has: page.getByRole('heading', { name: 'New job' }) });
  await form.getByLabel('Name of the job').fill('Second station');
  await form.getByLabel('Begin from').selectOption('skarv-point');
  await form.getByLabel('with its openings').check();
  await form.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.locator('h1')).toHaveText('Second station');
  const { openings } = await packOf(page);
  await expect(page.locator('tbody th')).toHaveCount(openings.length);
  await expect(page.locator('tbody').getByText('not started')).toHaveCount(openings.length);
  await page.goto('/jobs');
  await page.getByRole('button', { name: /^Put away\s*, Second station$/ }).click();
  await expect(page.getByRole('link', { name: 'Second station' })).toBeHidden();
  await page.getByText(/^Put away \(1\)$/).click();
  await expect(page.getByRole('link', { name: 'Second station' })).toBeVisible();
  await page.getByRole('button', { name: /^Take out again\s*, Second station$/ }).click();
  await expect(page.getByRole('button', { name: /^Put away\s*, Second station$/ })).toBeVisible();
});
