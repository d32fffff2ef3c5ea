/** Is the opening within tolerance, and do the readings agree with each other? */
import { layeredDepth } from '../../plan/base.ts';
import { pointFromOutside } from '../../survey/readings.ts';
import { defineCheck } from '../check.ts';

const TOLERANCE = 'field tolerances of finned-window installation practice, ASTM E2112, from memory';
const GEOMETRY = 'plane geometry';

/** Level of the sill over its width, plumb of a jamb over its height: 1/8 in. */
const LEVEL_LIMIT_mm = 3.175;
/** A hump this high is felt under a straightedge: 1/32 in, the reading error of a tape. */
const CROWN_LIMIT_mm = 25.4 / 32;
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
  *run({ readings: { sillLeft, sillMiddle, sillRight } }) {
    if (sillLeft === undefined || sillMiddle === undefined || sillRight === undefined) return;
    const crown_mm = sillMiddle - (sillLeft + sillRight) / 2;
    if (crown_mm > CROWN_LIMIT_mm) yield { facts: { crown_mm, limit_mm: CROWN_LIMIT_mm } };
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
