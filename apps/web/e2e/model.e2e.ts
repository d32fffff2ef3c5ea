/** A building model looked through and taken as openings, and given back under the same ids. */
import { writeFileSync } from 'node:fs';
import { handModel } from '../test/hand-model.ts';
import { expect, expectAccessible, signIn, test } from './support.ts';

test('windows of a building model become openings with walls and units, and go back under their own ids', async ({
  page,
}, info) => {
  await signIn(page);
  const file = (name: string, text: string) => {
    const path = info.outputPath(name);
    writeFileSync(path, text);
    return path;
  };
  await page.goto('/jobs/quince-court/add');
  const choose = page.getByLabel(/^Spreadsheet, table or building model/);
  await choose.setInputFiles(file('broken.ifc', 'ISO-10303-21; and nothing else'));
  await expect(page.getByRole('alert')).toContainText('The building model was not read');
  await choose.setInputFiles(file('round.ifc', handModel({ size: 'round' })));
  await expect(page.getByRole('alert')).toContainText('no window or door in it whose size can be read');
  // Feet, a turned storey, a size that only the opening's shape gives.
  await choose.setInputFiles(file('house.ifc', handModel({ unit: 'ft', turned: 30, size: 'across' })));
  const notes = page.getByTestId('model');
  await expect(notes).toContainText('4 windows and doors on 1 storey');
  await expect(notes).toContainText('Timber stud 140');
  await expect(notes.getByRole('combobox')).toHaveValue('new');
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Add 4/ }).click();
  await expect(page.getByRole('link', { name: /list/i }).first()).toBeVisible();
  await page.goto('/jobs/quince-court/walls');
  await expect(page.getByText('Outer wall').first()).toBeVisible();
  await page.goto('/jobs/quince-court/hand-over');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Openings as a building model (IFC)' }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  const written = Buffer.concat(chunks).toString();
  const ids = [...handModel({ unit: 'ft', turned: 30, size: 'across' }).matchAll(/IFCWINDOW\('([^']{22})'/g)];
  expect(ids).toHaveLength(4);
  for (const [, id] of ids) expect(written).toContain(`IFCWINDOW('${id}'`);
});
