import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type conditionsOf,
  axes,
  axisIds,
  cutIds,
  exampleJob,
  heatFindings,
  heatInput,
  junctionFor,
  openingsOf,
  parameterIds,
  parameters,
  planOpening,
  presetIds,
  proveHeat,
  proveSide,
  readSection,
  sketchSide,
  studyOf,
  type Choices,
  type CutId,
  type HeatInput,
  type Opening,
  type Plan,
  type PresetId,
} from '@hulvek/core';
import { cutBoxes, extentOf, sideOf } from '../src/proofs/heat/boxes.ts';
import { blockLambda, unitValues } from '../src/proofs/heat/unit-values.ts';
import { nextStep, solveSection } from '../src/proofs/heat/section-solution.ts';
import type { Section } from '../src/proofs/heat/section-file.ts';
import { sectionOf } from '../src/build/section.ts';
import { conductivities } from '../src/conditions/conductivities.ts';
import { outlineOf } from '../src/proofs/heat/outline.ts';
import { sceneAfter } from '../src/build/scene.ts';
import { area } from '../src/geometry/polygon.ts';
import { cutThrough } from '../src/geometry/solid.ts';
import { runs } from './support/count.ts';

const plans = new Map<string, Plan>();
function planned(preset: PresetId, changes: Partial<Opening> = {}): Plan {
  const key = JSON.stringify([preset, changes]);
  const known = plans.get(key);
  if (known) return known;
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error('no opening');
  const plan = planOpening({ ...opening, ...changes }, file);
  plans.set(key, plan);
  return plan;
}
const inputOf = (plan: Plan): HeatInput => {
  if (!plan.build) throw new Error('nothing is built');
  return heatInput(plan.build, plan.job);
};
const choosing = (choices: Partial<Choices>) => ({ choices }) as Partial<Opening>;
const length = (mm: number) => ({ typed: String(mm), mm });
function sketched(plan: Plan, cut: CutId) {
  const solved = sketchSide(inputOf(plan), cut);
  if (!solved.ok) throw new Error(solved.error.code);
  return solved.value.side;
}
const coldest = (plan: Plan, cut: CutId) => sketched(plan, cut).coldest?.temperature_C ?? NaN;

describe.each(presetIds)('the sections of %s', (preset) => {
  const plan = planned(preset);
  const input = inputOf(plan);

  it('have of every material what the cut shows, where all is level', () => {
    const { build } = input;
    for (const cut of ['left', 'right'] as const) {
      const { plane } = sectionOf(build, cut);
      const extent = extentOf(build, cut);
      const { layers } = sceneAfter(build, build.steps.length);
      const solids = layers.flatMap((l) =>
        l.kind === 'solid' ? [{ thing: l.thing, solids: l.solids }] : [],
      );
      for (const { thing, solids: own } of solids) {
        const window = { w: [-10_000, 10_000] as const, across: extent };
        const drawn = cutThrough(own, plane, window).reduce((sum, r) => sum + Math.abs(area(r.outline)), 0);
        const boxes = cutBoxes(build, cut).boxes.filter(
          (b) => b.thing === thing && b.material !== 'sheet-metal' && !b.material.startsWith('layer:'),
        );
        const boxed = boxes.reduce((sum, { x, y }) => sum + (x[1] - x[0]) * (y[1] - y[0]), 0);
        expect(Math.abs(boxed - drawn), `${cut}: ${thing}`).toBeLessThanOrEqual(0.001 * drawn);
      }
    }
  });

  it('reach to where nothing of the opening is felt, keep the unit’s edge tight, and lose nothing on the way', () => {
    for (const cut of cutIds) {
      const solved = proveSide(input, cut);
      if (!solved.ok) throw new Error(`${cut}: ${solved.error.code}`);
      const { side, junction } = solved.value;
      expect(side.psi.below).toBeLessThanOrEqual(side.psi.value);
      expect(side.psi.above).toBeGreaterThanOrEqual(side.psi.value);
      expect(side.close, cut).toBe(true);
      expect(side.coldest?.thing).not.toBe('unit');
      // The unit alone ends at its edge to the joint: no surface lies there.
      const { unit } = sideOf(input.build, cut);
      const onEdge = junction.unit.section.surfaces.filter(
        ({ from, to }) => Math.abs(from[1] - unit) < 0.01 && Math.abs(to[1] - unit) < 0.01,
      );
      expect(onEdge).toEqual([]);
      // ISO 10211: flows agree; here to a millionth.
      const { flows } = solved.value.fields.flow;
      const sum = [...flows.values()].reduce((a, b) => a + b, 0);
      expect(Math.abs(sum / (flows.get('room') ?? 1))).toBeLessThan(1e-6);
    }
  });
});

/** A section with its far wall half a metre longer. */
function longer({ boxes, surfaces, ...rest }: Section, far: number, by: number): Section {
  const moved = (at: number) => (Math.abs(at - far) < 0.01 ? at + by : at);
  const span = ([a, b]: readonly [number, number]): [number, number] => [moved(a), moved(b)];
  return {
    ...rest,
    boxes: boxes.map((box) => ({ ...box, y: span(box.y) })),
    surfaces: surfaces.map((s) => ({
      ...s,
      from: [s.from[0], moved(s.from[1])] as [number, number],
      to: [s.to[0], moved(s.to[1])] as [number, number],
    })),
  };
}

describe('a side of an opening', () => {
  it('has the same Ψ when the wall is cut half a metre further away', () => {
    for (const preset of ['drained-head-flap', 'masonry-cavity'] as const) {
      const input = inputOf(planned(preset));
      const junction = junctionFor(input, 'sill');
      const [far] = extentOf(input.build, 'sill');
      const coupling = (of: Section) => {
        const result = solveSection(of, { close_WmK: 0.0002 });
        if (!result.ok) throw new Error(result.error.code);
        return result.value.L2D?.value ?? NaN;
      };
      const { section } = junction.flow;
      const gained = coupling(longer(section, far, -500)) - coupling(section);
      expect(Math.abs(gained - junction.wallU * 0.5)).toBeLessThan(3e-4);
    }
  });

  it('is a section file that solves to the same coupling', () => {
    const { flow } = junctionFor(inputOf(planned('closed-barrier')), 'sill');
    const read = readSection(JSON.stringify(flow.section));
    if (!read.ok) throw new Error(read.problems.join('; '));
    const again = solveSection(read.value);
    expect(again).toEqual(solveSection(flow.section));
    expect(again.ok && again.value.balance).toBeLessThan(1e-6);
  });

  it('mirrored loses the same', () => {
    const { section } = junctionFor(inputOf(planned('drained-head-flap')), 'left').flow;
    const flip = ([a, b]: readonly [number, number]): [number, number] => [-b, -a];
    const mirrored: Section = {
      ...section,
      boxes: section.boxes.map((box) => ({ ...box, y: flip(box.y) })),
      surfaces: section.surfaces.map((s) => ({
        ...s,
        from: [s.from[0], -s.from[1]],
        to: [s.to[0], -s.to[1]],
      })),
    };
    const [one, other] = [section, mirrored].map((s) => nextStep(s));
    if (!one?.ok || !other?.ok) throw new Error('not solved');
    expect(one.value.bounds?.below).toBeCloseTo(other.value.bounds?.below ?? NaN, 6);
  });

  it('with a slope made level differs little from one with the slope in many steps', () => {
    const plan = planned('drained-head-flap', { numbers: { slope: { typed: '8°', deg: 8 } } });
    const { build } = inputOf(plan);
    const { boxes: level, sheets } = cutBoxes(build, 'sill');
    const { depth } = build.context.opening;
    const top = (x: number) => build.context.numbers.boardFront + x * Math.tan((8 * Math.PI) / 180);
    const mean = level.find(({ thing }) => thing === 'board')?.y[1] ?? NaN;
    const STEPS = 14;
    const strips = Array.from({ length: STEPS }, (_, k) => [(k * depth) / STEPS, ((k + 1) * depth) / STEPS]);
    // The board in steps; what lies on it is let down or lifted to it.
    const stepped = level.flatMap((box) => {
      const isBoard = box.thing === 'board';
      if (!isBoard && Math.abs(box.y[0] - mean) > 0.01) return [box];
      return strips.flatMap(([a = 0, b = 0]) => {
        const x = [Math.max(a, box.x[0]), Math.min(b, box.x[1])] as const;
        const at = top((a + b) / 2);
        const y = isBoard ? ([box.y[0], at] as const) : ([at, box.y[1]] as const);
        return x[1] - x[0] < 0.01 || y[1] - y[0] < 0.01 ? [] : [{ ...box, x, y }];
      });
    });
    const extent = extentOf(build, 'sill');
    const coupling = (boxes: typeof level) => {
      const { air, stretches } = outlineOf(boxes, sheets, extent);
      const pair = ([a, b]: readonly [number, number]): [number, number] => [a, b];
      const lambdas: Record<string, number> = { frame: 0.2, glass: 0.04, air: 0.1 };
      const materials = Object.fromEntries(
        [...boxes, ...air].map(({ material }) => [
          material,
          { lambda: lambdas[material] ?? conductivities([])(material) },
        ]),
      );
      const section = {
        ...junctionFor(inputOf(plan), 'sill').flow.section,
        materials,
        boxes: [...boxes, ...air].map(({ material, x, y }) => ({ material, x: pair(x), y: pair(y) })),
        surfaces: stretches.map(({ beyond, from, to }) => ({
          environment: beyond,
          from: pair(from),
          to: pair(to),
        })),
      };
      const step = nextStep(section);
      if (!step.ok || !step.value.bounds) throw new Error('not solved');
      return (step.value.bounds.below + step.value.bounds.above) / 2;
    };
    expect(stepped.length).toBeGreaterThan(level.length + STEPS);
    expect(Math.abs(coupling(stepped) - coupling(level))).toBeLessThan(0.004);
  });

  it('with a metal pan has one slab of metal without a break, colder when it runs on into the room', () => {
    const ending = (mm: number) => planned('rigid-pan-heavy', { numbers: { panInset: length(mm) } });
    const metal = cutBoxes(inputOf(ending(12)).build, 'sill').boxes.filter(
      ({ thing, material }) => thing === 'pan' && material === 'sheet-metal',
    );
    expect(metal.length).toBeGreaterThanOrEqual(3);
    const meet = (a: readonly [number, number], b: readonly [number, number]) => a[0] <= b[1] && b[0] <= a[1];
    const reached = new Set([metal[0]]);
    for (const slab of reached)
      for (const other of metal)
        if (slab && meet(slab.x, other.x) && meet(slab.y, other.y)) reached.add(other);
    expect(reached.size).toBe(metal.length);
    const without = planned('rigid-pan-heavy', choosing({ pan: 'tape-and-patches' }));
    expect(coldest(ending(12), 'sill')).toBeLessThan(coldest(without, 'sill') - 2);
    expect(coldest(ending(60), 'sill')).not.toBe(coldest(ending(12), 'sill'));
    expect(sketched(ending(12), 'sill').psi.value).toBeGreaterThan(
      sketched(without, 'sill').psi.value + 0.05,
    );
  });

  // ISO 10077-2, from memory: a block of the same depth lets through what the part does.
  it('stands for frame and pane by blocks that let through what their maker says', () => {
    expect(1 / (0.13 + 0.083 / blockLambda(83, 1.4) + 0.04)).toBeCloseTo(1.4, 9);
    const plan = planned('drained-head-flap');
    const unit = { ...plan.unit!, frameU: 1.3, glassU: 0.7, spacerPsi: 0.04 };
    const values = unitValues(unit);
    expect(values.assumed).toEqual([]);
    const { width, height, frameFace } = unit;
    const glass = ((width.mm - 2 * frameFace.mm) * (height.mm - 2 * frameFace.mm)) / 1e6;
    const whole = (width.mm * height.mm) / 1e6;
    const edge = (2 * (width.mm + height.mm - 4 * frameFace.mm)) / 1000;
    // ISO 10077-1, from memory.
    expect(values.u).toBeCloseTo((glass * 0.7 + (whole - glass) * 1.3 + edge * 0.04) / whole, 9);
    // The block is thicker than the pane: its sides beside the pane let through a little more.
    const alone = sketched({ ...plan, unit, build: { ...plan.build!, unit } }, 'sill').unitL2D.value;
    const { frameFace: f } = plan.build!.context.unit;
    expect(Math.abs(alone - (1.3 * f + 0.7 * 190) / 1000)).toBeLessThan(0.03);
  });

  it('goes back to where it was from a neighbouring field, whatever lines have passed each other', () => {
    const at = (mm: number) => inputOf(planned('masonry-cavity', { numbers: { setback: length(mm) } }));
    const before = sketchSide(at(180), 'head');
    if (!before.ok) throw new Error('not solved');
    for (const mm of [184, 200, 238]) {
      const [cold, warm] = [sketchSide(at(mm), 'head'), sketchSide(at(mm), 'head', before.value.fields)];
      if (!cold.ok || !warm.ok) throw new Error('not solved');
      expect(warm.value.side.psi.value).toBeCloseTo(cold.value.side.psi.value, 6);
      expect(warm.value.side.coldest?.temperature_C).toBeCloseTo(
        cold.value.side.coldest?.temperature_C ?? NaN,
        5,
      );
      expect(warm.value.fields.flow.iterations).toBeLessThanOrEqual(cold.value.fields.flow.iterations);
    }
  });

  it('before the layers that count is not solved, and says so', () => {
    const plan = planned('masonry-cavity', { numbers: { setback: length(0) } });
    expect(proveHeat(inputOf(plan))).toEqual({ ok: false, error: { code: 'before-the-wall' } });
  });
});

describe('any numbers and choices', () => {
  const typed = (kind: 'length' | 'angle') => (v: number) =>
    kind === 'length' ? { typed: `${v} mm`, mm: v } : { typed: `${v}°`, deg: v };
  const numbers = fc.record(
    Object.fromEntries(
      parameterIds.map((id) => {
        const { least, most, kind } = parameters[id];
        return [id, fc.double({ min: least, max: most, noNaN: true }).map(typed(kind))];
      }),
    ),
    { requiredKeys: [] },
  );
  const picks = fc.array(fc.tuple(fc.constantFrom(...axisIds), fc.nat(20)), { maxLength: 3 });

  it('give a plan, and heat that is finite or says why it is not solved', () => {
    fc.assert(
      fc.property(numbers, fc.constantFrom(...presetIds), picks, (changed, preset, chosen) => {
        const file = exampleJob(preset);
        const [opening] = openingsOf(file);
        const choices = Object.fromEntries(
          chosen.map(([axis, n]) => [axis, axes[axis][n % axes[axis].length]]),
        );
        const plan = planOpening({ ...opening, numbers: changed, choices } as Opening, file);
        if (!plan.build) return;
        const input = heatInput(plan.build, plan.job);
        for (const cut of cutIds) {
          const solved = sketchSide(input, cut);
          if (!solved.ok) expect(solved.error.code).toBe('before-the-wall');
          else {
            const { psi, coldest, verdict } = solved.value.side;
            expect(Number.isFinite(psi.value)).toBe(true);
            expect(verdict === 'not-checkable').toBe(coldest === null);
          }
        }
      }),
      { ...runs(80, 20), seed: 5 },
    );
  });
});

describe('what heat says of an opening', () => {
  const withClimate = (
    plan: Plan,
    climate: NonNullable<Parameters<typeof conditionsOf>[0]['climate']>,
    limits = {},
  ) => ({ ...plan, job: { ...plan.job, job: { ...plan.job.job, climate, heatLimits: limits } } }) as Plan;
  const of = (plan: Plan) => {
    const proof = proveHeat(inputOf(plan));
    if (!proof.ok) throw new Error(proof.error.code);
    return { proof: proof.value, findings: heatFindings(plan, proof.value) };
  };

  it('grows with the damp of the room: holds, hardly warm enough, mould, dew', () => {
    const plan = planned('drained-head-flap');
    const grade = (humidity_percent: number) => {
      const { proof, findings } = of(
        withClimate(plan, { inside_C: 20, humidity_percent, outside_C: -5 }, { psiMost: 1 }),
      );
      const cold = findings.find((f) => f.code === 'surface-cold');
      return [proof.verdict, cold?.code === 'surface-cold' ? cold.facts.below : null];
    };
    expect(grade(30)).toEqual(['holds', null]);
    expect(grade(46.5)).toEqual(['watch', 'near']);
    expect(grade(55)).toEqual(['fails', 'damp']);
    expect(grade(75)).toEqual(['fails', 'dew']);
  });

  it('offers only changes that were tried and made it warmer; applied, they do', () => {
    const plan = withClimate(planned('rigid-pan-heavy'), {
      inside_C: 20,
      humidity_percent: 45,
      outside_C: -5,
    });
    const { findings } = of(plan);
    const cold = findings.find((f) => f.code === 'surface-cold' && f.facts.side === 'sill');
    const [fix] = cold?.fixes ?? [];
    expect(fix?.choose).toEqual({ pan: 'tape-and-patches' });
    const mended = planOpening(
      { ...plan.opening, choices: { ...plan.opening.choices, ...fix?.choose } },
      plan.job,
    );
    expect(coldest(mended, 'sill')).toBeGreaterThan(coldest(plan, 'sill') + 0.3);
    expect(of(mended).findings.filter((f) => f.code === 'surface-cold' && f.facts.side === 'sill')).toEqual(
      [],
    );
  });

  it('adds the joints to the unit’s own loss by their lengths', () => {
    const plan = planned('drained-head-flap');
    const { proof } = of(plan);
    const { width, height } = plan.unit!;
    const joints = proof.sides.reduce(
      (sum, { cut, psi }) =>
        sum + (psi.value * (cut === 'head' || cut === 'sill' ? width.mm : height.mm)) / 1000,
      0,
    );
    const whole = (width.mm * height.mm) / 1e6;
    expect(proof.uInstalled).toBeCloseTo(proof.values.u + joints / whole, 9);
    expect(proof.loss_W).toBeCloseTo(proof.uInstalled * whole * 25, 6);
    expect(proof.leftOut).toContain('wrap');
  });
});

describe('a study', () => {
  it('of the position finds the least loss inside its plateau, with the frame as it hangs among what it compares', () => {
    const { variants, best, asIfClips } = studyOf(planned('masonry-cavity'), 'position');
    expect(asIfClips).toBe(false);
    expect(variants.filter((v) => v.isNow)).toHaveLength(1);
    const least = Math.min(...variants.map((v) => v.psi));
    expect(variants.find((v) => v.setback_mm === best?.setback_mm)?.psi).toBe(least);
    for (const { setback_mm, psi } of variants) {
      const [low, high] = best?.plateau_mm ?? [0, 0];
      if (setback_mm !== null && setback_mm >= low && setback_mm <= high)
        expect(psi).toBeLessThanOrEqual(least + 0.005);
    }
    // In the insulation's own plane is best, right behind the outer leaf or deep in the block is worse: common
    // practice, no source.
    expect(variants.at(-1)?.psi).toBeGreaterThan(least + 0.1);
  });

  it('shows that less loss and a warmer corner are two answers', () => {
    const { variants } = studyOf(planned('drained-head-flap'), 'position');
    const byLoss = variants.toSorted((a, b) => a.psi - b.psi)[0];
    const byWarmth = variants.toSorted((a, b) => b.coldest_C - a.coldest_C)[0];
    expect(byLoss?.setback_mm).not.toBe(byWarmth?.setback_mm);
    expect(variants.every((v) => v.set === null)).toBe(true);
  });

  // Metals conduct in this order, and worse than plastic: ISO 10456, from memory. An empty joint loses more than a
  // filled one: common practice, no source.
  it('orders pans by their metal and joints by their filling', () => {
    const plan = planned('drained-head-flap');
    const psi = (study: 'pan' | 'fill', id: string) =>
      studyOf(plan, study).variants.find((v) => v.id === id)?.psi ?? NaN;
    const order = ['tape-and-patches', 'plastic', 'stainless', 'steel', 'aluminium'].map((id) =>
      psi('pan', id),
    );
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    expect(psi('fill', 'empty')).toBeGreaterThan(psi('fill', 'foam'));
  });

  it('offers to take over only what then has the figure that was shown', () => {
    const plan = planned('drained-head-flap');
    for (const study of ['pan', 'fill'] as const)
      for (const { set, psiBySide, id } of studyOf(plan, study).variants) {
        if (!set?.choose) continue;
        const taken = planned('drained-head-flap', choosing(set.choose));
        expect(sketched(taken, 'sill').psi.value, `${study} ${id}`).toBeCloseTo(psiBySide.sill ?? NaN, 4);
      }
  });
});
