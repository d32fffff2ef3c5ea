/** The house under a fan: the safety list blocks, readings are pasted, bad ones are told, two tests are compared. */
import { expect, expectAccessible, signIn, test } from './support.ts';

const JOB = '/jobs/tannery-row';
const SAFETY = 5;

test('a fan test opens with its safety list, says what it found and what is weak, and is compared with another', async ({
  page,
}) => {
  await signIn(page, 'ines@demo.invalid');
  await page.goto(`${JOB}/tests`);
  await expect(page.getByText('No test of the house was made yet.')).toBeVisible();
  const add = async (name: string, readings: string, hard = false) => {
    await page.getByRole('button', { name: 'New test' }).click();
    const form = page.getByTestId('fan-form');
    const title = form.getByLabel('Name of the test');
    await expect(title).toBeDisabled();
    const lines = form.getByRole('checkbox');
    await expect(lines).toHaveCount(SAFETY);
    for (let i = 0; i < SAFETY; i++) {
      await expect(title).toBeDisabled();
      await lines.nth(i).check();
    }
    await title.fill(name);
    await form.getByLabel('Air inside').fill('420 m³');
    await form.getByLabel('Inside', { exact: true }).fill('21 °C');
    await form.getByLabel('Outside', { exact: true }).fill('4 °C');
    await form.getByLabel(/^Fan covered, before/).fill('-1,2; -0,8');
    if (hard) {
      await form.getByLabel(/^Readings/).fill('20 much');
      await form.getByRole('button', { name: 'Keep the test' }).click();
      await expect(page.getByRole('alert').first()).toContainText('does not read');
      await form.getByLabel(/^Readings/).fill('-20 500\n-30 -5\n-40 800');
      await expect(form.getByRole('alert')).toContainText('reading 2 has no flow');
      await form.getByLabel(/^Readings/).fill('-20 500\n-30 600');
      await expect(form.getByRole('alert')).toContainText('2 usable, 3 at least');
    }
    await form.getByLabel(/^Readings/).fill(readings);
    await expect(form.getByTestId('fan-result')).toContainText('At 50 Pa');
    if (hard) await expectAccessible(page);
    await form.getByRole('button', { name: 'Keep the test' }).click();
    await expect(form).toHaveCount(0);
  };
  await add(
    'Before the lining',
    '-15\t640 m³/h\n-25\t890 m³/h\n-35\t1110 m³/h\n-45\t1300 m³/h\n-60\t1570 m³/h',
    true,
  );
  await add('Finished', '-15\t320 m³/h\n-25\t445 m³/h\n-35\t556 m³/h\n-45\t652 m³/h\n-60\t783 m³/h');
  const tests = page.getByTestId('fan-tests').locator('> li');
  await expect(tests).toHaveCount(2);
  await expect(tests.first()).toContainText('The wind is not entered');
  await tests.first().getByLabel('Compare with').selectOption({ label: 'Before the lining' });
  await expect(page.getByTestId('differs')).toHaveText('50 % less at 50 Pa than in that test.');
  await expectAccessible(page);

  // Readings of the simulated gauge say that they are.
  await page.getByRole('button', { name: 'New test' }).click();
  const form = page.getByTestId('fan-form');
  for (let i = 0; i < SAFETY; i++) await form.getByRole('checkbox').nth(i).check();
  await form.getByLabel('Name of the test').fill('Trial');
  await form.getByRole('button', { name: 'Readings of a simulated gauge' }).click();
  await form.getByRole('button', { name: 'Keep the test' }).click();
  await expect(tests.first()).toContainText('readings of a simulated gauge');
  await tests.first().getByRole('button', { name: 'Take it out' }).click();
  await expect(tests).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(tests).toHaveCount(3);
});
