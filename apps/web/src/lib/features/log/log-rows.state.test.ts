/** The list of all entries of a job. */
import type { Entry } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { filteredLog, logRows } from './log-rows.ts';

const entry = (i: number, more: Partial<Entry> = {}): Entry => ({
  id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
  opening: `o-${i % 40}` as Entry['opening'],
  issue: 1,
  kind: i % 5 === 0 ? 'photo' : i % 3 === 0 ? 'tick' : 'note',
  step: 'pan',
  undoes: null,
  person: `Person ${i % 7}`,
  at: new Date(Date.UTC(2026, 3, 1) + i * 1_200_000).toISOString(),
  note: i % 3 === 0 ? '' : `seen by hand, ${i}`,
  photo: null,
  ...more,
});
const parts = (entries: readonly Entry[]) =>
  [...new Set(entries.map(({ opening }) => opening as string))].map((opening) => ({
    opening,
    mark: opening.toUpperCase(),
    entries: entries.filter((one) => one.opening === opening),
  }));
const ALL = { person: '', day: '', kind: '' as const, words: '' };

describe('all entries of a job', () => {
  const rows = logRows(parts(Array.from({ length: 400 }, (_, i) => entry(i))), {}, 'mm');
  it('stand newest first, each once', () => {
    expect(rows).toHaveLength(400);
    const times = rows.map(({ entry: { at } }) => at);
    expect(times).toEqual([...times].sort().reverse());
    expect(filteredLog(rows, ALL)).toEqual(rows);
  });

  it('are found by person, day, kind and words, and by all of them together', () => {
    const found = filteredLog(rows, { person: 'Person 3', day: '2026-04-02', kind: 'note', words: 'SEEN' });
    const expected = rows.filter(
      ({ entry: e }) =>
        e.person === 'Person 3' && e.at.startsWith('2026-04-02') && e.kind === 'note' && e.note !== '',
    );
    expect(found.map(({ entry: { id } }) => id)).toEqual(expected.map(({ entry: { id } }) => id));
    expect(found.length).toBeGreaterThan(0);
  });

  it('what was taken back stays, marked', () => {
    const [a, b] = [entry(1), entry(2, { kind: 'undo', undoes: entry(1).id, opening: entry(1).opening })];
    expect(logRows(parts([a, b]), {}, 'mm')).toMatchObject([{ undone: true }]);
  });
});
