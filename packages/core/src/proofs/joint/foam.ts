/** Foam in the joint: from which width on, in how many lifts, how many cans. */

/** Narrower it cannot be placed: common practice, no source. */
export const LEAST_FOAM_mm = 6;
/** Wider it slumps and pushes: common practice, no source. */
export const WIDEST_FOAM_mm = 40;
/** How much of its width a flexible foam follows: common practice, no source. */
export const FOAM_MOVEMENT = 0.25;
/** What one can of low-expansion foam fills, litres: common practice, no source. */
export const CAN_l = 20;
const LIFT_mm = 40;

/**
 * Returns in how many lifts a joint of a depth is filled: never in one, four at most; a full cavity at once bows jambs.
 * Source: common practice, no source.
 */
export const foamLifts = (depth_mm: number): number =>
  Math.min(4, Math.max(2, Math.ceil(depth_mm / LIFT_mm)));

/** Litres. @example foamVolume(12, 4200, 60) // 3.0 */
export const foamVolume = (width_mm: number, length_mm: number, depth_mm: number): number =>
  (width_mm * length_mm * depth_mm) / 1e6;
