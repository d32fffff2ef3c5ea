/** A job of one's own: twelve openings from a spreadsheet to the first frozen plan, counted in actions. */
import { pointTexts, provingPoints } from '@hulvek/core';
import type { Locator, Page } from '@playwright/test';
import { workbook } from '../src/lib/features/openings/testing/workbook.ts';
import { expect, expectAccessible, signIn, startInstalling, test, readByJob } from './support.ts';

/** A press, a committed field, a choice or a file is one action. */
class Walk {
  actions = 0;
  press = async (what: Locator) => (this.actions++, await what.click());
  type = async (what: Locator, text: string) => (this.actions++, await what.fill(text));
  choose = async (what: Locator, label: string) => (this.actions++, await what.selectOption({ label }));
  file = async (what: Locator, name: string, buffer: Buffer) => (
    this.actions++,
    await what.setInputFiles({ name, mimeType: 'application/octet-stream', buffer })
  );
}

const SIZES = { A: [36, 48], B: [48, 36], C: [24, 24] } as const;
const LINES = (
  [
    ['A', 'South', 5],
    ['B', 'North', 4],
    ['C', 'East', 3],
  ] as const
).flatMap(([type, side, n]) => Array.from({ length: n }, (_, i) => [`${type}${i + 1}`, side, type] as const));

const SCHEDULE = Buffer.from(
  workbook([
    ['Window schedule'],
    [
      'Win. No.',
      'Elev.',
      'Location',
      'Model',
      'Unit W',
      'Unit Ht.',
      'R.O. Width',
      'R.O. Height',
      'Sill ht. A.F.F.',
      'U-value',
    ],
    ...LINES.map(([mark, side, type]) => {
      const [w, h] = SIZES[type];
      return [mark, side, `Room ${mark}`, type, w, h, w + 0.75, h + 1, 30, 0.28];
    }),
  ]),
);

/** What the tape said at every opening, a sound one each. */
function surveySheet(): Buffer {
  const value = (type: keyof typeof SIZES, point: string): string => {
    const [w, h] = SIZES[type];
    if (point.startsWith('width')) return `${w} 3/4`;
    if (point.startsWith('height')) return `${h + 1}`;
    if (point.startsWith('diagonal')) return Math.hypot(w + 0.75, h + 1).toFixed(2);
    return point === 'depth' ? '5 1/2' : '0';
  };
  const head = ['Mark', ...provingPoints.map((point) => pointTexts[point].label)];
  const rows = LINES.map(([mark, , type]) => [mark, ...provingPoints.map((point) => value(type, point))]);
  return Buffer.from([head, ...rows].map((row) => row.join(';')).join('\n'));
}

const stored = (page: Page) => expect(page.getByText(/added\.|taken\./).first()).toBeVisible();

test('twelve openings from a spreadsheet with odd headings to the first frozen plan, in at most 60 actions', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const walk = new Walk();
  await signIn(page);
  expect(await readByJob(page)).toBe(true);
  await page.goto('/jobs');
  await walk.type(page.getByLabel('Name of the job'), 'Copper Lane 4');
  await walk.choose(page.getByLabel('Lengths in'), 'inches');
  await walk.press(page.getByRole('button', { name: 'Start the job' }));
  await expect(page).toHaveURL(/\/start$/);
  await expectAccessible(page);

  await walk.press(page.getByRole('button', { name: /^mixed/ }));
  const wall = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Usual wall' }) });
  await walk.choose(wall.getByRole('combobox'), 'Brick, cavity, wool, block');
  await walk.press(wall.getByRole('button', { name: 'Take it' }));
  await expect(wall.getByRole('button', { name: 'Brick, cavity' })).toHaveAttribute('aria-pressed', 'true');
  await walk.press(wall.getByRole('button', { name: /^Timber frame 140/ }));
  await expect(wall.getByRole('button', { name: /^Timber/ })).toHaveAttribute('aria-pressed', 'true');
  const unit = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Usual unit' }) });
  await walk.press(unit.getByRole('button', { name: 'Take it' }));
  await expect(unit.getByText('done')).toBeVisible();

  await walk.press(page.getByRole('link', { name: 'Add openings' }).first());
  await walk.file(page.getByLabel(/^Spreadsheet, table or building model/), 'schedule.xlsx', SCHEDULE);
  await walk.choose(page.getByLabel(/figures have no unit/), 'inches');
  await expect(page.getByRole('row', { name: /^A1 Room A1 South A 36 3⁄4″ × 49/ })).toBeVisible();
  await expectAccessible(page);
  const add = page.getByRole('button', { name: 'Add 12 openings' });
  // Pressed twice in a hurry.
  walk.actions++;
  await add.dblclick();
  await stored(page);

  await walk.press(page.getByRole('link', { name: 'Survey' }));
  await walk.file(page.getByLabel(/^Load a survey sheet/), 'survey.csv', surveySheet());
  await expect(page.getByText(/figures of 12 openings were taken/)).toBeVisible();
  await walk.press(page.getByRole('link', { name: 'Openings', exact: true }));
  await expect(page.locator('tbody tr')).toHaveCount(12);
  await expect(page.getByRole('row', { name: /A1/ })).toContainText('fits', { timeout: 60_000 });
  await expectAccessible(page);

  await walk.press(page.getByRole('link', { name: 'A1', exact: true }));
  await walk.press(page.getByRole('link', { name: 'Prove' }).first());
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A1');
  await walk.press(page.getByRole('link', { name: 'Install' }).first());
  walk.actions += 2;
  await startInstalling(page);
  await expect(page.getByText(/0 of \d+ steps/)).toBeVisible();
  expect(walk.actions).toBeLessThanOrEqual(60);
  test.info().annotations.push({ type: 'actions', description: String(walk.actions) });

  // The same opening on the phone.
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.getByRole('button', { name: /Tick|Done/ }).first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test.describe('the list of openings', () => {
  test.use({ refusalsExpected: true });

  test('openings are copied, renamed, given a wall together, removed and put back; each can be undone', async ({
    page,
  }) => {
    test.setTimeout(120_000);
    await signIn(page);
    await page.goto('/jobs/tannery-row');
    const rows = page.locator('tbody tr');
    await expect(rows.first()).toBeVisible();
    const before = await rows.count();
    await rows.first().getByRole('link', { name: /^Copy/ }).click();
    const form = page.locator('form').filter({ has: page.getByLabel('Copies of') });
    await form.getByLabel('Marks').fill('Z-1 to Z-3');
    await form.getByRole('button', { name: 'Add 3 openings' }).click();
    await expect(page.getByText('3 openings added.')).toBeVisible();
    await page.getByRole('link', { name: 'To the openings' }).click();
    await expect(rows).toHaveCount(before + 3);

    await page.getByRole('button', { name: /^Rename.*Z-3/ }).click();
    await page.getByLabel('Mark', { exact: true }).fill('z-2');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('z-2 would stand for two openings');
    await page.getByLabel('Mark', { exact: true }).fill('Z-4');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('link', { name: 'Z-4', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('link', { name: 'Z-3', exact: true })).toBeVisible();

    await page.getByLabel('Find an opening').fill('Z-');
    await page.getByLabel('Choose all that are shown').check();
    const bar = page.getByRole('group', { name: 'For the chosen ones' });
    await bar.getByLabel('Façade').fill('Roof');
    await bar.getByRole('button', { name: 'Apply' }).click();
    await expect(rows.first()).toContainText('Roof');
    await bar.getByRole('button', { name: 'Remove' }).click();
    await expect(bar).toContainText('Remove Z-1, Z-2, Z-3?');
    await bar.getByRole('button', { name: 'Remove' }).click();
    await page.getByLabel('Find an opening').fill('');
    await expect(rows).toHaveCount(before);
    await page.getByText(/^Removed openings/).click();
    await page.getByRole('button', { name: /^Put back.*Z-2/ }).click();
    await expect(rows).toHaveCount(before + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(rows).toHaveCount(before);
  });
});

test('Ctrl K finds an opening, a stage or a page by a few letters', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/detail');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('mark, name or page').fill('N-02');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/skarv-n-02\/detail$/);
  await expect(page).toHaveTitle(/^N-02 /);
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('mark, name or page').fill('cut sheet');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/cut-sheet$/);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});
