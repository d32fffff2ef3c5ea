/** Records that came in with a file, held against the rules that those made here obey. */
import type { PlannedStep } from '../build/build.ts';
import type { Entry } from '../documents/entry.ts';
import type { Issue } from '../documents/issue.ts';
import { progress, refusal, type Refusal } from './progress.ts';

export interface Unfit {
  /** Position in the list of entries. */
  readonly at: number;
  readonly because: Refusal;
}

/**
 * Names the entries that would not have been taken in the order in which they stand, each judged by those before it, by the
 * plan it was made on and at its own time.
 *
 * @param stepsOf the steps of a frozen plan
 */
export function* unfit(
  records: { readonly issues: readonly Issue[]; readonly entries: readonly Entry[] },
  stepsOf: (issue: Issue) => readonly PlannedStep[],
): Iterable<Unfit> {
  const plans = new Map<string, Issue[]>();
  for (const issue of records.issues)
    plans.set(issue.opening.id, [...(plans.get(issue.opening.id) ?? []), issue]);
  const known = new Map<Issue, readonly PlannedStep[]>();
  const before = new Map<string, Entry[]>();
  for (const [at, entry] of records.entries.entries()) {
    const own = before.get(entry.opening) ?? [];
    const issues = (plans.get(entry.opening) ?? [])
      .filter(({ version }) => version <= entry.issue)
      .sort((a, b) => a.version - b.version);
    const issue = issues.at(-1);
    if (issue?.version === entry.issue) {
      const steps = known.get(issue) ?? stepsOf(issue);
      known.set(issue, steps);
      const because = refusal(entry, progress(steps, issues, own, entry), steps);
      if (because) yield { at, because };
    }
    before.set(entry.opening, [...own, entry]);
  }
}
