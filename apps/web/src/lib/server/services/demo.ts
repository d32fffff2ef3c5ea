/** Fills an empty database with the demo jobs and their people. */
import { quinceCourt, skarvPoint, tanneryRow, type JobFile } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import type { Database } from '../db/index.ts';
import type { Role } from '$lib/contract/rights.ts';
import { createUser, userByEmail } from './accounts.ts';
import { countJobs, importJob } from './jobs.ts';
import { setMember } from './people.ts';

/** Printed by ./hulvek start; for trying things out only. */
export const DEMO_PASSWORD = 'level-and-plumb';
export const DEMO_PEOPLE: readonly { email: string; name: string; role: Role }[] = [
  { email: 'ines@demo.invalid', name: 'Ines Kallas', role: 'owner' },
  { email: 'tove@demo.invalid', name: 'Tove Aas', role: 'lead' },
  { email: 'jonas@demo.invalid', name: 'Jonas Myhr', role: 'installer' },
  { email: 'maret@demo.invalid', name: 'Maret Ounas', role: 'inspector' },
  { email: 'eilif@demo.invalid', name: 'Eilif Torp', role: 'viewer' },
];

const demoJobs = (): JobFile[] => [skarvPoint(), tanneryRow(), quinceCourt()];

async function addDemo(db: Database): Promise<void> {
  const people = [];
  for (const { email, name, role } of DEMO_PEOPLE) {
    const id =
      (await createUser(db, { email, name, password: DEMO_PASSWORD, keepsShelf: role === 'owner' })) ??
      (await userByEmail(db, email));
    if (id) people.push({ id, name, role });
  }
  const accounts = new Map(people.map(({ id, name }) => [name, id]));
  for (const file of demoJobs()) {
    await importJob(db, file, { user: null, file: '', accounts });
    for (const { id, role } of people) await setMember(db, file.job.id, id, role);
  }
}

export async function loadDemoIfEmpty(db: Database): Promise<void> {
  if ((await countJobs(db)) === 0) await addDemo(db);
}

/** Puts the demo jobs back as they were; other jobs and accounts stay. */
export async function resetDemo(db: Database): Promise<void> {
  for (const { job } of demoJobs()) await db.execute(sql`delete from jobs where id = ${job.id}`);
  await addDemo(db);
}
