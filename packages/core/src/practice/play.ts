/** Water as a line to play: the gravest way of it through a wall. */
import type { Build } from '../build/build.ts';
import { courseOf } from '../proofs/water/course.ts';
import { outcomeOf, type PathClass } from '../proofs/water/outcome.ts';
import type { WaterProof } from '../proofs/water/proof.ts';
import type { WaterPart } from '../proofs/water/trace.ts';
import type { Play } from './task.ts';

export const isWet = (outcome: string): boolean =>
  outcome === 'structure' || outcome === 'room' || outcome === 'trapped';

/** How a part of the water runs. */
export function playOf(part: Pick<WaterPart, 'run' | 'outcome'>, build: Build, view = 0): Play | null {
  const points = courseOf(part.run, build).points.map(({ at }) => at);
  return points.length > 1 ? { view, points, wets: isWet(part.outcome) } : null;
}

/** The gravest way of all water, and how it runs. */
export function gravestPlay(proof: WaterProof, build: Build): { path: PathClass; play: Play | null } {
  const { path } = outcomeOf(proof);
  const part = proof.traces.flatMap(({ parts }) => parts).find(({ outcome }) => outcome === path);
  return { path, play: part ? playOf(part, build) : null };
}
