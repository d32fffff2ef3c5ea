/** One line of the job's table, worked out from the same plan as everything else. */
import {
  formatSize,
  planOpening,
  progress,
  shareDone,
  type FitVerdict,
  type JobContext,
  type Opening,
  type Plan,
  type Verdict,
} from '@hulvek/core';
import type { Field } from './jobs.ts';

export interface OpeningRow {
  readonly id: string;
  readonly mark: string;
  readonly name: string;
  readonly facade: string;
  readonly size: string | null;
  readonly method: string | null;
  readonly verdict: Verdict;
  readonly fit: FitVerdict | null;
  /** 0 to 1, `null` before work began. */
  readonly done: number | null;
  readonly measured: boolean;
}

export function openingRow(
  opening: Opening,
  context: JobContext,
  field: Field | undefined,
  now: string,
): OpeningRow {
  const plan = planOpening(opening, context);
  const { unit, method } = plan;
  return {
    id: opening.id,
    mark: opening.mark,
    name: opening.name,
    facade: opening.facade,
    size: unit && formatSize({ width: unit.width.mm, height: unit.height.mm }, context.job.units),
    method: method?.name ?? null,
    verdict: plan.verdict,
    fit: plan.fit?.result.verdict ?? null,
    done: field ? doneShare(plan, field, now) : null,
    measured: plan.frame !== null && plan.frame.missing.length === 0,
  };
}

/** Progress against the newest frozen plan, planned again from its own inputs. */
export function doneShare(current: Plan, field: Field, now: string): number | null {
  const issue = field.issues.at(-1);
  if (!issue) return null;
  const frozen = frozenPlan(issue, current.job);
  return frozen.build ? shareDone(progress(frozen.build.steps, field.issues, field.entries, now)) : null;
}

export const frozenPlan = (issue: Field['issues'][number], { job }: JobContext): Plan =>
  planOpening(issue.opening, { job, walls: [issue.wall], units: [issue.unit], methods: [issue.method] });
