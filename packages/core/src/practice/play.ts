/** Water as a line to play: the gravest way of it through a wall. */
import type { Build } from '../build/build.ts';
import { airCourse, proveAir } from '../proofs/air/index.ts';
import { courseOf } from '../proofs/water/course.ts';
import { outcomeOf, type PathClass } from '../proofs/water/outcome.ts';
import type { WaterProof } from '../proofs/water/proof.ts';
import type { WaterPart } from '../proofs/water/trace.ts';
import type { CutId } from '../vocabulary/sides.ts';
import type { Play } from './task.ts';

export const isWet = (outcome: string): boolean =>
  outcome === 'structure' || outcome === 'room' || outcome === 'trapped';

/** How a part of the water runs. */
export function playOf(part: Pick<WaterPart, 'run' | 'outcome'>, build: Build, view = 0): Play | null {
  const points = courseOf(part.run, build).points.map(({ at }) => at);
  return points.length > 1 ? { of: 'water', view, points, wets: isWet(part.outcome) } : null;
}

/** The gravest way of all water, and how it runs. */
export function gravestPlay(proof: WaterProof, build: Build): { path: PathClass; play: Play | null } {
  const { path } = outcomeOf(proof);
  const part = proof.traces.flatMap(({ parts }) => parts).find(({ outcome }) => outcome === path);
  return { path, play: part ? playOf(part, build) : null };
}

/** What of a way tells it from another: where it ends, and what keeps it off. */
const keyOf = (source: string, { outcome, k, bonds, kOpening, firstLine }: WaterPart): string =>
  JSON.stringify([source, outcome, k, bonds, kOpening, firstLine]);

/**
 * Water that runs otherwise than in the sound wall, gravest first: as it runs where it comes in by itself, and by its way in
 * where less keeps it off; `null` where all of it runs as before.
 */
export function changedPlay(
  sound: WaterProof,
  changed: WaterProof,
  build: Build,
): { path: PathClass; play: Play | null } {
  const before = new Set(
    sound.traces.flatMap(({ source, parts }) => parts.map((part) => keyOf(source, part))),
  );
  const other = changed.traces.flatMap(({ source, parts }) =>
    parts.filter((part) => part.outcome !== 'not-checkable' && !before.has(keyOf(source, part))),
  );
  const rank = ({ outcome, k }: WaterPart): number =>
    10 * GRAVITY.indexOf(outcome) - Math.min(9, k ?? 9) / 10;
  const [part] = other.toSorted((a, b) => rank(b) - rank(a));
  const { path } = outcomeOf(changed);
  if (!part) return { path, play: null };
  if (isWet(part.outcome) || part.wayIn.length === 0) return { path, play: playOf(part, build) };
  const points = courseOf(part.wayIn, build).points.map(({ at }) => at);
  return { path, play: points.length > 1 ? { of: 'water', view: 0, points, wets: true } : null };
}

const GRAVITY: readonly string[] = ['shed', 'drained', 'trapped', 'structure', 'room'];

/** Where the pen runs in a cut of the sound wall; `null` where nothing joins wall and frame there. */
export function penPlay(build: Build, cut: CutId, view: number): Play | null {
  const course = airCourse(build, proveAir(build), cut);
  return course && course.points.length > 1 ? { of: 'air', view, points: course.points, wets: false } : null;
}

/** How far the pen has to be lifted round the frame, mm. */
export const liftsOf = (build: Build): number =>
  proveAir(build).sides.reduce(
    (sum, { lifts }) => sum + lifts.reduce((mm, { width_mm }) => mm + width_mm, 0),
    0,
  );
