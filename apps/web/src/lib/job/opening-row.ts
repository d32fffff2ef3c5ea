/** One line of the job's table, worked out from the same plan as everything else. */
import type { OpeningPart } from '$lib/contract/pack.ts';
import {
  formatSize,
  looksOpen,
  progress,
  shareDone,
  type Build,
  type FitVerdict,
  type Judgement,
  type LengthUnit,
  type Plan,
} from '@hulvek/core';

export interface OpeningName {
  readonly id: string;
  readonly mark: string;
  readonly name: string;
  /** `null` for the moment until it is judged. */
  readonly judgement: Judgement | null;
}

export interface OpeningRow extends OpeningName {
  readonly facade: string;
  readonly size: string | null;
  readonly method: string | null;
  readonly fit: FitVerdict | null;
  /** 0 to 1, `null` before work began. */
  readonly done: number | null;
  /** Looks on the wall as built that are due and that nobody has recorded: until then it is not known. */
  readonly looksDue: number;
  readonly measured: boolean;
}

/** What a line needs besides the plan. */
interface Known extends Pick<OpeningPart, 'issues' | 'entries'> {
  readonly judgement: Judgement | null;
  /** Of the newest frozen plan. */
  readonly steps: Build['steps'] | null;
  /** What whoever looks reads in. */
  readonly reads: LengthUnit;
}

export function openingRow(
  plan: Plan,
  { judgement, steps, issues, entries, reads }: Known,
  now: string,
): OpeningRow {
  const { unit, method, opening } = plan;
  const list = steps && progress(steps, issues, entries, now);
  return {
    id: opening.id,
    mark: opening.mark,
    name: opening.name,
    facade: opening.facade,
    size: unit && formatSize({ width: unit.width.mm, height: unit.height.mm }, reads),
    method: method?.name ?? null,
    judgement,
    fit: plan.fit?.result.verdict ?? null,
    done: list && shareDone(list),
    looksDue: list ? looksOpen(list).length : 0,
    measured: plan.frame !== null && plan.frame.missing.length === 0,
  };
}
