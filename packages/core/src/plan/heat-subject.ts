/** What the heat of an opening is worked out from: its build and what it was built of, without any other proof. */
import type { Build } from '../build/build.ts';
import { buildOf } from '../build/build-opening.ts';
import { subjectOf } from '../build/subject.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import type { Choices } from '../vocabulary/axes.ts';

/** A plan is one, too. */
export interface HeatSubject {
  readonly opening: Opening;
  readonly job: JobContext;
  readonly wall: Wall | null;
  readonly unit: Unit | null;
  readonly choices: Choices | null;
  /** `null` where nothing can be built yet. */
  readonly build: Build | null;
}

export function heatSubject(opening: Opening, job: JobContext): HeatSubject {
  const subject = subjectOf(opening, job);
  const { wall, unit, choices } = subject;
  return { opening, job, wall, unit, choices, build: buildOf(subject) };
}
