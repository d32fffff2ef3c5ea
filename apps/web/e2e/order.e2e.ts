/** Order of one opening: where it may be left for the night, and a step that is moved, refused, and kept with a reason. */
import { expect, expectAccessible, newOpening, saved, signIn, test } from './support.ts';

test('the evenings of an opening are said, a step is moved by keys, refused where it cannot be, kept with a reason, and undone', async ({
  page,
}) => {
  await signIn(page);
  const opening = await newOpening(page, 'O-01');
  for (const [label, figure] of [
    ['Width, bottom', '920'],
    ['Height, left', '1220'],
  ] as const) {
    await page.getByLabel(label).fill(figure);
    await page.keyboard.press('Enter');
  }
  await page.goto(`${opening}/order`);
  const step = (id: string) => page.locator(`[data-step=${id}]`);
  await expect(step('bead')).toContainText('no stop here');
  await expect(step('set')).toContainText('the unit stands loose until');
  await expect(step('pan')).toContainText('the hole is open');
  await expect(page.locator('.evening[data-state=drains]').first()).toBeVisible({ timeout: 20_000 });
  await expectAccessible(page);

  // What a night would bring follows its figures.
  const before = await step('pan').locator('.evening').innerText();
  await page.getByLabel('Rain', { exact: true }).fill('40 mm');
  await expect(step('pan').locator('.evening')).not.toHaveText(before);
  await page.getByLabel('Rain', { exact: true }).fill('much');
  await expect(page.getByText(/must be figures above nothing/)).toBeVisible();
  await page.getByLabel('Rain', { exact: true }).fill('10 mm');

  // The unit before its bead: refused, with the reason.
  const trial = page.getByTestId('order-trial');
  await step('set')
    .getByRole('button', { name: /^One place earlier/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(trial).toContainText('it physically needs it');
  await expect(trial.getByRole('button', { name: 'Keep this order' })).toHaveCount(0);
  await trial.getByRole('button', { name: 'Put it back' }).click();
  await expect(trial).toHaveCount(0);

  // The head tape before the jamb tapes: possible, and water says what it would do.
  await step('head-tape')
    .getByRole('button', { name: /^One place earlier/ })
    .click();
  await expect(trial).toContainText('a lap the wrong way');
  await trial.getByRole('button', { name: 'Keep this order' }).click();
  await expect(trial.getByRole('alert')).toContainText('Write the reason');
  await trial.getByLabel(/^Why it is done so/).fill('tapes came late');
  await trial.getByRole('button', { name: 'Keep this order' }).click();
  await saved(page);
  await expect(page.getByText('This opening has an order of its own.')).toContainText('tapes came late');
  const order = () =>
    page.locator('[data-step]').evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.step));
  const own = await order();
  expect(own.indexOf('head-tape')).toBeLessThan(own.indexOf('jamb-tapes'));

  // It is proven as it is built now, there after a reload, and gone with one undo.
  await page.reload();
  await expect.poll(order).toEqual(own);
  await page.goto(`${opening}/prove?proof=water`);
  await expect(page.getByRole('heading', { name: /lap|Lap/ }).first()).toBeVisible();
  await page.goto(`${opening}/order`);
  await page.getByRole('button', { name: 'Back to the method’s order' }).click();
  await expect
    .poll(async () => (await order()).indexOf('head-tape'))
    .toBeGreaterThan(own.indexOf('head-tape'));
  await saved(page);
});
