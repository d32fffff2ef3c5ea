/** The walls that tasks are made of: sound openings of every school in several sizes, or one of a job. */
import type { Build } from '../build/build.ts';
import type { Exposed } from '../conditions/exposed.ts';
import { exampleJob } from '../demo/example.ts';
import { contextOf, openingsOf } from '../job-file/job-file.ts';
import { planOpening, type Plan } from '../plan/plan-opening.ts';
import type { Size } from '../quantities/size.ts';
import { presetIds, type PresetId } from '../vocabulary/presets.ts';
import type { Dice } from './dice.ts';

export interface PracticeWall {
  readonly build: Build;
  readonly exposed: Pick<Exposed, 'asked_Pa'>;
  /** Of a made-up wall; `null` for one of a job. */
  readonly school: PresetId | null;
}

const SIZES: readonly Size[] = [
  { width: 900, height: 1200 },
  { width: 600, height: 600 },
  { width: 1200, height: 900 },
  { width: 750, height: 1400 },
  { width: 1400, height: 1200 },
];

const known = new Map<string, PracticeWall | null>();

/** A wall of one school in one size, built once; `null` where the school cannot build it. */
function wallOf(school: PresetId, size: Size): PracticeWall | null {
  const key = `${school} ${size.width} ${size.height}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const file = exampleJob(school, size);
  const [opening] = openingsOf(file);
  const plan = opening ? planOpening(opening, contextOf(file)) : null;
  const wall = plan?.build ? { build: plan.build, exposed: plan.exposed, school } : null;
  known.set(key, wall);
  return wall;
}

/** A wall by chance. A pocket unit in an old frame and work that others began say too little by themselves. */
export function someWall(dice: Dice): PracticeWall | null {
  const school = dice.pick(presetIds.filter((id) => id !== 'pocket'));
  return wallOf(school, dice.pick(SIZES));
}

/** The wall of an opening of a job; `null` where nothing can be built yet. */
export const wallOfPlan = (plan: Plan): PracticeWall | null =>
  plan.build ? { build: plan.build, exposed: plan.exposed, school: null } : null;
