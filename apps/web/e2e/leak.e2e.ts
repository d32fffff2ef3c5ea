/** A leak on the phone: sprayed, traced to its cause, on the punch list, mended, dried, tested again and closed; offline in the middle. */
import { chromium, type Locator } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { faultsOf, sessionsOf, standing } from '@hulvek/core';
import type { Pack } from '../src/lib/contract/pack.ts';
import { launchArguments } from '../playwright.config.ts';
import { lineTo } from './cuttable-line.ts';
import { expect, expectAccessible, signIn, startInstalling, test } from './support.ts';

const press = (at: Locator, name: string | RegExp) =>
  at
    .getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) })
    .first()
    .click();

test('a leak is found, opened where it is, mended, dried, tested again and closed', async ({ page }) => {
  test.setTimeout(300_000);
  await signIn(page, 'ines@demo.invalid');
  const PATH = '/jobs/skarv-point/skarv-e-03';
  await page.goto(`${PATH}/install`);
  const start = page.getByRole('button', { name: /^Freeze .* and start$/ });
  const cards = page.locator('details[data-status]').first();
  await expect(start.or(cards).first()).toBeVisible();
  if (await start.isVisible()) await startInstalling(page);

  const line = await lineTo(new URL(process.env.HULVEK_BASE ?? ''));
  const phone = await chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'hulvek-leak-')), {
    executablePath: '/usr/bin/chromium',
    args: launchArguments,
    viewport: { width: 390, height: 844 },
    baseURL: line.base,
  });
  const site = await phone.newPage();
  await signIn(site, 'ines@demo.invalid');
  await site.goto(`${PATH}/test`);
  await expect(site.getByRole('heading', { name: 'Tests of this opening' })).toBeVisible();
  await site.waitForFunction(() => navigator.serviceWorker?.controller);
  await site.getByLabel('Simulated rack, to try out').check();
  await press(site.locator('main'), /^Water: spray/);
  const form = site.getByTestId('begin-test');
  await form.getByLabel('Difference of pressure').selectOption('steady');
  await form.getByLabel('Pressure, Pa').fill('150');
  await form.getByLabel('Flow of the rack, l/min').fill('8');
  await form.getByLabel(/^Area/).fill('3');
  // Too little is told, and nothing starts before every line is seen to.
  await expect(form).toContainText('Too little');
  await form.getByLabel('Flow of the rack, l/min').fill('12');
  await expect(form).not.toContainText('Too little');
  await expect(form.getByRole('button', { name: 'Start the test' })).toBeDisabled();
  for (const box of await form.getByRole('checkbox').all()) await box.check();
  await expectAccessible(site);
  await press(form, 'Start the test');
  line.cut();

  const session = site.getByTestId('session').first();
  const cause = session.getByTestId('cause');
  for (let n = 0; n < 4 && !(await cause.isVisible()); n++) {
    await press(session, 'Simulate this');
    await site.waitForTimeout(400);
  }
  await expect(cause).toBeVisible();
  for (let n = 0; n < 8 && (await cause.getByTestId('next-look').isVisible()); n++) {
    await press(cause, 'Simulate this');
    await site.waitForTimeout(400);
  }
  await expect(cause).toContainText('Open here');
  await expectAccessible(site);
  await press(cause, 'Put it on the punch list');
  await expect(cause).toContainText('On the punch list.');
  line.mend();
  await site.reload();
  await expect(site.getByText(/waits|Kept on this device/).first()).toBeHidden({ timeout: 60_000 });

  // Mended and looked at again where the punch list leads to.
  await page.goto('/jobs/skarv-point/punch');
  const row = page.getByTestId('punch').locator('li').filter({ hasText: 'By the test:' });
  await expect(row.first()).toBeVisible({ timeout: 30_000 });
  const many = await row.count();
  for (let n = 0; n < many; n++) {
    await page.goto('/jobs/skarv-point/punch');
    await row.first().getByRole('link').click();
    const faults = page.getByTestId('faults').filter({ hasText: 'By the test:' }).first();
    if (!(await faults.isVisible())) {
      const folded = page.locator('details.before > summary');
      if (await folded.isVisible()) await folded.click();
      const card = page.locator('details[data-status]').filter({ hasText: 'By the test:' }).first();
      if (!(await card.evaluate((one: HTMLDetailsElement) => one.open)))
        await card.locator('summary').first().click();
    }
    const open = faults.locator('li').filter({ hasText: 'By the test:' }).first();
    await open.getByLabel('How it was mended').fill('laid anew, wood dried to 16 %');
    await press(open, 'Mended');
    await press(open, 'Looked again: good');
    await expect(open).toContainText('closed');
  }

  // The same stage again, and those above: dry now.
  await site.reload();
  await expect(site.getByTestId('session').first()).toBeVisible();
  await press(site.locator('main'), 'Test again');
  const again = site.getByTestId('begin-test');
  await expect(again.getByLabel('Flow of the rack, l/min')).toHaveValue('12');
  for (const box of await again.getByRole('checkbox').all()) await box.check();
  await press(again, 'Start the test');
  const retest = site.getByTestId('session').first();
  for (let n = 0; n < 4; n++) {
    await press(retest, 'Simulate this');
    await site.waitForTimeout(400);
  }
  await expect(retest).toContainText('No water was seen.');
  await expect
    .poll(
      async () => {
        const pack = (await (await page.request.get('/api/jobs/skarv-point/pack')).json()) as Pack;
        const own = pack.openings.find(({ document: { id } }) => id === 'skarv-e-03')?.entries ?? [];
        const valid = standing(own);
        const found = faultsOf(valid).filter(({ facts }) => facts.test !== undefined);
        const sessions = sessionsOf(valid);
        return {
          found: found.length > 0 && found.every(({ status }) => status === 'closed'),
          stages: sessions.at(-1)?.stages.length,
          wet: sessions.at(-1)?.wet.length,
        };
      },
      { timeout: 60_000 },
    )
    .toEqual({ found: true, stages: 4, wet: 0 });

  await page.goto('/jobs/skarv-point/tests');
  await expect(page.getByTestId('opening-tests')).toContainText('E-03');
  await expect(page.getByTestId('opening-tests')).toContainText('2 tests');
  const report = await page.request.get('/jobs/skarv-point/tests.pdf');
  expect((await report.body()).subarray(0, 8).toString()).toBe('%PDF-1.7');
  await expectAccessible(page);

  // Handed over: what is open is named, and the dossier can be read, jumped through and read aloud; names only where chosen.
  await page.goto(`${PATH}/hand-over`);
  await expect(page.getByTestId('still-open')).toContainText(/things? (is|are) open/);
  await expectAccessible(page);
  const dossier = await page.request.get(`${PATH}/dossier.pdf?pictures`);
  const bytes = (await dossier.body()).toString('latin1');
  for (const part of ['%PDF-1.7', '/StructTreeRoot', '/Lang', '/Outlines', '/FontFile2'])
    expect(bytes).toContain(part);
  expect(bytes).not.toContain('/Author (Ines');
  await page.goto('/jobs/skarv-point/hand-over');
  await expect(page.getByTestId('hand-over')).toContainText('E-03');
  await expectAccessible(page);
  await phone.close();
  line.close();
});
