import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { asPdf, readerOf } from '$lib/server/paper.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadParts } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The report of the job's tests of openings. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const parts = await loadParts(db, params.job);
  const pdf = await beside('drawTests', {
    parts: parts.map(({ document, issues, entries }) => ({ document, issues, entries })),
    context,
    ...readerOf(locals, context),
  });
  return asPdf(pdf, `${params.job}-tests`);
};
