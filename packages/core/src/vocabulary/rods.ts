/** Rods behind sealant: what is kept, and which goes into a joint. */

/** Diameters that shops keep, mm: common practice, no source. */
export const rodSizes = [6, 8, 10, 13, 15, 20, 25, 30, 40] as const;
export type RodKind = 'closed-cell' | 'open-cell';
/** How much larger than the joint a rod must be. Source: ASTM C1193, from memory. */
export const OVERSIZE: Readonly<Record<RodKind, readonly [number, number]>> = {
  'closed-cell': [0.25, 0.33],
  'open-cell': [0.4, 0.5],
};

export interface Rod {
  readonly diameter_mm: number;
  /** Larger than the joint by this share of the joint. */
  readonly oversize: number;
  /** Within the usual range; a stock size may lie a little beside it. */
  readonly within: boolean;
}

/** Returns the smallest stocked rod that is large enough; `null` where none is. */
export function rodFor(width_mm: number, kind: RodKind): Rod | null {
  const [least, most] = OVERSIZE[kind];
  const diameter_mm = rodSizes.find((d) => d >= width_mm * (1 + least) - 1e-9);
  if (diameter_mm === undefined || width_mm <= 0) return null;
  const oversize = diameter_mm / width_mm - 1;
  return { diameter_mm, oversize, within: oversize <= most + 1e-9 };
}
