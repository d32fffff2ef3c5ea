import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openingOf, type OpeningDocument, type Reading } from '@hulvek/core';
import { afterAll, expect, it } from 'vitest';
import { OwnDatabases } from './own-database.ts';

const FOLDER = join(import.meta.dirname, '../drizzle');
const files = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.sql'))
  .sort();
const databases = new OwnDatabases();
afterAll(() => databases.drop());
const client = await databases.client(await databases.empty());

const run = async (names: readonly string[]) => {
  for (const file of names) {
    const statements = readFileSync(join(FOLDER, file), 'utf8').split('--> statement-breakpoint');
    for (const statement of statements) await client.query(statement);
  }
};

it('a database from before readings keeps every figure and choice', async () => {
  const older = files.indexOf('0003_records.sql');
  await run(files.slice(0, older));
  const survey = {
    from: 'inside',
    values: { widthTop: { typed: '36 3/8', mm: 923.925 }, sillLeft: { typed: '0', mm: 0 } },
  };
  const document = {
    id: 'o-1',
    mark: 'S-01',
    name: 'store',
    facade: '',
    wall: null,
    unit: null,
    method: null,
  };
  await client.query(
    `insert into jobs (id, document, walls, units, methods) values ('j', '{}', '[]', '[]', '[]')`,
  );
  await client.query(
    `insert into openings (job_id, id, position, version, document) values ('j', 'o-1', 0, 7, $1)`,
    [JSON.stringify({ ...document, survey, numbers: {} })],
  );
  await run(files.slice(older));

  const { rows: versions } = await client.query<{ version: number; document: OpeningDocument }>(
    'select version, document from opening_versions',
  );
  expect(versions).toEqual([
    { version: 7, document: { ...document, survey: { from: 'inside' }, numbers: {} } },
  ]);
  const { rows: readings } = await client.query<Reading>(
    'select id, point, seen_from as "from", value, replaces, at from readings',
  );
  const [version] = versions;
  if (!version) throw new Error('no version');
  expect(openingOf(version.document, readings).survey).toEqual(survey);
});
