/** One line of the job's table, worked out from the same plan as everything else. */
import type { OpeningPart } from '$lib/contract/pack.ts';
import {
  formatSize,
  frozenBuild,
  progress,
  shareDone,
  type FitVerdict,
  type Job,
  type Judgement,
  type Plan,
} from '@hulvek/core';

export interface OpeningRow {
  readonly id: string;
  readonly mark: string;
  readonly name: string;
  readonly facade: string;
  readonly size: string | null;
  readonly method: string | null;
  readonly judgement: Judgement;
  readonly fit: FitVerdict | null;
  /** 0 to 1, `null` before work began. */
  readonly done: number | null;
  readonly measured: boolean;
}

export function openingRow(
  plan: Plan,
  field: Pick<OpeningPart, 'issues' | 'entries'>,
  now: string,
): OpeningRow {
  const { unit, method, opening, job } = plan;
  return {
    id: opening.id,
    mark: opening.mark,
    name: opening.name,
    facade: opening.facade,
    size: unit && formatSize({ width: unit.width.mm, height: unit.height.mm }, job.job.units),
    method: method?.name ?? null,
    judgement: plan.judgement,
    fit: plan.fit?.result.verdict ?? null,
    done: doneShare(job.job, field, now),
    measured: plan.frame !== null && plan.frame.missing.length === 0,
  };
}

/** Progress against the newest frozen plan. */
function doneShare(
  job: Job,
  { issues, entries }: Pick<OpeningPart, 'issues' | 'entries'>,
  now: string,
): number | null {
  const issue = issues.at(-1);
  const steps = issue && frozenBuild(issue, job)?.build.steps;
  return steps ? shareDone(progress(steps, issues, entries, now)) : null;
}
