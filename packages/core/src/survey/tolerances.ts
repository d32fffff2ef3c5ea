/** Limits for an opening, one place for the checks and for the doubts while typing. */

export const LEVEL = {
  /** Level of the sill over its width, plumb of a jamb over its height: 1/8 in. */
  line_mm: 3.175,
  /** A hump this high is felt under a straightedge: 1/32 in, the reading error of a tape. */
  crown_mm: 25.4 / 32,
} as const;

/** The flattest of the slopes in use: common practice, no source. */
export const LEAST_SLOPE_deg = 2;
/** A pan within this of level is level: common practice, no source. */
export const LEVEL_WITHIN_deg = 0.3;
