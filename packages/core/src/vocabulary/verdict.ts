/** How a proof comes out, and how grave what is found is: the words that everything shares. */

/** Gravest first. */
export const severities = ['fails', 'not-checkable', 'watch', 'note'] as const;

export type Severity = (typeof severities)[number];

export type Proof = 'fit' | 'water' | 'air' | 'heat' | 'moisture' | 'structure' | 'order' | 'record';

/** Holds · Watch · Fails, and the open ring: an unchecked thing never looks passed. */
export type Verdict = 'holds' | 'watch' | 'fails' | 'not-checkable';

const GRAVEST: readonly Verdict[] = ['fails', 'not-checkable', 'watch', 'holds'];

export const gravest = (verdicts: readonly Verdict[]): Verdict =>
  GRAVEST.find((verdict) => verdicts.includes(verdict)) ?? 'holds';
