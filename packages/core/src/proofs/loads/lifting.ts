/** What one person should lift, by the equation for lifting with two hands. */

export interface HandLift {
  /** Hands before the ankles, cm. */
  readonly horizontal_cm: number;
  /** Hands above the floor where the lift begins, cm. */
  readonly vertical_cm: number;
  /** From there to where it ends, cm. */
  readonly travel_cm: number;
  /** Turned to the side, degrees. */
  readonly twist_deg: number;
  readonly grip: 'good' | 'fair' | 'poor';
}

export interface LiftLimit {
  readonly limit_kg: number;
  readonly multipliers: {
    readonly HM: number;
    readonly VM: number;
    readonly DM: number;
    readonly AM: number;
    readonly CM: number;
  };
}

/** Load constant, kg. */
const LOAD_kg = 23;
const COUPLING = {
  good: [1, 1],
  fair: [0.95, 1],
  poor: [0.9, 0.9],
} as const;
const KNUCKLES_cm = 75;

/**
 * Returns the recommended weight limit of a lift done now and then: 23 · HM · VM · DM · AM · CM.
 *
 * For ONE person with two hands, standing sure, at most once in five minutes. It does not cover a load shared by
 * several, lifting from a ladder, one hand, heat or slippery ground.
 *
 * Source: NIOSH, Applications Manual for the Revised Lifting Equation, 1994, from memory.
 *
 * @example liftLimit({ horizontal_cm: 58.4, vertical_cm: 38.1, travel_cm: 121.9, twist_deg: 0, grip: 'fair' }).limit_kg // 7.1
 */
export function liftLimit({
  horizontal_cm: H,
  vertical_cm: V,
  travel_cm: D,
  twist_deg: A,
  grip,
}: HandLift): LiftLimit {
  const HM = H > 63 ? 0 : 25 / Math.max(H, 25);
  const VM = V > 175 || V < 0 ? 0 : 1 - 0.003 * Math.abs(V - KNUCKLES_cm);
  const DM = D > 175 ? 0 : 0.82 + 4.5 / Math.max(D, 25);
  const AM = A > 135 ? 0 : 1 - 0.0032 * A;
  const CM = COUPLING[grip][V < KNUCKLES_cm ? 0 : 1];
  return { limit_kg: LOAD_kg * HM * VM * DM * AM * CM, multipliers: { HM, VM, DM, AM, CM } };
}
