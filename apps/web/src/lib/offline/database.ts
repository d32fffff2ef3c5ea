/** What this device keeps: the jobs it was shown, and everything entered here that the server has not taken yet. */
import type { Me, Pack } from '$lib/pack.ts';
import type { Entry, Reading } from '@hulvek/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

type Unsigned<Item> = Omit<Item, 'person'>;

interface Waiting {
  /** Order of entry on this device. */
  readonly seq?: number;
  readonly id: string;
  readonly job: string;
  readonly opening: string;
  /** Whose entry it is: it is sent only while this person is signed in. */
  readonly by: Me;
  /** Why the server would not take it; empty while it waits. */
  readonly refusal: string;
}

export type OutboxItem =
  | (Waiting & { readonly type: 'reading'; readonly record: Unsigned<Reading> })
  | (Waiting & { readonly type: 'entry'; readonly record: Unsigned<Entry> })
  | (Waiting & { readonly type: 'photo'; readonly record: Unsigned<Entry>; readonly picture: Blob });

interface Schema extends DBSchema {
  packs: { key: string; value: { job: string; pack: Pack } };
  outbox: { key: number; value: OutboxItem; indexes: { id: string } };
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

export const keptPack = async (job: string): Promise<Pack | null> =>
  (await (await database()).get('packs', job))?.pack ?? null;

export const keepPack = async (job: string, pack: Pack): Promise<void> => {
  await (await database()).put('packs', { job, pack });
};

/** The jobs that can be opened here without a network. */
export const keptJobs = async (): Promise<{ id: string; name: string; at: string }[]> =>
  (await (await database()).getAll('packs')).map(({ job, pack }) => ({
    id: job,
    name: pack.context.job.name,
    at: pack.at,
  }));

export const forgetPack = async (job: string): Promise<void> => (await database()).delete('packs', job);

/** When somebody signs out, jobs leave the device; what was not sent stays. */
export const forgetPacks = async (): Promise<void> => (await database()).clear('packs');

export const waitingItems = async (): Promise<OutboxItem[]> => (await database()).getAll('outbox');

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
