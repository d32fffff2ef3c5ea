/** Six schools installed on a phone that has no network from start to end, with what goes wrong on site; then sent, and exact. */
import { chromium, type Locator, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  asBuilt,
  contextOf,
  exampleJob,
  faultsOf,
  logSchema,
  openingsOf,
  planOpening,
  standing,
  verifyLog,
  type JobFile,
  type PresetId,
} from '@hulvek/core';
import type { Pack } from '../src/lib/contract/pack.ts';
import { launchArguments } from '../playwright.config.ts';
import { bring } from './bring-job.ts';
import { lineTo } from './cuttable-line.ts';
import { expect, expectAccessible, signIn, startInstalling, test } from './support.ts';

const SCHOOLS = [
  'drained-head-flap',
  'closed-barrier',
  'foam-buck-outboard',
  'fluid-recessed',
  'masonry-cavity',
  'pocket',
] as const satisfies readonly PresetId[];

/** One opening of each school in one job: what each refers to is named after it. */
function oneOfEach(file: JobFile): JobFile {
  const parts = SCHOOLS.map((school) => {
    const { walls, units, methods, openings, records } = exampleJob(school);
    const named = (id: string) => `${school}-${id}`;
    const own = <T extends { id: string }>(list: readonly T[]) =>
      list.map((one) => ({ ...one, id: named(one.id) as T['id'] }));
    return {
      walls: own(walls),
      units: own(units),
      methods: own(methods),
      readings: records.readings.map((reading) => ({
        ...reading,
        id: randomUUID(),
        opening:
          `o-${school}-${openings.findIndex(({ id }) => id === reading.opening)}` as typeof reading.opening,
      })),
      openings: openings.map((opening, i) => ({
        ...opening,
        id: `o-${school}-${i}` as typeof opening.id,
        mark: `${school.slice(0, 4).toUpperCase()}-${SCHOOLS.indexOf(school) + 1}`,
        wall: named(opening.wall ?? '') as typeof opening.wall,
        unit: named(opening.unit ?? '') as typeof opening.unit,
        method: named(opening.method ?? '') as typeof opening.method,
      })),
    };
  });
  const { name: _lines, ...job } = { ...file.job, lines: [], facades: [] };
  return {
    ...file,
    job: { ...job, name: file.job.name },
    materials: [],
    records: { readings: parts.flatMap(({ readings }) => readings), issues: [], entries: [] },
    walls: parts.flatMap(({ walls }) => walls),
    units: parts.flatMap(({ units }) => units),
    methods: parts.flatMap(({ methods }) => methods),
    openings: parts.flatMap(({ openings }) => openings),
  };
}

/** What went otherwise somewhere on the way, each at the first card where it can. */
interface Told {
  thin: boolean;
  conditions: boolean;
  blocking: boolean;
  late: boolean;
  refused: boolean;
  shim: boolean;
  timedOut: boolean;
}

const press = (card: Locator, name: string | RegExp) =>
  card
    .getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) })
    .first()
    .click();

/** A film that is too thin is brushed on and measured again; a few figures are typed, one with the unit of its instrument. */
async function measure(card: Locator, told: Told): Promise<void> {
  const measured = card.getByTestId('measured');
  if (!(await measured.isVisible())) return;
  const film = measured.getByLabel(/^Wet film/).first();
  if (await film.isVisible()) {
    await film.fill('0.2 mm');
    await film.press('Enter');
    await expect(measured).toContainText('Too thin');
    await film.fill('0.8 mm');
    await film.press('Enter');
    await expect(measured).toContainText('2 times so far');
    told.thin = true;
  }
  const surface = measured.getByLabel(/^Temperature of the surface/);
  if (await surface.isVisible()) {
    // Once it is too cold: told, left so with a reason, and the tick asks why it is done all the same.
    const cold = !told.conditions;
    await surface.fill(cold ? '20 °F' : '54 °F');
    await surface.press('Enter');
    await expect(measured).toContainText(cold ? /-6(\.\d)?.°C|−6(\.\d)?.°C/ : /12(\.\d)?.°C/);
  }
  const margin = measured.getByLabel(/^Margin between sash and frame/);
  for (let i = 0; i < (await margin.count()); i++) {
    await margin.nth(i).fill(String(3 + (i % 2)));
    await margin.nth(i).press('Enter');
  }
}

async function noteFault(card: Locator, words: string, stops: boolean): Promise<void> {
  await press(card, 'Fault');
  const form = card.getByTestId('fault-form');
  const box = await form.getByTestId('press').boundingBox();
  await form
    .getByTestId('press')
    .click({ position: { x: (box?.width ?? 300) / 2, y: (box?.height ?? 300) - 60 } });
  await expect(form).toContainText('seen from outside');
  await form.getByLabel('What is wrong, in words').fill(words);
  if (!stops) await form.getByLabel('How bad').selectOption({ label: 'to be kept in mind' });
  await form.getByLabel('What it makes of the wall').selectOption({ label: 'the piece does not stick' });
  await press(form, 'Note the fault');
  await expect(card.getByTestId('faults')).toContainText(words);
}

async function mendFault(card: Locator, words: string): Promise<void> {
  const row = card.getByTestId('faults').locator('li').filter({ hasText: words });
  await row.getByLabel('How it was mended').fill('pressed on again');
  await press(row, 'Mended');
  await press(row, 'Looked again: good');
  await expect(row).toContainText('closed');
}

/** Works one opening through to its end. */
async function install(site: Page, school: PresetId, told: Told): Promise<void> {
  const late = `late mend ${school}`;
  for (let n = 0; n < 120; n++) {
    if (await site.locator('p.finished').isVisible()) break;
    const card = site
      .locator('details[data-status][open]')
      .filter({ hasNot: site.locator('[data-status="done"]') })
      .last();
    const status = await card.getAttribute('data-status');
    if (status === 'waiting-look') {
      await press(card, 'I have looked');
      continue;
    }
    if (status === 'blocked') {
      await press(card, 'Go on before the time is up');
      await card.getByLabel('Reason', { exact: true }).fill('warm and dry');
      await card
        .locator('form')
        .filter({ has: site.locator('textarea') })
        .getByRole('button')
        .first()
        .click();
      continue;
    }
    await measure(card, told);
    const gap = card.getByTestId('gap');
    if (!told.shim && (await gap.isVisible()) && (await gap.getByLabel('What').inputValue()) === 'shim') {
      await gap.getByLabel('How many').fill('4');
      await press(gap, 'Went in');
      await expect(gap).toContainText('4 in there');
      told.shim = true;
    }
    const why = card.getByLabel('Why it is done all the same');
    if (await why.isVisible()) {
      await why.fill('wiped dry and warmed');
      told.conditions = true;
    }
    const cover = card.getByTestId('cover-list');
    if (await card.getByText('would hide what nobody looked at', { exact: false }).isVisible()) {
      if (!told.refused) {
        await press(cover, 'Cover it all the same …');
        await cover.getByLabel(/^Why it is covered unseen/).fill('rain is coming');
        await press(cover, 'Put it on the punch list');
        told.refused = true;
      } else if (
        await cover
          .getByRole('button', { name: /^Seen now/ })
          .first()
          .isVisible()
      )
        await press(cover, /^Seen now/);
      else throw new Error(`nothing to press: ${await card.innerText()}`);
      continue;
    }
    const stays = card.getByLabel('Why it stays', { exact: true });
    if (await stays.isVisible()) {
      await stays.fill('it bears the lock');
      await press(card, 'Leave it in, with the reason');
      continue;
    }
    const hasPieces = await card.getByRole('button', { name: 'Fault', exact: true }).isVisible();
    if (
      hasPieces &&
      school === 'drained-head-flap' &&
      !told.blocking &&
      (await card.locator('summary').innerText()).includes('pan')
    ) {
      await noteFault(card, 'a hole at the corner', true);
      told.blocking = true;
      await mendFault(card, 'a hole at the corner');
    }
    if (
      hasPieces &&
      school === 'closed-barrier' &&
      !told.late &&
      /head tape/i.test(await card.locator('summary').innerText())
    ) {
      await noteFault(card, late, false);
      told.late = true;
    }
    const isBead =
      school === 'pocket' && (await card.locator('summary').innerText()).includes('Bead on the old stops');
    await press(card, 'Done');
    await site.waitForTimeout(120);
    if (isBead) {
      // An hour goes by: the bead has skinned over before the unit stands in it.
      await site.clock.setFixedTime(Date.now() + 3_600_000);
      await expect(site.getByTestId('due').first()).toContainText('Was due at', { timeout: 30_000 });
      told.timedOut = true;
    }
  }
  await expect(site.locator('p.finished')).toBeVisible();
}

test('six schools on one phone without a network, with all that goes wrong; sent later, the log is exact', async ({
  page,
}) => {
  test.setTimeout(900_000);
  await signIn(page, 'ines@demo.invalid');
  const JOB = await bring(page, 'six-schools', oneOfEach);
  const before = (await (await page.request.get(`/api${JOB}/pack`)).json()) as Pack;
  const openings = before.openings.map(({ document: { id } }) => id as string);
  expect(openings).toHaveLength(SCHOOLS.length);
  for (const opening of openings) {
    await page.goto(`${JOB}/${opening}/install`);
    await startInstalling(page);
  }

  const line = await lineTo(new URL(process.env.HULVEK_BASE ?? ''));
  const phone = await chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'hulvek-phone-')), {
    executablePath: '/usr/bin/chromium',
    args: launchArguments,
    viewport: { width: 390, height: 844 },
    baseURL: line.base,
  });
  const site = await phone.newPage();
  await signIn(site, 'ines@demo.invalid');
  await site.goto(`${JOB}/${openings[0]}/install`);
  await expect(site.locator('details[data-status]').first()).toBeVisible();
  await site.waitForFunction(() => navigator.serviceWorker?.controller);
  line.cut();

  const told: Told = {
    thin: false,
    conditions: false,
    blocking: false,
    late: false,
    refused: false,
    shim: false,
    timedOut: false,
  };
  for (const [i, opening] of openings.entries()) {
    const school = SCHOOLS.find((one) => opening.startsWith(`o-${one}-`));
    if (!school) throw new Error(`${opening} is of no school`);
    if (i > 0) await site.goto(`${JOB}/${opening}/install`);
    await expect(site.locator('details[data-status]').first()).toBeVisible();
    if (i === 0) {
      await press(site.getByTestId('taken'), 'I work on this one');
      await expect(site.getByTestId('taken')).toContainText('You work on this opening');
    }
    await install(site, school, told);
  }
  expect(told).toEqual({
    thin: true,
    conditions: true,
    blocking: true,
    late: true,
    refused: true,
    shim: true,
    timedOut: true,
  });

  // Meanwhile another device, with a network, writes at the same openings: neither loses anything.
  await page.goto(`${JOB}/${openings[1]}/install`);
  const first = page.locator('details[data-status]').first();
  if (!(await first.evaluate((card: HTMLDetailsElement) => card.open)))
    await first.locator('summary').click();
  await press(first, 'Add a note');
  await first.getByLabel(/^Note/).fill('from the office meanwhile');
  await press(first, 'Keep the note');
  await expect(
    first.getByText('from the office meanwhile').or(page.getByText('from the office meanwhile')).first(),
  ).toBeVisible();

  const made = await site.evaluate(async () => {
    const all = await new Promise<number>((resolve) => {
      const asked = indexedDB.open('hulvek');
      asked.onsuccess = () => {
        const store = asked.result.transaction('outbox').objectStore('outbox').count();
        store.onsuccess = () => resolve(store.result);
      };
    });
    return all;
  });
  expect(made).toBeGreaterThan(100);
  line.mend();
  await site.reload();
  await expect(site.getByText(/waits|Kept on this device/).first()).toBeHidden({ timeout: 120_000 });

  await expect
    .poll(
      async () => {
        const pack = (await (await page.request.get(`/api${JOB}/pack`)).json()) as Pack;
        return pack.openings.reduce((n, { entries }) => n + entries.length, 0);
      },
      { timeout: 120_000 },
    )
    .toBe(made + 1);
  const pack = (await (await page.request.get(`/api${JOB}/pack`)).json()) as Pack;
  for (const {
    document: { id },
    entries,
  } of pack.openings) {
    const open = faultsOf(standing(entries)).filter(({ status }) => status !== 'closed');
    // The late one is still in its wall, whatever covers it, until somebody mends it; the other one is not.
    if (id.includes('closed-barrier'))
      expect(open.some(({ entry }) => entry.note.startsWith('late mend'))).toBe(true);
    if (id.includes('drained-head-flap'))
      expect(open.filter(({ facts }) => facts.severity === 'stops')).toEqual([]);
  }
  const log = logSchema.parse(await (await page.request.get(`${JOB}/log`)).json());
  expect(verifyLog(log).problems).toEqual([]);
  expect(log.entries).toHaveLength(made + 1);
  // In the wall as it was built the late one does not stick.
  const barrier = exampleJob('closed-barrier');
  const [opening] = openingsOf(barrier);
  const build = opening && planOpening(opening, contextOf(barrier)).build;
  const late = pack.openings.find(({ document: { id } }) => id.includes('closed-barrier'))?.entries ?? [];
  const piece = faultsOf(standing(late)).find(({ entry }) => entry.note.startsWith('late mend'))?.facts.piece;
  expect(build && asBuilt(build, late).lost).toContain(piece);

  // The late one is mended after all, on the other device, and looked at again.
  await page.goto(`${JOB}/punch`);
  const row = page.getByTestId('punch').locator('li').filter({ hasText: 'late mend' });
  await row.getByRole('link').click();
  const card = page.locator('details[data-status]').filter({ hasText: 'late mend' }).first();
  if (!(await page.getByTestId('faults').first().isVisible())) {
    const folded = page.locator('details.before > summary');
    if (await folded.isVisible()) await folded.click();
    await card.locator('summary').click();
  }
  await expect(card.getByTestId('faults')).toContainText('To get at it take off, in this order');
  await mendFault(card, 'late mend');
  await page.goto(`${JOB}/entries`);
  await page.getByLabel('Words').fill('late mend');
  await expect(page.getByRole('status').filter({ hasText: / of / })).toContainText(/^[1-9]\d* of \d+$/);
  await expectAccessible(page);
  await phone.close();
  line.close();
});
