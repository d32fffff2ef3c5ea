import { database } from '$lib/server/db/index.ts';
import { calendarAnswer, feedOf } from '$lib/server/services/feed.ts';

/** Somebody's own work for another program: by the link alone. What has ended is empty, so that it is taken out there. */
export const GET = async ({ params }) =>
  calendarAnswer(await feedOf(database(), params.token.replace(/\.ics$/, '')));
