import { database } from '$lib/server/db/index.ts';
import { jobRevisions } from '$lib/server/services/jobs.ts';
import { error, json } from '@sveltejs/kit';

/** The jobs of whoever is signed in, and where each stands: what a device keeps of them. */
export const GET = async ({ locals }) => {
  if (!locals.person) error(401);
  const jobs = await jobRevisions(database(), locals.person.id);
  return json({ jobs }, { headers: { 'cache-control': 'no-store' } });
};
