/** One size is one size: what is measured, framed, ordered, built, fastened and stored of 200 random openings. */
import { describe, expect, it } from 'vitest';
import {
  framingOf,
  openingsOf,
  planOpening,
  readJobFile,
  sizeToFrame,
  sizeToOrder,
  writeJobFile,
  type JobFile,
  type Plan,
  type SurveyPointId,
} from '@hulvek/core';
import { buckAims } from '../src/methods/buck-aim.ts';
import { gapsOf } from '../src/methods/fasteners.ts';
import { markStep } from '../src/quantities/format-length.ts';
import { randomCase } from './golden/cases.ts';
import { drawnWidths } from './support/survey-drawing.ts';

const SEEDS = 200;

interface Sized {
  readonly plan: Plan;
  readonly build: NonNullable<Plan['build']>;
  readonly unit: NonNullable<Plan['unit']>;
}

const sized: readonly Sized[] = Array.from({ length: SEEDS }, (_, i) => randomCase(i + 1)).flatMap(
  ({ opening, job }): Sized[] => {
    const plan = planOpening(opening, job);
    const { build, unit } = plan;
    return build && unit ? [{ plan, build, unit }] : [];
  },
);
const bucked = sized.filter(({ build }) => (build.context.opening.buck?.leg ?? 0) > 0);

describe('the sizes of 200 random openings, on every page', () => {
  it('are of openings with and without a buck', () => {
    expect(sized.length).toBeGreaterThan(150);
    expect(bucked.length).toBeGreaterThan(10);
  });

  it('the buck is as thick where it is framed for, drawn, cut, screwed through and measured inside of', () => {
    for (const { plan, build } of bucked) {
      const leg = build.context.opening.buck?.leg ?? NaN;
      expect(framingOf(plan).leg_mm).toBe(leg);
      // Between the studs what was measured, of which the buck takes both legs.
      expect(build.context.opening.width + 2 * leg).toBeCloseTo(plan.frame?.cover.width ?? NaN, 2);
      const legs = plan.cuts.filter(
        ({ piece, thickness_mm }) => piece.startsWith('buck-') && thickness_mm === leg,
      );
      expect(legs.length, 'a leg on each side').toBeGreaterThanOrEqual(4);
      for (const { side, missed_mm } of buckAims({ ...build.context, shims: build.fit.shims }))
        expect(missed_mm).toBeCloseTo(
          gapsOf(build.context)[side] + leg - build.context.unit.holeFromFrame,
          6,
        );
    }
  });

  it('the survey drawing stands both legs round the opening that the unit is drawn in', () => {
    for (const { plan, unit } of bucked) {
      const wide = drawnWidths(plan);
      expect(wide.unit).toBeCloseTo(unit.width.mm, 3);
      // Jambs may lean: the buck follows them at its own thickness.
      expect(wide.opening - wide.buck).toBeCloseTo(2 * framingOf(plan).leg_mm, 3);
    }
  });

  it('the unit is ordered that is framed for, to the mark of the tape: frames rounded up, units down', () => {
    for (const { plan, unit } of sized) {
      const step = markStep(plan.job.job.units);
      const framed = sizeToFrame(plan);
      if (!framed) throw new Error('nothing is framed');
      const order = sizeToOrder(plan, framed);
      for (const side of ['width', 'height'] as const) {
        expect(Math.abs(framed[side] / step - Math.round(framed[side] / step))).toBeLessThan(1e-6);
        expect(order[side]).toBeGreaterThan(unit[side].mm - step - 1e-6);
        expect(order[side]).toBeLessThanOrEqual(unit[side].mm + step + 1e-6);
      }
    }
  });

  it('the unit that is built is the unit that was chosen, standing in the gaps that were measured', () => {
    for (const { plan, build, unit } of sized) {
      expect([build.context.unit.width, build.context.unit.height]).toEqual([unit.width.mm, unit.height.mm]);
      const gaps = gapsOf(build.context);
      const placed = plan.fit?.placement;
      expect(gaps.sill).toBe(placed?.bottom);
      expect(gaps.left).toBe(placed?.left);
      for (const { side, edge_mm } of build.fastening.sides)
        if (edge_mm !== null) expect(edge_mm).toBeCloseTo(build.context.unit.holeFromFrame - gaps[side], 6);
    }
  });

  it('a job file gives every size back', () => {
    for (const { plan } of sized.slice(0, 60)) {
      const read = readJobFile(writeJobFile(fileOf(plan)));
      if (!read.ok) throw new Error(JSON.stringify(read));
      const [opening] = openingsOf(read.value);
      if (!opening) throw new Error('no opening came back');
      const again = planOpening(opening, read.value);
      expect(again.cuts).toEqual(plan.cuts);
      expect(again.fit?.shims).toEqual(plan.fit?.shims);
      expect(again.build?.fastening).toEqual(plan.build?.fastening);
      expect(sizeToFrame(again)).toEqual(sizeToFrame(plan));
    }
  });
});

/** The opening and what it is made from as a job file, its survey as readings. */
function fileOf({ opening, job }: Plan): JobFile {
  const { survey, ...document } = opening;
  return {
    ...(job as JobFile),
    openings: [{ ...document, survey: { from: survey.from } }],
    records: {
      issues: [],
      entries: [],
      readings: Object.entries(survey.values).map(([point, value], i) => ({
        id: `5a000000-0000-4000-8000-${String(i + 1).padStart(12, '0')}`,
        opening: opening.id,
        point: point as SurveyPointId,
        from: survey.from,
        value,
        replaces: [],
        instrument: 'tape',
        person: 'Example',
        at: '2026-11-28T08:00:00.000Z',
      })),
    },
  };
}
