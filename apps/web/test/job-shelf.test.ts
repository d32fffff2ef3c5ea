/** A job's own walls, units and methods: kept, taken out, and what they were before. */
import { skarvPoint } from '@hulvek/core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { createUser, personOf, setReads, signIn } from '../src/lib/server/services/accounts.ts';
import { importJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { itemVersions, putItem } from '../src/lib/server/services/job-shelf.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();
const JOB = 'skarv-point';
const file = skarvPoint();
const [wall] = file.walls;
if (!wall) throw new Error('the demo has no wall');
let user = '';
beforeAll(async () => {
  await importJob(db, file);
  user =
    (await createUser(db, { email: 'a@items.invalid', name: 'Aud', password: 'not to be guessed' })) ?? '';
});
const versions = async (id: string = wall.id) =>
  (await itemVersions(db, JOB, 'walls', id)).map(({ document, person }) => [document?.name ?? null, person]);

it('every change of a wall is kept with who made it, what was there before first', async () => {
  const thick = { ...wall, name: 'Thicker' };
  expect(await putItem(db, JOB, { kind: 'walls', was: wall, item: thick }, user)).toBe('kept');
  expect(await putItem(db, JOB, { kind: 'walls', was: thick, item: wall }, user)).toBe('kept');
  expect(await versions()).toEqual([
    [wall.name, ''],
    ['Thicker', 'Aud'],
    [wall.name, 'Aud'],
  ]);
});

it('what somebody else changed meanwhile is not overwritten, and keeps no version', async () => {
  const before = await versions();
  const other = { ...wall, name: 'Meanwhile' };
  expect(await putItem(db, JOB, { kind: 'walls', was: other, item: { ...wall, name: 'Mine' } }, user)).toBe(
    'changed',
  );
  expect(await versions()).toEqual(before);
});

it('what openings go by stays; what none goes by can be taken out and put back', async () => {
  expect(await putItem(db, JOB, { kind: 'walls', was: wall, item: null }, user)).toBe('used');
  const spare = { ...wall, id: 'spare' as typeof wall.id, name: 'Spare' };
  for (const [was, item] of [
    [null, spare],
    [spare, null],
    [null, spare],
  ] as const)
    expect(await putItem(db, JOB, { kind: 'walls', was, item }, user)).toBe('kept');
  expect(await versions('spare')).toEqual([
    ['Spare', 'Aud'],
    [null, 'Aud'],
    ['Spare', 'Aud'],
  ]);
  expect((await loadContext(db, JOB))?.walls.map(({ id }) => id)).toEqual([wall.id, 'spare']);
});

it('somebody reads in what they chose, on every device they sign in on', async () => {
  await setReads(db, user, 'in');
  const token = await signIn(db, 'a@items.invalid', 'not to be guessed');
  expect(token).not.toBeNull();
  expect(await personOf(db, token ?? '')).toMatchObject({ name: 'Aud', reads: 'in' });
});
