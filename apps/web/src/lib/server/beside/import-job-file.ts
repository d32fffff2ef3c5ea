/** A job file read, judged and stored; how far it is stands in its task. */
import { frozenBuild, readJobFile, unfit, type FileProblem, type JobFile } from '@hulvek/core';
import { refusalsWords } from '$words/contract.ts';
import { openDatabase } from '../db/index.ts';
import { importJob } from '../services/jobs.ts';
import { roleIn } from '../services/people.ts';
import { withFreshIds } from './fresh-ids.ts';
import { toldProgress } from './progress.ts';

export type Imported =
  | { readonly ok: true; readonly job: string }
  | { readonly ok: false; readonly there: string }
  | { readonly ok: false; readonly problems: readonly FileProblem[] };

/** As much as somebody reads. */
const MOST_PROBLEMS = 8;

export async function importJobFile(of: {
  url: string;
  task: string;
  user: string;
  file: string;
  text: string;
}): Promise<Imported> {
  const { db, pool } = openDatabase(of.url);
  const tell = toldProgress(db, of.task);
  try {
    await tell(0.05);
    const result = readJobFile(of.text);
    if (!result.ok) return { ok: false, problems: result.problems.slice(0, MOST_PROBLEMS) };
    await tell(0.3);
    const against = unfitEntries(result.value);
    if (against.length > 0) return { ok: false, problems: against };
    await tell(0.5);
    const by = { user: of.user, file: of.file };
    if (await importJob(db, result.value, by)) return { ok: true, job: result.value.job.id };
    if ((await roleIn(db, result.value.job.id, of.user)) !== null)
      return { ok: false, there: result.value.job.name };
    // Somebody else has it: whoever does not belong to it is not told, and gets one of his own.
    const { file: own } = withFreshIds(result.value);
    await importJob(db, own, by);
    return { ok: true, job: own.job.id };
  } finally {
    await pool.end();
  }
}

/** What would not have been taken if it had been made here. */
export function unfitEntries({ job, records }: JobFile): FileProblem[] {
  const found: FileProblem[] = [];
  for (const { at, because } of unfit(records, (issue) => frozenBuild(issue, job)?.build.steps ?? [])) {
    found.push({ path: `records.entries[${at}]`, message: refusalsWords[because] });
    if (found.length >= MOST_PROBLEMS) break;
  }
  return found;
}
