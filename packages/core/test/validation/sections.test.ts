import polygonClipping from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { exampleJob, openingsOf, planOpening, presetIds } from '@hulvek/core';
import { area, intersection, rectangle, type Polygon } from '../../src/geometry/polygon.ts';
import { cutThrough, volume, type Solid } from '../../src/geometry/solid.ts';

type Ring = [number, number][];
const ringOf = (polygon: Polygon): Ring => polygon.map(([x, y]) => [x, y]);
const ringArea = (rings: readonly (readonly Ring[])[]): number =>
  rings.reduce((sum, [outer, ...holes]) => {
    const size = (ring: Ring | undefined) => Math.abs(area(ring ?? []));
    return sum + size(outer) - holes.reduce((s, hole) => s + size(hole), 0);
  }, 0);

const solidsOf = (preset: (typeof presetIds)[number]): Solid[] => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  const build = opening && planOpening(opening, file).build;
  if (!build) throw new Error(`${preset} is not built`);
  return [...build.base, ...build.pieces.flatMap((p) => (p.form === 'solid' ? p.solids : []))];
};

/** Areas of the cuts against a general polygon library from the registry. */
describe.each(presetIds)('%s', (preset) => {
  const solids = solidsOf(preset);

  it('every region of a plumb cut has the area the library finds for its profile in the window', () => {
    const window = { w: [-260, 40], across: [-90, 260] } as const;
    const frame = ringOf(rectangle(window.w, window.across));
    const regions = cutThrough(solids, { axis: 'u', at: 300 }, window);
    expect(regions.length).toBeGreaterThan(2);
    for (const { owner, outline } of regions) {
      const solid = solids.find((s) => s.id === owner);
      const common = polygonClipping.intersection([ringOf(solid?.profile ?? [])], [frame]);
      expect(Math.abs(area(outline)), owner).toBeCloseTo(ringArea(common), 4);
    }
  });

  it('volumes are the sum of thin level slices through them', () => {
    for (const solid of solids.filter((s) => volume(s) > 0)) {
      const vs = solid.profile.map((p) => p[1]);
      const [low, high] = [Math.min(...vs), Math.max(...vs)];
      const n = 400;
      const slices = Array.from({ length: n }, (_, i) => {
        const at = low + ((i + 0.5) * (high - low)) / n;
        const [slice] = cutThrough([solid], { axis: 'v', at }, { w: [-1e5, 1e5], across: [-1e5, 1e5] });
        return slice ? Math.abs(area(slice.outline)) : 0;
      });
      const summed = slices.reduce((sum, a) => sum + a, 0) * ((high - low) / n);
      expect(summed / volume(solid), solid.id).toBeCloseTo(1, 2);
    }
  });
});

it('the common part of two convex rings is what the library finds, 300 pairs', () => {
  let seed = 7;
  const next = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  for (let i = 0; i < 300; i++) {
    const ring = (): Ring => {
      const [cx, cy, r] = [next() * 60, next() * 60, 10 + next() * 40];
      const n = 3 + Math.floor(next() * 5);
      const turns = Array.from({ length: n }, () => next() * 2 * Math.PI).sort((a, b) => a - b);
      return turns.map((t) => [cx + r * Math.cos(t), cy + r * Math.sin(t)]);
    };
    const [a, b] = [ring(), ring()];
    const library = ringArea(polygonClipping.intersection([a], [b]));
    expect(Math.abs(area(intersection(a, b)))).toBeCloseTo(library, 4);
  }
});
