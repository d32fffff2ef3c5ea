/**
 * Two hundred people on one job of two hundred openings, client and server on the same cores: an open loop, in which nobody
 * waits for the answer to somebody else. Prints ratios to the same sends made alone. `./hulvek bench load [SECONDS]`
 */
import { spawn } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import http from 'node:http';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { availableParallelism } from 'node:os';
import pg from 'pg';

const WEB = join(import.meta.dirname, '../apps/web');
const PEOPLE = 200;
const OPENINGS = 200;
const SECONDS = Number(process.argv[2] ?? 60);
const ALONE = 200;
/** Arrivals a second, of all people together. */
const ASKED = { note: 115, reading: 35, tick: 10, changes: 2, pack: 0.2, page: 2, poll: 4 };
/** A share of it, to find out what holds. */
const SHARE = Number(process.argv[3] ?? 1);
const RATES = Object.fromEntries(Object.entries(ASKED).map(([kind, rate]) => [kind, rate * SHARE]));

const server = process.env.TEST_DATABASE_URL ?? process.env.DATABASE_URL;
if (!server) throw new Error('TEST_DATABASE_URL is not set: run ./hulvek bench load');
const say = (text) => process.stdout.write(`${text}\n`);
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const freePort = () =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

const name = `hulvek_load_${randomBytes(6).toString('hex')}`;
const admin = new pg.Client({ connectionString: server });
await admin.connect();
await admin.query(`create database ${name}`);
const url = new URL(server);
url.pathname = `/${name}`;
const port = await freePort();
const base = `http://127.0.0.1:${port}`;
const child = spawn(process.execPath, ['build/workers/serve.js'], {
  cwd: WEB,
  env: {
    ...process.env,
    DATABASE_URL: url.toString(),
    PORT: String(port),
    HOST: '127.0.0.1',
    ORIGIN: base,
    LOG_LEVEL: 'error',
    BODY_SIZE_LIMIT: '20M',
    HULVEK_BENCH: '1',
  },
  stdio: ['ignore', 'ignore', 'inherit'],
});
const agent = new http.Agent({ keepAlive: true, maxSockets: 400 });

/** One request; resolves with its status, its body and how long it took. */
function ask(method, path, { session, body, own = false, type = 'application/json' } = {}) {
  return new Promise((resolve, reject) => {
    const started = performance.now();
    const headers = { origin: base, host: `127.0.0.1:${port}` };
    if (session) headers.cookie = `hulvek_session=${session}`;
    if (body) Object.assign(headers, { 'content-type': type, 'content-length': Buffer.byteLength(body) });
    const request = http.request(
      { port, host: '127.0.0.1', method, path, headers, agent: own ? false : agent },
      (response) => {
        const chunks = [];
        response.on('data', (chunk) => chunks.push(chunk));
        response.on('end', () =>
          resolve({
            status: response.statusCode,
            headers: response.headers,
            text: Buffer.concat(chunks).toString(),
            ms: performance.now() - started,
          }),
        );
      },
    );
    request.on('error', reject);
    request.end(body);
  });
}

/** Time of all cores, and how much of it whatever runs beside this machine took away. */
function cpuTimes() {
  const [, ...times] = readFileSync('/proc/stat', 'utf8').split('\n')[0].split(/\s+/).map(Number);
  return { all: times.slice(0, 8).reduce((sum, one) => sum + one, 0), stolen: times[7] ?? 0 };
}

const percentile = (list, share) => {
  const sorted = list.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
};

try {
  for (let i = 0; i < 200; i++) {
    const up = await ask('GET', '/health').catch(() => null);
    if (up?.status === 200) break;
    await wait(100);
  }
  const db = new pg.Client({ connectionString: url.toString() });
  await db.connect();

  // The demo's openings again and again, each with a frozen plan of its own.
  await db.query(`insert into jobs (id, document, walls, units, methods, materials)
    select 'load', jsonb_set(document, '{id}', '"load"'), walls, units, methods, materials from jobs where id = 'skarv-point'`);
  await db.query(
    `with plan as (select * from plan_issues where job_id = 'skarv-point' order by opening_id, version limit 1),
      made as (insert into openings (job_id, id, position, version)
        select 'load', 'o-' || n, n, 1 from generate_series(1, $1::int) n returning id, position)
    insert into opening_versions (job_id, opening_id, version, document)
      select 'load', made.id, 1, jsonb_set(jsonb_set(plan.document -> 'opening', '{id}', to_jsonb(made.id)),
        '{survey}', jsonb_build_object('from', plan.document #> '{opening,survey,from}')) from made, plan`,
    [OPENINGS],
  );
  await db.query(
    `insert into plan_issues (job_id, opening_id, version, document)
      select 'load', 'o-' || n, 1, jsonb_set(p.document, '{opening,id}', to_jsonb('o-' || n))
      from generate_series(1, $1::int) n,
        (select * from plan_issues where job_id = 'skarv-point' order by opening_id, version limit 1) p`,
    [OPENINGS],
  );
  const steps = (
    await db.query(`select s ->> 'id' id from plan_issues, jsonb_array_elements(document -> 'steps') s
      where job_id = 'load' and opening_id = 'o-1'`)
  ).rows.map(({ id }) => id);
  const people = [];
  for (let i = 0; i < PEOPLE; i++) {
    const session = randomBytes(32).toString('base64url');
    const { rows } = await db.query(
      `insert into users (email, name, password_hash) values ($1, $2, 'none') returning id`,
      [`p${i}@load.invalid`, `Person ${i}`],
    );
    await db.query(`insert into members (job_id, user_id, role) values ('load', $1, 'lead')`, [rows[0].id]);
    await db.query(
      `insert into sessions (token_hash, user_id, expires_at) values ($1, $2, now() + interval '1 day')`,
      [createHash('sha256').update(session).digest('hex'), rows[0].id],
    );
    people.push({ session, opening: `o-${(i % OPENINGS) + 1}`, device: randomUUID(), count: 0, step: 0 });
  }

  const record = (person, kind) => {
    const at = new Date().toISOString();
    const envelope = { device: person.device, count: ++person.count, app: 'bench' };
    if (kind === 'reading')
      return {
        type: 'reading',
        record: {
          id: randomUUID(),
          opening: person.opening,
          point: 'widthTop',
          from: 'outside',
          value: { typed: '900 mm', mm: 900 },
          replaces: [],
          instrument: 'tape',
          at,
          ...envelope,
        },
      };
    const step = kind === 'tick' ? steps[person.step++ % 2] : steps[0];
    const own = {
      id: randomUUID(),
      opening: person.opening,
      issue: 1,
      kind,
      step,
      undoes: null,
      note: 'seen',
    };
    return { type: 'entry', record: { ...own, at, ...envelope } };
  };
  const bodyOf = (person, kind) =>
    JSON.stringify({ sentAt: new Date().toISOString(), records: [record(person, kind)] });
  const send = (person, kind, own = false) =>
    ask('POST', '/api/jobs/load/records', { session: person.session, body: bodyOf(person, kind), own });

  // As after the first hour of a day: every process has met every opening. A connection of its own may come to either.
  for (let round = 0; round < 2; round++) for (const person of people) await send(person, 'note', true);
  const alone = [];
  for (let i = 0; i < ALONE; i++) alone.push((await send(people[i % PEOPLE], 'note')).ms);
  const alone_ms = percentile(alone, 0.5);
  say(`alone: median of ${ALONE} sends ${alone_ms.toFixed(1)} ms, ${availableParallelism()} cores`);

  /** What the processes say of themselves: every one of them is met sooner or later. */
  const watch = async (reset) => {
    const seen = new Map();
    for (let i = 0; i < 40 && seen.size < availableParallelism(); i++) {
      const { text } = await new Promise((resolve, reject) => {
        // A connection of its own: the next one may come to another process.
        http
          .get(`${base}/metrics${reset ? '?reset' : ''}`, { agent: false }, (response) => {
            let all = '';
            response.on('data', (part) => (all += part));
            response.on('end', () => resolve({ text: all }));
          })
          .on('error', reject);
      });
      const value = (what) => Number(new RegExp(`^${what} (.*)$`, 'm').exec(text)?.[1]);
      if (!seen.has(value('hulvek_process')))
        seen.set(value('hulvek_process'), {
          heap: value('hulvek_heap_bytes'),
          p999: value('hulvek_loop_delay_seconds_p999') * 1000,
          max: value('hulvek_loop_delay_seconds_max') * 1000,
          pages: value('hulvek_pages_open'),
        });
    }
    return [...seen.values()];
  };

  // Everybody has opened the job: each process has written it down once.
  let revision = 0;
  for (let i = 0; i < 6; i++) {
    const { text } = await ask('GET', '/api/jobs/load/pack', { ...people[i], own: true });
    revision = Math.max(revision, Number(/"revision":(\d+)/.exec(text)?.[1] ?? 0));
  }
  const heard = { messages: 0, bytes: 0, records: 0 };
  const lines = people.map(({ session }) => {
    const request = http.get({
      port,
      host: '127.0.0.1',
      path: '/api/jobs/load/changes',
      headers: { cookie: `hulvek_session=${session}` },
      agent: false,
    });
    request.on('error', () => undefined);
    request.on('response', (response) =>
      response.on('data', (chunk) => {
        heard.messages += 1;
        heard.bytes += chunk.length;
      }),
    );
    return request;
  });
  await wait(1500);
  await watch(true);
  const before = await watch(false);

  const took = { send: [], changes: [], pack: [], page: [], poll: [] };
  const outcome = { accepted: 0, refused: 0, later: 0, cut: 0, failed: 0, asked: 0 };
  const pending = new Set();
  const start = (work) => {
    const job = work().catch(() => (outcome.failed += 1));
    pending.add(job);
    void job.finally(() => pending.delete(job));
  };
  const doOne = async (kind, due) => {
    const person = people[Math.floor(Math.random() * PEOPLE)];
    const done = (list, { status }) => {
      list.push(performance.now() - due);
      if (status >= 500) outcome.failed += 1;
    };
    switch (kind) {
      case 'note':
      case 'reading':
      case 'tick': {
        outcome.asked += 1;
        const body = bodyOf(person, kind);
        const sendOnce = () => ask('POST', '/api/jobs/load/records', { session: person.session, body });
        for (;;) {
          // A connection that is closed in the moment it is used: the same records are sent again, as by every device.
          const answer = await sendOnce().catch(() => null);
          if (!answer) {
            outcome.cut += 1;
            continue;
          }
          if (answer.status === 503) {
            outcome.later += 1;
            await wait(Number(answer.headers['retry-after'] ?? 1) * 1000 * (1 + Math.random()));
            continue;
          }
          took.send.push(performance.now() - due);
          if (answer.status !== 200) outcome.failed += 1;
          else if (JSON.parse(answer.text).answers[0].ok) outcome.accepted += 1;
          else outcome.refused += 1;
          return;
        }
      }
      case 'changes':
        return done(
          took.changes,
          await ask('GET', `/api/jobs/load/pack?since=${Math.max(0, revision)}`, person).then((answer) => {
            revision = Math.max(revision, Number(/"revision":(\d+)/.exec(answer.text)?.[1] ?? 0));
            return answer;
          }),
        );
      case 'pack':
        return done(took.pack, await ask('GET', '/api/jobs/load/pack', person));
      case 'page':
        return done(took.page, await ask('GET', '/jobs', person));
      default:
        return done(took.poll, await ask('GET', '/api/me', person));
    }
  };
  const cpuBefore = cpuTimes();
  const began = performance.now();
  // A run of ten minutes says how the heap of its second minute has grown.
  const early = SECONDS > 180 ? wait(120_000).then(() => watch(false)) : Promise.resolve(null);
  const clocks = Object.entries(RATES).map(async ([kind, rate]) => {
    let due = began;
    while (due - began < SECONDS * 1000) {
      due += (-Math.log(1 - Math.random()) / rate) * 1000;
      const left = due - performance.now();
      if (left > 0) await wait(left);
      const planned = due;
      start(() => doOne(kind, planned));
    }
  });
  await Promise.all(clocks);
  await Promise.all(pending);
  const lasted_s = (performance.now() - began) / 1000;
  const cpuAfter = cpuTimes();
  const stolen = (cpuAfter.stolen - cpuBefore.stolen) / (cpuAfter.all - cpuBefore.all);
  const after = await watch(false);
  for (const line of lines) line.destroy();

  const ratio = (ms) => `× ${(ms / alone_ms).toFixed(1)}`;
  const [median, p99] = [percentile(took.send, 0.5), percentile(took.send, 0.99)];
  say(
    `${PEOPLE} people, ${OPENINGS} openings, ${lasted_s.toFixed(0)} s, arrivals a second ${JSON.stringify(RATES)}`,
  );
  say(`of the cores' time ${(stolen * 100).toFixed(0)} % went to other machines on the same hardware`);
  say(
    `sends: median ${median.toFixed(1)} ms (${ratio(median)} alone), p99 ${p99.toFixed(1)} ms (${ratio(p99)} alone)`,
  );
  say(
    `accepted ${(outcome.accepted / lasted_s).toFixed(0)} a second; refused by a rule ${outcome.refused}, told to come later ${outcome.later}, cut off ${outcome.cut}, failed ${outcome.failed}`,
  );
  for (const [what, list] of Object.entries(took))
    if (what !== 'send' && list.length > 0)
      say(
        `${what}: ${list.length}, median ${ratio(percentile(list, 0.5))} alone, p99 ${ratio(percentile(list, 0.99))}`,
      );
  say(
    `live: ${(heard.messages / PEOPLE / lasted_s).toFixed(1)} messages a second and page, ${(heard.bytes / 1e6).toFixed(0)} MB`,
  );
  say(
    `loop delay of ${after.length} processes: p99.9 ${after.map((p) => p.p999.toFixed(0)).join(', ')} ms, longest ${after.map((p) => p.max.toFixed(0)).join(', ')} ms`,
  );
  say(
    `heap after collection: ${before.map((p) => (p.heap / 1e6).toFixed(0)).join(', ')} → ${after.map((p) => (p.heap / 1e6).toFixed(0)).join(', ')} MB`,
  );

  const second = await early;
  if (second) {
    const sum = (list) => list.reduce((all, { heap }) => all + heap, 0) / 1e6;
    say(
      `heap after collection, all processes: minute 2 ${sum(second).toFixed(0)} MB, end ${sum(after).toFixed(0)} MB`,
    );
  }

  // A phone that was away for long: ten thousand entries, in its own order, in parts.
  const phone = people[0];
  const many = Array.from({ length: 10_000 }, (_, i) => {
    const one = record(phone, 'note');
    return { ...one, record: { ...one.record, opening: `o-${(i % OPENINGS) + 1}` } };
  });
  const syncing = performance.now();
  let taken = 0;
  for (let at = 0; at < many.length;) {
    const size = [1, 7, 50, 200, 500][at % 5];
    const body = JSON.stringify({ sentAt: new Date().toISOString(), records: many.slice(at, at + size) });
    const answer = await ask('POST', '/api/jobs/load/records', { session: phone.session, body });
    if (answer.status !== 200) throw new Error(`sync: ${answer.status} ${answer.text}`);
    taken += JSON.parse(answer.text).answers.filter(({ ok }) => ok).length;
    // Every tenth part is sent twice, as after a cut.
    if (at % 10 === 0) await ask('POST', '/api/jobs/load/records', { session: phone.session, body });
    at += size;
  }
  const synced_s = (performance.now() - syncing) / 1000;
  const { rows } = await db.query(
    `select count(*)::int n, count(distinct id)::int d from entries where device = $1`,
    [phone.device],
  );
  say(
    `sync of ${many.length} entries: ${synced_s.toFixed(1)} s, ${((synced_s * 1000) / many.length).toFixed(2)} ms an entry, taken ${taken}, stored ${rows[0].n} once each: ${rows[0].n === rows[0].d}`,
  );
  await db.end();
} finally {
  child.kill('SIGTERM');
  await new Promise((resolve) => {
    child.once('exit', resolve);
    setTimeout(resolve, 25_000).unref();
  });
  await admin.query(`drop database ${name} with (force)`);
  await admin.end();
}
