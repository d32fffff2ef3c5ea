import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { asPdf, readerOf } from '$lib/server/paper.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadDocuments } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** Stickers for the units of a job. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const { reads, at } = readerOf(locals, context);
  const openings = await loadDocuments(db, params.job);
  return asPdf(await beside('drawStickers', { openings, context, reads, at }), `${params.job}-stickers`);
};
