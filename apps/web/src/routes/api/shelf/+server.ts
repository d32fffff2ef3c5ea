import { database } from '$lib/server/db/index.ts';
import { loadShelf } from '$lib/server/services/shelf.ts';
import { json } from '@sveltejs/kit';

export const GET = async () => json({ items: await loadShelf(database()) });
