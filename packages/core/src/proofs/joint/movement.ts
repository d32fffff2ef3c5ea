/** How far a joint opens and closes over the year, and how wide it must be for a seal to follow. */
import type { MovementClass } from '../../vocabulary/sealants.ts';
import type { Job } from '../../documents/job.ts';
import type { FrameMaterial } from '../../documents/unit.ts';

/** Lengthening of frames, 1e-6 per K. Source: handbooks of materials, from memory; clad wood as wood along the grain. */
export const EXPANSION: Readonly<Record<FrameMaterial, number>> = {
  vinyl: 70,
  aluminium: 23,
  fibreglass: 10,
  wood: 4,
  'clad-wood': 4,
};

/** Cut and setting: the joint may turn out narrower by this, mm. Common practice, no source. */
export const SETTING_mm = 1.5;

export interface JointSeason {
  /** Frame when the joint is sealed, and at its coldest and hottest, °C. */
  readonly installed_C: number;
  readonly coldest_C: number;
  readonly hottest_C: number;
  readonly movement: MovementClass;
}

/** Usual figures where the job gives none: common practice, no source. */
export const USUAL_SEASON: JointSeason = { installed_C: 10, coldest_C: -15, hottest_C: 50, movement: 0.25 };

/** The season of a job, with usual figures where it gives none. */
export const seasonOf = (joints: Job['joints']): JointSeason => ({
  ...USUAL_SEASON,
  ...Object.fromEntries(Object.entries(joints ?? {}).filter(([, value]) => value !== undefined)),
});

export interface Movement {
  /** At one end of the frame, from the day it is sealed, mm: when cold the joint opens, when hot it closes. */
  readonly opens_mm: number;
  readonly closes_mm: number;
  /** Least width on the day it is sealed, for a sealant of the class, mm. */
  readonly least_mm: number;
}

/**
 * Returns the movement of the joint at one end of a frame, the other end taking as much.
 *
 * w ≥ ΔL / m + tolerance, ΔL = α · L · ΔT from the day of sealing to the further extreme, half of it at each end.
 * Source: ASTM C1472, from memory. Wetting of wood and the wall's own movement are not counted.
 *
 * @param length_mm of the frame, across the joint
 *
 * @example jointMovement({ length_mm: 1500, material: 'vinyl', season: { installed_C: 10, coldest_C: -15, hottest_C: 50, movement: 0.25 } }) // least_mm 9.9
 */
export function jointMovement(o: {
  readonly length_mm: number;
  readonly material: FrameMaterial;
  readonly season: JointSeason;
}): Movement {
  const { installed_C, coldest_C, hottest_C, movement } = o.season;
  const perK = (EXPANSION[o.material] * 1e-6 * o.length_mm) / 2;
  const opens_mm = perK * Math.max(0, installed_C - coldest_C);
  const closes_mm = perK * Math.max(0, hottest_C - installed_C);
  return { opens_mm, closes_mm, least_mm: Math.max(opens_mm, closes_mm) / movement + SETTING_mm };
}
