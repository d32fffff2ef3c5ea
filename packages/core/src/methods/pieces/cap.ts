/** The bend of a drip cap, shared by its surfaces and its outline. */
import { radians, type Point3 } from '../../geometry/vector.ts';

/** A cap stands clear of the frame by this much and falls outward by five degrees: common practice, no source. */
export const CAP_ABOVE_mm = 3;
const FALL = radians(5);

/** Second axis of the shelf, up and into the wall. */
export const capInward: Point3 = [0, Math.sin(FALL), -Math.cos(FALL)];
/** Depth of the shelf along its fall, and how far it drops, for a cap that reaches `out_mm` before the wall. */
export const capShelf = (out_mm: number): number => out_mm / Math.cos(FALL);
export const capFall = (out_mm: number): number => out_mm * Math.tan(FALL);
