import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { openingsChangeSchema } from '$lib/contract/openings-change.ts';
import { changeOpenings, removedOpenings } from '$lib/server/services/openings-change.ts';
import { errorsWords } from '$words/contract.ts';
import { openingsWords } from '$words/openings.ts';
import { error, json } from '@sveltejs/kit';

/** Five hundred openings with long names. */
const LARGEST_bytes = 2 * 1024 * 1024;

/** Openings that were removed and can be put back. */
export const GET = async ({ params }) =>
  json(
    { openings: await removedOpenings(database(), params.job) },
    { headers: { 'cache-control': 'no-store' } },
  );

/** Adds, changes, removes and puts back openings: all of it or nothing. */
export const POST = async ({ params, request, locals }) => {
  const change = await readBody(request, openingsChangeSchema, LARGEST_bytes);
  const changed = await changeOpenings(database(), params.job, change, locals.person?.id ?? null);
  if (!changed) error(404, errorsWords.noJob);
  if (!changed.ok) error(409, openingsWords.refused[changed.because](changed.marks.slice(0, 8).join(', ')));
  return json({ versions: changed.versions });
};
