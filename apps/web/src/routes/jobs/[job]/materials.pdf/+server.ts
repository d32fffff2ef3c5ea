import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { asPdf, readerOf } from '$lib/server/paper.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadOpenings } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** What is still to get for the job, to order from. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const openings = await loadOpenings(db, params.job);
  const pdf = await beside('drawMaterials', { openings, context, ...readerOf(locals, context) });
  return asPdf(pdf, 'materials');
};
