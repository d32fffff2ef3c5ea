/** Plans frozen when work begins: made from a plan, filled in where an older program kept less, opened again. */
import { buildOpening } from '../build/build-opening.ts';
import { frozen, thawedIssue, type ThawedBuild } from '../build/frozen.ts';
import type { Issue } from '../documents/issue.ts';
import { looksOf } from './looks.ts';
import type { Job } from '../documents/job.ts';
import type { Plan } from './plan-opening.ts';

/** Returns the plan as it is frozen; `null` where nothing is planned that could be built. */
export function issueOf(
  { build, opening, wall, unit, method, findings }: Plan,
  of: Pick<Issue, 'version' | 'person' | 'account' | 'at' | 'despite'>,
): Issue | null {
  if (!build || !wall || !unit || !method) return null;
  const steps = build.steps.map(({ id, hash }) => ({ id, hash }));
  const looks = looksOf(findings);
  return {
    ...of,
    opening,
    wall,
    unit,
    method,
    ...(looks.length > 0 && { looks }),
    steps,
    build: frozen(build),
  };
}

/**
 * Returns a frozen plan with its build: from before builds were kept it is planned again from the inputs that were. Its
 * steps keep the content they were ticked under, so that no tick is asked for again.
 */
export function filledIn(issue: Issue, job: Job): Issue {
  if (issue.build) return issue;
  const { opening, wall, unit, method } = issue;
  const build = buildOpening(opening, { job, walls: [wall], units: [unit], methods: [method] });
  if (!build) return issue;
  const kept = new Map(issue.steps.map(({ id, hash }) => [id, hash]));
  // Steps that are known by now were not part of that work.
  const steps = build.steps.flatMap((step) => {
    const hash = kept.get(step.id);
    return hash === undefined
      ? []
      : [{ ...step, hash, after: step.after.filter((before) => kept.has(before.step)) }];
  });
  return { ...issue, build: frozen({ ...build, steps }) };
}

/** The wall that work goes by; `null` where it was frozen from inputs that leave nothing to build. */
export function frozenBuild(issue: Issue, job: Job): ThawedBuild | null {
  return thawedIssue(filledIn(issue, job));
}
