import { database } from '$lib/server/db/index.ts';
import { json } from '@sveltejs/kit';
import { sql } from 'drizzle-orm';

export const GET = async () => {
  try {
    await database().execute(sql`select 1`);
    return json({ server: 'up', database: 'up' });
  } catch {
    return json({ server: 'up', database: 'down' }, { status: 503 });
  }
};
