/** Lengths in which fasteners are sold. */

/** Lengths that shops have, mm: common practice, no source. */
const SOLD_mm = [25, 32, 38, 45, 50, 57, 64, 75, 90, 100, 125, 150, 175, 200, 250, 300] as const;

/** The next length that is sold; what is longer than all of them is made. */
export const soldLength = (least_mm: number): number =>
  SOLD_mm.find((length) => length >= least_mm - 0.5) ?? Math.ceil(least_mm);
