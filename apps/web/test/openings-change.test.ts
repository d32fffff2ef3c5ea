/** The openings of a job, changed as a whole: all of it or nothing, and the same again changes nothing. */
import { skarvPoint, type OpeningDocument, type Unit } from '@hulvek/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_CHANGE } from '../src/lib/contract/openings-change.ts';
import { createUser } from '../src/lib/server/services/accounts.ts';
import { exportJob, importJob, loadContext } from '../src/lib/server/services/jobs.ts';
import { loadParts } from '../src/lib/server/services/openings.ts';
import { changeOpenings, removedOpenings } from '../src/lib/server/services/openings-change.ts';
import { takeRecords } from '../src/lib/server/services/records.ts';
import { OwnDatabases } from './own-database.ts';

const databases = new OwnDatabases();
afterAll(() => databases.drop());
const db = await databases.migrated();
const JOB = 'skarv-point';
const file = skarvPoint();
let user = '';
beforeAll(async () => {
  await importJob(db, file);
  user = (await createUser(db, { email: 'a@set.invalid', name: 'Aud', password: 'not to be guessed' })) ?? '';
});

const parts = () => loadParts(db, JOB);
const marks = async () => (await parts()).map(({ document }) => document.mark);
const [first] = file.openings;
if (!first) throw new Error('the demo has no opening');
const fresh = (id: string, mark: string, more: Partial<OpeningDocument> = {}): OpeningDocument => {
  const { deviations: _, ...rest } = first;
  return { ...rest, id: id as OpeningDocument['id'], mark, ...more };
};
const change = (more: Partial<typeof NO_CHANGE>) => changeOpenings(db, JOB, { ...NO_CHANGE, ...more }, user);

describe('openings of a job', () => {
  it('are added with the units they go by, after the others; the same again adds nothing', async () => {
    const before = await marks();
    const unit = { ...(file.units[0] as Unit), id: 'unit-new' as Unit['id'], name: 'Type N' };
    const add = [fresh('new-1', 'Z-1', { unit: unit.id }), fresh('new-2', 'Z-2')];
    for (let times = 0; times < 2; times++) {
      expect(await change({ units: [unit], add })).toEqual({ ok: true, versions: {} });
      expect(await marks()).toEqual([...before, 'Z-1', 'Z-2']);
    }
    expect((await loadContext(db, JOB))?.units.filter(({ id }) => id === 'unit-new')).toEqual([unit]);
  });

  it.each([
    ['a mark that is taken, in other letters', { add: [fresh('x-1', 'z-1')] }, 'marks'],
    ['two of one mark', { add: [fresh('x-1', 'Y-1'), fresh('x-2', 'Y-1 ')] }, 'marks'],
    ['a wall of nowhere', { add: [fresh('x-1', 'Y-1', { wall: 'no' as OpeningDocument['wall'] })] }, 'wall'],
    ['a unit of nowhere', { add: [fresh('x-1', 'Y-1', { unit: 'no' as OpeningDocument['unit'] })] }, 'unit'],
    ['an opening of nowhere to remove', { remove: ['no'], add: [fresh('x-1', 'Y-1')] }, 'no-opening'],
    [
      'one that somebody changed meanwhile',
      { change: [{ version: 7, document: fresh(first.id, 'Q-1') }], add: [fresh('x-1', 'Y-1')] },
      'moved',
    ],
  ] satisfies [string, Partial<typeof NO_CHANGE>, string][])(
    'with %s nothing of a change is stored',
    async (_, wrong, because) => {
      const before = await exportJob(db, JOB);
      expect(await change(wrong)).toMatchObject({ ok: false, because });
      expect(await exportJob(db, JOB)).toEqual(before);
    },
  );

  it('two of one mark are never stored, however many are added at once', async () => {
    const answers = await Promise.all([1, 2, 3, 4].map((n) => change({ add: [fresh(`race-${n}`, 'R-1')] })));
    expect(answers.filter((answer) => answer?.ok)).toHaveLength(1);
    expect((await marks()).filter((mark) => mark === 'R-1')).toHaveLength(1);
  });

  it('are renamed and renumbered among themselves in one go', async () => {
    const [a, b] = (await parts()).filter(({ document }) => document.mark.startsWith('Z-'));
    if (!a || !b) throw new Error('nothing was added');
    const swapped = await change({
      change: [
        { version: a.version, document: { ...a.document, mark: b.document.mark } },
        { version: b.version, document: { ...b.document, mark: a.document.mark } },
      ],
    });
    expect(swapped).toEqual({ ok: true, versions: { 'new-1': 2, 'new-2': 2 } });
    expect((await marks()).slice(-3)).toEqual(['Z-2', 'Z-1', 'R-1']);
  });

  it('that are removed are out of sight with their records, take what is still on its way, and come back whole', async () => {
    const begun = (await parts()).find(({ entries }) => entries.length > 0);
    if (!begun) throw new Error('nothing was begun');
    const { id, mark, name } = begun.document;
    expect(await change({ remove: [id] })).toMatchObject({ ok: true });
    expect(await marks()).not.toContain(mark);
    expect((await exportJob(db, JOB))?.records.entries.some(({ opening }) => opening === id)).toBe(false);
    expect(await removedOpenings(db, JOB)).toMatchObject([{ id, mark, name, person: 'Aud' }]);
    const note = { id: '5ca20000-0000-4000-8000-0000000000aa', opening: id, issue: 1, kind: 'note' as const };
    const sent = {
      type: 'entry' as const,
      record: {
        ...note,
        step: 'bead',
        undoes: null,
        at: '2026-11-28T10:00:00.000Z',
        note: 'late',
        photo: null,
      },
    };
    const sender = {
      person: { id: user, name: 'Aud', email: '', keepsShelf: false, reads: null },
      role: 'lead' as const,
      lookRule: 'not-the-doer' as const,
    };
    const clocks = { sentAt: '2026-11-28T12:00:00.000Z', now: new Date('2026-11-28T12:00:00.000Z') };
    expect(await takeRecords(db, JOB, [sent], sender, clocks)).toEqual([{ ok: true }]);
    expect(await change({ restore: [id] })).toMatchObject({ ok: true });
    const back = (await parts()).find(({ document }) => document.id === id);
    expect(back?.entries).toHaveLength(begun.entries.length + 1);
    expect(await removedOpenings(db, JOB)).toEqual([]);
  });

  it('one whose mark was given to another meanwhile does not come back under it', async () => {
    expect(await change({ remove: ['new-1'] })).toMatchObject({ ok: true });
    expect(await change({ add: [fresh('new-3', 'Z-2')] })).toMatchObject({ ok: true });
    expect(await change({ restore: ['new-1'] })).toEqual({ ok: false, because: 'marks', marks: ['Z-2'] });
  });
});
