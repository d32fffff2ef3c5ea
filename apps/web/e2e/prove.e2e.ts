/** The Prove stage whole: pen line, joint, conditions, moisture, loads, job view, proof sheet; at phone width too. */
import { WEATHER_HEAD, yearOf } from '../../../packages/core/test/support/weather.ts';
import { expect, expectAccessible, newOpening, saved, signIn, test } from './support.ts';
import type { Page } from '@playwright/test';

const SOUND = '/jobs/skarv-point/skarv-e-01/prove';
const penLine = (page: Page) => page.getByTestId('pen-line');
const proof = (page: Page, name: string) => page.getByTestId('proofs').locator(`[data-proof=${name}]`);

test('all proofs of an opening stand side by side, with one list of what is to be done', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-w-02/prove');
  await expect(page.getByTestId('proofs').getByRole('listitem')).toHaveCount(6);
  await expect(proof(page, 'water')).toHaveAttribute('data-verdict', 'fails');
  await expect(proof(page, 'air')).toContainText('Open at the head, left jamb, right jamb and sill');
  await expect(proof(page, 'heat')).toContainText(/Coldest judged surface −?\d+\.\d\s°C/, {
    timeout: 30_000,
  });
  await expect(proof(page, 'joint')).toContainText('Foam alone');
  await expect(proof(page, 'loads')).toContainText('42 kg, 4 people');
  await expect(page.getByRole('heading', { name: 'Water gets into the wall' })).toBeVisible();
  await expectAccessible(page);

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Proof sheet (PDF)' }).click();
  const stream = await (await download).createReadStream();
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  const pdf = Buffer.concat(parts);
  expect(pdf.subarray(0, 5).toString('latin1')).toBe('%PDF-');
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBeGreaterThan(2);

  await page.getByRole('link', { name: 'Compare methods' }).click();
  await expect(page.getByTestId('proof-verdicts').first()).toContainText('Air');
  await expect(page.getByTestId('proof-verdicts')).toHaveCount(2);
});

test('the pen line closes in the step that is named, opens when a piece is left out, and names the second line', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(SOUND);
  await page.getByTestId('proofs').getByRole('link', { name: 'Air' }).click();
  await expect(penLine(page)).toHaveAttribute('data-closed', 'true');
  await expect(penLine(page)).toContainText(/Airtight from step \d+ of \d+/);
  await expect(page.getByTestId('air-line')).toHaveAttribute('data-open', 'false');
  await expect(page.getByTestId('air-sides').getByRole('row').filter({ hasText: 'Head' })).toContainText(
    'wall face → head flashing → inner seal → frame',
  );

  // One step earlier the seal to the room is missing.
  const strip = page.getByRole('slider');
  await strip.focus();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(penLine(page)).toHaveAttribute('data-closed', 'false');
  await expect(page.getByTestId('air-line')).toHaveAttribute('data-open', 'true');
  await strip.focus();
  await page.keyboard.press('End');
  await expect(penLine(page)).toHaveAttribute('data-closed', 'true');

  await page.getByText('If a piece is not there').click();
  await page.getByRole('button', { name: 'Try each piece' }).click();
  const without = page.getByTestId('without').getByRole('listitem');
  await expect(without.filter({ hasText: 'Inner seal, sill' })).toContainText('opens the sill');
  // Outside the head would still be tight, but jambs and sill run inside: the line has nowhere to change over.
  await expect(without.filter({ hasText: 'Inner seal, head' })).toContainText('opens the');
  await page.goto('/jobs/skarv-point/skarv-w-01/prove?proof=air');
  await page.getByText('If a piece is not there').click();
  await page.getByRole('button', { name: 'Try each piece' }).click();
  await expect(without.filter({ hasText: 'Jamb tape, left' })).toContainText(
    'a second line holds: bead behind the fin → fin',
  );
  await page.goto(`${SOUND}?proof=air`);

  await page.getByText('Who comes later and may cut it').click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Drywall' })).toContainText(
    'slices the inner seal',
  );
  await expectAccessible(page);
});

test('a flap taped by its fix closes the line at the head, and undo opens it again', async ({ page }) => {
  await signIn(page);
  // Where the wrap itself is to keep the air out.
  await page.goto('/jobs/skarv-point/skarv-s-04/detail');
  await page.getByLabel('Wall’s air layer').selectOption({ label: 'The water layer, taped' });
  await saved(page);
  await page.goto('/jobs/skarv-point/skarv-s-04/prove?proof=air');
  await expect(penLine(page)).toContainText('The pen has to be lifted at the head');
  await page.getByRole('button', { name: 'Ways to mend' }).first().click();
  await page.getByRole('button', { name: /taped/i }).first().click();
  await expect(penLine(page)).toHaveAttribute('data-closed', 'true');
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /mended|fewer|left|less/i })
      .first(),
  ).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(penLine(page)).toHaveAttribute('data-closed', 'false');
  await saved(page);
});

test('the joint as measured decides what works; prices move the recommendation and the tip-over', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-n-03/prove?proof=joint');
  const advice = page.getByTestId('joint-advice');
  await expect(advice).toContainText('Corner tape: the cheapest of those that work on every side');
  await expect(advice).toContainText('From 7.5 mm on corner tape costs less than sealant on a rod');
  await expect(
    page.getByTestId('joint-sides').getByRole('row').filter({ hasText: 'eft jamb' }),
  ).toContainText('9.3 mm');
  const foam = page.getByTestId('joint-options').locator('[data-seal=foam-alone]');
  await expect(foam).toContainText('Only 3.2 mm at the sill, it needs 6 mm');
  await page
    .getByTestId('joint-options')
    .locator('[data-seal=corner-tape]')
    .getByRole('button', { name: 'Take it' })
    .click();
  await expect(page.getByTestId('joint-options').locator('[data-seal=corner-tape]')).toContainText('chosen');
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByTestId('joint-options').locator('[data-seal=sealant-rod]')).toContainText('chosen');
  await saved(page);
  await expectAccessible(page);

  await page.goto('/jobs/skarv-point/conditions');
  const prices = page.getByTestId('prices');
  await prices.getByLabel('Corner tape').fill('minus one');
  await prices.getByRole('button', { name: 'Keep it' }).click();
  await expect(prices.getByRole('alert')).toContainText('Corner tape: a price from 0');
  await prices.getByLabel('Corner tape').fill('9,50');
  await prices.getByRole('button', { name: 'Keep it' }).click();
  await expect(prices.getByRole('status')).toContainText('Kept');
  await page.goto('/jobs/skarv-point/skarv-n-03/prove?proof=joint');
  await expect(advice).not.toContainText('Corner tape: the cheapest');
  await expect(advice).not.toContainText('From 7.5 mm');
  await page.goto('/jobs/skarv-point/conditions');
  await prices.getByLabel('Corner tape').fill('');
  await prices.getByRole('button', { name: 'Keep it' }).click();
  await expect(prices.getByRole('status')).toContainText('Kept');
});

/** A cold, damp year: −12 °C in January, 18 °C in July. */
const YEAR = yearOf((month) => 3 - 15 * Math.cos((month * Math.PI) / 6), 85);
const file = (lines: readonly string[]) => ({
  name: 'weather.epw',
  mimeType: 'text/plain',
  buffer: Buffer.from(lines.join('\n')),
});

test('a weather file is refused with its line or becomes the months that the wall is judged in', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/tannery-row/conditions');
  const months = page.getByTestId('months');
  await expect(months.getByLabel('Jan, Temperature')).not.toHaveValue('');
  const input = months.getByLabel(/Read a weather file/);
  const broken = [...WEATHER_HEAD, ...YEAR.slice(0, 30), '2021,1,2,7,60,?9,warm,99.9,85,101325'];
  await input.setInputFiles(file(broken));
  await expect(months.getByRole('alert')).toContainText('Line 39: the temperature “warm” is no such figure');
  await input.setInputFiles(file([...WEATHER_HEAD, ...YEAR]));
  await expect(months.getByRole('alert')).toHaveCount(0);
  await expect(months.getByLabel('Jan, Temperature')).toHaveValue('−12\u202f°C');
  await expect(months.getByLabel('Jul, Humidity, %')).toHaveValue('85');
  await months.getByRole('button', { name: 'Keep it' }).click();
  await expect(months.getByRole('status')).toContainText('Kept');
  await expectAccessible(page);

  await page.goto('/jobs/tannery-row/tannery-t-01/prove?proof=moisture');
  await expect(page.getByText('From a weather file: Nowhere Flat, Invented: 8760 hours.')).toBeVisible();
  await expect(page.getByTestId('vapour-layers').getByRole('row')).toHaveCount(4);
  await expect(page.getByTestId('wall-moisture')).toBeVisible();
  await expectAccessible(page);

  // What the site says is kept beside it and takes nothing away.
  await page.goto('/jobs/tannery-row/conditions');
  await page
    .locator('form')
    .filter({ hasText: 'Altitude of the site' })
    .getByRole('button', { name: 'Keep' })
    .click();
  await expect(page.getByRole('status').filter({ hasText: /kept|saved/i })).toBeVisible();
  await page.goto('/jobs/tannery-row/conditions');
  await expect(months.getByLabel('Jan, Temperature')).toHaveValue('−12\u202f°C');
  // Typed by hand: a month that does not read is named, and nothing is lost.
  await months.getByLabel('Mar, Humidity, %').fill('120');
  await months.getByRole('button', { name: 'Keep it' }).click();
  await expect(months.getByRole('alert')).toContainText('Mar: a temperature from −60 to 50 °C');
  await expect(months.getByLabel('Mar, Humidity, %')).toHaveValue('120');
  await months.getByText('Generate', { exact: true }).first().click();
  await months.getByLabel('Seed').fill('5');
  await months.getByRole('button', { name: 'Generate' }).click();
  await months.getByRole('button', { name: 'Keep it' }).click();
  await expect(months.getByRole('status')).toContainText('Kept');
});

test('weight and wind are said under Loads and on the step where the unit is lifted', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-n-03/prove?proof=loads');
  await expect(page.getByTestId('handling')).toContainText('About 42 kg by glass and frame: 4 people');
  await expect(page.getByTestId('handling')).toContainText('Not in gusts above 9 m/s, as this site asks');
  await expect(page.getByTestId('fastener-loads').getByRole('row')).toHaveCount(5);
  await expect(page.getByText('Stated limit 260 N on each.')).toBeVisible();
  await expectAccessible(page);
  await page.goto('/jobs/skarv-point/skarv-s-05/install');
  const summary = page.locator('summary').filter({ hasText: 'Set the unit, sill first' });
  await expect(summary).toBeAttached();
  // Steps that are done are folded away, whatever was ticked here before.
  await page.evaluate(() => document.querySelectorAll('details').forEach((part) => (part.open = true)));
  const card = summary.locator('..');
  await expect(card.getByTestId('handling')).toBeVisible();
  await expect(card.getByTestId('handling')).toContainText('Suction cups: at least');
});

test('the job shows which opening fails which proof', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/proofs');
  const row = (mark: string) => page.getByTestId('job-proofs').locator(`[data-opening="${mark}"]`);
  await expect(row('W-02').locator('[data-column=water]')).toHaveAttribute('data-verdict', 'fails');
  await expect(row('S-03').locator('[data-column=fit]')).toHaveAttribute('data-verdict', 'fails');
  await expect(row('E-01').locator('[data-column=air]')).toHaveAttribute('data-verdict', 'holds');
  await expect(page.getByText(/joints: \d.*\sm³\/h at 50 Pa if all are sealed/)).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Show').selectOption({ label: 'Only what fails' });
  await expect(row('E-01')).toHaveCount(0);
  await expect(row('W-02')).toBeVisible();
  await page.getByLabel('Find an opening').fill('nobody');
  await expect(page.getByText('No opening matches.')).toBeVisible();
  await page.getByLabel('Find an opening').fill('');
  await row('W-02').getByRole('link', { name: 'W-02, Water' }).click();
  await expect(page).toHaveURL(/skarv-w-02\/prove\?proof=water/);
});

test('every proof reads at phone width without scrolling sideways', async ({ page }) => {
  await signIn(page);
  await page.setViewportSize({ width: 390, height: 844 });
  for (const name of ['whole', 'water', 'air', 'heat', 'joint', 'moisture', 'loads']) {
    await page.goto(`${SOUND}?proof=${name}`);
    await expect(
      page.getByRole('navigation', { name: 'Which proof' }).locator('[aria-current=page]'),
    ).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(wide, name).toBeLessThanOrEqual(0);
    await expectAccessible(page);
  }
});

test('an opening without a plan says what is missing instead of proving nothing', async ({ page }) => {
  await signIn(page);
  const path = await newOpening(page, 'Q-01', null);
  for (const [name, said] of [
    ['whole', 'Nothing is planned yet'],
    ['joint', 'The joint is designed once'],
    ['moisture', 'Moisture is judged once'],
    ['loads', 'Loads are worked out once'],
  ] as const) {
    await page.goto(`${path}/prove?proof=${name}`);
    await expect(page.getByText(said).first()).toBeVisible();
  }
  await page.goto('/jobs/skarv-point/proofs');
  const row = page.getByTestId('job-proofs').locator('[data-opening="Q-01"]');
  for (const column of ['fit', 'water', 'air', 'joint', 'moisture', 'loads'])
    await expect(row.locator(`[data-column=${column}]`)).toHaveAttribute('data-verdict', 'not-checkable');
});
