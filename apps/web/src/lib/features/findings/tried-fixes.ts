/** Fixes planned when somebody asks for them, after the page has shown that it does so. */
import { fixesFor, type Finding, type Plan, type TriedFix } from '@hulvek/core';

export async function triedFixes(plan: Plan, finding: Finding): Promise<readonly TriedFix[]> {
  await new Promise<void>((resolve) => setTimeout(resolve));
  return fixesFor(plan, finding);
}
