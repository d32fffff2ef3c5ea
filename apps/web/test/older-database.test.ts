/** A database as it stood one day, opened by the program of today. Fixtures are kept and read for ever. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { frozenBuild } from '@hulvek/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Database } from '../src/lib/server/db/index.ts';
import { fillIssues } from '../src/lib/server/services/fill-issues.ts';
import { exportJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { loadIssues, loadParts, loadVersions } from '../src/lib/server/services/openings.ts';
import { loadShelf } from '../src/lib/server/services/shelf.ts';
import { OwnDatabases } from './own-database.ts';

const FOLDER = join(import.meta.dirname, 'fixtures');
const fixtures = readdirSync(FOLDER).filter((name) => name.endsWith('.sql.gz'));

describe.each(fixtures)('%s', (fixture) => {
  const databases = new OwnDatabases();
  let db: Database;

  beforeAll(async () => {
    const url = await databases.empty();
    const loader = await databases.client(url);
    await loader.query(gunzipSync(readFileSync(join(FOLDER, fixture))).toString());
    await loader.query('set search_path = public');
    // A choice under the name it had before.
    await loader.query(
      `insert into opening_versions (job_id, opening_id, version, document)
       select job_id, opening_id, 2, jsonb_set(document, '{choices}', '{"pan": "stretch"}')
       from opening_versions where opening_id = 'skarv-s-03'`,
    );
    await loader.query(`update openings set version = 2 where id = 'skarv-s-03'`);
    db = await databases.migrated(url);
  });
  afterAll(() => databases.drop());

  it('every document in it is read, and an older name is read as the present one', async () => {
    const jobs = await db.execute<{ id: string }>(sql`select id from jobs order by id`);
    expect(jobs.rows.map(({ id }) => id)).toEqual(['skarv-point', 'tannery-row']);
    for (const { id } of jobs.rows) {
      const file = await exportJob(db, id);
      expect(file?.openings.length).toBeGreaterThan(7);
    }
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
