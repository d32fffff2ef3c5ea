/** What the bell tells, worked out from what a device keeps. */
import type { Entry } from '@hulvek/core';
import { expect, it } from 'vitest';
import type { Pack } from '$lib/contract/pack.ts';
import { noticesOf } from './notices.ts';
import { demoPack, ME } from './testing/server.ts';

const NOW = '2026-11-20T10:00:00Z';
const other = { person: 'Ola Vik', account: 'somebody-else' };

function withEntry(pack: Pack, more: Partial<Entry> & Pick<Entry, 'kind'>): Pack {
  const [part] = pack.openings;
  if (!part) throw new Error('the demo has no opening');
  const entry = {
    id: `e-${more.kind}`,
    opening: part.document.id,
    issue: 1,
    step: 'tape-jambs',
    undoes: null,
    at: '2026-11-19T10:00:00Z',
    note: '',
    photo: null,
    ...other,
    ...more,
  } as unknown as Entry;
  return { ...pack, openings: [{ ...part, entries: [...part.entries, entry] }, ...pack.openings.slice(1)] };
}

it('tells a lead what others noted, never what they entered themselves, nor what is long past', () => {
  const pack = { ...demoPack(3), role: 'lead' } as Pack;
  const before = noticesOf([pack], NOW).length;
  const kinds = (more: Partial<Entry> & Pick<Entry, 'kind'>) =>
    noticesOf([withEntry(pack, more)], NOW)
      .slice(0, noticesOf([withEntry(pack, more)], NOW).length - before)
      .map(({ kind, by }) => [kind, by]);
  expect(kinds({ kind: 'note' })).toEqual([['note', 'Ola Vik']]);
  expect(kinds({ kind: 'note', account: ME.id })).toEqual([]);
  expect(kinds({ kind: 'note', at: '2026-09-01T10:00:00Z' })).toEqual([]);
  expect(kinds({ kind: 'tick' })).toEqual([]);
});

it('tells somebody who has nothing to do with an opening nothing of it', () => {
  const pack = { ...demoPack(3), role: 'installer' } as Pack;
  const bare = {
    ...pack,
    openings: pack.openings.map((part) => ({ ...part, entries: [], readings: [], issues: [] })),
  };
  expect(noticesOf([withEntry(bare, { kind: 'note' })], NOW)).toEqual([]);
});

it('says that what somebody entered was taken back', () => {
  const pack = { ...demoPack(3), role: 'installer' } as Pack;
  const mine = withEntry(pack, { kind: 'tick', id: 'mine', account: ME.id, person: ME.name } as Entry);
  const taken = withEntry(mine, { kind: 'undo', undoes: 'mine' } as Entry);
  expect(noticesOf([taken], NOW).map(({ kind }) => kind)).toContain('taken-back');
});

it('tells of one’s own work half an hour before it begins, and of nobody else’s', () => {
  const pack = { ...demoPack(3), role: 'installer' } as Pack;
  const [part] = pack.openings;
  const task = (person: string, from: string) => ({
    opening: part?.document.id,
    step: 'pan',
    from,
    to: '2026-11-20T12:00:00Z',
    people: [person],
  });
  const planned = {
    ...pack,
    context: {
      ...pack.context,
      job: {
        ...pack.context.job,
        calendar: { people: [{ id: 'p1', name: ME.name, account: ME.id, skills: [], off: [] }] },
        calendarPlan: {
          tasks: [task('p2', '2026-11-20T10:10:00Z'), task('p1', '2026-11-20T10:20:00Z')],
        },
      },
    },
  } as unknown as Pack;
  const begins = (now: string) =>
    noticesOf([planned], now)
      .filter(({ kind }) => kind === 'begins')
      .map(({ mark, step, at }) => ({ mark, step, at }));
  const told = { mark: part?.document.mark, step: 'pan', at: '2026-11-20T09:50:00.000Z' };
  expect(begins(NOW)).toEqual([told]);
  expect(begins('2026-11-20T09:45:00Z')).toEqual([]);
  expect(begins('2026-11-20T10:21:00Z')).toEqual([]);
});
