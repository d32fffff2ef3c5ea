/** All pages of a job in all states: nothing scrolls sideways, nothing is too small to press, no figure changes its unit. */
import type { Page } from '@playwright/test';
import type { JobFile } from '@hulvek/core';
import { expect, expectAccessible, signIn, test } from './support.ts';

const PAGES = [
  '',
  '/add',
  '/start',
  '/board',
  '/survey',
  '/lines',
  '/walls',
  '/units',
  '/methods',
  '/sizes',
  '/shelf',
  '/proofs',
  '/heat',
  '/conditions',
  '/cut-sheet',
  '/people',
];
const LONG =
  'A name so long that nobody would write it by hand but a spreadsheet may well bring it, with a room and a floor.';

async function bring(page: Page, id: string, change: (file: JobFile) => JobFile): Promise<string> {
  const file = (await (await page.request.get('/jobs/skarv-point/file')).json()) as JobFile;
  const { job } = file;
  const copy = change({ ...file, job: { ...job, id: id as typeof job.id, name: id } });
  await page.goto('/jobs');
  await page.getByLabel('Job file (*.hulvek.json)').setInputFiles({
    name: `${id}.hulvek.json`,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(copy)),
  });
  await page.getByRole('button', { name: 'Load', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}$`));
  return `/jobs/${id}`;
}

const open = async (page: Page, path: string) => {
  await page.goto(path);
  await expect(page.locator('h1').first()).toBeVisible();
};

const wider = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

test('no page scrolls sideways: empty, with long names, on a phone, a tablet, and at twice the size', async ({
  page,
}) => {
  test.setTimeout(400_000);
  await signIn(page);
  const empty = await bring(page, 'crawl-empty', (file) => ({
    ...file,
    walls: [],
    units: [],
    methods: [],
    materials: [],
    openings: [],
    records: { readings: [], issues: [], entries: [] },
    job: { ...file.job, lines: [], facades: [] },
  }));
  const long = await bring(page, 'crawl-long', (file) => ({
    ...file,
    records: { readings: [], issues: [], entries: [] },
    job: { ...file.job, name: LONG },
    walls: file.walls.map((wall) => ({ ...wall, name: LONG })),
    units: file.units.map((unit) => ({ ...unit, name: LONG })),
    methods: file.methods.map((method) => ({ ...method, name: LONG })),
    openings: file.openings.map((opening) => ({ ...opening, name: LONG })),
  }));
  const id = 'skarv-s-05';
  const paths = [
    ...PAGES.map((path) => `${empty}${path}`),
    ...PAGES.map((path) => `${long}${path}`),
    ...['measure', 'detail', 'prove', 'install', 'history'].map((stage) => `${long}/${id}/${stage}`),
    '/account',
    '/glossary',
  ];
  for (const width of [390, 640, 820])
    for (const path of paths) {
      await page.setViewportSize({ width, height: 844 });
      await open(page, path);
      await expect.poll(() => wider(page), `${path} at ${width}`).toBe(0);
    }
});

test('the new pages and the words of the work are accessible', async ({ page }) => {
  await signIn(page);
  for (const path of ['/walls', '/units', '/methods', '/conditions', '/people'].map(
    (p) => `/jobs/skarv-point${p}`,
  ))
    await (async () => {
      await open(page, path);
      await expectAccessible(page);
    })();
  await open(page, '/glossary');
  await expectAccessible(page);
  await open(page, '/jobs/skarv-point/board');
  await page.getByRole('button', { name: 'Help for this page' }).click();
  await expect(page.getByRole('dialog').getByText('Three things to do here')).toBeVisible();
  await expectAccessible(page);
});

/** Whatever has no unit: shares, counts, names of things, and what is written by numbers alone. */
const WITHOUT_UNIT =
  /Humidity|Share|f of surfaces|Solar gain|Seed|Rest before|May stay uncovered|Sealant, |Backer rod|Primer|tape|membrane|Membrane|band|Band|sheet|Foam|Wool|block|Work|Hour|Slope|degrees|Search|Find/;

test('a figure that reads as another one in the other system carries its unit, in every editor', async ({
  page,
}) => {
  await signIn(page, 'tove@demo.invalid');
  const editors = ['/walls', '/units', '/methods', '/conditions', '/sizes'].map(
    (p) => `/jobs/skarv-point${p}`,
  );
  const figures = async () =>
    page.locator('input.figure').evaluateAll((fields) =>
      fields.map((field) => {
        const { value, labels, ariaLabel } = field as HTMLInputElement;
        return { label: ariaLabel ?? labels?.[0]?.textContent?.trim() ?? '', value: value.trim() };
      }),
    );
  const bare = (value: string) => /^[-−]?[\d.,\s/]+$/.test(value);
  for (const path of editors) {
    const seen: Record<string, { label: string; value: string }[]> = {};
    for (const reads of ['mm', 'in'] as const) {
      await open(page, path);
      await page.getByRole('button', { name: reads, exact: true }).click();
      await expect(page.getByRole('button', { name: reads, exact: true })).toHaveAttribute(
        'aria-pressed',
        'true',
      );
      await open(page, path);
      seen[reads] = await figures();
    }
    const wrong = (seen.mm ?? []).filter(({ label, value }, i) => {
      const other = seen.in?.[i];
      return (
        !WITHOUT_UNIT.test(label) && value !== '' && bare(value) && other !== undefined && bare(other.value)
      );
    });
    expect(wrong, path).toEqual([]);
  }
  await page.getByRole('button', { name: 'mm', exact: true }).click();
});

test.describe('with a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });
  test('everything that can be pressed is 44 px high or has room round it', async ({ page }) => {
    await signIn(page);
    const small: string[] = [];
    for (const path of ['', '/walls', '/conditions', '/skarv-s-05/install', '/skarv-s-01/measure']) {
      await open(page, `/jobs/skarv-point${path}`);
      const found = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('button:not(.term), select, input, summary')]
          .filter((control) => {
            const { width, height } = control.getBoundingClientRect();
            const style = getComputedStyle(control);
            const inline = style.display === 'inline';
            return (
              width > 0 &&
              !inline &&
              style.visibility !== 'hidden' &&
              !control.closest('label') &&
              !control.closest('[popover], details:not([open]) > :not(summary)') &&
              height < 43.5
            );
          })
          .map(
            (control) =>
              `${control.tagName} ${control.ariaLabel ?? control.textContent?.trim().slice(0, 30)} ${Math.round(control.getBoundingClientRect().height)}`,
          ),
      );
      small.push(...found.map((one) => `${path}: ${one}`));
    }
    expect(small).toEqual([]);
  });
});
