/** What to frame for a unit, and what to order for an opening. Width first, always. */
import type { Size } from '../quantities/size.ts';

export interface Clearance {
  /** Left and right together, mm. */
  readonly width_mm: number;
  /** Above the unit, mm. */
  readonly head_mm: number;
  /** Rough sill to the underside of the unit: board, slope, pan and the thinnest shim, mm. */
  readonly sill_mm: number;
}

/** 1/2 to 3/4 in more than the unit, common practice, no source; the sill as its build-up asks. */
export const USUAL_CLEARANCE_mm = { least: 12.7, most: 19.05 } as const;

/**
 * Returns the opening to frame: the unit, its clearances and, with a buck, its legs on all four sides.
 *
 * Source: sums of lengths; the choice of clearance is common practice, no source.
 *
 * @param leg_mm thickness of the buck in the opening, 0 without one
 * @example roughOpening({ unit: { width: 900, height: 1200 }, clearance: { width_mm: 19, head_mm: 10, sill_mm: 19 }, leg_mm: 38 })
 *   // { width: 995, height: 1305 }
 */
export function roughOpening(o: { unit: Size; clearance: Clearance; leg_mm: number }): Size {
  const { unit, clearance, leg_mm } = o;
  return {
    width: unit.width + clearance.width_mm + 2 * leg_mm,
    height: unit.height + clearance.head_mm + clearance.sill_mm + 2 * leg_mm,
  };
}

/**
 * Returns how far short an opening is of what its unit needs: positive is missing, and to be trimmed off the
 * opening, never off the unit.
 */
export const shortBy = (have: Size, need: Size): Size => ({
  width: need.width - have.width,
  height: need.height - have.height,
});
