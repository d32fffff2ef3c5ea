// Kills the server or the database at random moments while three clients write field entries. At the end every entry
// that was acknowledged must be stored, once, and nothing else. Usage: node scripts/crash-trials.mjs TRIALS
import { execFile, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { promisify } from 'node:util';
import pg from 'pg';

const trials = Number(process.argv[2] ?? 1000);
const { CRASH_ROOT: root, CRASH_STATE: state, CRASH_DIR: dir, CRASH_URL: url } = process.env;
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
  server = spawn(process.execPath, ['build/index.js'], {
    cwd: join(root, 'apps/web'),
    env: {
      ...process.env,
      DATABASE_URL: url,
      PORT: port,
      HOST: '127.0.0.1',
      ORIGIN: base,
      LOG_LEVEL: 'silent',
    },
    stdio: 'ignore',
  });
  await answering();
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
let stop = false;
let retries = 0;

/** Writes one entry after the other; one without an answer is sent again, with its own id, until it has one. */
async function client(opening) {
  while (!stop) {
    const id = randomUUID();
    sent.add(id);
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
const killed = { server: 0, database: 0 };
for (let trial = 1; trial <= trials; trial++) {
  await Promise.race([sleep(20 + roll() * 150), ...clients]);
  if (roll() < 0.5) {
    killed.server++;
    server.kill('SIGKILL');
    await startServer();
  } else {
    killed.database++;
    await shell(`kill_cluster ${dir}`);
    await startDatabase();
    await answering();
  }
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
server.kill();

const stored = new Set(rows.map((row) => row.id));
const lost = [...acknowledged].filter((id) => !stored.has(id));
const unknown = [...stored].filter((id) => !acknowledged.has(id));
const doubled = rows.filter((row) => row.n > 1);
console.log(settings.map((s) => s.line).join(', '));
console.log(`${trials} trials: server killed ${killed.server}, database ${killed.database} times`);
console.log(
  `${sent.size} sent, ${acknowledged.size} acknowledged, ${stored.size} stored, ${retries} sent again`,
);
console.log(
  `${lost.length} lost, ${unknown.length} stored without an answer, ${doubled.length} stored twice`,
);
process.exit(lost.length + unknown.length + doubled.length === 0 && acknowledged.size > trials ? 0 : 1);
