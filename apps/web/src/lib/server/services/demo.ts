/** Fills an empty database with the demo job and its people. */
import { skarvPoint } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import type { Database } from '../db/index.ts';
import { createUser } from './accounts.ts';
import { importJob, listJobs } from './jobs.ts';

/** Printed by ./hulvek start; for trying things out only. */
export const DEMO_PASSWORD = 'level-and-plumb';
export const DEMO_PEOPLE = [
  { email: 'ines@demo.invalid', name: 'Ines Kallas' },
  { email: 'tove@demo.invalid', name: 'Tove Aas' },
];

export async function loadDemoIfEmpty(db: Database): Promise<void> {
  if ((await listJobs(db)).length > 0) return;
  for (const person of DEMO_PEOPLE) await createUser(db, { ...person, password: DEMO_PASSWORD });
  await importJob(db, skarvPoint());
}

/** Puts the demo job back as it was; other jobs and accounts stay. */
export async function resetDemo(db: Database): Promise<void> {
  await db.execute(sql`delete from jobs where id = ${skarvPoint().job.id}`);
  for (const person of DEMO_PEOPLE) await createUser(db, { ...person, password: DEMO_PASSWORD });
  await importJob(db, skarvPoint());
}
