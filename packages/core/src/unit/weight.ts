/** How heavy a unit is about to be. */
import type { Unit } from '../documents/unit.ts';

/** Glass, kg per m² and mm of thickness: density 2500 kg/m³. */
const GLASS_kg_m2_mm = 2.5;

/**
 * Returns the weight of the glass alone, kg, from the thicknesses of its panes over the unit less its frame; `null`
 * where the panes are not known. The frame, spacers and sashes come on top.
 *
 * Source: density of soda-lime glass 2500 kg/m³, EN 572-1, from memory.
 *
 * @example 900 × 1200 with a 70 mm frame face and two 4 mm panes: 0.76 · 1.06 · 8 · 2.5 = 16.1 kg
 */
export function glassWeight({ width, height, frameFace, panes }: Unit): number | null {
  if (!panes) return null;
  const thickness_mm = panes.reduce((sum, pane) => sum + pane.mm, 0);
  const clear = (mm: number) => Math.max(0, mm - 2 * frameFace.mm) / 1000;
  return clear(width.mm) * clear(height.mm) * thickness_mm * GLASS_kg_m2_mm;
}
