/** What is over goes: sessions, tries, deleted jobs, what was done beside the server. Once an hour, by whichever server is first. */
import { lt, sql } from 'drizzle-orm';
import { inTransaction, type Database } from './db/index.ts';
import { packages, tasks } from './db/schema/index.ts';
import { log } from './log.ts';
import { purgeSessions } from './services/accounts.ts';
import { purgeJobs } from './services/jobs.ts';
import { forgetOldTries } from './services/tries.ts';

const HOUR_ms = 3_600_000;
/** A number of its own among the locks of the database. */
const KEEPING_HOUSE = 4_851_022;

export async function keepHouse(db: Database): Promise<void> {
  await inTransaction(db, async (tx) => {
    const { rows } = await tx.execute<{ first: boolean }>(
      sql`select pg_try_advisory_xact_lock(${KEEPING_HOUSE}) as first`,
    );
    if (!rows[0]?.first) return;
    await purgeSessions(db);
    await forgetOldTries(db);
    await purgeJobs(db);
    await db.delete(packages).where(lt(packages.at, sql`now() - interval '1 day'`));
    await db.delete(tasks).where(lt(tasks.at, sql`now() - interval '1 day'`));
  });
}

export function keepHouseHourly(db: Database): void {
  const keep = () =>
    keepHouse(db).catch((error: unknown) => log.error({ error }, 'what is over was not taken out'));
  setInterval(() => void keep(), HOUR_ms).unref();
  void keep();
}
