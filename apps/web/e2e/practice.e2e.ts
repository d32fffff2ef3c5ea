/** Practice: by keys, by touch, without a network; nothing of an answer before it is given; rounds and leave. */
import { composeTask, readTaskNumber, type Given } from '@hulvek/core';
import type { Page } from '@playwright/test';
import { expect, expectAccessible, signIn, signInByForm, test } from './support.ts';

/** What is right, worked out apart from the page. */
function rightOf(text: string): Given {
  const number = readTaskNumber(text);
  const composed = number && composeTask(number);
  if (!composed) throw new Error(`no task ${text}`);
  return composed.judge({ form: 'one', option: '' }).answer;
}

const open = async (page: Page, text: string) => {
  await page.goto(`/practice?task=${text}`);
  await expect(page.getByTestId('task')).toContainText(text, { timeout: 30_000 });
};
const verdict = (page: Page) => page.getByTestId('verdict');

test('tasks are answered by keys alone; right and wrong are explained, and the water is shown', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'jonas@demo.invalid');
  // An order: a step is carried to its place by its arrows.
  await open(page, 'order-1-3');
  await expectAccessible(page);
  const right = rightOf('order-1-3');
  const many = right.form === 'order' ? right.items.length : 0;
  const items = page.getByTestId('task').locator('ol li');
  await expect(items).toHaveCount(many);
  const first = await items.first().innerText();
  await page
    .getByRole('button', { name: /^One place later/ })
    .first()
    .focus();
  await page.keyboard.press('Enter');
  await expect(items.nth(1)).toHaveText(first.replace(/^1/, '2'), { useInnerText: true });
  await page.keyboard.press('Enter');
  await expect(items.nth(2)).toHaveText(first.replace(/^1/, '3'), { useInnerText: true });
  await page.getByRole('button', { name: 'Answer' }).focus();
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toBeFocused();
  await expect(verdict(page)).toContainText(/Right|Not so/);
  await expectAccessible(page);

  // A figure, wrong and then right, as it is typed on site.
  await open(page, 'tape-4-8');
  await page.getByLabel('Your answer').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Write a length');
  await page.keyboard.type('12');
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toHaveAttribute('data-right', 'false');
  const tape = rightOf('tape-4-8');
  const mm = tape.form === 'length' ? tape.mm : 0;
  await expect(verdict(page)).toContainText(`stands at ${mm}`);
  await open(page, 'tape-4-8');
  await page.getByLabel('Your answer').fill(`${mm}`);
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toHaveAttribute('data-right', 'true');

  // A place on a picture, by the cross; and by its name.
  await open(page, 'fault-1-4');
  const press = page.getByRole('button', { name: /place to press$/ });
  await press.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toBeFocused();
  await open(page, 'drop-3-8');
  await page.getByRole('radio').first().focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toBeVisible();
  await expect(page.getByTestId('practice-water')).toBeAttached();
  await page.getByRole('button', { name: 'End the round' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('round-sum')).toContainText('of 1 were right');
  await expect(page.getByRole('heading', { name: 'How it goes', exact: true })).toBeVisible();
  await expectAccessible(page);
});

test('of an answer nothing is in page, names, order, storage or network before it is given', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'eilif@demo.invalid');
  const asked: string[] = [];
  page.on('request', (request) => {
    if (request.resourceType() === 'fetch')
      asked.push(`${request.method()} ${new URL(request.url()).pathname}`);
  });
  for (const text of [
    'fault-2-9',
    'night-3-4',
    'cover-3-6',
    'leak-2-4',
    'grip-4-2',
    'order-3-5',
    'cut-3-4',
  ]) {
    asked.length = 0;
    await open(page, text);
    const found = await page.evaluate(async () => {
      const task = document.querySelector('[data-testid=task]');
      const own = [...(task?.querySelectorAll('*') ?? [])];
      const names = own.flatMap((one) =>
        [...one.attributes].map(({ name, value }) => [name, value] as const),
      );
      const kept = await indexedDB.databases();
      const waiting = await new Promise<number>((resolve, reject) => {
        const request = indexedDB.open('hulvek-practice');
        request.onerror = () => reject(request.error ?? new Error('not opened'));
        request.onsuccess = () => {
          const count = request.result.transaction('waiting').objectStore('waiting').getAll();
          count.onsuccess = () => {
            request.result.close();
            resolve(JSON.stringify(count.result).length);
          };
        };
      });
      return {
        owners: [...new Set(names.filter(([name]) => name === 'data-owner').map(([, value]) => value))],
        data: [...new Set(names.map(([name]) => name).filter((name) => name.startsWith('data-')))].sort(),
        // What tells one choice from another besides its words.
        choices: [...(task?.querySelectorAll('input[type=radio], input[type=checkbox]') ?? [])].map((one) =>
          [...one.attributes]
            .filter(({ name }) => name !== 'value')
            .map(({ name, value }) => `${name}=${value}`)
            .join(' '),
        ),
        values: [...(task?.querySelectorAll('input[type=radio], input[type=checkbox]') ?? [])].map((one) =>
          one.getAttribute('value'),
        ),
        stored: JSON.stringify({ ...localStorage }) + JSON.stringify({ ...sessionStorage }),
        databases: kept.map(({ name }) => name),
        waiting,
        text: task?.textContent ?? '',
      };
    });
    expect(found.owners.every((owner) => owner === '')).toBe(true);
    expect(
      found.data.filter((name) => /right|answer|fault|wet/.test(name)),
      text,
    ).toEqual([]);
    expect(new Set(found.choices).size, text).toBeLessThanOrEqual(1);
    expect(found.values).toEqual(found.values.map((_, i) => String(i)));
    expect(found.stored).not.toMatch(/"right"|answer/);
    expect(found.waiting).toBe(2);
    expect(found.text).not.toMatch(/Right would be|Not so/);
    // Asked of the server: who is there and what was answered before; nothing of this task.
    for (const one of asked) expect(one).toMatch(/^GET \/api\/(me|practice|jobs)/);
  }
  // A part is chosen from a list that stands in the order of its letters, the missing and the sound alike.
  await open(page, 'fault-2-9');
  const parts = await page.getByLabel('Or name it').locator('option').allInnerTexts();
  expect(parts.slice(1)).toEqual(parts.slice(1).toSorted((a, b) => a.localeCompare(b)));
});

test('a round on a phone without a network, by touch; sent later, once each', async ({ browser }) => {
  test.setTimeout(240_000);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await signInByForm(page, 'maret@demo.invalid');
  await page.goto('/practice');
  await expect(page.getByRole('button', { name: 'Start five minutes' })).toBeEnabled();
  await page.waitForFunction(() => navigator.serviceWorker?.controller);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByText('Without a network.').first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole('checkbox', { name: 'All kinds' }).tap();
  for (const kind of [/^Read the tape/, /^What goes on what/, /^Find the fault/])
    await page.getByRole('checkbox', { name: kind }).tap();
  await page.getByRole('button', { name: 'Start five minutes' }).tap();
  const kinds = new Set<string>();
  for (let i = 0; i < 4; i++) {
    const task = page.getByTestId('task');
    await expect(task).toBeVisible({ timeout: 30_000 });
    kinds.add(await task.getByRole('heading').innerText());
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(
      0,
    );
    const press = task.getByRole('button', { name: /place to press$/ }).first();
    const box = task.getByRole('checkbox').first();
    if (await press.isVisible()) await press.tap({ position: { x: 60, y: 60 } });
    else if (await box.isVisible()) {
      await box.tap();
      await task.getByRole('button', { name: 'Answer' }).tap();
    } else {
      await task.getByLabel('Your answer').fill('100');
      await task.getByRole('button', { name: 'Answer' }).tap();
    }
    await expect(verdict(page)).toBeVisible();
    await task.getByRole('button', { name: 'Next' }).tap();
  }
  expect(kinds.size).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'End the round' }).tap();
  await expect(page.getByTestId('round-sum')).toContainText('of 4 were right');
  await expect(page.getByText('4 answers wait to be sent.')).toBeVisible();
  // The device is switched off and on: what was answered is still there.
  await page.reload();
  await expect(page.getByText('4 answers wait to be sent.')).toBeVisible({ timeout: 30_000 });
  await context.setOffline(false);
  await expect(page.getByText('wait to be sent')).toHaveCount(0, { timeout: 30_000 });
  const kept = await page.evaluate(
    async () => ((await (await fetch('/api/practice')).json()) as { answers: unknown[] }).answers.length,
  );
  expect(kept).toBe(4);
  await context.close();
});

test('a lead makes a round of a job, a person finds it and lets the skills be seen; on paper the answers stand', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  await signIn(page);
  await page.goto('/jobs/tannery-row/practice');
  await page.getByRole('button', { name: 'Make the round' }).click();
  await expect(page.getByRole('alert')).toContainText('Choose an opening');
  await page.getByRole('group', { name: 'On which openings' }).getByRole('checkbox').first().check();
  await page.getByLabel('Name of the round').fill('The first front');
  await page.getByRole('button', { name: 'Make the round' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'The round is made' })).toBeVisible({
    timeout: 60_000,
  });
  const row = page.getByRole('listitem').filter({ hasText: 'The first front' });
  const paper = await row.getByRole('link', { name: 'On paper, with answers' }).getAttribute('href');
  const pdf = await page.request.get(paper ?? '');
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).length).toBeGreaterThan(10_000);
  await expectAccessible(page);

  const other = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await other.newPage();
  await signInByForm(phone, 'tove@demo.invalid');
  await phone.goto('/jobs/tannery-row');
  await expect(phone.getByRole('heading').first()).toBeVisible();
  await phone.goto('/practice');
  await phone.getByRole('button', { name: 'The first front' }).click({ timeout: 30_000 });
  await expect(phone.getByTestId('task')).toBeVisible({ timeout: 30_000 });
  await expectAccessible(phone);
  await phone.getByRole('button', { name: 'End the round' }).click();
  const leave = phone.getByRole('checkbox', { name: /^Leads of Tannery Row/ });
  await expect(leave).not.toBeChecked();
  await leave.check();
  await expect(leave).toBeChecked();

  await page.reload();
  await expect(page.locator('summary').filter({ hasText: 'Tove' })).toBeVisible({ timeout: 30_000 });
  await phone.reload();
  await phone.getByRole('checkbox', { name: /^Leads of Tannery Row/ }).uncheck();
  await expect
    .poll(async () => {
      await page.reload();
      await expect(page.getByRole('heading', { name: 'How it goes for those who allow it' })).toBeVisible();
      return page.locator('summary').filter({ hasText: 'Tove' }).count();
    })
    .toBe(0);
  await page.getByRole('button', { name: /^Take the round away/ }).click();
  await expect(page.getByText('No round yet.')).toBeVisible();
  await other.close();
});
