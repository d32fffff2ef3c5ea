/** What mends a finding: every fix that a check thinks of is planned before it is offered. */
import type { Opening } from '../documents/opening.ts';
import type { Finding } from '../findings/finding.ts';
import { contentHash } from '../quantities/content-hash.ts';
import { parameters, type ParameterId } from '../vocabulary/parameters.ts';
import { severities } from '../vocabulary/verdict.ts';
import type { Fix } from '../vocabulary/fix.ts';
import { planOpening, type Plan } from './plan-opening.ts';

/** A fix that takes its finding away and brings none that fails. */
export interface TriedFix {
  readonly fix: Fix;
  /** What it brings besides: nothing, or what is milder than a failure. */
  readonly brings: readonly Finding[];
  /** Other findings that go with it. */
  readonly takes: number;
}

/** The opening with a fix made to it. */
export function withFix(opening: Opening, fix: Fix): Opening {
  const numbers = Object.fromEntries(
    (Object.entries(fix.set) as [ParameterId, number][]).map(([id, value]) => [
      id,
      parameters[id].kind === 'angle'
        ? { typed: `${value}°`, deg: value }
        : { typed: `${value} mm`, mm: value },
    ]),
  );
  return {
    ...opening,
    numbers: { ...opening.numbers, ...numbers } as Opening['numbers'],
    choices: { ...opening.choices, ...fix.choose } as Opening['choices'],
  };
}

/** What is found stays the same finding while a figure of it changes. */
const kindOf = ({ code, facts }: Finding): string => {
  const told = facts as Readonly<Record<string, unknown>>;
  return contentHash([
    code,
    told.rule,
    told.side,
    told.sides,
    told.piece,
    told.upper,
    told.lower,
    told.seal,
    told.things,
  ]);
};

/**
 * Returns the fixes of a finding that hold, the best one first: what is safe before what changes the design, what brings
 * less before what brings more, what takes more with it before what takes less.
 */
export function fixesFor(
  { opening, job, findings: before }: Pick<Plan, 'opening' | 'job' | 'findings'>,
  finding: Finding,
): TriedFix[] {
  if (finding.fixes.length === 0) return [];
  const known = new Map(before.map((own) => [kindOf(own), own.severity]));
  const graver = (a: Finding['severity'], b: Finding['severity'] | undefined): boolean =>
    b === undefined || severities.indexOf(a) < severities.indexOf(b);
  const tried = finding.fixes.flatMap((fix): TriedFix[] => {
    const { findings, build } = planOpening(withFix(opening, fix), job);
    if (!build || findings.some((own) => own.code === finding.code && kindOf(own) === kindOf(finding)))
      return [];
    const brings = findings.filter((own) => graver(own.severity, known.get(kindOf(own))));
    if (brings.some(({ severity }) => severity === 'fails')) return [];
    const left = new Set(findings.map(kindOf));
    return [{ fix, brings, takes: before.filter((own) => !left.has(kindOf(own))).length }];
  });
  const weight = ({ fix, brings, takes }: TriedFix): number =>
    (fix.kind === 'safe' ? 0 : 100) + brings.reduce((sum, { severity }) => sum + COST[severity], 0) - takes;
  return tried.sort((a, b) => weight(a) - weight(b));
}

const COST: Readonly<Record<Finding['severity'], number>> = {
  fails: 1000,
  'not-checkable': 40,
  watch: 20,
  look: 5,
  note: 1,
};
