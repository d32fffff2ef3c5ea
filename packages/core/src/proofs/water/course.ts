/** The way of water as a line in space and as stops with names, for drawings and for reading. */
import type { Range } from '../../geometry/solid.ts';
import { onSurface } from '../../geometry/surface.ts';
import type { Point3 } from '../../geometry/vector.ts';
import { sillHeight } from '../../methods/pieces/context.ts';
import type { Build } from '../../build/build.ts';
import { acrossPlanes } from '../../vocabulary/planes.ts';
import type { WaterSource } from './sources.ts';
import type { WaterPart, WaterStop } from './trace.ts';

export interface CoursePoint {
  readonly at: Point3;
  /** How many layers lie under the water, for drawings that show layers side by side. */
  readonly level: number;
}

/** What happens along the way, each with the stretch of the line it stands for. */
export interface CourseStop {
  readonly on: string | null;
  readonly behind: string | null;
  readonly failed: string | null;
  /** A plane of the wall or one of the places that are none. */
  readonly where: string;
  /** Last point of the line that belongs to it. */
  readonly to: number;
}

export interface Course {
  readonly points: readonly CoursePoint[];
  readonly stops: readonly CourseStop[];
}

/** Drawn clear of the pan where it runs over its inner edge, mm. */
const OVER_SILL_mm = 8;

/** How far water is followed on after it has left, mm. */
const BEYOND_mm = 60;

export function courseOf(way: readonly WaterStop[], build: Build): Course {
  const points: CoursePoint[] = [];
  const stops: CourseStop[] = [];
  for (const stop of way) {
    for (const point of pointsOf(stop, points.at(-1), build))
      points.push(notAbove(point, points.at(-1), stop));
    const where = typeof stop.at === 'string' ? stop.at : stop.at.plane;
    const last = stops.at(-1);
    const { on, behind, failed } = stop;
    const same = last && !failed && last.where === where && last.on === on && last.behind === behind;
    const next = { on, behind, where, failed: same ? last.failed : failed, to: points.length - 1 };
    if (same) stops[stops.length - 1] = next;
    else stops.push(next);
  }
  return { points, stops };
}

/** A cell it enters from the side may begin higher up; the water does not. */
function notAbove(point: CoursePoint, before: CoursePoint | undefined, { at }: WaterStop): CoursePoint {
  const [u, v, w] = point.at;
  const top = before?.at[1] ?? v;
  // Wind carries it across, and up under a sill.
  if (typeof at !== 'string' && (acrossPlanes as readonly string[]).includes(at.plane)) return point;
  return at === 'room' || v <= top ? point : { ...point, at: [u, top, w] };
}

const middle = ([a, b]: Range): number => (a + b) / 2;

function pointsOf({ at }: WaterStop, before: CoursePoint | undefined, build: Build): CoursePoint[] {
  const { opening } = build.context;
  if (typeof at === 'string') return placePoints(at, before, build);
  const { plane, x, y, level } = at;
  const u = middle(x);
  const point = (p: Point3): CoursePoint => ({ at: p, level });
  switch (plane) {
    case 'wall':
      return [...(before ? [] : [point([u, y[1], 0])]), point([u, y[0], 0])];
    case 'across-left':
    case 'across-right': {
      const sign = plane === 'across-left' ? -1 : 1;
      const at = (y0: number) => point([sign * y0, u, 0]);
      return [...(before ? [] : [at(y[1])]), at(y[0])];
    }
    case 'across-sill':
      return [...(before ? [] : [point([u, -y[1], 0])]), point([u, -y[0], 0])];
    case 'inner-plane': {
      const leg = opening.buck?.leg ?? 0;
      const behind = (v: number) => point([u - leg, v - leg, opening.sheathing]);
      return [...(before ? [] : [behind(y[1])]), behind(y[0])];
    }
    case 'sill-reveal': {
      const on = (depth: number) => point(onSurface(opening.surfaces['sill-reveal'], [u, depth]));
      return [...(before ? [] : [on(y[1])]), on(y[0])];
    }
    case 'left-reveal':
      return [point([0, y[0], u])];
    case 'right-reveal':
      return [point([opening.width, y[0], u])];
  }
}

function placePoints(place: string, before: CoursePoint | undefined, build: Build): CoursePoint[] {
  const { unit, opening, numbers } = build.context;
  const top = unit.bottom + unit.height;
  const deep = (unit.back + Math.min(unit.front, 0)) / 2;
  const [u, v, w] = before?.at ?? [unit.left + unit.width / 2, top, 0];
  const at = (p: Point3): CoursePoint[] => [{ at: p, level: before?.level ?? 0 }];
  const beside = { left: unit.left / 2, right: (unit.left + unit.width + opening.width) / 2 };
  switch (place) {
    case 'out':
      return at([u, v - BEYOND_mm, w]);
    case 'frame-head':
    case 'joint-head':
      return at([u, top, Math.min(unit.front, 0)]);
    case 'frame-left':
    case 'joint-left':
      return at([unit.left, before ? Math.min(v, top) : middle([unit.bottom, top]), Math.min(unit.front, 0)]);
    case 'frame-right':
    case 'joint-right':
      return at([
        unit.left + unit.width,
        before ? Math.min(v, top) : middle([unit.bottom, top]),
        Math.min(unit.front, 0),
      ]);
    case 'cavity-head':
      return at([u, middle([top, opening.height]), deep]);
    case 'cavity-left':
      return at([beside.left, Math.min(v, top), deep]);
    case 'cavity-right':
      return at([beside.right, Math.min(v, top), deep]);
    case 'buck-top':
      return at([u, opening.height + (opening.buck?.face ?? 0), 0]);
    case 'room':
      return at([u, sillHeight(numbers, opening.depth) + OVER_SILL_mm, opening.framing]);
    default:
      return [];
  }
}

/** How high above the opening water is drawn where it is let go on the wall, and how far to its sides, mm. */
const ABOVE_mm = 300;
const ASIDE_mm = 195;

/** Where a source lets its water go, as lines in space, each with its width. */
export function sourceLines(
  source: WaterSource,
  { spans }: Pick<WaterPart, 'spans'>,
  { context: { unit, opening } }: Build,
): { readonly from: Point3; readonly to: Point3; readonly width_mm: number }[] {
  const [top, right] = [unit.bottom + unit.height, unit.left + unit.width];
  if (source === 'frame-joint' && spans.length > 0) {
    const side = (from: Point3, to: Point3, width_mm: number) => ({ from, to, width_mm });
    return [
      side([unit.left, top, 0], [right, top, 0], unit.width),
      side([unit.left, unit.bottom, 0], [unit.left, top, 0], unit.height),
      side([right, unit.bottom, 0], [right, top, 0], unit.height),
    ];
  }
  // Blown against the sides, which the way itself shows.
  if (source === 'blown-across') return [];
  const high = source === 'wall-above' || source === 'head-corners' || source === 'behind-layer';
  const v = high ? opening.height + ABOVE_mm : unit.bottom;
  return spans.flatMap(([a, b]) => {
    const [from, to] = [Math.max(a, -ASIDE_mm), Math.min(b, opening.width + ASIDE_mm)];
    return from >= to ? [] : [{ from: [from, v, 0] as const, to: [to, v, 0] as const, width_mm: b - a }];
  });
}
