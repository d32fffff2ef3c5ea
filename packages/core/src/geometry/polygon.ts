/** Flat polygons as rings of points; those that overlap each other are convex. */
import { GRID_mm, distance2, type Point2 } from './vector.ts';

export type Polygon = readonly Point2[];

export interface Bounds {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

export const rectangle = (x: readonly [number, number], y: readonly [number, number]): Polygon => [
  [x[0], y[0]],
  [x[1], y[0]],
  [x[1], y[1]],
  [x[0], y[1]],
];

/** Signed area in mm², positive when the ring runs counter-clockwise. */
export function area(ring: Polygon): number {
  return ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length] ?? [x, y];
    return sum + (x * ny - nx * y) / 2;
  }, 0);
}

export function bounds(points: readonly Point2[]): Bounds {
  if (points.length === 0) throw new Error('bounds of no points');
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  return { x: [Math.min(...xs), Math.max(...xs)], y: [Math.min(...ys), Math.max(...ys)] };
}

/** The part of `ring` where `side(point)` ≥ 0; `side` must be linear. */
export function clip(ring: Polygon, side: (point: Point2) => number): Polygon {
  return ring.flatMap((point, i) => {
    const next = ring[(i + 1) % ring.length] ?? point;
    const [here, there] = [side(point), side(next)];
    const kept: Point2[] = here >= 0 ? [point] : [];
    if (here < 0 !== there < 0) {
      const t = here / (here - there);
      kept.push([point[0] + t * (next[0] - point[0]), point[1] + t * (next[1] - point[1])]);
    }
    return kept;
  });
}

/** Common part of two convex rings; empty when they only touch. Either ring may run either way. */
export function intersection(a: Polygon, b: Polygon): Polygon {
  const turn = area(b) < 0 ? -1 : 1;
  const common = b.reduce<Polygon>((rest, from, i) => {
    const to = b[(i + 1) % b.length] ?? from;
    return clip(
      rest,
      ([x, y]) => turn * ((to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0])),
    );
  }, a);
  return common.length >= 3 && Math.abs(area(common)) > GRID_mm * GRID_mm ? common : [];
}

export const overlaps = (a: Polygon, b: Polygon): boolean => intersection(a, b).length > 0;

/** Whether a point lies inside a convex ring or on its edge. */
export function contains(ring: Polygon, [px, py]: Point2): boolean {
  const turn = area(ring) < 0 ? -1 : 1;
  return ring.every(([x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length] ?? [x, y];
    return turn * ((nx - x) * (py - y) - (ny - y) * (px - x)) >= -GRID_mm;
  });
}

/** Mirror image of a point in the line through `from` and `to`. */
export function mirrored([x, y]: Point2, [from, to]: readonly [Point2, Point2]): Point2 {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const t = ((x - from[0]) * dx + (y - from[1]) * dy) / (dx * dx + dy * dy);
  return [2 * (from[0] + t * dx) - x, 2 * (from[1] + t * dy) - y];
}

export type Segment = readonly [Point2, Point2];

export const edgesOf = (ring: Polygon): Segment[] =>
  ring.map((p, i) => [p, ring[(i + 1) % ring.length] ?? p]);

export const sameSegment = ([a, b]: Segment, [c, d]: Segment, within = 3 * GRID_mm): boolean =>
  (distance2(a, c) < within && distance2(b, d) < within) ||
  (distance2(a, d) < within && distance2(b, c) < within);

/** The part of a segment inside a convex ring, or `null`. */
export function clipSegment([from, to]: Segment, ring: Polygon): Segment | null {
  const turn = area(ring) < 0 ? -1 : 1;
  let [enter, leave] = [0, 1];
  for (const [a, b] of edgesOf(ring)) {
    const side = ([x, y]: Point2) => turn * ((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]));
    const [here, there] = [side(from), side(to)];
    if (here < 0 && there < 0) return null;
    if (here < 0) enter = Math.max(enter, here / (here - there));
    else if (there < 0) leave = Math.min(leave, here / (here - there));
  }
  const at = (t: number): Point2 => [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
  return enter < leave ? [at(enter), at(leave)] : null;
}
