/** Plane faces of solids that sheets can lie on. */
import { add3, cross3, dot3, scale3, sub3, type Point2, type Point3 } from './vector.ts';
import type { openingSurfaceIds } from '../vocabulary/surfaces.ts';
import { type SurfaceId } from '../vocabulary/surfaces.ts';
/** The surfaces of one opening, generated from what stands there. */
export type Surfaces = Readonly<
  Record<(typeof openingSurfaceIds)[number], Surface> & Partial<Record<SurfaceId, Surface>>
>;

export interface Surface {
  readonly id: SurfaceId;
  /** The solid whose face this is. */
  readonly host: string;
  readonly origin: Point3;
  readonly e1: Point3;
  readonly e2: Point3;
  readonly normal: Point3;
  /** Gravity projected onto (e1, e2), length 0 (level) to 1 (plumb). */
  readonly fall: Point2;
}

/** Below this slope water may run any way: half a degree, what a carpenter's level shows. */
export const FLAT_FALL = Math.sin((0.5 * Math.PI) / 180);

const GRAVITY: Point3 = [0, -1, 0];

export function surface(id: SurfaceId, host: string, origin: Point3, e1: Point3, e2: Point3): Surface {
  return { id, host, origin, e1, e2, normal: cross3(e1, e2), fall: [dot3(GRAVITY, e1), dot3(GRAVITY, e2)] };
}

export const isFlat = ({ fall }: Surface): boolean => Math.hypot(...fall) < FLAT_FALL;

export const onSurface = (s: Surface, [x, y]: Point2): Point3 =>
  add3(s.origin, add3(scale3(s.e1, x), scale3(s.e2, y)));

/** Surface coordinates of a point, and how far off the plane it lies, mm. */
export function toSurface(s: Surface, point: Point3): { at: Point2; off_mm: number } {
  const from = sub3(point, s.origin);
  return { at: [dot3(from, s.e1), dot3(from, s.e2)], off_mm: dot3(from, s.normal) };
}

export function surfaceOf(surfaces: Surfaces, id: SurfaceId): Surface {
  const found = surfaces[id];
  if (!found) throw new Error(`this opening has no surface ${id}`);
  return found;
}
