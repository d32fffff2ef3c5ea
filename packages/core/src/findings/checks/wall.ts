/** The wall round the opening: room for the strips, and planes that must meet in its depth. */
import { depthStack, tapedCorner } from '../../build/depth-stack.ts';
import { buckOf } from '../../build/base.ts';
import { pieceReaches, wallSides } from '../../build/reach.ts';
import { defineCheck } from '../check.ts';

const FREE = { left: 'freeLeft', right: 'freeRight', above: 'freeAbove', below: 'freeBelow' } as const;

export const stripRoom = defineCheck({
  code: 'strip-has-no-room',
  proof: 'water',
  severity: 'fails',
  source: 'plane geometry',
  *run({ build, readings }) {
    for (const { piece, reach } of pieceReaches({ build })) {
      for (const side of wallSides) {
        const free_mm = readings[FREE[side]];
        if (free_mm !== undefined && reach[side] > free_mm)
          yield { facts: { piece, side, needs_mm: reach[side], free_mm } };
      }
    }
  },
});

/** Planes that meet within a saw cut: 1/16 in. */
const MEETS_mm = 25.4 / 16;

export const depthMeets = defineCheck({
  code: 'depth-misses',
  proof: 'structure',
  severity: 'fails',
  source: 'sums of thicknesses',
  *run({ wall, unit, method, choices, numbers }) {
    const buck = choices && buckOf(choices, numbers, method);
    if (!wall || !unit || !buck) return;
    const buck_mm = buck.projection;
    const { buckMisses_mm } = depthStack({ wall, unit, buck_mm, ...tapedCorner, drift_mm: 0 });
    if (buckMisses_mm === null || Math.abs(buckMisses_mm) <= MEETS_mm) return;
    yield { facts: { buck_mm, plane_mm: buck_mm - buckMisses_mm, short_mm: -buckMisses_mm } };
  },
});
