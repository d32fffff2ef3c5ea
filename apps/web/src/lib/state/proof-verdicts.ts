/** Every proof of an opening but heat, which takes longer, as one verdict each. */
import { gravest, verdictOf, type Plan, type Verdict } from '@hulvek/core';

export const quickProofs = ['fit', 'water', 'air', 'joint', 'moisture', 'loads'] as const;
export type QuickProof = (typeof quickProofs)[number];

export function proofVerdicts(plan: Plan): Record<QuickProof, Verdict> {
  const { build } = plan;
  const of = (proof: 'fit' | 'water' | 'air'): Verdict =>
    build ? verdictOf(plan.findings.filter((f) => f.proof === proof)) : 'not-checkable';
  return {
    fit: of('fit'),
    water: of('water'),
    air: gravest([of('air'), plan.air?.verdict ?? 'not-checkable']),
    joint: plan.joint?.verdict ?? 'not-checkable',
    moisture: plan.moisture?.verdict ?? 'not-checkable',
    loads: plan.loads?.verdict ?? 'not-checkable',
  };
}
