/**
 * Databases as they stood after each migration that was ever in use, filled by the program of that day, opened by the
 * program of today. Fixtures are kept and read for ever.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { frozenBuild, type JobFile } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Database } from '../src/lib/server/db/index.ts';
import { fillIssues } from '../src/lib/server/services/fill-issues.ts';
import { exportJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { loadIssues } from '../src/lib/server/services/frozen-plans.ts';
import { loadParts, loadVersions } from '../src/lib/server/services/openings.ts';
import { loadShelf } from '../src/lib/server/services/shelf.ts';
import { OwnDatabases } from './own-database.ts';

const FOLDER = join(import.meta.dirname, 'fixtures');
const fixtures = readdirSync(FOLDER).filter((name) => name.endsWith('.sql.gz'));

const BEFORE_NAMES_CHANGED = 'database-after-0008.sql.gz';
const FIRST_WITH_READINGS = 'database-after-0003.sql.gz';

describe.each(fixtures)('%s', (fixture) => {
  const databases = new OwnDatabases();
  let db: Database;
  const before = { jobs: [] as string[], openings: 0, entries: 0, figures: 0 };

  beforeAll(async () => {
    const url = await databases.empty();
    const loader = await databases.client(url);
    await loader.query(gunzipSync(readFileSync(join(FOLDER, fixture))).toString());
    await loader.query('set search_path = public');
    const count = async (query: string) =>
      Number((await loader.query<{ count: string }>(query)).rows[0]?.count);
    const { rows } = await loader.query<{ id: string }>('select id from jobs order by id');
    before.jobs = rows.map(({ id }) => id);
    before.openings = await count('select count(*) from openings');
    before.entries = await count('select count(*) from entries');
    before.figures = await count(
      fixture < FIRST_WITH_READINGS
        ? `select count(*) from openings, jsonb_object_keys(document #> '{survey,values}')`
        : 'select count(*) from readings',
    );
    // A choice under the name it had before.
    if (fixture === BEFORE_NAMES_CHANGED) {
      await loader.query(
        `insert into opening_versions (job_id, opening_id, version, document)
         select job_id, opening_id, 2, jsonb_set(document, '{choices}', '{"pan": "stretch"}')
         from opening_versions where opening_id = 'skarv-s-03'`,
      );
      await loader.query(`update openings set version = 2 where id = 'skarv-s-03'`);
    }
    db = await databases.migrated(url);
  });
  afterAll(() => databases.drop());

  it('every document in it is read, and nothing is missing', async () => {
    const jobs = await db.execute<{ id: string }>(sql`select id from jobs order by id`);
    expect(jobs.rows.map(({ id }) => id)).toEqual(before.jobs);
    const files = await Promise.all(before.jobs.map((id) => exportJob(db, id)));
    const sum = (of: (file: JobFile) => number) => files.reduce((n, file) => n + (file ? of(file) : NaN), 0);
    expect(sum(({ openings }) => openings.length)).toBe(before.openings);
    expect(sum(({ records }) => records.entries.length)).toBe(before.entries);
    expect(before.figures).toBeGreaterThan(50);
    expect(sum(({ records }) => records.readings.length)).toBe(before.figures);
  });

  it.runIf(fixture === BEFORE_NAMES_CHANGED)('an older name is read as the present one', async () => {
    const parts = await loadParts(db, 'skarv-point', 'skarv-s-03');
    expect(parts[0]?.document.choices).toEqual({ pan: 'stretched' });
    expect(await loadVersions(db, 'skarv-point', 'skarv-s-03')).toHaveLength(2);
    expect((await loadShelf(db)).length).toBeGreaterThan(10);
  });

  it('its frozen plans get the wall that was cut, once, with the steps they were ticked under', async () => {
    const before = await loadParts(db, 'skarv-point');
    const bare = before.flatMap(({ issues }) => issues).filter((issue) => !issue.build);
    expect(await fillIssues(db)).toBe(bare.length);
    expect(await fillIssues(db)).toBe(0);
    const context = await loadContext(db, 'skarv-point');
    if (!context) throw new Error('no job');
    const [begun] = before.filter(({ entries }) => entries.length > 0);
    const [issue] = await loadIssues(db, 'skarv-point', begun?.document.id ?? '');
    expect(issue?.build).toBeDefined();
    const steps = issue && frozenBuild(issue, context.job)?.build.steps;
    expect(steps?.map(({ id, hash }) => ({ id, hash }))).toEqual(issue?.steps);
  });
});
