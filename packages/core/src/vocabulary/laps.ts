/** The least laps of the trade, mm. Source: common practice, no source. */

/** Of two layers that shed water over each other. */
export const LEAST_LAP_mm = 25;

/** Of a pan over the water layer below it. */
export const LEAST_PAN_LAP_mm = 50;
