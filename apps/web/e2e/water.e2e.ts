/** Prove, water: breaking a lap by dragging, mending it, trying out, as built, tonight's rain. */
import { expect, saved, signIn, test } from './support.ts';

const PROVE = '/jobs/skarv-point/skarv-w-02/prove?proof=water';

test('a lap is mended by its fix, broken again by dragging, mended and undone, and the water follows', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(PROVE);
  const panel = page.getByRole('region', { name: 'Water', exact: true });
  const sill = panel.getByRole('button', { name: /Unit’s own sill corners/ }).first();
  const course = page.getByTestId('water-run');
  await expect(sill).toContainText('wets the framing');
  await expect(course).toHaveAttribute('data-wets', 'true');
  await expect(panel.getByRole('heading', { name: 'Water gets into the wall' })).toBeVisible();

  // The pan's leg ends above wrap that is cut back: the fix makes it longer.
  const ways = panel.getByRole('button', { name: 'Ways to mend' });
  while ((await ways.count()) > 0) await ways.first().click();
  const fix = panel.getByRole('button', { name: /^Pan down the face: 80 mm$/ }).first();
  await fix.click();
  await expect(sill).toContainText('comes in and is let out');
  await expect(panel.getByRole('status').filter({ hasText: 'Before and after' })).toContainText('fewer');
  await page.getByRole('button', { name: 'before', exact: true }).click();
  await expect(sill).toContainText('wets the framing');
  await page.getByRole('button', { name: 'after', exact: true }).click();
  await expect(sill).toContainText('comes in and is let out');

  // Dragged up it ends above the wrap again.
  const handle = page.locator('[data-parameter=panLap]');
  await handle.hover(); // waits until the drawing stands still
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle at the pan');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 20, { steps: 8 });
  await expect(sill).toContainText('wets the framing');
  await page.mouse.up();
  await expect(sill).toContainText('wets the framing');
  while ((await ways.count()) > 0) await ways.first().click();
  await fix.click();
  await expect(sill).toContainText('comes in and is let out');
  const undo = page.getByRole('button', { name: 'Undo', exact: true }).first();
  await undo.click();
  await expect(sill).toContainText('wets the framing');
  await undo.click();
  await expect(sill).toContainText('comes in and is let out');
  await undo.click();
  await expect(sill).toContainText('wets the framing');
  await saved(page);
});

test('what is tried out is answered at once and never stored; water is stepped and let run', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/prove?proof=water');
  const panel = page.getByRole('region', { name: 'Water', exact: true });
  const corner = panel.getByRole('button', { name: /Corners of the head/ }).first();
  await expect(corner).toContainText('slit tape (left) alone keeps it off the framing');
  await panel.getByRole('button', { name: 'Take a piece otherwise' }).click();
  await panel.getByLabel('Which piece').selectOption({ label: 'Slit tape, left' });
  await panel.getByRole('button', { name: 'Try it' }).click();
  await expect(corner).toContainText('wets the framing');
  await expect(panel.getByRole('heading', { level: 2 }).first()).toContainText('Fails');

  // Where it runs, stop by stop.
  const way = page.getByRole('group', { name: 'Where it runs' });
  await corner.click();
  await expect(way).toContainText('1 of');
  await way.getByRole('button', { name: 'On', exact: true }).click();
  await expect(way).toContainText('2 of');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect(way.getByRole('button', { name: 'Let it run' })).toHaveCount(0);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await way.getByRole('button', { name: 'Let it run' }).click();
  await expect(way.getByRole('button', { name: 'Let it run' })).toBeVisible({ timeout: 15_000 });

  // A step that hands cannot do yet is refused, one that they can is judged.
  await panel.getByRole('button', { name: 'Do a step earlier' }).click();
  const [step, before] = [
    panel.getByLabel('Step', { exact: true }),
    panel.getByLabel('before', { exact: true }),
  ];
  await step.selectOption('pan');
  await before.selectOption('check-opening');
  await panel.getByRole('button', { name: 'Try it' }).click();
  await expect(panel.getByRole('status').filter({ hasText: 'Not possible with hands' })).toBeVisible();
  await step.selectOption('flap-down');
  await before.selectOption('head-tape');
  await panel.getByRole('button', { name: 'Try it' }).click();
  await expect(panel.getByText('“Flap down” before “Head tape”')).toBeVisible();
  await panel.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(corner).toContainText('slit tape (left) alone');
  await page.reload();
  await expect(corner).toContainText('slit tape (left) alone');

  // A lap enlarged.
  await panel.getByText('Laps', { exact: true }).click();
  await panel.getByRole('button', { name: /Head tape over jamb tape \(left\)/ }).click();
  await expect(panel.getByRole('img', { name: /This lap/ })).toBeVisible();
});

test('rain of tonight, and the wall as it was built: a tape noted as not rolled shows in the proof', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/skarv-s-01/prove?proof=water');
  const panel = page.getByRole('region', { name: 'Water', exact: true });
  await page.getByRole('slider').focus();
  await page.keyboard.press('Home');
  await expect(panel.getByRole('heading', { name: 'If it rains tonight' })).toBeVisible();
  await expect(panel.getByText('The opening stands open')).toBeVisible();
  await expect(panel.getByRole('button', { name: /Wall above/ }).first()).toContainText('wets the framing');

  // A tape noted as not rolled on the phone counts in the proof of the wall as it was built, until it is taken back.
  await page.goto('/jobs/skarv-point/skarv-s-05/prove?proof=water');
  const sill = panel.getByRole('button', { name: /Unit’s own sill corners/ }).first();
  await panel.getByRole('button', { name: 'as built' }).click();
  await expect(panel.getByText(/steps ticked/)).toBeVisible();
  await page.goto('/jobs/skarv-point/skarv-s-05/install');
  const card = page.locator('details:has(> #step-pan)');
  const openCard = async () => {
    await page.getByText(/^Show the .* steps before/).click();
    await page.locator('#step-pan').click();
  };
  await openCard();
  await card.getByRole('button', { name: 'Built otherwise' }).click();
  await card.getByLabel('What is otherwise').selectOption({ label: 'it was left out' });
  await card.getByRole('button', { name: 'Note it' }).click();
  await expect(card.getByText('Sill pan: left out')).toBeVisible();
  await page.goto('/jobs/skarv-point/skarv-s-05/prove?proof=water');
  await panel.getByRole('button', { name: 'as built' }).click();
  await page.getByRole('slider').focus();
  await page.keyboard.press('End');
  await expect(sill).toContainText('wets the framing');
  await panel.getByRole('button', { name: 'as planned' }).click();
  await expect(sill).toContainText('comes in and is let out');
  await page.goto('/jobs/skarv-point/skarv-s-05/install');
  await openCard();
  await card
    .locator('p', { hasText: 'Sill pan: left out' })
    .getByRole('button', { name: 'Take back', exact: true })
    .click();
  await expect(card.getByText('Sill pan: left out')).toHaveCount(0);
});
