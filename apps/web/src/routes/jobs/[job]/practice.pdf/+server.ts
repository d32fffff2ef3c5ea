import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { asPdf } from '$lib/server/paper.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadParts } from '$lib/server/services/openings.ts';
import { roundsOf } from '$lib/server/services/practice.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** A round of the job on paper, with its answers. */
export const GET = async ({ params, url }) => {
  const db = database();
  const round = (await roundsOf(db, params.job)).find(({ id }) => id === url.searchParams.get('round'));
  const context = await loadContext(db, params.job);
  if (!round || !context) error(404, errorsWords.notFound);
  const about = new Set(round.tasks.map(({ opening }) => opening));
  const openings = (await loadParts(db, params.job)).filter(({ document }) => about.has(document.id));
  const paper = {
    title: `${context.job.name}: ${round.title}`,
    tasks: round.tasks,
    job: { context, openings: openings.map(({ document, readings }) => ({ document, readings })) },
    at: new Date(),
  };
  return asPdf(await beside('drawRound', paper), `${params.job}-practice`);
};
