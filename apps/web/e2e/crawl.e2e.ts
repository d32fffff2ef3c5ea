/** All pages of a job in all states: nothing scrolls sideways, nothing is too small to press, no figure changes its unit. */
import type { Page } from '@playwright/test';
import { bring, manyOpenings } from './bring-job.ts';
import { expect, expectAccessible, readByJob, signIn, test } from './support.ts';

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
const STAGES = ['measure', 'detail', 'prove', 'order', 'install', 'history'];
const LONG =
  'A name so long that nobody would write it by hand but a spreadsheet may well bring it, with a room and a floor.';

const open = async (page: Page, path: string) => {
  await page.goto(path);
  await expect(page.locator('h1').first()).toBeVisible();
};

/** Lines of words that lie over each other on the page; what stays in sight while the rest moves may. */
const overprinted = (page: Page) =>
  page.evaluate(() => {
    const seen: { node: Element; text: string; box: DOMRect }[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const floats = (element: Element | null): boolean => {
      for (let at = element; at; at = at.parentElement)
        if (['fixed', 'sticky', 'absolute'].includes(getComputedStyle(at).position)) return true;
      return false;
    };
    /** What of a line is seen through the boxes round it that cut off what hangs over. */
    const seenOf = (box: DOMRect, element: Element): DOMRect | null => {
      let { left, top, right, bottom } = box;
      for (let at: Element | null = element; at; at = at.parentElement) {
        if (getComputedStyle(at).overflow === 'visible') continue;
        const frame = at.getBoundingClientRect();
        left = Math.max(left, frame.left);
        top = Math.max(top, frame.top);
        right = Math.min(right, frame.right);
        bottom = Math.min(bottom, frame.bottom);
      }
      return right - left > 4 && bottom - top > 4 ? new DOMRect(left, top, right - left, bottom - top) : null;
    };
    while (walker.nextNode()) {
      const node = walker.currentNode;
      const parent = node.parentElement;
      if (
        !parent ||
        !node.textContent?.trim() ||
        !parent.checkVisibility({ visibilityProperty: true, contentVisibilityAuto: true })
      )
        continue;
      if (parent.closest('svg, canvas, option, .visually-hidden') || floats(parent)) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const whole of range.getClientRects()) {
        const box = seenOf(whole, parent);
        if (box) seen.push({ node: parent, text: node.textContent.trim(), box });
      }
    }
    const bands = new Map<number, typeof seen>();
    for (const one of seen)
      for (let band = Math.floor(one.box.top / 40); band <= one.box.bottom / 40; band++)
        bands.set(band, [...(bands.get(band) ?? []), one]);
    const found = new Set<string>();
    for (const list of bands.values())
      list.forEach((a, i) => {
        for (const b of list.slice(i + 1)) {
          if (a.node.contains(b.node) || b.node.contains(a.node)) continue;
          const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
          const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
          // Lines may share the room between them, words may not.
          if (across > 3 && down > 8) found.add(`${a.text.slice(0, 40)} | ${b.text.slice(0, 40)}`);
        }
      });
    return [...found].slice(0, 5);
  });

const wider = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

test('no page scrolls sideways and no words lie over others: empty, one opening, long names, 500 openings; phone to desk', async ({
  page,
}) => {
  test.setTimeout(600_000);
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
  const one = await bring(page, 'crawl-one', (file) => ({
    ...file,
    records: { readings: [], issues: [], entries: [] },
    openings: file.openings.slice(0, 1),
    job: { ...file.job, lines: [] },
  }));
  const many = await bring(page, 'crawl-many', (file) => manyOpenings(file, 500));
  const id = 'skarv-s-05';
  const paths = [
    ...PAGES.map((path) => `${empty}${path}`),
    ...PAGES.map((path) => `${long}${path}`),
    ...PAGES.map((path) => `${many}${path}`),
    ...['', '/survey', '/sizes', '/proofs', '/cut-sheet'].map((path) => `${one}${path}`),
    ...STAGES.map((stage) => `${long}/${id}/${stage}`),
    '/account',
    '/glossary',
  ];
  // 640 is a desk of 1280 at twice the size. A name may have 120 characters.
  for (const path of paths) {
    await page.setViewportSize({ width: 390, height: 844 });
    await open(page, path);
    for (const width of [390, 640, 820, 1280]) {
      await page.setViewportSize({ width, height: 844 });
      await expect.poll(() => wider(page), `${path} at ${width}`).toBe(0);
      await expect.poll(() => overprinted(page), `${path} at ${width}`).toEqual([]);
    }
  }
});

test('two thousand openings are looked through, found, printed and gone between like twenty', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await signIn(page);
  const path = await bring(page, 'crawl-2000', (file) => manyOpenings(file, 2000));
  await open(page, path);
  const marks = page.locator('tbody th');
  await expect(marks.first()).toHaveText('M-1');
  expect(await page.locator('*').count()).toBeLessThan(4000);
  await page.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight));
  await expect(marks.last()).toHaveText('M-2000');
  expect(await page.locator('*').count()).toBeLessThan(4000);
  // Where one is stays where one was, however far one scrolls.
  await marks.last().getByRole('link').focus();
  await page.evaluate(() => window.scrollTo(0, 0));
  await expect(marks.first()).toHaveText('M-1');
  expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('M-2000');
  await page.getByLabel('Find').first().fill('M-1777');
  await expect(marks).toHaveText(['M-1777']);
  await page.getByLabel('Find').first().fill('');
  await page.emulateMedia({ media: 'print' });
  await expect(marks).toHaveCount(2000);
  await page.emulateMedia({ media: null });
  await page.keyboard.press('Control+k');
  await expect(page.getByPlaceholder('mark, name or page')).toBeFocused();
  await page.keyboard.type('M-1234');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/m-1234\//);
  const rail = page.getByRole('navigation', { name: 'Openings of this job' });
  await expect(rail.getByRole('link', { name: 'M-1235' })).toBeVisible();
  await expect(rail.getByRole('button', { name: /after these/ })).toBeVisible();
  await open(page, `${path}/survey`);
  expect(await page.locator('*').count()).toBeLessThan(6000);
  await open(page, `${path}/proofs`);
  expect(await page.locator('*').count()).toBeLessThan(6000);
});

test('no page scrolls sideways in inches, with the demo as it is', async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page);
  const paths = [
    ...PAGES.map((path) => `/jobs/skarv-point${path}`),
    ...STAGES.map((stage) => `/jobs/skarv-point/skarv-s-01/${stage}`),
  ];
  await open(page, '/jobs/skarv-point');
  await page.getByRole('button', { name: 'in', exact: true }).click();
  for (const path of paths) {
    await page.setViewportSize({ width: 390, height: 844 });
    await open(page, path);
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 844 });
      await expect.poll(() => wider(page), `${path} at ${width}`).toBe(0);
      await expect.poll(() => overprinted(page), `${path} at ${width}`).toEqual([]);
    }
  }
  expect(await readByJob(page)).toBe(true);
});

test('every page of a job and the words of the work are accessible', async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page);
  for (const path of [...PAGES, ...STAGES.map((stage) => `/skarv-s-01/${stage}`)]) {
    await open(page, `/jobs/skarv-point${path}`);
    await expectAccessible(page);
  }
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
