/** What this device keeps: the jobs it was shown, and everything entered here that the server has not taken yet. */
import { packSchema, type Pack } from '$lib/contract/pack.ts';
import { outboxItemSchema, type OutboxItem } from '$lib/contract/records.ts';
import { readBy } from '@hulvek/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import * as z from 'zod/mini';

export type { OutboxItem };

/** What stands in it is not known before it is read: an older version of this program may have written it. */
interface Schema extends DBSchema {
  packs: { key: string; value: unknown };
  outbox: { key: number; value: unknown; indexes: { id: string } };
}

const NAME = 'hulvek';
let opened: Promise<IDBPDatabase<Schema>> | undefined;

const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('packs', { keyPath: 'job' });
      db.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true }).createIndex('id', 'id');
    },
  }));

const keptSchema = z.object({ job: z.string(), pack: packSchema });

/** `null` where there is none, or none that can be read any more: the server then has to be asked. */
export async function keptPack(job: string): Promise<Pack | null> {
  const kept = readBy(keptSchema, await (await database()).get('packs', job));
  return kept.ok ? kept.value.pack : null;
}

export const keepPack = async (job: string, pack: Pack): Promise<void> => {
  await (await database()).put('packs', { job, pack });
};

/** The jobs that can be opened here without a network. */
export const keptJobs = async (): Promise<{ id: string; name: string; at: string }[]> =>
  (await (await database()).getAll('packs')).flatMap((value) => {
    const kept = readBy(namesSchema, value);
    if (!kept.ok) return [];
    const { job, pack } = kept.value;
    return [{ id: job, name: pack.context.job.name, at: pack.at }];
  });

/** Every pack that can still be read. */
export const keptPacks = async (): Promise<Pack[]> =>
  (await (await database()).getAll('packs')).flatMap((value) => {
    const kept = readBy(keptSchema, value);
    return kept.ok ? [kept.value.pack] : [];
  });

/** As little of a pack as a list of jobs needs. */
const namesSchema = z.object({
  job: z.string(),
  pack: z.object({ at: z.string(), context: z.object({ job: z.object({ name: z.string() }) }) }),
});

export const forgetPack = async (job: string): Promise<void> => (await database()).delete('packs', job);

/** When somebody signs out, jobs leave the device; what was not sent stays. */
export const forgetPacks = async (): Promise<void> => (await database()).clear('packs');

/** What cannot be read stays where it is: an earlier or later version of this program may know it. */
export const waitingItems = async (): Promise<OutboxItem[]> =>
  (await (await database()).getAll('outbox')).flatMap((value) => {
    const item = readBy(outboxItemSchema, value);
    return item.ok ? [item.value] : [];
  });

/** Returns once the device has written all of them down: their places in the order of entry. */
export async function keepItems(items: readonly OutboxItem[]): Promise<number[]> {
  const write = (await database()).transaction('outbox', 'readwrite');
  const places = await Promise.all(items.map((item) => write.store.put(item)));
  await write.done;
  return places;
}

export async function dropItems(places: readonly number[]): Promise<void> {
  const write = (await database()).transaction('outbox', 'readwrite');
  await Promise.all(places.map((seq) => write.store.delete(seq)));
  await write.done;
}
