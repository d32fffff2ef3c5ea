/** The one pure function: from what was measured and chosen to everything that follows from it. */
import { proveAir } from '../proofs/air/proof.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import { verdictOf, type Finding } from '../findings/finding.ts';
import { severities, type Verdict } from '../vocabulary/verdict.ts';
import { checks } from '../findings/checks/index.ts';
import { exposedTo } from '../conditions/exposed.ts';
import { proveWater } from '../proofs/water/proof.ts';
import { cutList, type CutRow } from '../build/cut-list.ts';
import type { Draft } from '../findings/draft.ts';
import { buildOf } from '../build/build-opening.ts';
import { subjectOf } from '../build/subject.ts';

export interface Plan extends Draft {
  readonly cuts: readonly CutRow[];
  readonly findings: readonly Finding[];
  readonly verdict: Verdict;
}

/**
 * Returns the plan of one opening. Deterministic; never throws on documents that passed their schema.
 *
 * What cannot be derived for want of a reading or a choice is absent, and a finding says so.
 */
export function planOpening(opening: Opening, job: JobContext): Plan {
  const subject = subjectOf(opening, job);
  const build = buildOf(subject);
  const exposed = exposedTo({ opening, job, unit: subject.unit });
  const draft: Draft = {
    opening,
    job,
    ...subject,
    fit: build?.fit ?? null,
    build,
    exposed,
    water: build && proveWater(build, exposed),
    air: build && proveAir(build),
  };
  const rank = (finding: Finding) => severities.indexOf(finding.severity);
  const findings = checks.flatMap((check) => check.run(draft)).sort((a, b) => rank(a) - rank(b));
  return { ...draft, cuts: build ? cutList(build.pieces) : [], findings, verdict: verdictOf(findings) };
}
