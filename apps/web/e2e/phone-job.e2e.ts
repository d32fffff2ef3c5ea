/** A job of one's own begun on a phone, with a finger: one opening from nothing to its first step done. */
import { provingPoints, pointTexts } from '@hulvek/core';
import type { Pack } from '../src/lib/contract/pack.ts';
import { expect, expectAccessible, signIn, startInstalling, stepsDone, test } from './support.ts';

test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

test('one opening on a phone: set up, added, measured, proven, frozen, its first step done', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'tove@demo.invalid');
  await page.getByLabel('Name of the job').fill('Rope Walk 2');
  await page.getByRole('button', { name: 'Start the job' }).tap();
  await expect(page).toHaveURL(/\/start$/);
  await page.getByRole('button', { name: /^mixed/ }).tap();
  const unit = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Usual unit' }) });
  await unit.getByRole('button', { name: 'Take it' }).tap();
  await expect(unit.getByText('done')).toBeVisible();
  const job = new URL(page.url()).pathname.replace(/\/start$/, '');

  await page.goto(`${job}/add?way=marks`);
  await page.getByLabel('Marks', { exact: true }).fill('W1');
  await page.getByRole('button', { name: 'Add 1 opening' }).tap();
  await expect(page).toHaveURL(/\/measure$/);
  await expectAccessible(page);
  const pack = (await (await page.request.get(`/api${job}/pack`)).json()) as Pack;
  const chosen = pack.context.units.find(({ id }) => id === pack.openings[0]?.document.unit);
  if (!chosen) throw new Error('no unit was taken');
  const [width, height] = [chosen.width.mm + 18, chosen.height.mm + 24];
  const value = (point: string): string => {
    if (point.startsWith('width')) return String(width);
    if (point.startsWith('height')) return String(height);
    if (point.startsWith('diagonal')) return String(Math.round(Math.hypot(width, height)));
    return point === 'depth' ? '152' : '0';
  };
  for (const point of provingPoints) {
    const field = page.getByLabel(pointTexts[point].label, { exact: true });
    await field.fill(value(point));
    await field.press('Enter');
    await expect(field).toHaveValue(new RegExp(`^${value(point)}`));
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  const opening = new URL(page.url()).pathname.replace(/\/measure$/, '');
  await page.goto(`${opening}/prove`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('W1');
  await page.goto(`${opening}/install`);
  await startInstalling(page);
  await expect(stepsDone(page, 0)).toBeVisible();
  await page.locator('details[open]').getByRole('button', { name: 'Done', exact: true }).tap();
  await expect(stepsDone(page, 1)).toBeVisible();
  await expectAccessible(page);
});
