/**
 * The server on as many processes as there are cores: one port, one database, and whatever dies is started again. On SIGTERM
 * every process ends what it has begun, then all are gone.
 */
import cluster from 'node:cluster';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { frontOf, openFront } from './front.ts';

const wanted = Number(process.env.HULVEK_PROCESSES ?? availableParallelism());
const processes = Number.isInteger(wanted) && wanted > 0 ? wanted : 1;
/** One that dies at once is not started again in a loop, ms. */
const LEAST_LIFE_ms = 2000;
/** After this whoever has not ended is ended, ms. */
const PATIENCE_ms = 35_000;

cluster.setupPrimary({ exec: fileURLToPath(new URL('../index.js', import.meta.url)) });

let ending = false;
const born = new Map<number, number>();

function start(): void {
  const { id } = cluster.fork();
  born.set(id, Date.now());
}

cluster.on('exit', ({ id }, code, signal) => {
  const lived = Date.now() - (born.get(id) ?? 0);
  born.delete(id);
  if (ending) {
    if (born.size === 0) process.exit(0);
    return;
  }
  process.stderr.write(
    `${JSON.stringify({ msg: 'a server process ended', code, signal, lived_ms: lived })}\n`,
  );
  setTimeout(start, Math.max(0, LEAST_LIFE_ms - lived));
});

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => {
    if (ending) return;
    ending = true;
    for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill('SIGTERM');
    setTimeout(() => process.exit(1), PATIENCE_ms).unref();
  });

const front = frontOf(process.env);
if (front) await openFront(front);
for (let i = 0; i < processes; i++) start();
