/** Notices by link: made by whoever leads, read by anybody who has it, said to have been read by a name that nobody checks. */
import { expect, expectAccessible, signIn, test } from './support.ts';

test.use({ refusalsExpected: true });

test('a trade reads its notice by link and says so; an ended link tells nothing, and a sign has nothing to press', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  await signIn(page);
  await page.goto('/jobs/skarv-point/notices');
  const handOut = page.getByTestId('hand-out');
  await expect(handOut).toBeVisible({ timeout: 30_000 });
  await handOut
    .getByRole('button', { name: /^Link for / })
    .first()
    .click();
  const link = await handOut.locator('.link a').first().getAttribute('href');
  expect(link).toMatch(/\/told\/[\w-]{20,}$/);
  await expectAccessible(page);

  // Somebody without an account, on a phone.
  const stranger = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await stranger.newPage();
  await phone.goto(link ?? '');
  await expect(phone.getByTestId('told').locator('li').first()).toBeVisible();
  await expectAccessible(phone);
  // A preview by a program only looks.
  expect((await phone.request.get(link ?? '')).status()).toBe(200);
  await page.reload();
  await expect(page.getByTestId('hand-out')).toContainText('Nobody said so yet.');
  await phone.getByLabel(/^Your name/).fill('Foreman of the cladders');
  await phone.getByRole('button', { name: 'I have read this' }).click();
  await expect(phone.getByRole('status')).toContainText('Foreman of the cladders');
  await page.reload();
  await expect(page.getByTestId('said')).toContainText('said to be Foreman of the cladders by link');

  // Nobody's name stands in what is told.
  expect(await phone.content()).not.toMatch(/Ines|Tove|Jonas/);
  await page.getByTestId('hand-out').getByRole('button', { name: 'End it' }).first().click();
  await expect(page.getByTestId('hand-out').getByRole('button', { name: 'End it' })).toHaveCount(0);
  await phone.goto(link ?? '');
  await expect(phone.getByRole('alert')).toContainText('holds no more');
  await expect(phone.getByTestId('told')).toHaveCount(0);

  await page.getByRole('button', { name: 'signs for the openings' }).click();
  await page.getByRole('button', { name: 'Codes on the signs' }).click();
  const sign = await page.getByTestId('sign').first().locator('.link a').getAttribute('href');
  await phone.goto(sign ?? '');
  await expect(phone.getByTestId('told').locator('li').first()).toBeVisible();
  await expect(phone.locator('main').getByRole('button')).toHaveCount(0);
  await expect(phone.locator('main').getByRole('textbox')).toHaveCount(0);
  await stranger.close();
});
