/** What a first visit costs on a phone: script sent, gzipped, and how many files it is in. */
import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import pg from 'pg';
import { expect, signIn, test } from './support.ts';

// The worker behind the pages fetches everything for days without a network; that is not part of a visit.
test.use({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } });

let worker: ChildProcess;
/** As it is served: a worker beside the server has judged every opening. */
test.beforeAll(async ({ server }) => {
  test.setTimeout(120_000);
  const db = new pg.Client({ connectionString: server.database });
  await db.connect();
  // Whatever was judged before other tests changed the job is judged again.
  await db.query('delete from judgements');
  worker = spawn(process.execPath, ['build/workers/main.js'], {
    cwd: join(import.meta.dirname, '..'),
    env: { ...process.env, DATABASE_URL: server.database, LOG_LEVEL: 'warn' },
    stdio: 'ignore',
  });
  const left = `select count(*)::int n from openings o left join judgements j on (j.job_id, j.opening_id) = (o.job_id, o.id)
    where o.job_id = 'skarv-point' and coalesce(j.judgement ->> 'working', 'true') = 'true'`;
  await expect
    .poll(async () => (await db.query<{ n: number }>(left)).rows[0]?.n, { timeout: 110_000 })
    .toBe(0);
  // What is judged is told to the pages a moment later: until then a page would judge by itself.
  let told = -1;
  const isTold = async () => {
    const { rows } = await db.query<{ revision: number }>(
      `select revision from jobs where id = 'skarv-point'`,
    );
    const before = told;
    told = rows[0]?.revision ?? -1;
    return told === before;
  };
  await expect.poll(isTold, { intervals: [1000], timeout: 30_000 }).toBe(true);
  await db.end();
});
test.afterAll(() => void worker.kill());

/** kB, a fiftieth above what is reached; the page of a job with what it fetches where it still has to judge. */
const VISITS = [
  { page: '/jobs/skarv-point/skarv-s-05/install', most_kB: 228, files: 61 },
  { page: '/jobs/skarv-point/skarv-n-03/measure', most_kB: 318, files: 66 },
  { page: '/jobs/skarv-point/skarv-n-03/detail', most_kB: 333, files: 70 },
  // With the worker that solves heat, and charts where one is drawn.
  { page: '/jobs/skarv-point/skarv-n-03/prove', most_kB: 409, files: 82 },
  { page: '/jobs/skarv-point', most_kB: 285, files: 54 },
] as const;

for (const { page: path, most_kB, files } of VISITS)
  test(`${path.replace(/^.*\//, '')}: at most ${most_kB} kB of script in ${files} files`, async ({
    page: signed,
    browser,
  }) => {
    await signIn(signed);
    // A browser that has nothing yet: the page after signing in has brought a part of it already.
    const cookies = await signed.context().cookies();
    const context = await browser.newContext({
      serviceWorkers: 'block',
      viewport: { width: 390, height: 844 },
      baseURL: new URL(signed.url()).origin,
    });
    await context.addCookies(cookies);
    const page = await context.newPage();
    const sent: Promise<number>[] = [];
    page.on('response', (response) => {
      if (!/\.js$/.test(new URL(response.url()).pathname)) return;
      sent.push(
        response.body().then(
          (body) => gzipSync(body).length,
          () => 0,
        ),
      );
    });
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForLoadState('networkidle');
    // What the bell and the keeping of jobs fetch some seconds later is part of it.
    let before = -1;
    const isQuiet = () => before === (before = sent.length);
    await expect.poll(isQuiet, { intervals: [4000], timeout: 60_000 }).toBe(true);
    const sizes = await Promise.all(sent);
    const kB = sizes.reduce((sum, size) => sum + size, 0) / 1000;
    expect(kB).toBeGreaterThan(50);
    expect(kB, `${sizes.length} files`).toBeLessThanOrEqual(most_kB);
    expect(sizes.length).toBeLessThanOrEqual(files);
    await context.close();
  });
