/** What has to be seen while a plan is built, step by step. */
import type { Look } from '../documents/issue.ts';
import type { Finding } from '../findings/finding.ts';
import { lookCodes, type LookCode } from '../vocabulary/looks.ts';

const isLookCode = (code: string): code is LookCode => (lookCodes as readonly string[]).includes(code);

/** Returns the looks that findings ask for, each with the step at which it is taken. */
export function looksOf(findings: readonly Finding[]): Look[] {
  const looks = findings.flatMap(({ code, severity, step, facts }): Look[] =>
    severity === 'look' && step !== undefined && isLookCode(code)
      ? [{ step, code, things: thingsOf(facts) }]
      : [],
  );
  // Two findings may ask for one look.
  return [...new Map(looks.map((look) => [[look.step, look.code, ...look.things].join('/'), look])).values()];
}

function thingsOf(facts: Finding['facts']): string[] {
  if ('things' in facts) return [...facts.things];
  return 'member' in facts ? [facts.thing, facts.member] : [];
}
