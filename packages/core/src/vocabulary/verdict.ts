/** How a proof comes out, and how grave what is found is: the words that everything shares. */

/** Gravest first. */
/** `look`: sound if it is done well, which somebody has to see; `note`: worth knowing. */
export const severities = ['fails', 'not-checkable', 'watch', 'look', 'note'] as const;

export type Severity = (typeof severities)[number];

export type Proof = 'fit' | 'water' | 'air' | 'heat' | 'moisture' | 'structure' | 'order' | 'record';

/** Holds · Watch · Fails, and the open ring: an unchecked thing never looks passed. Gravest first. */
export const verdicts = ['fails', 'not-checkable', 'watch', 'holds'] as const;

export type Verdict = (typeof verdicts)[number];

export const gravest = (of: readonly Verdict[]): Verdict =>
  verdicts.find((verdict) => of.includes(verdict)) ?? 'holds';
