/** A process that solves heat: `./hulvek worker`, on any machine that reaches the database. */
import { fileURLToPath } from 'node:url';
import { database, migrateDatabase } from '../lib/server/db/index.ts';
import { startHeatWorker } from '../lib/server/heat/worker.ts';

await migrateDatabase(database());

const { stop } = await startHeatWorker(fileURLToPath(new URL('./thread.js', import.meta.url)));
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    void stop().finally(() => process.exit(0));
  });
