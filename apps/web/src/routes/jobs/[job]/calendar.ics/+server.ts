import { database } from '$lib/server/db/index.ts';
import { calendarAnswer, calendarOf } from '$lib/server/services/feed.ts';
import { error } from '@sveltejs/kit';

export const GET = async ({ params, locals }) => {
  if (!locals.person) error(401);
  return calendarAnswer(await calendarOf(database(), params.job, locals.person.id), `${params.job}.ics`);
};
