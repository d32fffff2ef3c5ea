/** Where the opening is cut: the planes through head, jambs and sill, and what of a sheet a plane meets. */
import { bounds } from '../geometry/polygon.ts';
import type { SheetFace } from '../geometry/sheet.ts';
import type { CutPlane, Range, Solid } from '../geometry/solid.ts';
import { distance2, type Point2 } from '../geometry/vector.ts';
import type { Build } from './build.ts';
import { pieceFor } from './by-role.ts';
import type { CutId } from '../vocabulary/sides.ts';

/** Wall shown beyond the opening, frame and glass shown inside it, and margins in the depth, mm. */
const WALL_mm = 130;
export const FRAME_mm = 150;
const DEPTH_mm = 40;
/** Shorter lines are folds and not faces. */
export const FOLD_mm = 0.1;

/** A cut's plane, its window in the wall, and which way it stands on paper. */
export interface CutSection {
  readonly plane: CutPlane;
  readonly window: { readonly w: Range; readonly across: Range };
  /** 1 where the paper's up is the wall's up; −1 in a plan, where left of the wall is up. */
  readonly up: 1 | -1;
}

/** Upright cuts go beside the first sill shim, level ones above the first jamb shim, where nothing stands in the way. */
export function sectionOf(build: Build, cut: CutId): CutSection {
  const { context } = build;
  const { opening, unit } = context;
  const { width: W, height: H, framing, layers } = opening;
  const outer = Math.max(unit.front, 0, ...layers.map((l) => l.w[1]));
  const w: Range = [Math.min(unit.back, framing) - DEPTH_mm, outer + DEPTH_mm];
  const wall = WALL_mm + Math.min(opening.buck?.face ?? 0, WALL_mm);
  const between = (role: 'sill-shims' | 'jamb-shims', axis: 'u' | 'v', otherwise: number): number => {
    const shims = pieceFor(build, role);
    const [first, second] = shims?.form === 'solid' ? shims.solids : [];
    if (!first || !second) return otherwise;
    const range = (s: Solid): Range => (axis === 'u' ? s.u : bounds(s.profile).y);
    const [a, b] = [range(first)[1], range(second)[0]];
    return a < b ? (a + b) / 2 : otherwise;
  };
  const u = between('sill-shims', 'u', unit.left + unit.width / 2);
  const v = between('jamb-shims', 'v', unit.bottom + unit.height / 2);
  const right = unit.left + unit.width;
  const top = unit.bottom + unit.height;
  switch (cut) {
    case 'sill':
      return { plane: { axis: 'u', at: u }, window: { w, across: [-wall, unit.bottom + FRAME_mm] }, up: 1 };
    case 'head':
      return { plane: { axis: 'u', at: u }, window: { w, across: [top - FRAME_mm, H + wall] }, up: 1 };
    case 'left':
      return { plane: { axis: 'v', at: v }, window: { w, across: [-wall, unit.left + FRAME_mm] }, up: -1 };
    case 'right':
      return { plane: { axis: 'v', at: v }, window: { w, across: [right - FRAME_mm, W + wall] }, up: -1 };
  }
}

/** Where a plane face goes through the cut, as (w, across) lines. */
export function crossings({ space }: SheetFace, { axis, at }: CutPlane): [Point2, Point2][] {
  const [along, across] = axis === 'u' ? ([0, 1] as const) : ([1, 0] as const);
  const points: Point2[] = [];
  let p = space.at(-1);
  for (const q of space) {
    if (p && p[along] < at !== q[along] < at) {
      const t = (at - p[along]) / (q[along] - p[along]);
      points.push([p[2] + t * (q[2] - p[2]), p[across] + t * (q[across] - p[across])]);
    }
    p = q;
  }
  points.sort((a, b) => a[1] - b[1] || a[0] - b[0]);
  const lines: [Point2, Point2][] = [];
  for (let i = 1; i < points.length; i += 2) {
    const [a, b] = [points[i - 1], points[i]];
    if (a && b && distance2(a, b) > FOLD_mm) lines.push([a, b]);
  }
  return lines;
}
