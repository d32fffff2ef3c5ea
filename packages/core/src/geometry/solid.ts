/** Things with thickness, and what a knife through them shows. */
import { intersection, rectangle, type Polygon } from './polygon.ts';
import type { Point2 } from './vector.ts';

/** Drawing and physics class; hatches and, later, conductivities hang on it. */
export type SolidMaterial =
  'wood' | 'wood-board' | 'insulation' | 'frame' | 'glass' | 'foam' | 'shim' | 'sealant';

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

/** A region of a cut; later regions paint over earlier ones. */
export interface CutRegion {
  readonly owner: string;
  readonly material: SolidMaterial;
  /** (w, v) for a cut across the sill. */
  readonly outline: Polygon;
}

/** What a plumb cut at `u` through the solids shows, as (w, v) regions in painting order. */
export function cutAcross(solids: readonly Solid[], u: number, window: { w: Range; v: Range }): CutRegion[] {
  const frame = rectangle(window.w, window.v);
  return solids.flatMap((solid) => {
    if (u < solid.u[0] || u > solid.u[1]) return [];
    const outline = intersection(solid.profile, frame);
    return outline.length === 0 ? [] : [{ owner: solid.id, material: solid.material, outline }];
  });
}

/** A solid seen from outside: its outline in (u, v) and how far out it reaches. */
export function silhouette(solid: Solid): { outline: Polygon; front: number } {
  const vs = solid.profile.map((p: Point2) => p[1]);
  const ws = solid.profile.map((p: Point2) => p[0]);
  return { outline: rectangle(solid.u, [Math.min(...vs), Math.max(...vs)]), front: Math.max(...ws) };
}
