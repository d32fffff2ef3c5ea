import { database } from '$lib/server/db/index.ts';
import { toldBy } from '$lib/server/services/told.ts';

export const load = async ({ params }) => ({ told: await toldBy(database(), 'sign', params.token) });
