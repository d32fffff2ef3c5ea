import { describe, expect, it } from 'vitest';
import {
  airCorners,
  airCourse,
  airRing,
  airtightFrom,
  bridgesOf,
  cutIds,
  exampleJob,
  openingsOf,
  planOpening,
  presetIds,
  proveAir,
  tradesThatMayCut,
  weakPlaces,
  withoutPiece,
  type AirProof,
  type Build,
  type CutId,
  type Finding,
  type Opening,
  type Plan,
  type PresetId,
} from '@hulvek/core';
import { Filled } from '../src/proofs/air/filled.ts';
import { expectedAir, expectedClosings, expectedGaps } from './air.expected.ts';

/** The table is of walls whose outer layer keeps the air out; what a school takes by itself is the lining by now. */
const OUTER: Partial<Record<PresetId, Opening['choices']>> = {
  'drained-head-flap': { airLayer: 'water-layer' },
  'drained-full-jambs': { airLayer: 'water-layer' },
  'rigid-pan-heavy': { airLayer: 'water-layer' },
  'separate-fin-double-head': { airLayer: 'water-layer' },
  'cut-back-wrap': { airLayer: 'sheathing' },
};

const planned = (preset: PresetId, changes: Partial<Opening> = {}): Plan => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error('an example without an opening');
  return planOpening({ ...opening, ...changes, choices: { ...OUTER[preset], ...changes.choices } }, file);
};
const built = (preset: PresetId, choices: Opening['choices'] = {}): Build => {
  const { build } = planned(preset, { choices });
  if (!build) throw new Error(`${preset} is not built`);
  return build;
};
const lineAt = (proof: AirProof, side: CutId) => proof.sides.find((s) => s.side === side)?.line ?? null;

describe.each(presetIds)('the pen line of %s', (preset) => {
  const proof = proveAir(built(preset));
  const expected = expectedAir[preset];
  it.each(cutIds)('runs at the %s as it was written', (side) => {
    const found = proof.sides.find((s) => s.side === side);
    const wanted = expected.sides[side];
    if (typeof wanted === 'string') expect(found?.line?.join(' ')).toBe(wanted);
    else expect(found?.lifts.map(({ kind }) => kind)).toContain(wanted.lifts);
  });
  it.each(airCorners)('passes or leaves open the corner %s as it was written', (corner) => {
    expect(proof.open.includes(corner)).toBe(expected.open.includes(corner));
  });
  it('closes for good in the step that was written, or never', () => {
    const build = built(preset);
    const count = airtightFrom(build);
    expect(count === null ? null : build.steps[count - 1]?.id).toBe(expectedClosings[preset]);
  });
});

it.each(expectedGaps)('$name', ({ preset, choose, sides, kind, fix }) => {
  const plan = planned(preset, { choices: choose as Opening['choices'] });
  const open = (p: Plan) =>
    p.findings.flatMap((f) => (f.code === 'air-line-open' && f.facts.kind === kind ? f.facts.sides : []));
  expect(open(plan)).toEqual(sides);
  const found = plan.findings.find(
    (f): f is Extract<Finding, { code: 'air-line-open' }> =>
      f.code === 'air-line-open' && f.facts.kind === kind,
  );
  expect(found?.fixes[0]?.choose).toEqual(fix);
  const mended = planned(preset, { choices: { ...choose, ...fix } as Opening['choices'] });
  expect(open(mended)).toEqual([]);
});

it('bare jambs of a finned unit: the line runs outside beside them, inside below, and breaks beside the pan’s upturn', () => {
  const broken = (choices: Opening['choices']) =>
    planned('integral-sheathing', { choices }).findings.flatMap((f) =>
      f.code === 'air-line-breaks' ? [f] : [],
    );
  const found = broken({ jambs: 'bare' });
  expect(found.map((f) => f.facts.where).sort()).toEqual(['left', 'right']);
  // The upturn ends 150 mm above the sill's slope, which rises 3 to 16 mm: up to there the inner line has its bridge.
  for (const { facts } of found) expect(facts.at_mm).toBeLessThan(170);
  expect(found[0]?.fixes[0]?.choose).toEqual({ jambs: 'flashing' });
  expect(broken({ jambs: 'flashing' })).toEqual([]);
});

/** Every piece of every school's line, one at a time. */
const bridges = presetIds.flatMap((preset) =>
  bridgesOf(proveAir(built(preset)), built(preset)).map((piece) => ({ preset, piece })),
);
describe('a piece of the line left out', () => {
  it.each(bridges)('$preset without $piece opens there, or a second line is named', ({ preset, piece }) => {
    const build = built(preset);
    const proof = proveAir(build);
    const { sides, opens, second } = withoutPiece(build, proof, piece);
    expect(sides.length).toBeGreaterThan(0);
    const wasOpen = (side: CutId) => proof.sides.some((s) => s.side === side && s.lifts.length > 0);
    for (const side of sides) {
      const line = second[side] ?? null;
      // Open there, and said so unless it was open already; or another line, from the same layer to the frame.
      if (line === null) expect(opens.includes(side) || wasOpen(side)).toBe(true);
      else {
        expect(line).not.toContain(piece);
        expect(line.at(-1)).toBe('unit');
        expect(line[0]).toBe(lineAt(proof, side)?.[0]);
      }
    }
  });

  it('names the outer line of a finned window when its inner seal is gone, and a hole where nothing is behind it', () => {
    const build = built('integral-sheathing');
    const proof = proveAir(build);
    const left = withoutPiece(build, proof, 'seal-left');
    expect(left.second.left?.join(' ')).toBe('wall-face jamb-tape-left fin unit');
    // Outside it does not go on into the lines of head and sill, which run inside.
    expect(left.opens.toSorted()).toEqual(['head-left', 'left']);
    // The sill drains, so outside there is nothing to fall back on.
    const sill = withoutPiece(build, proof, 'seal-sill');
    expect(sill.second.sill).toBeNull();
    expect(sill.opens).toEqual(['sill']);
  });
});

describe('what goes through the line', () => {
  it('jamb shims that are pulled interrupt nothing; those that stay, and all that carry the unit, are counted', () => {
    const through = (shims: 'removed' | 'at-hinges') =>
      proveAir(built('open-studs', { shims })).interrupters.map((i) => `${i.side}: ${i.count} ${i.thing}`);
    expect(through('removed')).toEqual(['sill: 3 sill-shims']);
    expect(through('at-hinges').filter((i) => i.endsWith('jamb-shims'))).toHaveLength(2);
  });
  it('a tape over the joint is not gone through by shims behind it', () => {
    const of = (innerSeal: 'sealant-rod' | 'corner-tape') =>
      proveAir(built('fluid-recessed', { innerSeal })).interrupters.filter((i) => i.thing === 'jamb-shims');
    expect(of('sealant-rod')).not.toEqual([]);
    expect(of('corner-tape')).toEqual([]);
  });
  it('a wrap is reached by whoever clads, a strip by the drywall cutter unless a guard lies over it', () => {
    const build = built('drained-full-jambs', { guard: 'none' });
    const risks = tradesThatMayCut(proveAir(build), build);
    expect(risks.find((r) => r.trade === 'cladding')?.members).toContain('wrap');
    expect(risks.find((r) => r.trade === 'drywall')).toMatchObject({ guarded: false });
    const guarded = built('drained-full-jambs', { guard: 'strip' });
    expect(tradesThatMayCut(proveAir(guarded), guarded).find((r) => r.trade === 'drywall')?.guarded).toBe(
      true,
    );
  });
  it('four strips have four corners to look at, a membrane five laps', () => {
    const places = (preset: PresetId) => {
      const build = built(preset);
      return weakPlaces(proveAir(build), build).map(({ kind, count }) => `${count} ${kind}`);
    };
    expect(places('integral-sheathing')).toContain('4 tape-end');
    expect(places('masonry-cavity')).toContain('5 membrane-lap');
    expect(places('closed-barrier')).toContain('4 fin-corner');
    // Glass closed at 1600 m and set at sea level is equalised through a tube.
    const build = built('integral-sheathing');
    const kinds = (madeAt_m: number) =>
      weakPlaces(proveAir(build), build, { madeAt_m, site_m: 0 }).map(({ kind }) => kind);
    expect([kinds(1600).includes('glazing-tube'), kinds(100).includes('glazing-tube')]).toEqual([
      true,
      false,
    ]);
  });
});

it('a bond lost on site opens the line as a piece left out does', () => {
  const build = built('integral-sheathing');
  const lost = proveAir(build, { lost: ['seal-sill'] });
  expect(lost.closed).toBe(false);
  expect(lost.sides.find((s) => s.side === 'sill')?.lifts[0]).toMatchObject({
    kind: 'foam',
    between: ['pan', 'foam'],
  });
});

describe('the line as it is drawn', () => {
  it.each(presetIds)('in %s comes onto the frame at its edge, through the things it is made of', (preset) => {
    const build = built(preset);
    const proof = proveAir(build);
    const { left, bottom, width, height } = build.context.unit;
    const edge = { sill: bottom, left, head: bottom + height, right: left + width };
    for (const side of cutIds) {
      const course = airCourse(build, proof, side);
      const found = proof.sides.find((s) => s.side === side);
      if (!course) {
        expect(found?.lifts.map((l) => l.kind)).toContain('gap');
        continue;
      }
      const last = course.points.at(-1) ?? [0, 0, 0];
      const across = side === 'left' || side === 'right' ? last[0] : last[1];
      // A fin meets the frame at its own root; bands and sealant in the middle of the joint's side.
      expect(Math.abs(across - edge[side])).toBeLessThan(40);
      expect(course.lift === null).toBe(
        course.stops.map((s) => s.thing).join() === found?.line?.join() || found?.lifts.length === 0,
      );
    }
  });
  it('on the face goes round the whole frame and leaves out what is lifted', () => {
    const build = built('drained-full-jambs');
    const { stretches } = airRing(build, proveAir(build));
    const length = (closed: boolean) =>
      stretches
        .filter((s) => s.closed === closed)
        .reduce((sum, s) => sum + Math.hypot(s.to[0] - s.from[0], s.to[1] - s.from[1]), 0);
    const { width, height } = build.context.unit;
    expect(length(true) + length(false)).toBeCloseTo(2 * (width + height), 0);
    expect(length(false)).toBeGreaterThan(0.8 * width);
  });
});

describe('two lines round a hole', () => {
  const touching = (...pairs: readonly string[]) =>
    pairs.map((pair) => {
      const [a = '', b = ''] = pair.split('-');
      return { a, b, at: null };
    });
  const RING = ['wall-tape', 'tape-unit', 'wall-pan', 'pan-unit'];
  const lines = [
    ['wall', 'tape', 'unit'],
    ['wall', 'pan', 'unit'],
  ] as const;
  const joins = (...pairs: readonly string[]) => new Filled(touching(...pairs), []).joins(...lines);

  it('four things in a ring have a hole in their middle, whatever else hangs on two of them', () => {
    expect(joins(...RING)).toBe(false);
    expect(joins(...RING, 'tape-shim', 'shim-unit')).toBe(false);
  });
  it('a fifth that touches all four fills it, and so does one that joins two across', () => {
    expect(joins(...RING, 'tape-pan')).toBe(true);
    expect(joins(...RING, 'foam-wall', 'foam-tape', 'foam-unit', 'foam-pan')).toBe(true);
    // Reaching three of them it leaves the hole between itself and the fourth.
    expect(joins(...RING, 'foam-wall', 'foam-tape', 'foam-unit')).toBe(false);
  });
  it('a line with itself goes on, and one over things that do not touch goes nowhere', () => {
    const filled = new Filled(touching(...RING), []);
    expect(filled.joins(lines[0], lines[0])).toBe(true);
    expect(filled.joins(lines[0], ['wall', 'flap', 'unit'])).toBe(false);
  });
});
