/** Sealant on a rod: how deep, on which rod, how much of it. */

/**
 * Returns the depth of a sealant joint of a width, mm: as deep as wide up to 6, then 6 up to 12 wide, then half the
 * width, 12 at most. Source: ASTM C1193, from memory.
 *
 * @example sealantDepth(5) // 5
 * @example sealantDepth(10) // 6
 * @example sealantDepth(18) // 9
 */
export function sealantDepth(width_mm: number): number {
  if (width_mm <= 6) return width_mm;
  return width_mm <= 12 ? 6 : Math.min(width_mm / 2, 12);
}

/** Each face must hold it over this depth. Source: ASTM C1193, from memory. */
export const LEAST_CONTACT_mm = 6;
/** Wider than this it sags before it skins: common practice, no source. */
export const WIDEST_SEALANT_mm = 25;
/** Two passes, and much more tooling, from here on: common practice, no source. */
export const TWO_PASSES_mm = 15;

export const WASTE = 0.15;
export const CARTRIDGE_ml = 300;

/** Sealant for a length of joint with its waste, ml. @example sealantVolume(10, 4000) // 276 */
export const sealantVolume = (width_mm: number, length_mm: number): number =>
  (width_mm * sealantDepth(width_mm) * length_mm * (1 + WASTE)) / 1000;
