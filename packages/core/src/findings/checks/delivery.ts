/** The unit as it came: what it is, what its label says, whether it suits the place and the method. */
import { ALTITUDE_WATCH_Pa, altitudeDifference } from '../../unit/altitude.ts';
import { LEVEL } from '../../survey/tolerances.ts';
import { madeOf, piecesFor } from '../../build/by-role.ts';
import { defineCheck } from '../check.ts';

const PRACTICE = 'common practice, no source';

export const checkable = defineCheck({
  code: 'unit-not-checkable',
  proof: 'fit',
  severity: 'not-checkable',
  source: 'the limits of this program',
  *run({ unit }) {
    if (!unit) return;
    if (unit.shape === 'other') yield { facts: { because: 'shape' } };
  },
});

export const altitude = defineCheck({
  code: 'altitude-differs',
  proof: 'structure',
  severity: 'watch',
  source: 'ISO 2533 standard atmosphere, from memory; the limit is common practice, no source',
  *run({ unit, job: { job } }) {
    if (unit?.madeAt_m === undefined || job.altitude_m === undefined) return;
    const difference_Pa = altitudeDifference(unit.madeAt_m, job.altitude_m);
    if (Math.abs(difference_Pa) <= ALTITUDE_WATCH_Pa) return;
    yield { facts: { difference_Pa, madeAt_m: unit.madeAt_m, site_m: job.altitude_m } };
  },
});

export const label = defineCheck({
  code: 'label-differs',
  proof: 'record',
  severity: 'fails',
  source: 'what the job asks for',
  *run({ opening, unit, job: { job } }) {
    const facade = job.facades?.find((f) => f.name === opening.facade);
    const said = {
      uFactor: opening.label?.uFactor ?? unit?.uFactor,
      shgc: opening.label?.shgc ?? unit?.shgc,
    };
    const limits = [
      ['uFactor', 'most', facade?.uMost],
      ['shgc', 'most', facade?.shgcMost],
      ['shgc', 'least', facade?.shgcLeast],
    ] as const;
    for (const [what, side, asked] of limits) {
      const read = said[what];
      if (read === undefined || asked === undefined) continue;
      if (side === 'most' ? read > asked : read < asked)
        yield { facts: { what, read, asked, side, from: 'facade' } };
    }
    for (const what of ['uFactor', 'shgc'] as const) {
      const [read, asked] = [opening.label?.[what], unit?.[what]];
      if (read !== undefined && asked !== undefined && Math.abs(read - asked) > READING_STEP)
        yield { facts: { what, read, asked, side: 'most', from: 'unit' } };
    }
  },
});

/** Labels are written to two figures after the point. */
const READING_STEP = 0.005;

export const foam = defineCheck({
  code: 'maker-forbids-foam',
  proof: 'structure',
  severity: 'fails',
  source: 'the maker’s instructions, as entered for the unit',
  *run({ unit, build }) {
    const foamed = build !== null && piecesFor(build, 'fill').some((piece) => madeOf(piece, 'foam'));
    if (unit?.limits?.foam === 'forbidden' && foamed)
      yield { facts: {}, fixes: [{ kind: 'design-changing', set: {}, choose: { gapFill: 'wool' } }] };
  },
});

export const deliveredSize = defineCheck({
  code: 'delivered-size',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ unit, readings: r }) {
    if (!unit) return;
    const limit_mm = LEVEL.line_mm;
    for (const [what, measured_mm, expected_mm] of [
      ['width', r.unitWidth, unit.width.mm],
      ['height', r.unitHeight, unit.height.mm],
    ] as const) {
      if (measured_mm !== undefined && Math.abs(measured_mm - expected_mm) > limit_mm)
        yield { facts: { what, measured_mm, expected_mm, limit_mm } };
    }
    const [rising, falling] = [r.unitDiagonalRising, r.unitDiagonalFalling];
    if (rising !== undefined && falling !== undefined && Math.abs(rising - falling) > limit_mm)
      yield { facts: { what: 'square', measured_mm: rising, expected_mm: falling, limit_mm } };
  },
});

export const damage = defineCheck({
  code: 'delivered-damaged',
  proof: 'record',
  severity: 'fails',
  source: 'the record of this job',
  *run({ opening: { damage: said } }) {
    if (said !== undefined && said.trim() !== '') yield { facts: { damage: said.trim() } };
  },
});
