/** Things with thickness, and what a knife through them shows. */
import { area, edgesOf, intersection, rectangle, type Polygon } from './polygon.ts';
import type { Point2 } from './vector.ts';
import type { SolidMaterial } from '../vocabulary/materials.ts';

export type Range = readonly [number, number];

/** A level bar: a profile in (w, v) along u. A box is a bar with a rectangular profile. */
export interface Solid {
  readonly id: string;
  readonly material: SolidMaterial;
  readonly u: Range;
  readonly profile: Polygon;
}

export const box = (id: string, material: SolidMaterial, u: Range, v: Range, w: Range): Solid => ({
  id,
  material,
  u,
  profile: rectangle(w, v),
});

/** A plumb cut at a `u`, seen along the wall, or a level cut at a `v`, seen from above. */
export interface CutPlane {
  readonly axis: 'u' | 'v';
  readonly at: number;
}

/** A region of a cut; later regions paint over earlier ones. */
export interface CutRegion {
  readonly owner: string;
  readonly material: SolidMaterial;
  /** (w, v) of a plumb cut, (w, u) of a level one. */
  readonly outline: Polygon;
}

/** What a cut through the solids shows inside `window`, in painting order. */
export function cutThrough(
  solids: readonly Solid[],
  plane: CutPlane,
  window: { w: Range; across: Range },
): CutRegion[] {
  const frame = rectangle(window.w, window.across);
  return solids.flatMap((solid) => {
    const shape = plane.axis === 'u' ? plumbShape(solid, plane.at) : levelShape(solid, plane.at);
    const outline = shape ? intersection(shape, frame) : [];
    return outline.length === 0 ? [] : [{ owner: solid.id, material: solid.material, outline }];
  });
}

const plumbShape = ({ u, profile }: Solid, at: number): Polygon | null =>
  at < u[0] || at > u[1] ? null : profile;

/** A level cut through a bar is a rectangle: its profile's depth at that height over its whole length. */
function levelShape({ u, profile }: Solid, at: number): Polygon | null {
  const w = depthAt(profile, at);
  return w && rectangle(w, u);
}

/** How far a convex (w, v) profile reaches at a height, or `null` where it does not. */
export function depthAt(profile: Polygon, v: number): Range | null {
  const ws = edgesOf(profile).flatMap(([[w0, v0], [w1, v1]]) => {
    if (Math.min(v0, v1) > v || Math.max(v0, v1) < v) return [];
    return v0 === v1 ? [w0, w1] : [w0 + ((v - v0) / (v1 - v0)) * (w1 - w0)];
  });
  const range: Range = [Math.min(...ws), Math.max(...ws)];
  return ws.length > 0 && range[1] > range[0] ? range : null;
}

/** A solid seen from outside: its outline in (u, v) and how far out it reaches. */
export function silhouette(solid: Solid): { outline: Polygon; front: number; back: number } {
  const vs = solid.profile.map((p: Point2) => p[1]);
  const ws = solid.profile.map((p: Point2) => p[0]);
  return {
    outline: rectangle(solid.u, [Math.min(...vs), Math.max(...vs)]),
    front: Math.max(...ws),
    back: Math.min(...ws),
  };
}

/** Volume in mm³. */
export const volume = ({ u, profile }: Solid): number => Math.abs(area(profile)) * (u[1] - u[0]);
