import { database } from '$lib/server/db/index.ts';
import { endFeed, makeFeed } from '$lib/server/services/feed.ts';
import { error, json } from '@sveltejs/kit';

/** Makes a link to one's own calendar; it is shown once. */
export const POST = async ({ params, locals }) => {
  if (!locals.person) error(401);
  return json({ path: `/feeds/${await makeFeed(database(), params.job, locals.person.id)}.ics` });
};

export const DELETE = async ({ params, locals }) => {
  if (!locals.person) error(401);
  await endFeed(database(), params.job, locals.person.id);
  return json({ path: null });
};
