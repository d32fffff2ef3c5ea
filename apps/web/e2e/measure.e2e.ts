/** Measuring a whole job: cards with instruments, a meter that types, a block from a spreadsheet; board and lines. */
import type { Page } from '@playwright/test';
import { surveyWalk, type JobFile } from '@hulvek/core';
import type { Pack } from '../src/lib/contract/pack.ts';
import { expect, expectAccessible, saved, signIn, test } from './support.ts';

/** Loads a copy of the demo job without any figures and without plans; returns its address. */
async function bareJob(page: Page, id: string): Promise<string> {
  const file = (await (await page.request.get('/jobs/skarv-point/file')).json()) as JobFile;
  const bare = {
    ...file,
    job: { ...file.job, id, name: `Copy ${id}` },
    records: { readings: [], issues: [], entries: [] },
  };
  await page.goto('/jobs');
  await page.getByLabel('Job file (*.hulvek.json)').setInputFiles({
    name: `${id}.hulvek.json`,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(bare)),
  });
  await page.getByRole('button', { name: 'Load', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}$`));
  return `/jobs/${id}`;
}

const partsOf = async (page: Page, job: string) =>
  ((await (await page.request.get(`/api${job}/pack`)).json()) as Pack).openings;

/** The fourteen points that prove a fit. */
const PROVING = surveyWalk.indexOf('depth') + 1;

async function openCards(page: Page, job: string, opening: string): Promise<void> {
  await page.goto(`${job}/${opening}/measure`);
  await page.getByRole('button', { name: 'Measure card by card' }).click();
}

/** A 900 × 1200 opening as a meter types it: figures and Enter, nothing else. */
const TYPED = ['921', '920.5', '920', '1226', '1226', '1226', '1533', '1533', '0', '0', '0', '1', '1', '152'];

test.describe('a whole job measured', () => {
  test.use({ refusalsExpected: true });

  test('by cards with the simulator, by a meter that types, by a pasted block; once without a network', async ({
    page,
  }) => {
    await signIn(page);
    const job = await bareJob(page, 'measured');
    const ids = (await partsOf(page, job)).map((o) => o.document.id as string);
    expect(ids).toHaveLength(14);

    await page.setViewportSize({ width: 390, height: 844 });
    for (const id of ids.slice(0, 5)) {
      await openCards(page, job, id);
      const cards = page.getByRole('dialog');
      for (let point = 1; point <= PROVING; point++) {
        await expect(cards.getByText(`${point} of ${surveyWalk.length}`)).toBeVisible();
        const again = cards.getByRole('button', { name: 'Connect again' });
        await cards.getByRole('button', { name: 'Take reading' }).click();
        while (await again.isVisible()) {
          await expect(cards.getByText('The instrument does not answer')).toBeVisible();
          await again.click();
          await cards.getByRole('button', { name: 'Take reading' }).click();
        }
        await cards.getByRole('button', { name: 'Keep, next' }).click();
      }
      await cards.getByRole('button', { name: 'Close' }).click();
    }
    await expectAccessible(page);

    for (const [i, id] of ids.slice(5, 9).entries()) {
      await openCards(page, job, id);
      const cards = page.getByRole('dialog');
      if (i === 1) await page.route('**/api/**', (route) => route.abort());
      for (const typed of TYPED) {
        await page.keyboard.type(typed);
        await page.keyboard.press('Enter');
      }
      await expect(cards.getByText(`${PROVING + 1} of ${surveyWalk.length}`)).toBeVisible();
      await cards.getByRole('button', { name: 'Close' }).click();
      if (i === 1) {
        await expect(page.getByText('14 entries wait on this device.')).toBeVisible();
        await page.unroute('**/api/**');
        await expect(page.getByText(/wait on this device/)).toHaveCount(0);
      }
      await saved(page);
    }

    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${job}/survey`);
    await page.getByRole('button', { name: /^N-02, Width, bottom/ }).click();
    const block = ids
      .slice(9)
      .map((_, i) => TYPED.map((t, c) => (c < 6 ? String(Number(t) + i) : t)).join('\t'));
    const paste = (text: string) =>
      page.locator('table input').evaluate((field, data) => {
        const clipboard = new DataTransfer();
        clipboard.setData('text/plain', data);
        field.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: clipboard, bubbles: true, cancelable: true }),
        );
      }, text);
    await paste(block.join('\n').replace('1533', 'far'));
    await expect(page.getByText('Nothing was pasted: 1 cell does not read')).toBeVisible();
    await paste(block.join('\n'));
    await expect(page.getByText('70 figures pasted.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: 'N-02, Width, middle: empty' })).toBeVisible();
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(page.getByRole('button', { name: 'N-02, Width, middle: 920.5' })).toBeVisible();

    await expect
      .poll(async () => {
        const parts = await partsOf(page, job);
        return parts.map((o) => new Set(o.readings.filter((r) => r.value).map((r) => r.point)).size);
      })
      .toEqual(ids.map(() => PROVING));
    const parts = await partsOf(page, job);
    const kinds = new Set(parts.slice(0, 5).flatMap((o) => o.readings.map((r) => r.instrument)));
    expect([...kinds].sort()).toEqual(['digital-level', 'distance-meter', 'levelling-laser']);
    expect(parts[6]?.readings.map((r) => r.value?.typed)).toEqual(TYPED);
  });
});

test('a survey sheet with a wrong line takes nothing and names it; mended it is taken whole', async ({
  page,
}) => {
  await signIn(page);
  const job = await bareJob(page, 'sheet');
  await page.goto(`${job}/survey`);
  const load = (csv: string) =>
    page
      .getByLabel('Load a survey sheet (CSV)')
      .setInputFiles({ name: 's.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  const sheet = 'Remark;top width;Mark;Width bottom\nwet;915,5;S-01;914\n;61x;S-02;1220\n;;Z-09;700\n';
  await load(sheet);
  await expect(page.getByText('Nothing was taken: 2 things need to be mended')).toBeVisible();
  await expect(page.getByText('Line 3, top width: Does not read as a length “61x”')).toBeVisible();
  await expect(page.getByText('Not in this job: Z-09.')).toBeVisible();
  await load(sheet.replace('61x', '1221').replace('Z-09', 'S-03'));
  await expect(page.getByText('5 figures of 3 openings were taken. Left aside: Remark.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'S-02, Width, top: 1221' })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Survey as CSV' }).click();
  const chunks: Buffer[] = [];
  for await (const chunk of await (await download).createReadStream()) chunks.push(chunk as Buffer);
  expect(Buffer.concat(chunks).toString()).toContain('\r\nS-01;;;914;;915,5;');
});

test('on the board openings are dragged, moved by keys and numbers, chosen for together, and found too near', async ({
  page,
}) => {
  await signIn(page);
  const job = await bareJob(page, 'board');
  await page.goto(`${job}/board`);
  const s1 = page.locator('[data-mark=S-01]');
  const panel = page.getByRole('complementary', { name: 'What is selected' });
  await s1.click();
  await expect(panel.getByLabel('From the left end')).toHaveValue('900');
  const box = await s1.boundingBox();
  if (!box) throw new Error('S-01 is not drawn');
  await page.mouse.move(box.x + 8, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 38, box.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect(panel.getByLabel('From the left end')).not.toHaveValue('900');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByLabel('From the left end')).toHaveValue('900');
  await s1.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowUp');
  await expect(panel.getByLabel('From the left end')).toHaveValue('1000');
  await expect(panel.getByLabel('Above the zero line')).toHaveValue('910');

  // Onto its neighbour: they lie over each other, and undo takes it back.
  await panel.getByLabel('From the left end').fill('2800');
  await panel.getByLabel('From the left end').press('Enter');
  await expect(panel.getByText('S-01, S-02.')).toBeVisible();
  await expect(panel.getByText('They lie over each other')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByText('They lie over each other')).toHaveCount(0);

  await page.getByLabel('Find an opening').fill('east');
  await page.getByRole('button', { name: 'Select the 3 shown' }).click();
  await expect(panel.getByRole('heading', { name: /openings|3/ })).toBeVisible();
  await page.getByRole('button', { name: 'Select none' }).click();
  await page.getByRole('button', { name: 'Select the 3 shown' }).click();
  await panel.getByLabel('Unit').selectOption({ label: 'Type A, fixed, 600 × 900\u202fmm' });
  await expect
    .poll(async () => (await partsOf(page, job)).filter((o) => o.document.unit === 'u-600-900').length)
    .toBe(6);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect
    .poll(async () => (await partsOf(page, job)).filter((o) => o.document.unit === 'u-600-900').length)
    .toBe(3);
});

test('a line that cannot be is explained by the opening that breaks it; another is added and removed', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/lines');
  const cabins = page.getByRole('region', { name: 'Sills of the cabins' });
  await expect(cabins.getByText('No line suits all of them.')).toBeVisible();
  await expect(cabins.getByText(/^E-03: raise its rough opening by/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Sills, south' }).getByText(/Common line at/)).toBeVisible();
  await page.getByLabel('Name of the line').fill('Heads, north');
  await page.getByLabel('What lines up').selectOption('heads');
  await page.getByRole('button', { name: 'Add the line' }).click();
  await expect(page.getByRole('alert')).toContainText('at least two openings');
  for (const mark of ['N-01', 'N-02']) await page.getByRole('checkbox', { name: mark }).check();
  await page.getByRole('button', { name: 'Add the line' }).click();
  const heads = page.getByRole('region', { name: 'Heads, north' });
  await expect(heads.getByText(/Common line at/)).toBeVisible();
  await heads.getByRole('button', { name: 'Remove the line' }).click();
  await expect(heads).toHaveCount(0);
});

test('a buck of 64 mm before 51 mm of board and a 19 mm batten is said to be 6 mm short, where it is entered', async ({
  page,
}) => {
  await signIn(page);
  const job = await bareJob(page, 'depth');
  await page.goto(`${job}/walls`);
  for (const [role, typed] of [
    ['exterior-board', '51'],
    ['cavity', '19 mm'],
  ] as const) {
    await page.getByRole('button', { name: 'Add a layer' }).click();
    await page.getByLabel('Layer 1').selectOption(role);
    await page.getByLabel('Thickness 1').fill(typed);
  }
  await page.getByRole('button', { name: 'Keep the wall' }).click();
  const effect = page.getByTestId('item-effect');
  await expect(effect.getByText(/openings? goe?s? by it:/i)).toBeVisible();
  await expect(effect.getByRole('row', { name: /^Layer 1 sheathing/ })).toContainText('cavity');
  await effect.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/is kept\.$/)).toBeVisible();
  await page.goto(`${job}/methods`);
  await page.getByLabel('Buck of the method', { exact: true }).selectOption('foam');
  await page.getByLabel('Leg in the opening').fill('38');
  await page.getByLabel('Projects from the sheathing').fill('6x');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('must read as lengths');
  await page.getByLabel('Projects from the sheathing').fill('64');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByTestId('item-effect').getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/is kept\.$/)).toBeVisible();
  await page.goto(`${job}/sizes`);
  await expect(page.getByText('The buck is 6 mm short of the trim plane.')).toBeVisible();
  await page.goto(`${job}/skarv-s-01/measure`);
  await expect(page.getByRole('heading', { name: 'Buck too short for the wall' })).toBeVisible();
});

test('a unit entered with the maker’s limits is kept; glazing from another altitude and the wrong label are found', async ({
  page,
}) => {
  await signIn(page);
  const job = await bareJob(page, 'units');
  await page.goto(`${job}/units`);
  await page.getByRole('button', { name: /Type B/ }).click();
  const unit = page.getByRole('region', { name: 'Type B, casement' });
  await expect(unit.getByText('Frame the opening 920')).toBeVisible();
  await unit.getByLabel('Panes, outside first (;)').fill('4; 4');
  await unit.getByLabel('Solar gain (SHGC)').fill('1,8');
  await unit.getByRole('button', { name: 'Keep the unit' }).click();
  await expect(unit.getByLabel('Solar gain (SHGC)')).toBeFocused();
  await expect(unit.getByLabel('Solar gain (SHGC)')).toHaveAttribute('aria-invalid', 'true');
  await unit.getByLabel('Solar gain (SHGC)').fill('0,3');
  await unit.getByLabel('Glazing closed at, above the sea').fill('1650');
  await unit.getByRole('button', { name: 'Keep the unit' }).click();
  // Whoever goes by it is named before it is kept, with what changes.
  const effect = unit.getByTestId('item-effect');
  await expect(effect.getByRole('row', { name: /Solar gain/ })).toContainText('0.3');
  await effect.getByRole('button', { name: 'Keep it' }).click();
  await expect(unit.getByText(/Its glass alone weighs about 16\skg\./)).toBeVisible();
  await page.goto(`${job}/skarv-s-01/measure`);
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result.getByRole('heading', { name: 'Solar gain is not what was asked' })).toBeVisible();
  await expect(result.getByRole('heading', { name: 'Glazing from another altitude' })).toBeVisible();

  // What the façade asks for is changed on the job's page, and the finding goes.
  await page.goto(`${job}/conditions`);
  await page.getByLabel('South, Solar gain at least').fill('');
  await page.getByLabel('Humidity of the room, %').fill('52');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  // Room and weather belong together.
  await page.getByLabel('Weather', { exact: true }).fill('');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Give all three')).toBeVisible();
  await page.goto(`${job}/skarv-s-01/measure`);
  await expect(result.getByRole('heading', { name: 'Glazing from another altitude' })).toBeVisible();
  await expect(result.getByRole('heading', { name: 'Solar gain is not what was asked' })).toHaveCount(0);
});
