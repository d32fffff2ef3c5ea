/** How much likelier a piece leaks by what the log says: noted faults, films too thin, cold, what was built otherwise, and where others leaked. */
import type { Entry } from '../documents/entry.ts';
import { faultsOf } from '../field/faults.ts';
import { standing } from '../field/progress.ts';

/** Common practice, no source. */
const WEIGHT = { fault: 12, passed: 6, thin: 5, cold: 4, otherwise: 8, elsewhere: 3 } as const;

/**
 * Returns weights by piece, 1 for whatever is not in it.
 *
 * @param own entries of the opening
 * @param others entries of the other openings, opening by opening: what a test found there is likelier here
 */
export function causeWeights(
  own: readonly Entry[],
  others: readonly (readonly Entry[])[] = [],
): ReadonlyMap<string, number> {
  const weights = new Map<string, number>();
  const add = (piece: string, weight: number) =>
    weights.set(piece, Math.max(weights.get(piece) ?? 1, weight));
  const valid = standing(own);
  // What this opening's own test named is what is asked for, and no evidence of its own.
  for (const { facts } of faultsOf(valid))
    if (facts.test === undefined)
      add(facts.piece, facts.severity === 'passed' ? WEIGHT.passed : WEIGHT.fault);
  for (const { kind, facts, built } of valid) {
    if (kind === 'built' && built) add(built.piece, WEIGHT.otherwise);
    if (facts?.kind === 'measured' && facts.accepted !== undefined)
      add(facts.place, facts.what === 'film' ? WEIGHT.thin : WEIGHT.cold);
  }
  for (const entries of others)
    for (const { facts } of faultsOf(standing(entries)))
      if (facts.test !== undefined) add(facts.piece, WEIGHT.elsewhere);
  return weights;
}
