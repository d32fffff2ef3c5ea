// Kills one of two server processes, the whole server, or the database at random moments while three clients write field
// entries. At the end every entry that was acknowledged must be stored, once, and nothing else; where one process of two was
// killed, nobody may have met more than a delay. Usage: node scripts/crash-trials.mjs TRIALS
import { execFile, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { promisify } from 'node:util';
import pg from 'pg';

const trials = Number(process.argv[2] ?? 1000);
const { CRASH_ROOT: root, CRASH_STATE: state, CRASH_DIR: dir, CRASH_URL: url } = process.env;
/** As long as a client may wait for the other process at most, ms: what one request may take before it is given up. */
const MOST_WAIT_ms = 10_000;
const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const shell = (script) =>
  promisify(execFile)('bash', ['-c', `. scripts/base.sh; . scripts/database.sh; ${script}`], {
    cwd: root,
    env: {
      ...process.env,
      ROOT: root,
      STATE: state,
      LOGS: join(state, 'logs'),
      DATABASE_PORT: new URL(url).port,
    },
  });

let random = 20261123;
/** Seeded, so that a failing run can be had again as far as timing allows. */
function roll() {
  random = (Math.imul(random, 1664525) + 1013904223) >>> 0;
  return random / 4294967296;
}

const { stdout } = await promisify(execFile)(process.execPath, [
  '-e',
  'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})',
]);
const port = stdout.trim();
const base = `http://127.0.0.1:${port}`;
let server;

async function startServer() {
  server = spawn(process.execPath, ['build/workers/serve.js'], {
    cwd: join(root, 'apps/web'),
    env: {
      ...process.env,
      DATABASE_URL: url,
      PORT: port,
      HOST: '127.0.0.1',
      ORIGIN: base,
      LOG_LEVEL: 'silent',
      HULVEK_PROCESSES: '2',
    },
    stdio: 'ignore',
    // A group of its own, so that all of it can be killed at once.
    detached: true,
  });
  await answering();
}

/** The processes that answer, as the one that watches over them knows them. */
async function processes() {
  const { stdout } = await promisify(execFile)('pgrep', ['-P', String(server.pid)]).catch(() => ({
    stdout: '',
  }));
  return stdout.split('\n').filter(Boolean).map(Number);
}

/** Kills one of two processes and waits until there are two again. */
async function killOne() {
  const all = await processes();
  const victim = all[Math.floor(roll() * all.length)];
  if (victim !== undefined) process.kill(victim, 'SIGKILL');
  for (const until = Date.now() + 60_000; Date.now() < until; await sleep(50)) {
    const now = await processes();
    if (now.length === 2 && !now.includes(victim)) return;
  }
  throw new Error('a process was not started again within a minute');
}

async function answering() {
  for (const until = Date.now() + 60_000; Date.now() < until; await sleep(50)) {
    const up = await fetch(`${base}/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) return;
  }
  throw new Error('the server did not come back within a minute');
}

async function startDatabase() {
  // Children of a killed database may need a moment to notice.
  for (let attempt = 0; ; attempt++) {
    try {
      await shell(`start_cluster ${dir}`);
      return;
    } catch (error) {
      if (attempt > 40) throw error;
      await sleep(250);
    }
  }
}

const post = (path, body, cookie) =>
  fetch(`${base}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base, ...(cookie ? { cookie } : {}) },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(10_000),
  });

async function signIn() {
  const answer = await fetch(`${base}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: base, accept: 'text/html' },
    body: new URLSearchParams({ email: 'ines@demo.invalid', password: 'level-and-plumb' }),
    redirect: 'manual',
  });
  return (answer.headers.get('set-cookie') ?? '').split(';')[0];
}

await startServer();
const cookie = await signIn();
const acknowledged = new Set();
const sent = new Set();
const killed = { process: 0, server: 0, database: 0 };
let stop = false;
let retries = 0;
/** Whether the whole server or the database is being killed. */
let down = false;
let longest_ms = 0;

/** Writes one entry after the other; one without an answer is sent again, with its own id, until it has one. */
async function client(opening) {
  while (!stop) {
    const id = randomUUID();
    sent.add(id);
    const began = Date.now();
    const severe = killed.server + killed.database;
    const entry = {
      id,
      opening,
      issue: 1,
      kind: 'note',
      step: 'check-opening',
      undoes: null,
      at: new Date().toISOString(),
      note: `crash trial ${id}`,
    };
    for (;;) {
      try {
        const records = [{ type: 'entry', record: entry }];
        const body = { sentAt: new Date().toISOString(), records };
        const answer = await post('/api/jobs/skarv-point/records', body, cookie);
        if (answer.ok) {
          const [taken] = (await answer.json()).answers;
          if (!taken.ok) throw new Error(`refused with: ${taken.refusal}`);
          break;
        }
        if (answer.status < 500) throw new Error(`refused with ${answer.status}: ${await answer.text()}`);
      } catch (error) {
        if (String(error).includes('refused with')) throw error;
      }
      retries++;
      await sleep(20);
    }
    acknowledged.add(id);
    // Only what lies whole between harder trials says how long one of two processes is missed.
    if (severe === killed.server + killed.database && !down)
      longest_ms = Math.max(longest_ms, Date.now() - began);
  }
}

const openings = ['skarv-s-01', 'skarv-s-04', 'skarv-w-02'];
for (const opening of openings) {
  const path = `/api/jobs/skarv-point/openings/${opening}/issues`;
  let answer = await post(path, { after: 0 }, cookie);
  // What fails or is not known by now is begun with a reason.
  for (const grade of ['not-checkable', 'fails'])
    if (answer.status === 409)
      answer = await post(path, { after: 0, despite: { grade, reason: 'crash trial' } }, cookie);
  if (answer.status !== 201) throw new Error(`could not freeze ${opening}: ${answer.status}`);
}
const clients = openings.map(client);
for (let trial = 1; trial <= trials; trial++) {
  await Promise.race([sleep(20 + roll() * 150), ...clients]);
  const which = ['process', 'server', 'database'][Math.floor(roll() * 3)];
  killed[which]++;
  down = which !== 'process';
  if (which === 'process') await killOne();
  else if (which === 'server') {
    process.kill(-server.pid, 'SIGKILL');
    await startServer();
  } else {
    await shell(`kill_cluster ${dir}`);
    await startDatabase();
    await answering();
  }
  down = false;
  if (trial % 100 === 0)
    console.log(`${trial} trials, ${acknowledged.size} entries acknowledged, ${retries} sent again`);
}
stop = true;
await Promise.all(clients);

const database = new pg.Client({ connectionString: url });
await database.connect();
const { rows: settings } = await database.query(
  "select name || ' ' || setting as line from pg_settings where name in ('fsync', 'synchronous_commit', 'full_page_writes') order by 1",
);
const { rows } = await database.query(
  "select id::text, count(*)::int as n from entries where note like 'crash trial%' group by id",
);
await database.end();
process.kill(-server.pid, 'SIGTERM');

const stored = new Set(rows.map((row) => row.id));
const lost = [...acknowledged].filter((id) => !stored.has(id));
const unknown = [...stored].filter((id) => !acknowledged.has(id));
const doubled = rows.filter((row) => row.n > 1);
console.log(settings.map((s) => s.line).join(', '));
console.log(
  `${trials} trials: one of two processes killed ${killed.process}, the server ${killed.server}, the database ${killed.database} times`,
);
console.log(`one of two processes missing: an entry waited ${longest_ms} ms at most`);
console.log(
  `${sent.size} sent, ${acknowledged.size} acknowledged, ${stored.size} stored, ${retries} sent again`,
);
console.log(
  `${lost.length} lost, ${unknown.length} stored without an answer, ${doubled.length} stored twice`,
);
const missed = longest_ms > MOST_WAIT_ms;
process.exit(
  lost.length + unknown.length + doubled.length === 0 && acknowledged.size > trials && !missed ? 0 : 1,
);
