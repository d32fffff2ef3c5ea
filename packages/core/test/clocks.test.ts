/** Times of records: devices say what they like, and no day is lost by it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  frozenBuild,
  quinceCourt,
  skarvPoint,
  tanneryRow,
  unfit,
  asTold,
  isAfter,
  lapse,
  odditiesOf,
  standing,
  toldTwice,
  type Entry,
} from '@hulvek/core';
import { runs } from './support/count.ts';

const [ONE, TWO] = ['11111111-1111-4111-8111-111111111111', '22222222-2222-4222-8222-222222222222'];
const at = (minute: number) => new Date(Date.UTC(2026, 10, 16, 8, minute)).toISOString();
let made = 0;
const entry = (minute: number, more: Partial<Entry> = {}): Entry => ({
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  opening: 'o-1' as Entry['opening'],
  issue: 1,
  kind: 'note',
  step: 'check-opening',
  undoes: null,
  person: 'Ines Kallas',
  at: at(minute),
  note: String(made),
  photo: null,
  ...more,
});
const notes = (list: readonly Entry[]) => list.map(({ note }) => note);

describe('records', () => {
  it('of one device are told in the order in which it made them, whatever its clock said', () => {
    const entries = [
      entry(10, { device: ONE, count: 1, note: 'a' }),
      entry(3, { device: ONE, count: 2, note: 'b' }),
      entry(3, { device: ONE, count: 3, note: 'c' }),
      entry(5, { device: TWO, count: 9, note: 'other' }),
    ];
    expect(notes(asTold(entries))).toEqual(['other', 'a', 'b', 'c']);
    expect(notes(standing(entries.toReversed()))).toEqual(['other', 'a', 'b', 'c']);
  });

  it('of many devices keep each one’s own order, however they came in', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            device: fc.constantFrom(ONE, TWO, undefined),
            minute: fc.nat(50),
            clock_s: fc.integer({ min: -7200, max: 7200 }),
          }),
          { maxLength: 30 },
        ),
        fc.infiniteStream(fc.nat(1000)),
        (rows, shuffle) => {
          const entries = rows.map(({ device, minute, clock_s }, i) =>
            entry(minute, { clock_s, ...(device && { device, count: i }) }),
          );
          const mixed = entries
            .map((one) => [one, shuffle.next().value ?? 0] as const)
            .toSorted((a, b) => a[1] - b[1])
            .map(([one]) => one);
          const told = asTold(mixed);
          expect(told).toHaveLength(entries.length);
          for (const device of [ONE, TWO]) {
            const counts = told.flatMap((one) => (one.device === device ? (one.count ?? -1) : []));
            expect(counts).toEqual(counts.toSorted((a, b) => a - b));
          }
        },
      ),
      runs(2000, 200),
    ));

  it('rest by whichever clock makes it shorter', () => {
    // A second phone that runs two hours ahead sees a bead skinned over; the server knows better.
    const tick = entry(0, { device: ONE, clock_s: 0 });
    const next = entry(130, { device: TWO, clock_s: -7200 });
    expect(lapse(tick, next)).toBe(10 * 60_000);
    // One wrong clock for both loses nothing.
    expect(lapse(entry(0, { clock_s: 7200 }), entry(45, { clock_s: 7200 }))).toBe(45 * 60_000);
  });

  it.each([
    [
      'one device, by its counter',
      { device: ONE, count: 2 },
      { device: ONE, count: 1, received: at(50) },
      true,
    ],
    [
      'one device, made before',
      { device: ONE, count: 1 },
      { device: ONE, count: 2, received: at(50) },
      false,
    ],
    [
      'two devices, as the server took them',
      { device: ONE, received: at(9) },
      { device: TWO, received: at(8) },
      true,
    ],
  ])('follow each other: %s', (_, later, earlier, follows) =>
    expect(isAfter({ record: entry(0, later), taken: 2 }, { record: entry(30, earlier), taken: 1 })).toBe(
      follows,
    ),
  );

  it('that do not fit their time are marked by name', () => {
    const issues = [{ version: 1, at: at(20) }];
    const odd = (one: Entry, among: readonly Entry[] = []) => odditiesOf(one, { issues, among });
    expect(odd(entry(30, { received: at(31) }))).toEqual([]);
    expect(odd(entry(10, { received: at(31) }))).toEqual(['before-the-plan']);
    expect(odd(entry(50, { received: at(31) }))).toEqual(['in-the-future']);
    const first = entry(40, { device: ONE, count: 1 });
    expect(odd(entry(30, { device: ONE, count: 2 }), [first])).toEqual(['against-the-counter']);
    expect(odd(first, [entry(30, { device: ONE, count: 2 })])).toEqual([]);
    expect([toldTwice(entry(30, { received: at(34) })), toldTwice(entry(30, { received: at(36) }))]).toEqual([
      false,
      true,
    ]);
  });
});

describe('what comes in with a file', () => {
  const stepsIn = (file: ReturnType<typeof skarvPoint>) => (issue: Parameters<typeof frozenBuild>[0]) =>
    frozenBuild(issue, file.job)?.build.steps ?? [];

  it('is taken where it could have been made here: every demo is', () => {
    for (const file of [skarvPoint(), tanneryRow(), quinceCourt()])
      expect([...unfit(file.records, stepsIn(file))], file.job.name).toEqual([]);
  });

  it('is named with its place and the rule where it could not', () => {
    const file = skarvPoint();
    const { entries } = file.records;
    const first = entries.findIndex(({ kind, step }) => kind === 'tick' && step === 'pan');
    const early = { ...file.records, entries: entries.filter((_, i) => i !== first) };
    expect([...unfit(early, stepsIn(file))].map(({ because }) => because)).toContain('not-ticked');
    const [tick] = entries;
    if (!tick) throw new Error('the demo has no entries');
    const stray = { ...tick, id: '5ca20000-0000-4000-8000-00000000ffff', step: 'no-such-step' };
    expect([...unfit({ ...file.records, entries: [...entries, stray] }, stepsIn(file))]).toEqual([
      { at: entries.length, because: 'unknown-step' },
    ]);
  });
});
