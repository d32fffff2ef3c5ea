/** Handed over: a link for a consultant from making it to the answered question, and a package checked on a page of its own. */
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, expectAccessible, signIn, test } from './support.ts';

test.use({ refusalsExpected: true });

const HAND_OVER = '/jobs/skarv-point/hand-over';

test('a consultant reads by a link what was chosen, asks, is answered; ended, the link opens nothing', async ({
  page,
  browser,
}) => {
  await signIn(page);
  await page.goto(HAND_OVER);
  const share = page.getByTestId('share');
  await share.getByRole('button', { name: 'Make the link' }).click();
  await expect(share.getByRole('alert')).toHaveText('Say for whom it is.');
  await share.getByLabel('For whom').fill('Consultant <Roof & Wall>');
  await share.getByRole('button', { name: 'Make the link' }).click();
  const link = (await share.locator('.link a').first().getAttribute('href')) ?? '';
  expect(link).toMatch(/\/shared\/[\w-]{20,}$/);
  await expect(share.getByText('not opened yet')).toBeVisible();

  const stranger = await browser.newContext({
    baseURL: new URL(page.url()).origin,
    viewport: { width: 390, height: 844 },
  });
  const theirs = await stranger.newPage();
  // What looks at a link before people do is no visit, and gets no cookie.
  for (let i = 0; i < 3; i++) await stranger.request.get(link);
  expect(await stranger.cookies()).toEqual([]);
  await theirs.goto(link);
  await expectAccessible(theirs);
  await theirs.getByRole('button', { name: 'Open it' }).click();
  await expect(theirs.getByRole('heading', { name: 'Skarv Point field station' })).toBeVisible();
  await expect(theirs.getByText(/^For Consultant <Roof & Wall> · to read only/)).toBeVisible();
  expect(await theirs.content()).not.toContain('Jonas Myhr');
  await expectAccessible(theirs);
  const [cookie] = await stranger.cookies();
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: new URL(theirs.url()).pathname });
  await theirs.getByRole('link', { name: 'S-05', exact: true }).click();
  await expect(theirs.getByRole('heading', { level: 1 })).toContainText('S-05');
  await expect
    .poll(() =>
      theirs.getByAltText('Face from outside').evaluate((img) => (img as HTMLImageElement).naturalWidth),
    )
    .toBeGreaterThan(100);
  await expectAccessible(theirs);
  const hostile = `<img src=x onerror="document.title='taken'"> why?`;
  await theirs.getByLabel('Your question').fill(hostile);
  await theirs.getByRole('button', { name: 'Send' }).click();
  await expect(theirs.getByText('It was sent to those who shared this.')).toBeVisible();
  await expect(theirs.getByTestId('asked')).toContainText(hostile);
  expect(await theirs.title()).not.toBe('taken');
  // With its cookie nobody gets at anything else.
  for (const path of [HAND_OVER, '/api/jobs/skarv-point/pack', '/jobs/skarv-point/file'])
    expect((await stranger.request.get(path, { maxRedirects: 0 })).status(), path).not.toBe(200);
  const paper = await stranger.request.get(
    `${new URL(theirs.url()).pathname.replace(/\/[^/]+$/, '')}/dossier.pdf`,
  );
  expect(paper.status()).toBe(200);
  expect(paper.headers()['content-type']).toBe('application/pdf');

  await page.reload();
  await expect(share.getByText(/opened once/)).toBeVisible();
  const asked = page.getByTestId('questions');
  await expect(asked).toContainText(hostile);
  await asked.getByLabel('Answer').first().fill('Because the pan drains there.');
  await asked.getByRole('button', { name: 'Give the answer' }).first().click();
  await expect(asked).toContainText('Because the pan drains there.');
  await theirs.reload();
  await expect(theirs.getByTestId('asked')).toContainText('Because the pan drains there.');

  await share.getByRole('button', { name: /^End it/ }).click();
  await expect(share.getByText('Links that hold')).toHaveCount(0);
  const response = await theirs.reload();
  expect(response?.status()).toBe(404);
  await theirs.goto(link);
  await expect(theirs.getByRole('alert')).toContainText('does not hold any more');
  await stranger.close();
});

test('a job with something open is handed over only with a reason, and the reason stays with it', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(HAND_OVER);
  const release = page.getByTestId('release');
  await expect(release).toContainText(/0 of \d+ openings are handed on; \d+ things are open/);
  await release.getByRole('button', { name: 'Hand the job over' }).click();
  await expect(release.getByRole('alert')).toContainText('say why');
  await release.getByLabel('Why although something is open').fill('The scaffold goes tomorrow');
  await release.getByRole('button', { name: 'Hand the job over' }).click();
  await expect(release.locator('li')).toContainText('“The scaffold goes tomorrow”');
  await expect(release.locator('li')).toContainText(/The log stood at receipt \d+/);
  await expectAccessible(page);
  // On a phone nothing runs off to the side.
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  // By its task the dossier is drawn and fetched.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Dossier of the job (PDF)' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('skarv-point-dossier.pdf');
});

test('a package is checked on a page without a line, and a changed byte is told; looked at, it is not brought in twice', async ({
  page,
  context,
}, info) => {
  await signIn(page);
  await page.goto(HAND_OVER);
  await page.getByLabel('With the names of those who did and saw it').check();
  await page.getByLabel(/^With drawings, sections/).uncheck();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Package (zip)' }).click(),
  ]);
  const path = info.outputPath('job.hulvek.zip');
  await download.saveAs(path);
  const said = await page.locator('.quiet', { hasText: 'Signed by the key' }).textContent();
  const fingerprint = /key ([0-9a-f ]{24})\./.exec(said ?? '')?.[1] ?? '';

  await page.goto('/check');
  await expectAccessible(page);
  await context.setOffline(true);
  await page.getByLabel('Package (*.hulvek.zip)').setInputFiles(path);
  await expect(page.getByRole('heading', { name: 'Nothing in it was changed' })).toBeVisible();
  await page.getByLabel(/^Fingerprint of the key/).fill(fingerprint);
  await page.getByLabel(/^Fingerprint of the key/).press('Tab');
  await expect(page.getByText('That is the key that you were told.')).toBeVisible();
  const bytes = readFileSync(path);
  // Within the log, which comes first.
  bytes[600] = (bytes[600] ?? 0) ^ 1;
  const changed = info.outputPath('changed.hulvek.zip');
  writeFileSync(changed, bytes);
  await page.getByLabel('Package (*.hulvek.zip)').setInputFiles(changed);
  await expect(page.getByRole('heading', { name: 'It is not as it was signed.' })).toBeVisible();
  await context.setOffline(false);

  await page.goto('/jobs');
  await page.getByLabel('Package (*.hulvek.zip)').setInputFiles(path);
  await page.getByRole('button', { name: 'Look at it' }).click();
  const looked = page.getByTestId('package');
  await expect(looked.getByText('Signed by this installation’s own key.')).toBeVisible();
  await expect(looked.getByText(/is here already/)).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Package (*.hulvek.zip)').setInputFiles(changed);
  await page.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.getByText(/was taken\. Nothing was changed|It does not fit/)).toBeVisible();
});
