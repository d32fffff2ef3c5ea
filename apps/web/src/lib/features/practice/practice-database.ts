/** Where this device keeps practice: apart from what jobs keep, so that one does not wait for the other. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What stands in it is not known before it is read: an older version of this program may have written it. */
interface Schema extends DBSchema {
  waiting: { key: string; value: unknown; indexes: { by: string } };
  known: { key: string; value: unknown };
}

const NAME = 'hulvek-practice';
let opened: Promise<IDBPDatabase<Schema>> | undefined;

export const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('waiting', { keyPath: 'id' }).createIndex('by', 'by');
      db.createObjectStore('known');
    },
  }));

/** When somebody signs out: what was sent leaves the device, what was not stays until it is. */
export const forgetPractice = async (): Promise<void> => (await database()).clear('known');
