/** Whether a screw through a fin finds the stud behind a buck, and how it would. */
import { soldLength } from '../vocabulary/sold-lengths.ts';
import type { Side } from '../vocabulary/sides.ts';
import { degrees, radians } from '../geometry/vector.ts';
import { finScrew, gapsOf, screwLength, type FasteningInput } from './fasteners.ts';

export interface BuckAim {
  readonly side: Side;
  /** From the hole to the edge of the stud, across the joint, driven straight; negative where it meets it, mm. */
  readonly missed_mm: number;
  /** From the fin to the stud along the wall's depth, mm. */
  readonly depth_mm: number;
  /** Whether it ends in the stud, far enough from its edge. */
  readonly holds: boolean;
  /** Least whole angle at which it does, and the length that is sold for it; `null` where no angle does. */
  readonly cure: { readonly angle_deg: number; readonly length_mm: number } | null;
}

/** Least distance of a screw to the edge of a stud: common practice, no source. mm. */
const STUD_EDGE_mm = 12;
/** Steeper than this no driver reaches: common practice, no source. */
const STEEPEST_deg = 45;

/**
 * Returns the aim on every side of a unit whose fin lies before the leg of a foam buck; empty where none does. Seen from
 * the frame's edge the stud begins at gap + leg, the hole lies its own distance out, and a drive at an angle moves the
 * point by depth × tangent.
 *
 * Source: plane geometry; the edge distance is common practice, no source.
 */
export function buckAims(input: FasteningInput): BuckAim[] {
  const { opening, unit, numbers } = input;
  const { buck } = opening;
  if (unit.finWidth <= 0 || buck?.kind !== 'foam-l' || buck.leg <= 0) return [];
  const { through, angle_deg } = finScrew(input);
  const before = through.filter(({ what }) => what !== 'framing').map(({ mm }) => mm);
  const depth_mm = before.reduce((sum, mm) => sum + mm, 0);
  const gaps = gapsOf(input);
  return (['left', 'right', 'head', 'sill'] as const).map((side): BuckAim => {
    const missed_mm = gaps[side] + buck.leg - unit.holeFromFrame;
    const wanted = missed_mm + STUD_EDGE_mm;
    const least_deg = wanted <= 0 ? 0 : Math.ceil(degrees(Math.atan(wanted / depth_mm)) - 1e-9);
    const length = (deg: number) =>
      soldLength(screwLength(before, { embedment_mm: numbers.embedment, angle_deg: deg }));
    return {
      side,
      missed_mm,
      depth_mm,
      holds: depth_mm * Math.tan(radians(angle_deg)) >= wanted - 1e-6,
      cure: least_deg <= STEEPEST_deg ? { angle_deg: least_deg, length_mm: length(least_deg) } : null,
    };
  });
}
