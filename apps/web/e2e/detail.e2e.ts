/** Detail: choosing, departing, dragging, comparing, cutting, and the shelf that all jobs take from. */
import { expect, saved, signIn, test } from './support.ts';

const DETAIL = '/jobs/skarv-point/skarv-e-01/detail';

test('a choice is departed from, the contradiction found, mended by its fix, accepted with a reason, undone', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(DETAIL);
  const panel = page.getByRole('region', { name: 'Detail' });
  const verdict = panel.getByRole('heading', { level: 2 }).first();
  await expect(verdict).toContainText('Watch');
  await panel.getByLabel('Jambs in the opening').selectOption({ label: 'Bare' });
  await expect(
    panel.getByRole('heading', { name: 'Nothing carries the air line into the opening' }),
  ).toBeVisible();
  await expect(verdict).toContainText('Fails');
  await expect(panel.getByText('Bare, the method says Flashing to full depth')).toBeVisible();
  await panel
    .getByRole('listitem')
    .filter({ hasText: 'Nothing carries the air line into the opening' })
    .getByRole('button', { name: 'Ways to mend' })
    .click();
  await panel.getByRole('button', { name: 'Jambs in the opening: Flashing to full depth' }).first().click();
  await expect(verdict).toContainText('Watch');
  await page.getByRole('button', { name: 'Undo' }).click();
  await panel.getByRole('button', { name: 'Depart from this rule' }).click();
  await panel.getByLabel('Why, and what makes up for it').fill('A membrane follows inside.');
  await panel.getByRole('button', { name: 'Accept in my name' }).click();
  await expect(panel.getByText('Accepted by Ines Kallas: “A membrane follows inside.”')).toBeVisible();
  await expect(verdict).toContainText('Watch');
  await saved(page);
  await page.reload();
  await expect(panel.getByText('Accepted by Ines Kallas')).toBeVisible();
  // Nobody can be made to have accepted it.
  const part = (await (await page.request.get('/api/jobs/skarv-point/openings/skarv-e-01')).json()) as {
    part: { document: { deviations: object[] }; version: number };
  };
  const { document, version } = part.part;
  const somebody = { person: 'Tove Aas', account: '5ca20000-0000-4000-8000-000000000001' };
  const forged = { ...document, deviations: document.deviations.map((d) => ({ ...d, ...somebody })) };
  const answer = await page.request.put('/api/jobs/skarv-point/openings/skarv-e-01', {
    headers: { origin: new URL(page.url()).origin },
    data: { version, document: forged },
  });
  expect(answer.status()).toBe(400);
  await page.getByRole('link', { name: 'History' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Jambs in the opening: Bare' }).first()).toBeVisible();
  await page.goto(DETAIL);
  await panel.getByRole('button', { name: 'Withdraw' }).click();
  await panel.getByRole('button', { name: /Back to Flashing/ }).click();
  await expect(verdict).toContainText('Watch');
  await expect(
    panel.getByRole('heading', { name: 'Nothing carries the air line into the opening' }),
  ).toHaveCount(0);
  await saved(page);
});

test('the end of a strip is dragged on a grid, moved by keys, typed, and undone in one step each', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/detail');
  const handle = page.locator('[data-parameter=headTapeWidth]');
  await expect(handle).toHaveAccessibleName(/Head tape, width: 100/);
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 9, { steps: 6 });
  await page.mouse.up();
  await expect(handle).not.toHaveAccessibleName(/width: 100/);
  const dragged = Number(/width: (\d+)/.exec((await handle.getAttribute('aria-label')) ?? '')?.[1]);
  expect(dragged % 5).toBe(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(handle).toHaveAccessibleName(/width: 100/);
  await handle.focus();
  await page.keyboard.press('ArrowUp');
  await expect(handle).toHaveAccessibleName(/width: 101/);
  await page.keyboard.press('Enter');
  const field = page.getByRole('textbox', { name: 'Head tape, width' });
  await expect(field).toBeFocused();
  await field.fill('105');
  await field.press('Enter');
  await expect(handle).toHaveAccessibleName(/width: 105/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(handle).toHaveAccessibleName(/width: 100/);
});

test('a frame without fins is dragged through the wall, and the cut follows', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/tannery-row/tannery-t-02/detail');
  await page.getByRole('button', { name: 'Sill', exact: true }).click();
  const handle = page.locator('[data-parameter=setback]');
  await expect(handle).toHaveAccessibleName(/Frame behind the face: 184.5/);
  const frame = page.locator('[data-owner=unit]').first();
  const before = await frame.getAttribute('points');
  await handle.focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(handle).toHaveAccessibleName(/Frame behind the face: 175/);
  expect(await frame.getAttribute('points')).not.toBe(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(handle).toHaveAccessibleName(/184.5/);
  for (const view of ['Head', 'Left jamb', 'Right jamb', 'All cuts', 'Inside', 'Pieces']) {
    await page.getByRole('button', { name: view, exact: true }).click();
    await expect(page.getByRole('button', { name: view, exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  }
  await page.getByRole('button', { name: 'Head', exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF' }).click();
  expect((await download).suggestedFilename()).toBe('T-02-head-1to5.dxf');
});

test('two methods stand side by side, and a day’s pieces on one sheet', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/compare');
  const second = page.getByRole('article', { name: 'Second method' });
  await second.getByRole('combobox').selectOption({ label: 'Pocket replacement' });
  await expect(second.getByText('What is behind the old frame stays unseen')).toBeVisible();
  await expect(
    page.getByRole('row', { name: /Sill pan Stretchable flashing, one piece None/ }),
  ).toBeVisible();
  await page.goto('/jobs/skarv-point/cut-sheet');
  await expect(page.getByText('Choose openings to see their pieces.')).toBeVisible();
  await page.getByLabel('E-01 cabin 1').check();
  await page.getByLabel('E-03 cabin 3').check();
  await expect(page.getByText('2 × Head tape', { exact: true }).first()).toBeVisible();
  await expect(page.getByText('For E-01, E-03.')).toBeVisible();
});

test('a method goes from the shelf into the job, is changed, kept as the next version, and offered to the older copy', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/tannery-row/shelf');
  await page.getByRole('button', { name: /^Take into this job ?, Pocket replacement$/ }).click();
  const mine = page.getByRole('region', { name: 'In this job' }).getByRole('listitem');
  const copy = mine.filter({ hasText: 'Pocket replacement' }).first();
  await expect(copy).toContainText('version 1 of the shelf');

  await page.goto('/jobs/skarv-point/shelf');
  await page.getByRole('button', { name: /^Take into this job ?, Pocket replacement$/ }).click();
  await copy.getByRole('link', { name: 'Edit' }).click();
  await page.getByLabel('Shims', { exact: true }).selectOption({ label: 'Plastic, all stay' });
  // What was chosen makes the page longer while it is pressed: a press that moved away is made again.
  const kept = page.getByText(/is kept\.$/);
  await expect(async () => {
    if (!(await kept.isVisible()))
      await page.getByRole('button', { name: 'Save', exact: true }).click({ timeout: 3000 });
    await expect(kept).toBeVisible({ timeout: 5000 });
  }).toPass({ timeout: 60_000 });
  await page.goto('/jobs/skarv-point/shelf');
  await copy.getByRole('button', { name: 'Keep on the shelf as version 2' }).click();
  await expect(copy).toContainText('version 2 of the shelf');

  await page.goto('/jobs/tannery-row/shelf');
  await expect(page.getByText('One copy is older than the shelf.')).toBeVisible();
  await expect(copy).toContainText('Version 2 on the shelf would change:');
  await expect(copy).toContainText('plastic-at-sill');
  await copy.getByRole('button', { name: 'Take the newer version' }).click();
  await expect(copy).toContainText('version 2 of the shelf');
  await page.getByRole('button', { name: 'Materials' }).click();
  await page.getByRole('button', { name: /^Take into this job ?, Joint membrane 150$/ }).click();
  const membrane = mine.filter({ hasText: 'Joint membrane 150' });
  await membrane.getByRole('button', { name: 'Edit' }).click();
  await membrane.getByLabel('Roll width').fill('wide');
  await membrane.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(membrane.getByRole('alert')).toContainText('Roll width');
  await membrane.getByLabel('Roll width').fill('40');
  await membrane.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(membrane.getByRole('status')).toHaveText('Saved');
  await page.goto('/jobs/tannery-row/tannery-t-01/detail');
  await expect(page.getByRole('heading', { name: 'Inner membrane: wider than its roll' })).toBeVisible();
});
