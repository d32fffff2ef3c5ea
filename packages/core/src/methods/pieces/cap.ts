/** The bends of a drip cap and of a cavity tray, shared by their surfaces and their outlines. */
import { radians, type Point3 } from '../../geometry/vector.ts';

/** Past the frame on both sides, and a trim's own cap past the trim: common practice, no source. */
export const CAP_PAST_mm = 12;

/** A cap stands clear of the frame by this much and falls outward by five degrees: common practice, no source. */
export const CAP_ABOVE_mm = 3;
const FALL = radians(5);

/** Second axis of the shelf, up and into the wall. */
export const capInward: Point3 = [0, Math.sin(FALL), -Math.cos(FALL)];
/** Depth of the shelf along its fall, and how far it drops, for a cap that reaches `out_mm` before the wall. */
export const capShelf = (out_mm: number): number => out_mm / Math.cos(FALL);
export const capFall = (out_mm: number): number => out_mm * Math.tan(FALL);

/** A cavity tray leaves the inner leaf this high over the head and falls to half of it: common practice, no source. */
export const TRAY_ABOVE_mm = 100;
const trayFall = (depth: number): number => Math.atan2(TRAY_ABOVE_mm / 2, depth);

/** Second axis of the tray's shelf, up and towards the inner leaf at `inner` (a w below 0). */
export const trayInward = (inner: number): Point3 => [
  0,
  Math.sin(trayFall(-inner)),
  -Math.cos(trayFall(-inner)),
];
/** Depth of the shelf along its fall, out to the face. */
export const trayShelf = (inner: number): number => -inner / Math.cos(trayFall(-inner));
