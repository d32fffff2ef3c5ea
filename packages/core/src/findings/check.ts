/** A check looks at a draft of the plan and yields facts; it never throws and never writes. */
import type { Draft } from './draft.ts';
import type { Finding, FindingCode, FindingFacts } from './finding.ts';
import type { Fix } from '../vocabulary/fix.ts';
import type { Proof, Severity } from '../vocabulary/verdict.ts';

export interface Yielded<Code extends FindingCode> {
  readonly facts: FindingFacts[Code];
  readonly fixes?: readonly Fix[];
  /** Where one check speaks for several proofs or grades. */
  readonly proof?: Proof;
  readonly severity?: Severity;
  readonly source?: string;
  /** Of a look: the step at which it is taken. */
  readonly step?: string | undefined;
}

export interface Check {
  readonly code: FindingCode;
  readonly run: (draft: Draft) => Finding[];
}

export function defineCheck<Code extends FindingCode>(spec: {
  readonly code: Code;
  readonly proof: Proof;
  readonly severity: Severity;
  readonly source: string;
  readonly run: (draft: Draft) => Iterable<Yielded<Code>>;
}): Check {
  const { code, proof, severity, source, run } = spec;
  return {
    code,
    run: (draft) =>
      [...run(draft)].map(
        ({ facts, fixes = [], ...own }) =>
          ({ code, proof, severity, source, facts, fixes, ...own }) as Finding,
      ),
  };
}
