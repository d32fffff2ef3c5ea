/** What threads compute for the verdict of an opening: pure, from plain data to plain data. */
import {
  collisions,
  heatFindings,
  heatProof,
  judge,
  planOpening,
  SharedPlans,
  type JobContext,
  type Judgement,
  type KnownHeat,
  type Opening,
  type Plan,
  type SharedMade,
  type SideHeat,
} from '@hulvek/core';

export interface SolvedHeat {
  readonly side: SideHeat;
  readonly leftOut: readonly string[];
}

/** Of openings that are alike, in one job or in several, a thread works out one. */
const shared: SharedMade = new SharedPlans();

/** The openings that meet another one of their façade. */
export function collidingOf(o: { openings: readonly Opening[]; context: JobContext }): string[] {
  const plans = o.openings.map((opening) => planOpening(opening, o.context, shared));
  return [...new Set(collisions(plans).flatMap((collision) => collision.openings))];
}

export interface JudgeTask {
  readonly opening: Opening;
  readonly context: JobContext;
  readonly collides: boolean;
  /** Its four sides as solved, or what is known instead. */
  readonly heat: readonly SolvedHeat[] | 'working' | 'unsolved';
}

export function judgeOpening({ opening, context, collides, heat }: JudgeTask): Judgement {
  const plan = planOpening(opening, context, shared);
  return judge(plan, { collides, heat: typeof heat === 'string' ? heat : knownHeat(plan, heat) });
}

function knownHeat(plan: Plan, sides: readonly SolvedHeat[]): KnownHeat {
  if (!plan.unit) return 'unsolved';
  const proof = heatProof({ unit: plan.unit, job: plan.job }, sides);
  return { proof, findings: heatFindings(plan, proof, false) };
}
