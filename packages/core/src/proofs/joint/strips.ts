/** Strips over the joint: how long they are cut, and what joint they reach across. */
import type { ParameterValues } from '../../vocabulary/parameters.ts';

/** A pleat at each corner of a membrane set on the frame, a maker's value: common practice, no source. */
export const PLEAT_mm = 25;
export const CLOSING_LAP_mm = 50;
/** Least strip that must lie on the reveal: common practice, no source. */
export const ON_REVEAL_mm = 25;

/**
 * Length of a membrane round a frame: perimeter, two pleats of 25 mm at each of four corners, a closing lap of 50 mm.
 * Source: common practice, no source.
 *
 * @example membraneLength(900, 1200) // 4450
 */
export const membraneLength = (width_mm: number, height_mm: number): number =>
  2 * (width_mm + height_mm) + 4 * 2 * PLEAT_mm + CLOSING_LAP_mm;

/** Length of four strips that lap at the corners, mm. @example stripLength(900, 1200, 25) // 4400 */
export const stripLength = (width_mm: number, height_mm: number, lap_mm: number): number =>
  2 * (width_mm + height_mm) + 4 * 2 * lap_mm;

/** The widest joint a strip reaches across with enough of it on the reveal, mm. */
export const stripReach = ({ sealWidth, sealOnFrame }: ParameterValues): number =>
  sealWidth - sealOnFrame - ON_REVEAL_mm;
