/** Water that stands in a pan: how high a pressure difference holds it, and what the pan has against it. */
import type { Choices } from '../../vocabulary/axes.ts';
import type { ParameterValues } from '../../vocabulary/parameters.ts';
import { radians } from '../../geometry/vector.ts';

const WATER_kg_m3 = 1000;
const GRAVITY_ms2 = 9.81;

/**
 * Returns how high water stands against a pressure difference, mm.
 *
 * Source: hydrostatics, h = Δp / (ρ g).
 *
 * @example standingWater(300) // 30.6
 */
export const standingWater = (pressure_Pa: number): number =>
  (pressure_Pa / (WATER_kg_m3 * GRAVITY_ms2)) * 1000;

/** What seals the joint to the room: airtight, not to be relied on, or nothing. */
export type InnerSealState = 'sound' | 'doubtful' | 'missing';

/** How good an inner seal may be taken to be before anybody tested it. */
export function plannedSeal({ innerSeal, gapFill }: Pick<Choices, 'innerSeal' | 'gapFill'>): InnerSealState {
  if (innerSeal !== 'foam-alone') return 'sound';
  return gapFill === 'foam' ? 'doubtful' : 'missing';
}

const SAFETY = 1.2;

export interface DamCheck {
  readonly seal: InnerSealState;
  /** Water held up by the pressure that acts across the pan, mm. */
  readonly water_mm: number;
  /** What the pan must rise from its outer edge to its back, mm. */
  readonly needed_mm: number;
  /** What it does rise: slope, rear leg, dam, mm. */
  readonly has_mm: number;
  readonly holds: boolean;
}

/** Pans of metal stand up at their back. */
const REAR_LEGGED: readonly Choices['pan'][] = ['rigid', 'membrane-under-metal', 'of-unit'];

/** Rise of the pan from its outer edge to its highest inner edge, mm; 0 without a pan. */
export function panRise(o: { choices: Choices; numbers: ParameterValues; depth_mm: number }): number {
  const { choices, numbers, depth_mm } = o;
  if (choices.pan === 'none') return 0;
  const slope = (depth_mm - numbers.panInset) * Math.tan(radians(numbers.slope));
  const leg = REAR_LEGGED.includes(choices.pan) ? numbers.panRearLeg : 0;
  const dammed = choices.sillDrain === 'back-dam' || choices.sillDrain === 'slope-and-dam';
  const dam = dammed ? numbers.damHeight : 0;
  return slope + Math.max(leg, dam);
}

/**
 * Returns whether a pan holds back what the wind pushes up in it. With an airtight inner seal the cavity is near the
 * outside pressure and the pan drains; with a doubtful one half of the pressure acts across it, without one all of it.
 *
 * Source: hydrostatics; the share behind a doubtful seal and the factor 1.2 are common practice, no source.
 */
export function damCheck(o: {
  choices: Choices;
  numbers: ParameterValues;
  depth_mm: number;
  pressure_Pa: number;
  seal: InnerSealState;
}): DamCheck {
  const share = { sound: 0, doubtful: 0.5, missing: 1 }[o.seal];
  const water_mm = standingWater(o.pressure_Pa * share);
  const needed_mm = water_mm * SAFETY;
  const has_mm = panRise(o);
  return { seal: o.seal, water_mm, needed_mm, has_mm, holds: has_mm >= needed_mm };
}
