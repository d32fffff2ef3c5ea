/** Behind a façade: an outline from a drawing, and openings put where a total station saw their corners. */
import { expect, expectAccessible, signIn, test } from './support.ts';

const dxf = (entities: string, units = 4): string =>
  [
    '0',
    'SECTION',
    '2',
    'HEADER',
    '9',
    '$INSUNITS',
    '70',
    String(units),
    '0',
    'ENDSEC',
    '0',
    'SECTION',
    '2',
    'ENTITIES',
  ]
    .concat(entities.split(' '), ['0', 'ENDSEC', '0', 'EOF', ''])
    .join('\n');
/** A façade of 8 by 3 m with a round window, in the unit of the file. */
const LINE =
  '0 LWPOLYLINE 8 0 90 4 70 1 10 2 20 1 10 10 20 1 10 10 20 4 10 2 20 4 0 CIRCLE 8 0 10 5 20 2 40 0.5';

test('an outline stands behind its façade, and surveyed corners put an opening where it is', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs/skarv-point/board');
  await page.getByText('Behind the drawing of East').click();
  const behind = page.locator('details', { hasText: 'Behind the drawing of East' });
  const file = behind.getByLabel(/^Drawing or points/);
  const give = (name: string, text: string) =>
    file.setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await give('broken.dxf', 'no drawing');
  await expect(behind.getByRole('alert')).toContainText('no drawing or list that can be read');
  await give('east.dxf', dxf(LINE, 0));
  await expect(behind.getByRole('alert')).toContainText('what its figures are in');
  await give('east.dxf', dxf(LINE, 6));
  await expect(behind.getByText('east.dxf, 2 lines')).toBeVisible();
  const wall = page.getByRole('region', { name: 'Façade East' });
  const [square] = await wall.locator('polyline').evaluateAll((all) =>
    all.map((one) => {
      const { width, height } = (one as SVGGraphicsElement).getBBox();
      return [Math.round(width), Math.round(height)];
    }),
  );
  expect(square).toEqual([8000, 3000]);
  await expectAccessible(page);

  // A list without a unit, then in metres: ends of the façade, and corners of E-02.
  const list =
    'Point;E;N;H\nL;0;0;100\nR;0;9;100\nE-02 BL;0;4.5;101.1\nE-02 BR;0;5.43;101.1\nE-02 TL;0.003;4.5;102.35\nX-9 BL;0;8;101\n';
  await give('points.csv', list);
  await expect(behind.getByRole('alert')).toContainText('what its figures are in');
  await behind.getByLabel('Its figures are in').selectOption('m');
  await give('points.csv', list);
  // Nobody guesses which points are the ends.
  await expect(behind.getByRole('button', { name: 'Put them where they were surveyed' })).toBeDisabled();
  await behind.getByLabel('Left end, seen from outside').selectOption('L');
  await behind.getByLabel('Right end, seen from outside').selectOption('R');
  await behind.getByLabel('On the zero line').selectOption('L');
  await expect(behind.getByTestId('surveyed')).toContainText('E-02');
  await expect(behind.getByTestId('surveyed')).toContainText('no opening of this mark');
  await behind.getByRole('button', { name: 'Put them where they were surveyed' }).click();
  await expect(
    wall.getByRole('checkbox', { name: /E-02.*4500 mm from the left, 1100 mm above zero/ }),
  ).toBeVisible();
  await page.goto('/jobs/skarv-point/skarv-e-02/measure');
  await expect(page.getByLabel(/^Width, bottom/).first()).toHaveValue(/930/);

  await page.goto('/jobs/skarv-point/board');
  await page.getByText('Behind the drawing of East').click();
  await behind.getByRole('button', { name: 'Take it out' }).click();
  await expect(wall.locator('.outline')).toHaveCount(0);
  await behind.getByRole('button', { name: 'Put points.csv back' }).click();
  await expect(wall.locator('.outline circle')).toHaveCount(6);
  await behind.getByRole('button', { name: 'Take it out' }).click();
  await expect(wall.locator('.outline')).toHaveCount(0);
});
