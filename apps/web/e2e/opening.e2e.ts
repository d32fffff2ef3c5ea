import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { lineTo } from './cuttable-line.ts';
import {
  expect,
  expectAccessible,
  newOpening,
  saved,
  signIn,
  startInstalling,
  stepsDone,
  test,
} from './support.ts';

/** A 36 1/4 × 48 1/4 in opening for the 900 × 1200 mm unit, as read from a tape. */
const INCHES: readonly (readonly [label: string, typed: string])[] = [
  ['Width, bottom', '36 1/4'],
  ['Width, middle', '36-1/4"'],
  ['Width, top', '3\' 0 1/4"'],
  ['Height, left', '48 1/4'],
  ['Height, centre', '48¼'],
  ['Height, right', '48.25'],
  ['Diagonal, rising', '60 3/8'],
  ['Diagonal, falling', '60 3/8'],
  ['Sill, left', '0'],
  ['Sill, middle', '0'],
  ['Sill, right', '-1/16'],
  ['Left jamb out of plumb', '1/16'],
  ['Right jamb out of plumb', '1/16'],
  ['Depth of the reveal', '6'],
];

/** What another device of the same person enters meanwhile, without this page having a part in it. */
async function noteFromElsewhere(page: Page, path: string, note: string): Promise<void> {
  const [, , job, opening] = path.split('/');
  const at = new Date().toISOString();
  const record = { id: randomUUID(), opening, issue: 1, kind: 'note', step: 'pan', undoes: null, at, note };
  const answer = await page.request.post(`/api/jobs/${job}/records`, {
    headers: { origin: process.env.HULVEK_BASE ?? '' },
    data: { sentAt: at, records: [{ type: 'entry', record }] },
  });
  expect(await answer.json()).toEqual({ answers: [{ id: record.id, ok: true }] });
}

test('from the tape in inches to ticked steps, with one wrong entry, and all is there after a reload', async ({
  page,
}) => {
  await signIn(page);
  const path = await newOpening(page, 'T-01');
  await page.getByRole('button', { name: 'in', exact: true }).click();
  await expect(page.getByRole('button', { name: 'in', exact: true })).toHaveAttribute('aria-pressed', 'true');

  const first = page.getByLabel('Width, bottom');
  await first.fill('36 1/3');
  await first.press('Enter');
  await expect(first).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByText('A tape divides the inch by 2, 4, 8')).toBeVisible();
  for (const [label, typed] of INCHES) {
    const field = page.getByLabel(label);
    await field.fill(typed);
    await field.press('Enter');
    await expect(field).toHaveAttribute('aria-invalid', 'false');
  }
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result.getByText('Holds')).toBeVisible();
  await expect(result.getByText('fits')).toBeVisible();
  await expect(result.getByRole('table')).toContainText('Left jamb');

  // One height by mistake in the width: the opening no longer fits, undo brings it back.
  await page.getByLabel('Width, top').fill('34');
  await page.getByLabel('Width, top').press('Enter');
  await expect(result.getByRole('heading', { name: 'The unit does not fit this opening' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(result.getByText('Holds')).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'Detail' }).click();
  const strip = page.getByRole('slider', { name: 'Step shown' });
  await strip.focus();
  await strip.press('Home');
  await expect(strip).toHaveAttribute('aria-valuetext', 'Bare opening');
  await expect(page.locator('[data-owner=pan]')).toHaveCount(0);
  const box = await strip.boundingBox();
  if (!box) throw new Error('no strip');
  await page.mouse.move(box.x + 5, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.22, box.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect(strip).toHaveAttribute('aria-valuetext', /Step 5 of \d+: Sill pan/);
  await expect(page.locator('[data-owner=pan]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Sill', exact: true }).click();
  await expect(
    page
      .getByRole('img', { name: /Plumb cut through the sill/ })
      .locator('[data-owner=board]')
      .first(),
  ).toBeVisible();

  await page.getByRole('link', { name: 'Install' }).click();
  await startInstalling(page);
  for (const title of [
    'Check the opening',
    'Wrap on, taut',
    'Slit the head',
    'Bevelled board',
    'Sill pan in one piece',
  ]) {
    const card = page.locator('details[open]', { hasText: title });
    await card.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.locator('details[data-status=open]', { hasText: title })).toHaveCount(0);
  }
  await expect(
    page.getByRole('heading', { name: 'Stop. Somebody must look before this is covered.' }),
  ).toBeVisible();
  const jambs = page.locator('details', { hasText: 'Jamb flashing over the full depth' }).last();
  await jambs.locator('summary').click();
  const why = jambs.getByText('somebody must look at “Sill pan in one piece');
  await expect(why).toBeVisible();
  // A card that was opened stays open when something arrives from another device.
  await noteFromElsewhere(page, path, 'A second pair of eyes is on its way.');
  await expect(page.getByText('A second pair of eyes is on its way.')).toBeVisible();
  await expect(why).toBeVisible();
  await expect(jambs.getByRole('button', { name: 'Done', exact: true })).toBeDisabled();

  await page.reload();
  await expect(stepsDone(page, 4)).toBeVisible();
  await page.getByRole('button', { name: 'I have looked' }).click();
  await expect(stepsDone(page, 5)).toBeVisible();

  await page.goto(`${path}/measure`);
  for (const [label, typed] of INCHES) await expect(page.getByLabel(label)).toHaveValue(typed);
  // The text stays as typed in either unit; beside it stands what it is.
  const hyphenated = page.getByLabel('Width, middle');
  await hyphenated.fill('3-3/8');
  await expect(page.getByText('Read as 3 3⁄8″. Is that right?')).toBeVisible();
  await hyphenated.press('Escape');
  await page.getByRole('button', { name: 'mm', exact: true }).click();
  await expect(page.getByRole('button', { name: 'mm', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByLabel('Width, bottom')).toHaveValue('36 1/4"');
  await expect(page.locator('#reading-widthBottom-say')).toContainText('920.8');
});

test('the same by keyboard alone', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').focus();
  await page.keyboard.type('ines@demo.invalid');
  await page.keyboard.press('Tab');
  await page.keyboard.type('level-and-plumb');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/jobs$/);
  await tabTo(page, 'a', 'Skarv Point field station');
  await page.keyboard.press('Enter');
  await tabTo(page, 'a', 'W-03');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/skarv-w-03\/measure$/);

  await tabTo(page, '#reading-roughWidth');
  for (const typed of ['', '', '620', '621', '620', '925', '925', '926']) {
    if (typed) await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('#reading-diagonalRising')).toBeFocused();
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result.getByText('fits')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Height, right')).toHaveValue('');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByLabel('Height, right')).toHaveValue('926');
  await saved(page);

  await page.locator('body').press('Escape');
  await tabTo(page, 'a', 'Detail', true);
  await page.keyboard.press('Enter');
  await tabTo(page, '[role=slider]');
  await page.keyboard.press('Home');
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('slider')).toHaveAttribute('aria-valuetext', /Step 3 of \d+: Slit the head/);

  await tabTo(page, 'a', 'Install', true);
  await page.keyboard.press('Enter');
  // No wind is known here: work begins with a reason.
  await tabTo(page, 'textarea');
  await page.keyboard.type('dry shed, no wind');
  await tabTo(page, 'button', 'Freeze it all the same and start');
  await page.keyboard.press('Enter');
  await expect(page.locator('summary', { hasText: 'Check the opening' })).toBeFocused();
  for (let done = 1; done <= 5; done++) {
    await tabTo(page, 'button:not(:disabled)', 'Done');
    await page.keyboard.press('Enter');
    await expect(stepsDone(page, Math.min(done, 4))).toBeVisible();
  }
  await tabTo(page, 'button', 'I have looked');
  await page.keyboard.press('Enter');
  await expect(stepsDone(page, 5)).toBeVisible();
  await page.reload();
  await expect(stepsDone(page, 5)).toBeVisible();
});

/** Presses Tab (or Shift+Tab) until the focus is on an element of this kind and text. */
async function tabTo(page: Page, selector: string, words = '', back = false): Promise<void> {
  const there = () =>
    page.evaluate(
      ([css, wanted]) => {
        const now = document.activeElement;
        return (
          now !== null && now.matches(css ?? '') && (now.textContent ?? '').trim().startsWith(wanted ?? '')
        );
      },
      [selector, words],
    );
  for (let i = 0; i < 160; i++) {
    if (await there()) return;
    await page.keyboard.press(back ? 'Shift+Tab' : 'Tab');
  }
  throw new Error(`the keyboard does not reach ${selector} ${words}`);
}

test('axe finds nothing on any screen, wide or as a phone', async ({ page }) => {
  await page.goto('/sign-in');
  await expectAccessible(page);
  await signIn(page);
  const paths = [
    '/jobs',
    ...[
      '',
      '/add',
      '/start',
      '/board',
      '/survey',
      '/lines',
      '/units',
      '/sizes',
      '/cut-sheet?opening=skarv-s-01',
      '/shelf',
      '/people',
    ].map((p) => `/jobs/skarv-point${p}`),
    '/account',
    '/invite/no-such-link',
    ...['measure', 'detail', 'install', 'prove'].map((s) => `/jobs/skarv-point/skarv-s-03/${s}`),
    '/jobs/skarv-point/skarv-s-05/install',
    '/jobs/skarv-point/skarv-s-05/history',
    '/jobs/skarv-point/skarv-w-02/compare',
    '/jobs/tannery-row/tannery-t-01/detail',
  ];
  for (const path of paths)
    for (const size of [
      { width: 1280, height: 800 },
      { width: 390, height: 844 },
    ]) {
      await page.setViewportSize(size);
      await page.goto(path);
      if (size.width > 1000) await expectAccessible(page);
      await expect(page.locator('h1').first()).toBeVisible();
      const wider = () =>
        page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      await expect.poll(wider, `${path} at ${size.width}`).toBe(0);
    }
});

test('the cut list equals what the browser measures on the exported pieces', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/detail');
  await page.getByRole('button', { name: 'Cut list' }).click();
  await expect(page.locator('tr[data-piece]').first()).toBeVisible();
  const listed = await page
    .locator('tr[data-piece]')
    .evaluateAll((rows) =>
      rows.map(
        (row) =>
          [
            row.getAttribute('data-piece'),
            ...[...row.querySelectorAll('td')].map((td) => Number(td.textContent)),
          ] as const,
      ),
    );
  await page.goto('/jobs/skarv-point/skarv-s-01/pieces.svg');
  const measured = await page.evaluate(() =>
    [...document.querySelectorAll('[data-piece]')].map((group) => {
      const { width, height } = (group as SVGGraphicsElement).getBBox();
      return [group.getAttribute('data-piece'), width, height] as const;
    }),
  );
  expect(measured).toHaveLength(13);
  for (const [piece, length, width] of measured) {
    const row = listed.find(([id]) => id === piece);
    expect(Math.abs((row?.[1] ?? 0) - length), `${piece} length`).toBeLessThanOrEqual(0.501);
    expect(Math.abs((row?.[2] ?? 0) - width), `${piece} width`).toBeLessThanOrEqual(0.501);
  }
});

test('a finding’s fix is applied with one press and undone', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/detail');
  await page.getByRole('button', { name: 'Numbers' }).click();
  const width = page.getByRole('textbox', { name: 'Head tape, width' });
  await width.fill('75 mm');
  await width.press('Enter');
  const panel = page.getByRole('region', { name: 'Detail' });
  await expect(
    panel.getByRole('heading', { name: 'Jamb tapes stand out above the head tape' }),
  ).toBeVisible();
  await panel
    .getByRole('listitem')
    .filter({ hasText: 'Jamb tapes stand out above the head tape' })
    .getByRole('button', { name: 'Ways to mend' })
    .click();
  await panel.getByRole('button', { name: 'Head tape, width: 100' }).click();
  const low = panel.getByRole('heading', { name: 'Jamb tapes stand out above the head tape' });
  await expect(low).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByText('Fails').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(low).toHaveCount(0);
  await saved(page);
});

test.describe('errors by design', () => {
  test.use({ refusalsExpected: true });

  test('what was typed while the server was away is kept and sent when it answers again', async ({
    page,
    context,
  }) => {
    await signIn(page);
    const path = await newOpening(page, 'T-02', null);
    await page.route('**/api/**', (route) => route.abort());
    await page.getByLabel('Opening width').fill('1210');
    await page.getByLabel('Opening width').press('Enter');
    await expect(page.getByText('Kept on this device, not yet on the server')).toBeVisible();
    await page.close();
    const later = await context.newPage();
    await later.goto(`${path}/measure`);
    await expect(later.getByLabel('Opening width')).toHaveValue('1210');
    await saved(later);
    await later.reload();
    await expect(later.getByLabel('Opening width')).toHaveValue('1210');
  });

  test('two people on one opening see each other’s figures at once, and both choices when they clash', async ({
    browser,
  }) => {
    const server = new URL(process.env.HULVEK_BASE ?? '');
    const line = await lineTo(server);
    const page = await (await browser.newContext({ baseURL: line.base })).newPage();
    await signIn(page);
    const path = await newOpening(page, 'T-03');
    const other = await (await browser.newContext({ baseURL: server.toString() })).newPage();
    await signIn(other, 'tove@demo.invalid');
    await other.goto(`${path}/measure`);
    await page.getByLabel('Width, top').fill('918');
    await page.getByLabel('Width, top').press('Enter');
    await expect(other.getByLabel('Width, top')).toHaveValue('918');

    // While one types, the other enters: the field says so, and both figures stay in the history.
    await other.getByLabel('Width, top').fill('922');
    await page.getByLabel('Width, top').fill('917');
    await page.getByLabel('Width, top').press('Enter');
    await expect(other.getByText('Somebody entered 917 here meanwhile')).toBeVisible();
    await other.getByLabel('Width, top').press('Enter');
    await expect(page.getByLabel('Width, top')).toHaveValue('922');
    await saved(other);

    // Different choices go together; the same one chosen twice is shown with both sides.
    line.cut();
    await page
      .getByLabel('Unit', { exact: true })
      .selectOption({ label: 'Type A, fixed, 600 × 900\u202fmm' });
    await other
      .getByLabel('Unit', { exact: true })
      .selectOption({ label: 'Type D, sliding, 1200 × 1200\u202fmm' });
    await saved(other);
    line.mend();
    const conflict = page.getByRole('region', { name: 'Somebody else changed this opening' });
    await expect(conflict).toContainText('Unit: mine Type A, fixed, theirs Type D, sliding');
    await conflict.getByRole('button', { name: 'Take theirs' }).click();
    await expect(page.getByLabel('Unit', { exact: true })).toHaveValue('u-1200-1200');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('Unit', { exact: true })).toHaveValue('u-600-900');
    await expect(other.getByLabel('Unit', { exact: true })).toHaveValue('u-600-900');

    await page.getByRole('link', { name: 'History' }).click();
    const lines = page.getByRole('row');
    await expect(lines.filter({ hasText: 'Width, top: 922, was 917' })).toContainText('Tove Aas');
    await expect(lines.filter({ hasText: 'Unit: Type A, fixed, was Type D, sliding' })).toContainText(
      'Ines Kallas',
    );
    await expectAccessible(page);
    line.close();
  });

  test('strangers are sent to sign in, other sites’ requests are refused, wrong passwords are told', async ({
    page,
    request,
  }) => {
    await page.goto('/jobs/skarv-point');
    await expect(page).toHaveURL(/\/sign-in\?next=/);
    await page.getByLabel('E-mail').fill('ines@demo.invalid');
    await page.getByLabel('Password').fill('out-of-plumb');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('do not belong together');
    const foreign = await request.post('/sign-in', {
      headers: { origin: 'http://elsewhere.invalid' },
      form: { email: 'a', password: 'b' },
    });
    expect(foreign.status()).toBe(403);
    expect(
      (
        await request.put('/api/jobs/skarv-point/units', {
          headers: { origin: process.env.HULVEK_BASE ?? '' },
          data: { units: 'in' },
        })
      ).status(),
    ).toBe(401);
  });
});
