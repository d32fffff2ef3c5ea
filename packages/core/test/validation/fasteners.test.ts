import { describe, expect, it } from 'vitest';
import {
  exampleJob,
  fieldChanges,
  figuresIn,
  findingText,
  openingsOf,
  planOpening,
  screwLength,
  sillLoad,
  startingShelf,
  type Opening,
  type PresetId,
} from '@hulvek/core';
import { buckAims } from '../../src/methods/buck-aim.ts';

const plan = (preset: PresetId, changes: Partial<Opening> = {}) => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error('no opening');
  const { build, findings } = planOpening({ ...opening, ...changes }, file);
  if (!build) throw new Error('not built');
  return { build, findings };
};
const counts = (preset: PresetId, changes: Partial<Opening> = {}) =>
  Object.fromEntries(plan(preset, changes).build.fastening.sides.map((s) => [s.side, s.at_mm.length]));

/** Counted and added by hand; distances, embedment and buck sizes are common practice, no source. */
describe('fasteners of a 900 × 1200 unit', () => {
  it('100 mm from the corners, 200 mm apart: (1200 − 200)/200 + 1 = 6 at each jamb, ⌈(900 − 200)/200⌉ + 1 = 5 at the head, 3 at a drained sill', () => {
    expect(counts('drained-head-flap')).toEqual({ left: 6, right: 6, head: 5, sill: 3 });
    expect(counts('closed-barrier')).toEqual({ left: 6, right: 6, head: 5, sill: 5 });
  });

  it('a side no longer than twice the corner distance is said, and gets one in its middle', () => {
    const numbers = { fastenerFromCorner: { typed: '200', mm: 200 } };
    const file = exampleJob('drained-head-flap');
    const [unit] = file.units;
    const [opening] = openingsOf(file);
    if (!unit || !opening) throw new Error('no unit');
    const narrow = { ...unit, width: { typed: '400', mm: 400 } };
    const survey = {
      ...opening.survey,
      values: { roughWidth: { typed: '420', mm: 420 }, roughHeight: { typed: '1224', mm: 1224 } },
    };
    const { build, findings } = planOpening({ ...opening, survey, numbers }, { ...file, units: [narrow] });
    expect(build?.fastening.sides.find((s) => s.side === 'head')?.at_mm).toEqual([200]);
    expect(findings.filter((f) => f.code === 'side-too-short').map((f) => f.code)).toHaveLength(2);
  });

  it('fin 1.5 + sheathing 12 + 38 into the stud: 51.5 mm; through a 70 mm foam buck on spacers 123 mm, at 15° 127.4 mm', () => {
    expect(plan('drained-head-flap').build.fastening.screw.length_mm).toBeCloseTo(51.5, 9);
    const at = (deg: number) =>
      plan('foam-buck-outboard', { numbers: { driveAngle: { typed: `${deg}°`, deg } } }).build.fastening
        .screw;
    expect(at(0).length_mm).toBeCloseTo(1.5 + 1.5 + 70 + 12 + 38, 9);
    // As the school drives it: 123 / cos 25°.
    expect(plan('foam-buck-outboard').build.fastening.screw.length_mm).toBeCloseTo(
      123 / Math.cos((25 * Math.PI) / 180),
      9,
    );
    const angled = plan('foam-buck-outboard', { numbers: { driveAngle: { typed: '15°', deg: 15 } } });
    expect(angled.build.fastening.screw.length_mm).toBeCloseTo(123 / 0.9659258, 4);
    expect(screwLength([1.5, 70, 12], { embedment_mm: 38, angle_deg: 15 })).toBeCloseTo(125.786, 3);
  });

  it('a hole 25 mm from the frame with a 10 mm gap lies 15 mm inside the framing', () => {
    const { build } = plan('drained-head-flap');
    const left = build.fastening.sides.find((s) => s.side === 'left');
    expect(left?.edge_mm).toBeCloseTo(25 - build.context.unit.left, 9);
  });

  it('95 kg on 900 mm press with 1.04 N on each mm of sill, far under the 12 of a foam buck', () => {
    expect(sillLoad({ weight_kg: 95, width_mm: 900 })).toBeCloseTo(1.0355, 4);
  });
});

describe('shelf', () => {
  it('what a newer version changes is named by its place, the copy’s own name aside', () => {
    const wall = startingShelf().find((item) => item.kind === 'walls')?.document as
      { layers: object[] } | undefined;
    if (!wall) throw new Error('no wall');
    const [first, ...rest] = wall.layers;
    const other = {
      ...wall,
      id: 'other',
      origin: { id: 'x', version: 2 },
      layers: [{ ...first, material: 'drywall' }, ...rest],
    };
    expect(fieldChanges(wall, other).map((c) => c.path)).toEqual(['layers[0].material']);
    expect(fieldChanges(wall, { ...wall, id: 'z' })).toEqual([]);
  });
});

/** Against points along the screw, stepped through the wall: nothing of the formula is used. */
describe('a screw through the leg of a foam buck', () => {
  const aimed = (numbers: Record<string, number>) => {
    const typed = Object.fromEntries(
      Object.entries(numbers).map(([id, value]) => [
        id,
        id === 'driveAngle' ? { typed: `${value}°`, deg: value } : { typed: String(value), mm: value },
      ]),
    );
    const { build } = plan('foam-buck-outboard', { numbers: typed });
    return { build, aims: buckAims({ ...build.context, shims: build.fit.shims }) };
  };

  it.each([0, 5, 10, 15, 20, 24, 30, 40, 45])(
    'at %d° it ends in the stud exactly where its point does',
    (driveAngle) => {
      for (const buckLeg of [12, 25, 38, 64]) {
        const { build, aims } = aimed({ buckLeg, driveAngle });
        const { opening, unit } = build.context;
        const before = build.fastening.screw.through.filter(({ what }) => what !== 'framing');
        const depth = before.reduce((sum, { mm }) => sum + mm, 0);
        const left = aims.find(({ side }) => side === 'left');
        // From the hole towards the stud, in steps of a hundredth of a millimetre of depth.
        const steps = Math.round(depth * 100);
        let out = unit.holeFromFrame;
        for (let i = 0; i < steps; i++) out += Math.tan((driveAngle * Math.PI) / 180) / 100;
        const stud = unit.left + (opening.buck?.leg ?? 0);
        expect(left?.holds).toBe(out - stud >= 12 - 0.02);
        expect(left?.missed_mm).toBeCloseTo(stud - unit.holeFromFrame, 9);
      }
    },
  );

  it('the cure is the least whole angle that holds: one degree less does not', () => {
    for (const buckLeg of [20, 38, 50]) {
      const side = 'left';
      const cure = aimed({ buckLeg, driveAngle: 0 }).aims.find((aim) => aim.side === side)?.cure;
      if (!cure) throw new Error('no angle is offered');
      const at = (driveAngle: number) =>
        aimed({ buckLeg, driveAngle }).aims.find((aim) => aim.side === side)?.holds;
      expect(at(cure.angle_deg)).toBe(true);
      if (cure.angle_deg > 0) expect(at(cure.angle_deg - 1)).toBe(false);
      expect(cure.length_mm).toBeGreaterThanOrEqual(
        aimed({ buckLeg, driveAngle: cure.angle_deg }).build.fastening.screw.length_mm - 0.5,
      );
    }
  });

  it('a leg that no angle reaches past is offered none, and the finding says what else helps', () => {
    const near = { buckLeg: 38, buckProjection: 0, driveAngle: 0 };
    const { aims } = aimed(near);
    expect(aims.map(({ cure }) => cure)).toEqual([null, null, null, null]);
    const numbers = Object.fromEntries(
      Object.entries(near).map(([id, mm]) => [
        id,
        id === 'driveAngle' ? { typed: '0°', deg: 0 } : { typed: `${mm}`, mm },
      ]),
    );
    const found = plan('foam-buck-outboard', { numbers }).findings.filter(
      ({ code }) => code === 'screw-ends-in-buck',
    );
    expect(found.map(({ fixes }) => fixes)).toEqual([[]]);
    expect(found.map((finding) => findingText(finding, figuresIn('mm')).text).join()).toMatch(
      /No angle reaches it.*brackets/,
    );
  });

  it('no buck, a lumber one, or a unit without a fin has no such screw', () => {
    for (const preset of [
      'drained-head-flap',
      'interior-clips',
      'foam-buck-inside',
      'panel-frame',
    ] as const) {
      const { build } = plan(preset);
      expect(buckAims({ ...build.context, shims: build.fit.shims })).toEqual([]);
    }
  });
});
