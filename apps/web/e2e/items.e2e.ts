/** Walls of a job: named, changed with a look at what that does, taken back; drawings on paper; pictures marked; the bell. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, signIn, test } from './support.ts';

const JOB = '/jobs/skarv-point';

test('a wall is renamed, changed after a look at what that does, and had again as it was', async ({
  page,
}) => {
  await signIn(page, 'tove@demo.invalid');
  await page.goto(`${JOB}/walls`);
  const name = page.getByLabel('Name', { exact: true }).first();
  const before = await name.inputValue();
  await name.fill('North wall');
  await name.press('Tab');
  await expect(page.getByText('“North wall” is kept.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'North wall' })).toBeAttached();

  const thickness = page.getByRole('textbox', { name: /^Thickness/ }).first();
  await thickness.fill('25');
  await page
    .getByRole('button', { name: /^(Save|Keep|Keep the wall|Save the wall)/ })
    .first()
    .click();
  const effect = page.getByTestId('item-effect');
  await expect(effect).toContainText('openings go by it');
  await expect(effect.getByRole('status')).not.toContainText('looked at', { timeout: 30_000 });
  await effect.getByRole('button', { name: 'Keep it' }).click();
  await expect(effect).toHaveCount(0);
  // The way back is there once it is kept; the page is then made anew from it.
  await expect(page.getByRole('button', { name: 'Undo' }).first()).toBeVisible();

  await page.getByRole('button', { name: 'Earlier versions' }).click();
  const versions = page.locator('ol.versions > li');
  await expect(versions).toHaveCount(3);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Undone.')).toBeVisible();
  await name.fill(before);
  await name.press('Tab');
  await expect(page.getByText(`“${before}” is kept.`)).toBeVisible();

  await page.getByRole('button', { name: 'Make a copy' }).click();
  await expect(name).toHaveValue(`${before} (copy)`);
  await page.getByRole('button', { name: 'Take out of the job' }).click();
  await expect(page.getByText(/was taken out of the job/)).toBeVisible();
});

test('drawings and cut sheets come as PDF, whole, and refuse what is not there', async ({ page }) => {
  await signIn(page, 'tove@demo.invalid');
  const pages = (body: Buffer) => body.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
  const drawings = await page.request.get(`${JOB}/skarv-s-03/drawings.pdf`);
  expect(drawings.headers()['content-type']).toBe('application/pdf');
  // Two faces, four cuts, what is cut.
  expect(pages(await drawings.body())).toBe(7);
  const sheet = await page.request.get(`${JOB}/cut-sheet.pdf?openings=skarv-s-03,skarv-n-01`);
  expect(sheet.status()).toBe(200);
  expect(pages(await sheet.body())).toBeGreaterThan(1);
  expect((await page.request.get(`${JOB}/cut-sheet.pdf`)).status()).toBe(400);
  expect((await page.request.get(`${JOB}/cut-sheet.pdf?openings=none`)).status()).toBe(404);
  expect((await page.request.get(`${JOB}/none/drawings.pdf`)).status()).toBe(404);
  await page.goto(`${JOB}/cut-sheet`);
  await page.getByRole('button', { name: 'South', exact: true }).click();
  await expect(page.getByText(/corners off|slit/).first()).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'PDF', exact: true }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('cut-sheet.pdf');
});

test('the sun screen and large type stay as they were chosen; a word opens where it stands', async ({
  page,
}) => {
  await signIn(page, 'tove@demo.invalid');
  await page.goto(`${JOB}/skarv-s-03/detail`);
  const screen = page.locator('html');
  await page.getByRole('button', { name: /sun/i }).click();
  await expect(screen).not.toHaveAttribute('data-screen', '');
  await page.reload();
  await expect(screen).not.toHaveAttribute('data-screen', '');
  await page.getByRole('button', { name: /sun/i }).click();
  await expect(screen).toHaveAttribute('data-screen', '');
  await page.locator('button.term').first().click();
  await expect(page.locator('[popover]:popover-open')).toBeVisible();
});

test('a picture is marked with the hand: the marked copy stands beside it, the picture stays', async ({
  page,
}) => {
  await signIn(page, 'tove@demo.invalid');
  await page.goto(`${JOB}/skarv-s-05/install`);
  const step = page.locator('details[open]').first();
  const pictures = step.locator('img');
  await step.locator('input[type=file]').setInputFiles({
    name: 'pane.jpg',
    mimeType: 'image/jpeg',
    buffer: readFileSync(join(import.meta.dirname, '../test/fixtures/pane.jpg')),
  });
  await expect(pictures).toHaveCount(1);
  await step.getByRole('button', { name: 'Mark', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Mark the picture' });
  // It has a size once the picture is read.
  await expect(dialog.getByRole('application')).toBeVisible();
  const area = await dialog.getByRole('application').boundingBox();
  if (!area) throw new Error('nothing to draw on');
  await page.mouse.move(area.x + area.width * 0.2, area.y + area.height * 0.5);
  await page.mouse.down();
  await page.mouse.move(area.x + area.width * 0.8, area.y + area.height * 0.5, { steps: 6 });
  await page.mouse.up();
  await dialog.getByRole('button', { name: 'Keep the marked copy' }).click();
  await expect(pictures).toHaveCount(2);
  // Red where the hand went, on the copy alone; a picture just kept takes a moment to be drawn.
  const withRed = () =>
    pictures.evaluateAll((all) =>
      all
        .map((one) => {
          const image = one as HTMLImageElement;
          const canvas = document.createElement('canvas');
          [canvas.width, canvas.height] = [image.naturalWidth, image.naturalHeight];
          if (!canvas.width) return 'not drawn yet';
          const context = canvas.getContext('2d');
          context?.drawImage(image, 0, 0);
          const { data } = context?.getImageData(0, 0, canvas.width, canvas.height) ?? { data: [] };
          let red = 0;
          for (let i = 0; i < data.length; i += 4)
            if ((data[i] ?? 0) > 130 && (data[i + 1] ?? 0) < 90 && (data[i + 2] ?? 0) < 90) red++;
          return red > 5 ? 'marked' : 'plain';
        })
        .sort(),
    );
  await expect.poll(withRed).toEqual(['marked', 'plain']);
});

test('the bell tells of somebody else’s note, once', async ({ page, browser }) => {
  await signIn(page, 'tove@demo.invalid');
  await page.goto(`${JOB}/skarv-s-05`);
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'jonas@demo.invalid');
  const at = new Date().toISOString();
  const note = {
    id: randomUUID(),
    opening: 'skarv-s-05',
    issue: 1,
    kind: 'note',
    step: 'bead',
    undoes: null,
    at,
  };
  const answer = await other.request.post(`/api${JOB}/records`, {
    headers: { origin: process.env.HULVEK_BASE ?? '' },
    data: { sentAt: at, records: [{ type: 'entry', record: { ...note, note: 'Rain is coming.' } }] },
  });
  expect((await answer.json()) as unknown).toEqual({ answers: [{ id: note.id, ok: true }] });
  const bell = page.getByRole('button', { name: /^What happened: \d+ unread$/ });
  await expect(bell).toBeVisible({ timeout: 30_000 });
  await bell.click();
  const sheet = page.getByRole('dialog', { name: 'What happened to your openings' });
  await expect(sheet).toContainText(/S-05.*has a note by Jonas/);
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: 'What happened', exact: true })).toBeVisible();
  await other.context().close();
});
