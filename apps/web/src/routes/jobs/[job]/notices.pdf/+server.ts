import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { asPdf, readerOf } from '$lib/server/paper.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadParts, openingOfPart } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** What later trades must not do, by trade and as signs: nobody's name stands in it. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const parts = await loadParts(db, params.job);
  const pdf = await beside('drawNotices', {
    parts: parts.map((part) => ({
      opening: openingOfPart(part),
      issues: part.issues,
      entries: part.entries,
    })),
    context,
    ...readerOf(locals, context),
    person: '',
  });
  return asPdf(pdf, 'notices');
};
