import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { asPdf, readerOf } from '$lib/server/paper.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadParts, openingOfPart } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { cutSheetWords } from '$words/cut-sheet.ts';
import { error } from '@sveltejs/kit';

/** More than anybody cuts for in a day; the job's own sheet comes in parts. */
const MOST = 200;

/** What is cut for the openings that `openings` names, separated by commas, to print. */
export const GET = async ({ params, url, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const wanted = (url.searchParams.get('openings') ?? '').split(',').filter(Boolean);
  if (wanted.length === 0) error(400, cutSheetWords.empty);
  if (wanted.length > MOST) error(413, cutSheetWords.tooMany(MOST));
  const parts = await loadParts(db, params.job, wanted);
  if (parts.length === 0) error(404, errorsWords.noOpening);
  const pdf = await beside('drawCutSheet', {
    openings: parts.map(openingOfPart),
    context,
    ...readerOf(locals, context),
  });
  return asPdf(pdf, 'cut-sheet');
};
