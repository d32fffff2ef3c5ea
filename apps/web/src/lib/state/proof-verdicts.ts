/** Every proof of an opening but heat, which takes longer, as one verdict each. */
import {
  designJoint,
  gravest,
  proveLoads,
  proveMoisture,
  verdictOf,
  type JobContext,
  type Plan,
  type Verdict,
} from '@hulvek/core';

export const quickProofs = ['fit', 'water', 'air', 'joint', 'moisture', 'loads'] as const;
export type QuickProof = (typeof quickProofs)[number];

export function proofVerdicts(plan: Plan, job: JobContext): Record<QuickProof, Verdict> {
  const { build, wall } = plan;
  const of = (proof: 'fit' | 'water' | 'air'): Verdict =>
    build ? verdictOf(plan.findings.filter((f) => f.proof === proof)) : 'not-checkable';
  return {
    fit: of('fit'),
    water: of('water'),
    air: gravest([of('air'), plan.air?.verdict ?? 'not-checkable']),
    joint: designJoint(plan)?.verdict ?? 'not-checkable',
    moisture: build && wall ? proveMoisture(build, { job, wall }).verdict : 'not-checkable',
    loads: proveLoads(plan)?.verdict ?? 'not-checkable',
  };
}
