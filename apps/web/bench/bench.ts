/** Prints ratios measured side by side in one run. Usage: ./hulvek bench */
import {
  buildOpening,
  contextOf,
  exampleJob,
  needsOf,
  noSupply,
  openingsOf,
  planOpening,
  presetIds,
  proveAir,
  proveWater,
  SharedPlans,
  skarvPoint,
  takeoff,
  traceWater,
  type JobFile,
  type SharedMade,
} from '@hulvek/core';
import { chromium, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { serve } from '../e2e/server.ts';
import { launchArguments } from '../playwright.config.ts';
import { benchHeat } from './heat.ts';
import { jobOf } from './jobs.ts';
import { reference_ms } from './reference.ts';

const FEW = 20;
const MANY = 500;
const ALIKE = 400;
const ROUNDS = 3;
const percentile = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))] ?? NaN;
const say = (line: string) => process.stdout.write(`${line}\n`);

function planAll(file: JobFile, shared?: SharedMade): number {
  const [openings, context] = [openingsOf(file), contextOf(file)];
  const started = performance.now();
  for (const opening of openings) void planOpening(opening, context, shared).judgement;
  return performance.now() - started;
}

function benchPlans(few: JobFile, many: JobFile): void {
  planAll(few);
  const rounds = Array.from({ length: ROUNDS }, () => [planAll(few) / FEW, planAll(many) / MANY] as const);
  const [a, b] = [
    percentile(
      rounds.map((r) => r[0]),
      0.5,
    ),
    percentile(
      rounds.map((r) => r[1]),
      0.5,
    ),
  ];
  say(`plans          ${MANY} openings in ${Math.round(b * MANY)} ms, ${b.toFixed(2)} ms each`);
  say(`               each of ${MANY} against each of ${FEW}: ratio ${(b / a).toFixed(2)}`);
}

/** What all of many openings need, after their plans are made. */
function benchTakeoff(many: JobFile): void {
  const [openings, context] = [openingsOf(many), contextOf(many)];
  const builds = openings.flatMap((opening) => {
    const { build } = planOpening(opening, context);
    return build ? [{ id: opening.id, build }] : [];
  });
  const times = Array.from({ length: ROUNDS }, () => {
    const started = performance.now();
    const needs = builds.flatMap(({ id, build }) => needsOf(id, build, {}));
    takeoff({ needs, supply: noSupply });
    return performance.now() - started;
  });
  const ms = percentile(times, 0.5);
  say(
    `take-off       ${builds.length} openings in ${Math.round(ms)} ms after their plans (goal: at most 200)`,
  );
}

/** Of many openings most are of one size and method, the others of any. */
function benchAlike(): void {
  const file = jobOf(MANY, 'alike');
  const [opening] = file.openings;
  if (!opening) throw new Error('no opening');
  const own = file.records.readings.filter((reading) => reading.opening === opening.id);
  // Every model of the demo once in the rest, each time a little wider.
  const different = new Set(file.openings.slice(0, MANY - ALIKE).map(({ id }) => id));
  const readings = file.records.readings.filter((reading) => different.has(reading.opening));
  const alike: JobFile = {
    ...file,
    openings: file.openings.map((o) => (different.has(o.id) ? o : { ...opening, id: o.id, mark: o.mark })),
    records: {
      ...file.records,
      readings: [
        ...readings.map((reading, i) => {
          const mm = reading.value ? reading.value.mm + Math.floor(i / 14) / 100 : 0;
          return reading.value ? { ...reading, value: { typed: String(mm), mm } } : reading;
        }),
        ...file.openings
          .filter(({ id }) => !different.has(id))
          .flatMap(({ id }) => own.map((reading) => ({ ...reading, id: randomUUID(), opening: id }))),
      ],
    },
  };
  const ms = percentile(
    Array.from({ length: ROUNDS }, () => planAll(alike, new SharedPlans())),
    0.5,
  );
  say(`alike          of ${MANY} openings ${ALIKE} equal: ${Math.round(ms)} ms (goal 700)`);
}

/** Each part of every school's plan: medians over the schools, and the slowest. */
function benchParts(): void {
  const ROUNDS_EACH = 40;
  const reference = reference_ms();
  const parts = ['build', 'water', 'air', 'all proofs but heat'] as const;
  const times = presetIds.map((preset) => {
    const file = exampleJob(preset);
    const [opening] = openingsOf(file);
    if (!opening) throw new Error(`${preset} has no opening`);
    return { preset, opening, file, ms: parts.map((): number[] => []) };
  });
  const timed = (list: number[] | undefined, run: () => unknown) => {
    const from = performance.now();
    run();
    list?.push(performance.now() - from);
  };
  for (let round = 0; round < ROUNDS_EACH; round++)
    for (const { opening, file, ms } of times) {
      const build = buildOpening(opening, file);
      if (!build) throw new Error('nothing is built');
      timed(ms[0], () => buildOpening(opening, file));
      timed(ms[1], () => proveWater({ ...build }, { asked_Pa: 300 }));
      timed(ms[2], () => proveAir({ ...build }));
      timed(ms[3], () => planOpening(opening, file).judgement);
    }
  const inUnits = (ms: number) => `${ms.toFixed(2)} ms (${(ms / reference).toFixed(2)} references)`;
  say(`reference      ${reference.toFixed(2)} ms`);
  parts.forEach((part, i) => {
    const medians = times.map(({ preset, ms }) => ({ preset, ms: percentile(ms[i] ?? [], 0.5) }));
    const slowest = medians.reduce((a, b) => (b.ms > a.ms ? b : a));
    const middle = percentile(
      medians.map(({ ms }) => ms),
      0.5,
    );
    say(`${part.padEnd(20)} median ${inUnits(middle)}, slowest ${slowest.preset} ${inUnits(slowest.ms)}`);
  });
}

/** All sources of every school traced, on plans made beforehand. */
function benchWater(): void {
  const builds = presetIds.flatMap((preset) => {
    const file = exampleJob(preset);
    const [opening] = openingsOf(file);
    const build = opening && planOpening(opening, file).build;
    return build ? [{ preset, build }] : [];
  });
  const times = builds.map(({ preset, build }) => {
    for (let i = 0; i < ROUNDS * 5; i++) traceWater(build);
    const each = Array.from({ length: 40 }, () => {
      const from = performance.now();
      traceWater(build);
      return performance.now() - from;
    });
    return { preset, ms: percentile(each, 0.5), late: percentile(each, 0.95) };
  });
  const slowest = times.reduce((a, b) => (b.ms > a.ms ? b : a));
  const quickest = times.reduce((a, b) => (b.ms < a.ms ? b : a));
  say(
    `water          all sources of ${slowest.preset}: ${slowest.ms.toFixed(2)} ms, p95 ${slowest.late.toFixed(2)} ms (goal 5)`,
  );
  say(`               against ${quickest.preset}: ratio ${(slowest.ms / quickest.ms).toFixed(1)}`);
}

/** Frames while the end of a strip, then a frame without fins, is dragged. */
async function benchDetail(page: Page): Promise<void> {
  const drag = async (path: string, view: string, parameter: string): Promise<number[]> => {
    await page.goto(path);
    await page.getByRole('button', { name: view, exact: true }).click();
    const box = await page.locator(`[data-parameter=${parameter}]`).boundingBox();
    if (!box) throw new Error(`nothing to drag: ${parameter}`);
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.evaluate(RECORD_FRAMES);
    for (let i = 0; i < 80; i++) await page.mouse.move(x + (i % 25), y - (i % 20));
    const frames = await page.evaluate<number[]>('globalThis.frames_ms');
    await page.mouse.up();
    await page.getByRole('button', { name: 'Undo' }).click();
    return frames.slice(2);
  };
  const strip: number[] = [];
  const unit: number[] = [];
  const water: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    water.push(...(await drag('/jobs/skarv-point/skarv-s-01/prove?proof=water', 'Face', 'headTapeWidth')));
    strip.push(...(await drag('/jobs/skarv-point/skarv-s-01/detail', 'Face', 'headTapeWidth')));
    unit.push(...(await drag('/jobs/tannery-row/tannery-t-01/detail', 'Sill', 'setback')));
  }
  const [a, b] = [percentile(strip, 0.95), percentile(unit, 0.95)];
  say(
    `detail, drag   p95 frame ${a.toFixed(1)} ms for a strip's end, ${b.toFixed(1)} ms for the unit (goal 20)`,
  );
  const c = percentile(water, 0.95);
  say(
    `               ratio ${(b / a).toFixed(2)}; with the water followed ${c.toFixed(1)} ms, ratio ${(c / a).toFixed(2)}`,
  );
}

/** As text: it runs in the page, where nothing of this file is known. */
const RECORD_FRAMES = `
  globalThis.frames_ms = [];
  let last = performance.now();
  requestAnimationFrame(function next(now) {
    globalThis.frames_ms.push(now - last);
    last = now;
    requestAnimationFrame(next);
  });
`;

/** Milliseconds from frame to frame while one opening is dragged over the board. */
async function dragFrames(page: Page, job: string): Promise<number[]> {
  await page.goto(`/jobs/${job}/board`);
  const box = await page.locator('.opening').first().boundingBox();
  if (!box) throw new Error('nothing to drag');
  await page.mouse.move(box.x + 4, box.y + 4);
  await page.mouse.down();
  await page.evaluate(RECORD_FRAMES);
  for (let i = 0; i < 80; i++) await page.mouse.move(box.x + 4 + i, box.y + 4 + (i % 12));
  const frames = await page.evaluate<number[]>('globalThis.frames_ms');
  await page.keyboard.press('Escape');
  await page.mouse.up();
  return frames.slice(2);
}

async function load(page: Page, file: JobFile): Promise<void> {
  await page.goto('/jobs');
  const buffer = Buffer.from(JSON.stringify(file));
  await page
    .getByLabel('Job file (*.hulvek.json)')
    .setInputFiles({ name: 'job.hulvek.json', mimeType: 'application/json', buffer });
  await page.getByRole('button', { name: 'Load', exact: true }).click();
  await page.waitForURL(`**/jobs/${file.job.id}`);
}

async function benchBoard(page: Page, few: JobFile, many: JobFile): Promise<void> {
  for (const file of [few, many]) await load(page, file);
  const frames: [number[], number[]] = [[], []];
  for (let round = 0; round < ROUNDS; round++) {
    frames[0].push(...(await dragFrames(page, few.job.id)));
    frames[1].push(...(await dragFrames(page, many.job.id)));
  }
  const [a, b] = frames.map((list) => percentile(list, 0.95)) as [number, number];
  say(`board, drag    p95 frame ${b.toFixed(1)} ms with ${MANY} openings, ${a.toFixed(1)} ms with ${FEW}`);
  say(`               ratio ${(b / a).toFixed(2)} (goal: at most 2)`);
}

/** A sheet of three figures a line into the survey table, until the page says they are taken. */
async function takeSheet(page: Page, file: JobFile): Promise<{ ms: number; steps: number }> {
  await load(page, { ...file, records: { ...file.records, readings: [] } });
  await page.goto(`/jobs/${file.job.id}/survey`);
  await page.getByRole('table').waitFor();
  const lines = file.openings.map(
    ({ mark }, i) => `${mark};${900 + (i % 30)};${901 + (i % 30)};${1220 + (i % 9)}`,
  );
  const csv = ['Mark;Width, top;Width, bottom;Height, left', ...lines].join('\n');
  const started = performance.now();
  await page
    .getByLabel('Load a survey sheet (CSV)')
    .setInputFiles({ name: 'sheet.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  const steps = new Set<string>();
  for (;;) {
    const said = await page.getByRole('status').allTextContents();
    for (const text of said) if (/ of \d+ lines/.test(text)) steps.add(text.trim());
    if (said.some((text) => text.includes('were taken'))) break;
  }
  return { ms: performance.now() - started, steps: steps.size };
}

async function benchSheet(page: Page): Promise<void> {
  const [few, many] = [
    await takeSheet(page, jobOf(100, 'sheet-few')),
    await takeSheet(page, jobOf(1000, 'sheet-many')),
  ];
  const ratio = many.ms / 1000 / (few.ms / 100);
  say(`survey sheet   1000 lines in ${(many.ms / 1000).toFixed(1)} s, progress shown ${many.steps} times`);
  say(`               a line of 1000 against a line of 100: ratio ${ratio.toFixed(2)}`);
}

/** Ticks of the kernel's clock that the server has worked. */
function ticksOf(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
  return Number(fields[11]) + Number(fields[12]);
}
const TICK_ms = 10;

/** What the server works for one entry, apart from the database and the device. */
async function benchEntries(page: Page, pid: number): Promise<void> {
  const NOTES = 200;
  const [issue] = skarvPoint().records.issues;
  if (!issue) throw new Error('nothing of the demo is frozen');
  const note = () => ({
    id: randomUUID(),
    opening: issue.opening.id,
    issue: issue.version,
    kind: 'note',
    step: 'check-opening',
    undoes: null,
    at: new Date().toISOString(),
    note: 'a note',
  });
  const send = async (count: number) => {
    for (let i = 0; i < count; i++) {
      const answer = await page.request.post('/api/jobs/skarv-point/records', {
        data: { sentAt: new Date().toISOString(), records: [{ type: 'entry', record: note() }] },
        headers: { origin: process.env.HULVEK_BASE ?? '' },
      });
      const said = await answer.text();
      if (!answer.ok() || said.includes('refusal')) throw new Error(said);
    }
  };
  await send(20);
  const before = ticksOf(pid);
  await send(NOTES);
  const each = ((ticksOf(pid) - before) * TICK_ms) / NOTES;
  say(`one entry      ${each.toFixed(2)} ms of the server's CPU (goal 3)`);
}

async function inBrowser(work: (page: Page, pid: number) => Promise<void>): Promise<void> {
  const served = await serve();
  process.env.HULVEK_BASE = served.base;
  process.env.HULVEK_DATABASE = served.database;
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: launchArguments });
  try {
    const size = { width: 1280, height: 800 };
    const page = await browser.newPage({ baseURL: process.env.HULVEK_BASE ?? '', viewport: size });
    page.setDefaultTimeout(120_000);
    await page.goto('/sign-in');
    await page.getByLabel('E-mail').fill('ines@demo.invalid');
    await page.getByLabel('Password').fill('level-and-plumb');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.waitForURL(/\/jobs$/);
    await work(page, served.pid ?? NaN);
  } finally {
    await browser.close();
    await served.stop();
  }
}

const [few, many] = [jobOf(FEW, 'few'), jobOf(MANY, 'many')];
benchPlans(few, many);
benchTakeoff(many);
benchAlike();
benchParts();
benchHeat(say, percentile);
benchWater();
await inBrowser(async (page, pid) => {
  await benchEntries(page, pid);
  await benchDetail(page);
  await benchBoard(page, few, many);
  await benchSheet(page);
});
