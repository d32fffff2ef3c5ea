/** A server of the build on a free port with a database of its own: each worker of the interface tests has one. */
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

async function healthy(base: string): Promise<void> {
  const until = Date.now() + 30_000;
  while (Date.now() < until) {
    const up = await fetch(`${base}/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not come up');
}

export interface Served {
  readonly base: string;
  readonly database: string;
  /** Process of the server. */
  readonly pid: number | undefined;
  stop(): Promise<void>;
}

/** Serves the build with a database that is its own, until it is stopped. */
export async function serve(): Promise<Served> {
  const server = process.env.TEST_DATABASE_URL ?? process.env.DATABASE_URL;
  if (!server) throw new Error('TEST_DATABASE_URL is not set: run the tests with ./hulvek test');
  const name = `hulvek_interface_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: server });
  // The database may be ended before this run is: then there is nothing left to drop.
  admin.on('error', () => undefined);
  await admin.connect();
  await admin.query(`create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const child = spawn(process.execPath, ['build/index.js'], {
    cwd: join(import.meta.dirname, '..'),
    env: {
      ...process.env,
      DATABASE_URL: url.toString(),
      PORT: String(port),
      HOST: '127.0.0.1',
      ORIGIN: base,
      LOG_LEVEL: 'warn',
      BODY_SIZE_LIMIT: '20M',
      // A worker that was killed is given up soon.
      HULVEK_HEAT_LEASE_S: '4',
    },
    stdio: 'inherit',
  });
  // A run that is cut off leaves no server behind.
  const end = () => void child.kill();
  process.once('exit', end);
  await healthy(base);
  return {
    base,
    database: url.toString(),
    pid: child.pid,
    stop: async () => {
      process.off('exit', end);
      child.kill();
      await admin.query(`drop database ${name} with (force)`);
      await admin.end();
    },
  };
}
