/** An opening with a frozen plan as it stands: the one way from its log to what is handed over of it. */
import {
  dossierOf,
  frozenBuild,
  type Build,
  type Dossier,
  type Entry,
  type Issue,
  type JobContext,
} from '@hulvek/core';

export interface Standing {
  readonly build: Build;
  readonly dossier: Dossier;
}

/** @returns `null` where nothing was frozen */
export function standingOf(
  { issues, entries }: { readonly issues: readonly Issue[]; readonly entries: readonly Entry[] },
  { job, materials }: Pick<JobContext, 'job' | 'materials'>,
  now: string,
): Standing | null {
  const issue = issues.at(-1);
  const build = issue && frozenBuild(issue, job)?.build;
  const dossier = build && dossierOf({ build, issues, entries, materials, now });
  return build && dossier ? { build, dossier } : null;
}
