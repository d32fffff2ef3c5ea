/** Prove, heat: moving a window while Ψ and the coldest corner follow; studies; a whole job by two workers. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import pg from 'pg';
import { expect, expectAccessible, saved, signIn, test } from './support.ts';
import type { Page } from '@playwright/test';

const side = (page: Page, name: string) =>
  page.getByTestId('heat-sides').getByRole('row').filter({ hasText: name });
const figures = async (page: Page, name: string) => {
  const words = await side(page, name).innerText();
  const found = words.replace(/−/g, '-').match(/(-?\d\.\d{3})[\s\S]*?(-?\d+\.\d)\s°C/);
  if (!found) throw new Error(`no figures in ${words}`);
  return { psi: Number(found[1]), coldest: Number(found[2]) };
};
const settled = (page: Page) =>
  expect(page.getByTestId('heat-sides')).toHaveAttribute('data-settled', 'true', { timeout: 30_000 });

test('a window dragged inward loses more and its coldest corner changes while the hand moves, then both settle', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/tannery-row/tannery-t-04/prove?proof=heat');
  await settled(page);
  const before = await figures(page, 'Sill');
  await expect(side(page, 'Sill')).toContainText('between');
  const mark = page.getByTestId('coldest');
  const stood = await mark.boundingBox();

  const handle = page.locator('[data-parameter=setback]');
  const box = await handle.boundingBox();
  if (!box || !stood) throw new Error('nothing to drag');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y, { steps: 12 });
  // The hand still holds it: first answers come while it does.
  await expect.poll(async () => (await figures(page, 'Sill')).psi).toBeGreaterThan(before.psi + 0.02);
  await expect.poll(async () => (await mark.boundingBox())?.x ?? 0).toBeGreaterThan(stood.x + 15);
  await page.mouse.up();
  await settled(page);
  const after = await figures(page, 'Sill');
  expect(after.psi).toBeGreaterThan(before.psi + 0.02);
  expect(after.coldest).not.toBe(before.coldest);
  await expect(side(page, 'Sill')).toContainText('+0.0');
  await saved(page);

  // The part under the pointer says its name and how warm it is.
  const field = page.getByRole('application', { name: /Temperatures in the section/ });
  await field.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/: \d+(\.\d)?\s°C · λ/)).toBeVisible();

  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await settled(page);
  await expect.poll(async () => (await figures(page, 'Sill')).psi).toBe(before.psi);
});

test('the position is studied, its best taken over, and a warmer pan by its fix', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs/tannery-row/tannery-c-01/prove?proof=heat');
  await settled(page);
  await page.getByText('What if', { exact: true }).click();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.getByTestId('study-best')).toContainText('Least is lost 160', { timeout: 30_000 });
  await expect(page.getByRole('img', { name: /loss and coldest surface/ })).toBeVisible();
  const row = page.getByRole('row', { name: /^160/ });
  await row.getByRole('button', { name: 'Take' }).click();
  await settled(page);
  await expect(page.getByText('Against before the change')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();

  await page.goto('/jobs/skarv-point/skarv-n-03/prove?proof=heat');
  await settled(page);
  await expect(page.getByRole('heading', { name: 'Cold enough for mould at the sill' })).toBeVisible();
  const cold = await figures(page, 'Sill');
  await page
    .getByRole('button', { name: /Sill pan.*tape/i })
    .first()
    .click();
  await settled(page);
  await expect(page.getByRole('heading', { name: 'Cold enough for mould at the sill' })).toHaveCount(0);
  expect((await figures(page, 'Sill')).coldest).toBeGreaterThan(cold.coldest + 2);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await saved(page);
});

test('axe finds nothing in heat, wide or as a phone', async ({ page }) => {
  await signIn(page);
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(viewport);
    await page.goto('/jobs/skarv-point/skarv-s-01/prove?proof=heat');
    await settled(page);
    await expectAccessible(page);
    await page.goto('/jobs/skarv-point/heat');
    await expectAccessible(page);
  }
});

interface Worker {
  readonly child: ChildProcess;
  /** Contents that it stored a result for. */
  readonly solved: string[];
}

function worker(): Worker {
  const child = spawn(process.execPath, ['build/workers/main.js'], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...process.env, DATABASE_URL: process.env.HULVEK_DATABASE, LOG_LEVEL: 'info' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const solved: string[] = [];
  let rest = '';
  child.stdout.on('data', (chunk: Buffer) => {
    const lines = (rest + chunk.toString()).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) {
      const { msg, content } = JSON.parse(line) as { msg: string; content?: string };
      if (msg === 'solved' && content) solved.push(content);
    }
  });
  return { child, solved };
}

test('two workers solve a whole job, one of them killed in the middle: all of it, nothing twice', async ({
  page,
}) => {
  test.setTimeout(400_000);
  const db = new pg.Client({ connectionString: process.env.HULVEK_DATABASE });
  await db.connect();
  const count = async (query: string) => Number((await db.query<{ n: string }>(query)).rows[0]?.n);
  // What another test's worker solved is forgotten.
  await db.query('delete from judgements');
  await db.query('delete from heat_results');
  await signIn(page);
  await page.goto('/jobs/skarv-point/heat');
  const table = page.getByTestId('heat-job');
  await page.getByRole('button', { name: 'Solve the whole job' }).click();
  await expect(table).toHaveAttribute('data-state', 'planning');
  // Nobody is at work yet: it can be stopped and asked for again.
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('Stopped; what was solved stays.')).toBeVisible();
  await page.getByRole('button', { name: 'Solve what changed' }).click();

  const [first, second] = [worker(), worker()];
  try {
    await expect
      .poll(() => Math.min(first.solved.length, second.solved.length), { timeout: 180_000 })
      .toBeGreaterThan(2);
    first.child.kill('SIGKILL');
    const left = await count(
      `select count(distinct s.content) n from heat_sides s left join heat_results r using (content) where r.content is null and s.content is not null`,
    );
    expect(left).toBeGreaterThan(0);
    await expect(table).toHaveAttribute('data-state', 'done', { timeout: 180_000 });

    const solved = [...first.solved, ...second.solved];
    expect(new Set(solved).size).toBe(solved.length);
    const ofRun = 'from heat_results where content in (select content from heat_sides)';
    expect(await count(`select count(*) n ${ofRun}`)).toBe(
      await count('select count(distinct content) n from heat_sides'),
    );
    const unanswered = `select count(*) n from heat_sides s left join heat_results r using (content) where r.content is null and s.problem is null`;
    expect(await count(unanswered)).toBe(0);
    await expect(table.getByRole('row').filter({ hasText: 'N-03' })).toContainText('0.230');

    // What is known is not solved again.
    const known = await count(`select count(*) n ${ofRun}`);
    const before = await db.query<{ id: string }>(`select id from heat_runs where job_id = 'skarv-point'`);
    await page.getByRole('button', { name: 'Solve what changed' }).click();
    // A run of its own, planned and found solved: until then the table shows the one before.
    const isNew = `select count(*) n from heat_runs where job_id = 'skarv-point' and id <> '${before.rows[0]?.id}' and state = 'solving'`;
    await expect.poll(() => count(isNew), { timeout: 120_000 }).toBe(1);
    await expect(table).toHaveAttribute('data-state', 'done', { timeout: 120_000 });
    expect(await count(`select count(*) n ${ofRun}`)).toBe(known);
  } finally {
    first.child.kill('SIGKILL');
    second.child.kill('SIGKILL');
    await db.end();
  }
});
