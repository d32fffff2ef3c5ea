import { database } from '$lib/server/db/index.ts';
import { loadVersions } from '$lib/server/services/openings.ts';
import { json } from '@sveltejs/kit';

/** Every version of what was chosen for an opening. */
export const GET = async ({ params }) =>
  json({ versions: await loadVersions(database(), params.job, params.opening) });
