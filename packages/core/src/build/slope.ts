/** Setting out a sloped sill: from an angle or a ratio to what is marked on wood. */

export interface SlopeSetOut {
  readonly slope_deg: number;
  /** Run over rise: 12 in "1 in 12". */
  readonly ratio: number;
  /** Thick and thin edge of the board, mm. */
  readonly thin_mm: number;
  readonly thick_mm: number;
  /** The same wedge turned round under the shims: height of the level bearing pad at its two ends, mm. */
  readonly pad: { readonly outer_mm: number; readonly inner_mm: number };
}

/**
 * Returns the heights of a bevelled board over the real depth of the sill, thin edge out, and of the pad that gives a
 * level bearing on it under the frame.
 *
 * Source: plane geometry: rise = depth · tan θ.
 *
 * @param depth_mm over which the board lies
 * @param thin_mm height of its outer edge
 * @param bearing_mm depth of the frame's bearing, from the outer edge inward
 * @example slopeSetOut({ slope_deg: 5, depth_mm: 140, thin_mm: 3, bearing_mm: 60 }).thick_mm // 15.2…, a rise of 12.2
 */
export function slopeSetOut(o: {
  slope_deg: number;
  depth_mm: number;
  thin_mm: number;
  bearing_mm: number;
}): SlopeSetOut {
  const tan = Math.tan((o.slope_deg * Math.PI) / 180);
  return {
    slope_deg: o.slope_deg,
    ratio: tan === 0 ? Infinity : 1 / tan,
    thin_mm: o.thin_mm,
    thick_mm: o.thin_mm + o.depth_mm * tan,
    pad: { outer_mm: o.bearing_mm * tan, inner_mm: 0 },
  };
}

/** Degrees of "1 in n". */
export const slopeOfRatio = (ratio: number): number => (Math.atan(1 / ratio) * 180) / Math.PI;

/**
 * Reads a slope as written on site: `5`, `5°`, `1:12`, `1 in 12`. Degrees or `null`.
 *
 * @example parseSlope('1:12') // 4.763…
 */
export function parseSlope(typed: string): number | null {
  const text = typed.trim().replace(',', '.');
  const ratio = /^1\s*(?::|in|\/)\s*(\d+(?:\.\d+)?)$/i.exec(text);
  if (ratio) return Number(ratio[1]) > 0 ? slopeOfRatio(Number(ratio[1])) : null;
  const degrees = /^(\d+(?:\.\d+)?)\s*°?$/.exec(text);
  return degrees ? Number(degrees[1]) : null;
}
