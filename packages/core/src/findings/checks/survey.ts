/** Is the opening within tolerance, and do the readings agree with each other? */
import { sillFollows } from '../../methods/choices.ts';
import { sillFall_deg } from '../../build/subject.ts';
import { layeredDepth } from '../../methods/wall-depths.ts';
import { LEAST_SLOPE_deg, LEVEL, LEVEL_WITHIN_deg } from '../../survey/tolerances.ts';
import { pointFromOutside } from '../../survey/readings.ts';
import { defineCheck } from '../check.ts';

const TOLERANCE = 'field tolerances of finned-window installation practice, ASTM E2112, from memory';
const GEOMETRY = 'plane geometry';
const PRACTICE = 'common practice, no source';

const LEVEL_LIMIT_mm = LEVEL.line_mm;
const CROWN_LIMIT_mm = LEVEL.crown_mm;
/** Difference of the diagonals: 1/8 in, above 20 ft² (1.9 m²) 1/4 in. */
const SQUARE_LIMIT_mm = { small: 3.175, large: 6.35 };
const LARGE_OPENING_mm2 = 1.9e6;
/** Three readings of 1/16 in each, added the unlucky way. */
const AGREEMENT_mm = 5;
const DEPTH_AGREEMENT_mm = 3;

export const sillLevel = defineCheck({
  code: 'sill-off-level',
  proof: 'fit',
  severity: 'watch',
  source: TOLERANCE,
  *run({ readings: { sillLeft, sillMiddle, sillRight } }) {
    const known = [sillLeft, sillMiddle, sillRight].filter((v) => v !== undefined);
    if (known.length < 2) return;
    const difference_mm = Math.max(...known) - Math.min(...known);
    if (difference_mm > LEVEL_LIMIT_mm) yield { facts: { difference_mm, limit_mm: LEVEL_LIMIT_mm } };
  },
});

export const sillCrown = defineCheck({
  code: 'sill-crown',
  proof: 'fit',
  severity: 'watch',
  source: TOLERANCE,
  *run({ readings: { sillLeft, sillMiddle, sillRight }, unit }) {
    if (sillLeft === undefined || sillMiddle === undefined || sillRight === undefined) return;
    const crown_mm = sillMiddle - (sillLeft + sillRight) / 2;
    if (crown_mm <= CROWN_LIMIT_mm) return;
    const facts = { crown_mm, limit_mm: CROWN_LIMIT_mm };
    // A sash that runs along the sill takes no crown.
    yield unit?.operation === 'sliding' ? { facts, severity: 'fails', source: PRACTICE } : { facts };
  },
});

export const jambPlumb = defineCheck({
  code: 'jamb-off-plumb',
  proof: 'fit',
  severity: 'watch',
  source: TOLERANCE,
  *run({ readings: { plumbLeft, plumbRight } }) {
    for (const [side, lean_mm] of [
      ['left', plumbLeft],
      ['right', plumbRight],
    ] as const) {
      if (lean_mm === undefined || Math.abs(lean_mm) <= LEVEL_LIMIT_mm) continue;
      yield { facts: { side, lean_mm, limit_mm: LEVEL_LIMIT_mm } };
    }
  },
});

export const jambBow = defineCheck({
  code: 'jamb-bowed',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ readings: { bowLeft, bowRight } }) {
    for (const [side, bow_mm] of [
      ['left', bowLeft],
      ['right', bowRight],
    ] as const) {
      if (bow_mm !== undefined && Math.abs(bow_mm) > LEVEL_LIMIT_mm)
        yield { facts: { side, bow_mm, limit_mm: LEVEL_LIMIT_mm } };
    }
  },
});

/** One jamb leaning out, the other in: the unit would have to be racked to follow both. */
export const openingTwist = defineCheck({
  code: 'opening-twisted',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ readings: { twistLeft, twistRight } }) {
    if (twistLeft === undefined || twistRight === undefined) return;
    const twist_mm = Math.abs(twistLeft - twistRight);
    if (twist_mm > LEVEL_LIMIT_mm) yield { facts: { twist_mm, limit_mm: LEVEL_LIMIT_mm } };
  },
});

/**
 * Crossed strings meet in the middle of both diagonals, so one corner out of the plane of the other three moves
 * their gap by half as much.
 */
export const faceTwist = defineCheck({
  code: 'face-twisted',
  proof: 'fit',
  severity: 'watch',
  source: GEOMETRY,
  *run({ readings: { stringGap } }) {
    if (stringGap === undefined) return;
    const corner_mm = 2 * Math.abs(stringGap);
    if (corner_mm > LEVEL_LIMIT_mm) yield { facts: { corner_mm, limit_mm: LEVEL_LIMIT_mm } };
  },
});

export const faceFlat = defineCheck({
  code: 'face-uneven',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ readings: { faceHollow } }) {
    if (faceHollow === undefined || Math.abs(faceHollow) <= LEVEL_LIMIT_mm) return;
    yield { facts: { hollow_mm: faceHollow, limit_mm: LEVEL_LIMIT_mm } };
  },
});

/** What the sill that is there takes from the slope of the pan's surface; the numbers count it already. */
export const sillFall = defineCheck({
  code: 'sill-falls-inward',
  proof: 'water',
  severity: 'watch',
  source: GEOMETRY,
  *run({ readings, wall, numbers: { slope: left_deg }, choices }) {
    const fall_deg = sillFall_deg(readings, wall);
    const follows = choices ? sillFollows(choices) : 'adds';
    if (fall_deg === null || fall_deg >= 0 || follows === 'not' || left_deg >= LEAST_SLOPE_deg) return;
    // Behind a dam a level pan is sound.
    if (choices?.sillDrain === 'back-dam' && left_deg >= -LEVEL_WITHIN_deg) return;
    const inward_mm = -Math.min(
      ...[readings.sillFallLeft, readings.sillFallRight].filter((v) => v !== undefined),
    );
    const slope_deg = follows === 'is' ? null : left_deg - fall_deg;
    const facts = { inward_mm, slope_deg, left_deg, limit_deg: LEAST_SLOPE_deg };
    yield left_deg < -LEVEL_WITHIN_deg ? { facts, severity: 'fails' } : { facts };
  },
});

export const squareness = defineCheck({
  code: 'out-of-square',
  proof: 'fit',
  severity: 'watch',
  source: TOLERANCE,
  *run({ readings: { diagonalRising, diagonalFalling }, frame }) {
    if (diagonalRising === undefined || diagonalFalling === undefined || !frame) return;
    const large = frame.cover.width * frame.cover.height > LARGE_OPENING_mm2;
    const limit_mm = large ? SQUARE_LIMIT_mm.large : SQUARE_LIMIT_mm.small;
    const difference_mm = Math.abs(diagonalRising - diagonalFalling);
    if (difference_mm > limit_mm) yield { facts: { difference_mm, limit_mm } };
  },
});

export const agreement = defineCheck({
  code: 'reading-disagrees',
  proof: 'fit',
  severity: 'watch',
  source: GEOMETRY,
  *run({ frame, wall, readings }) {
    for (const residual of frame?.residuals ?? []) {
      if (Math.abs(residual.measured_mm - residual.expected_mm) > AGREEMENT_mm) {
        yield { facts: { ...residual, limit_mm: AGREEMENT_mm } };
      }
    }
    if (wall && readings.depth !== undefined) {
      const [measured_mm, expected_mm] = [readings.depth, layeredDepth(wall)];
      if (Math.abs(measured_mm - expected_mm) > DEPTH_AGREEMENT_mm) {
        yield { facts: { point: 'depth', measured_mm, expected_mm, limit_mm: DEPTH_AGREEMENT_mm } };
      }
    }
  },
});

export const disputed = defineCheck({
  code: 'reading-disputed',
  proof: 'record',
  severity: 'watch',
  source: 'the record of this job',
  *run({ opening: { survey } }) {
    const points = (survey.disputed ?? []).map((point) => pointFromOutside({ point, from: survey.from }));
    if (points.length > 0) yield { facts: { points } };
  },
});
