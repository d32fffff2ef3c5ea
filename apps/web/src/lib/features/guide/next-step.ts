/** What is sensible next in a job as a whole: the first thing that keeps the most openings from going on. */
import type { OpeningRow } from '$lib/job/opening-row.ts';
import type { JobContext, OpeningDocument } from '@hulvek/core';

export const setUpKinds = ['site', 'wall', 'unit', 'method', 'openings'] as const;
export type SetUpKind = (typeof setUpKinds)[number];

export type NextKind = SetUpKind | 'choose' | 'measure' | 'mend' | 'missing' | 'freeze' | 'look' | 'install';

export interface NextStep {
  readonly kind: NextKind;
  /** Openings it is about, in the order of the job. */
  readonly openings: readonly { readonly id: string; readonly mark: string }[];
  /** Where it is done, below the job's own address. */
  readonly path: string;
}

/** What of the setting up is done. */
export function setUpDone(context: JobContext, openings: number): Readonly<Record<SetUpKind, boolean>> {
  const { job, units } = context;
  return {
    site: job.climate !== undefined || job.assumedClimate !== undefined || job.months !== undefined,
    wall: job.usual?.wall !== undefined || openings > 0,
    unit: job.usual?.unit !== undefined || units.length > 0,
    method: job.usual?.method !== undefined || openings > 0,
    openings: openings > 0,
  };
}

type Chosen = Pick<OpeningDocument, 'id' | 'mark' | 'wall' | 'unit' | 'method'>;

/** @param later what somebody left for later */
export function nextStep(
  context: JobContext,
  documents: readonly Chosen[],
  rows: readonly OpeningRow[],
  later: ReadonlySet<string>,
): NextStep | null {
  const done = setUpDone(context, documents.length);
  const open = setUpKinds.find((kind) => !done[kind] && (!later.has(kind) || kind === 'openings'));
  if (open) return { kind: open, openings: [], path: open === 'openings' ? '/add' : '/start' };
  const first = (
    kind: NextKind,
    stage: string,
    list: readonly { readonly id: string; readonly mark: string }[],
  ): NextStep | null =>
    list[0] ? { kind, openings: list, path: stage === '' ? '' : `/${list[0].id}/${stage}` } : null;
  const bare = documents.filter(
    ({ wall, unit, method }) => wall === null || unit === null || method === null,
  );
  const waiting = rows.filter((row) => row.done === null);
  const verdict = (row: OpeningRow) => row.judgement?.grade;
  return (
    first(
      'look',
      'install',
      rows.filter((row) => row.looksDue > 0),
    ) ??
    first('choose', 'detail', bare) ??
    first(
      'measure',
      'measure',
      waiting.filter((row) => !row.measured),
    ) ??
    first(
      'mend',
      'prove',
      waiting.filter((row) => verdict(row) === 'fails'),
    ) ??
    first(
      'missing',
      'prove',
      waiting.filter((row) => verdict(row) === 'not-checkable'),
    ) ??
    first(
      'install',
      'install',
      rows.filter((row) => row.done !== null && row.done < 1),
    ) ??
    first('freeze', 'install', waiting)
  );
}
