import { database } from '$lib/server/db/index.ts';
import { cancelRun, runOf, startRun } from '$lib/server/heat/runs.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';

/** How far the newest run is, and what it has solved. */
export const GET = async ({ params }) => json(await runOf(database(), params.job));

/** Starts a run, unless one is at work already. */
export const POST = async ({ params, locals }) => {
  if (!locals.person) error(401, errorsWords.signedOut);
  await startRun(database(), params.job, locals.person.id);
  return json(await runOf(database(), params.job), { status: 202 });
};

/** Cancels what is at work; what is solved stays. */
export const DELETE = async ({ params }) => {
  await cancelRun(database(), params.job);
  return json(await runOf(database(), params.job));
};
