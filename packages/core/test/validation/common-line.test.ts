/** Outside check: the optimum of a mixed-integer program, solved by a general library from the registry. */
import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { commonLine, lineUp, planOpening, type Opening, type Span } from '@hulvek/core';
import { job, openingWith, SQUARE, type Readings } from '../support/openings.ts';
import { runs } from '../support/count.ts';

type Highs = Awaited<ReturnType<typeof highsLoader>>;
let highs: Highs;
beforeAll(async () => {
  highs = await highsLoader();
});

/** More than any total movement: one opening less to change always wins. */
const PER_OPENING = 10_000;
const REACH = 200;

/** Fewest openings off the line, then least movement, as a mixed-integer program. */
function optimum(spans: readonly Span[]): { changed: number; total: number } {
  const rows = spans.flatMap(({ low_mm, high_mm }, i) => [
    // Below the span, or above it: the movement covers what is missing; without a change there is none.
    `a${i}: y + m${i} >= ${low_mm}`,
    `b${i}: y - m${i} <= ${high_mm}`,
    `c${i}: m${i} - ${4 * REACH} z${i} <= 0`,
  ]);
  const model = [
    'Minimize',
    ` cost: ${spans.map((_, i) => `${PER_OPENING} z${i} + m${i}`).join(' + ')}`,
    'Subject To',
    ...rows.map((row) => ` ${row}`),
    'Bounds',
    ` -${REACH} <= y <= ${REACH}`,
    ...spans.map((_, i) => ` 0 <= m${i} <= ${4 * REACH}`),
    'Binary',
    ` ${spans.map((_, i) => `z${i}`).join(' ')}`,
    'End',
  ].join('\n');
  const { ObjectiveValue } = highs.solve(model);
  const changed = Math.floor((ObjectiveValue + 0.5) / PER_OPENING);
  return { changed, total: ObjectiveValue - changed * PER_OPENING };
}

const anySpans = fc
  .array(fc.record({ low: fc.integer({ min: -100, max: 100 }), length: fc.integer({ min: 0, max: 60 }) }), {
    minLength: 1,
    maxLength: 7,
  })
  .map((list) =>
    list.map(({ low, length }, i): Span => ({ id: `o${i}`, low_mm: low, high_mm: low + length })),
  );

describe('a common line', () => {
  it(
    'changes as few openings as the mixed-integer optimum and moves them no further, in 120 random groups',
    () =>
      fc.assert(
        fc.property(anySpans, (spans) => {
          const line = commonLine(spans);
          const best = optimum(spans);
          const moves = line === null || line.ok ? [] : line.moves;
          expect(moves.length).toBe(best.changed);
          expect(moves.reduce((sum, m) => sum + Math.abs(m.by_mm), 0)).toBeCloseTo(best.total, 5);
        }),
        runs(120, 24),
      ),
    60_000,
  );

  it('after the moves a line suits all, and every clash names two that cannot share one', () =>
    fc.assert(
      fc.property(anySpans, (spans) => {
        const line = commonLine(spans);
        if (!line || line.ok) return;
        const moved = spans.map((span) => {
          const by = line.moves.find((m) => m.id === span.id)?.by_mm ?? 0;
          return { ...span, low_mm: span.low_mm + by, high_mm: span.high_mm + by };
        });
        expect(commonLine(moved)?.ok).toBe(true);
        const span = (id: string) => spans.find((s) => s.id === id);
        expect(line.clashes.length).toBeGreaterThan(0);
        for (const [low, high] of line.clashes)
          expect(span(low)?.high_mm ?? 0).toBeLessThan(span(high)?.low_mm ?? 0);
      }),
    ));
});

describe('openings of a façade on one line', () => {
  const at = (u: number, v: number, id: string, readings: Readings = SQUARE): Opening =>
    openingWith(readings, {
      id: id as Opening['id'],
      mark: id,
      position: { u: { typed: String(u), mm: u }, v: { typed: String(v), mm: v } },
    });
  const result = (openings: readonly Opening[], kind: 'sills' | 'heads' | 'centres') =>
    lineUp(
      openings.map((o) => planOpening(o, job)),
      kind,
    );

  it('rough sills 4 mm apart: the line lies on the higher seat, the lower unit stands on 4 mm more', () => {
    const { at_mm, members, line } = result([at(0, 900, 'A'), at(2000, 904, 'B')], 'sills');
    expect(line?.ok).toBe(true);
    expect(members.map((m) => m.shift_mm?.toFixed(3))).toEqual(['4.000', '0.000']);
    expect(at_mm).toBeCloseTo(members[1]?.own_mm ?? NaN, 9);
  });

  it('one sill 40 mm too low cannot be shimmed up: it is named, with what it lacks', () => {
    const { line } = result([at(0, 900, 'A'), at(2000, 902, 'B'), at(4000, 860, 'C')], 'sills');
    if (!line || line.ok) throw new Error('expected a clash');
    expect(line.moves.map((m) => m.id)).toEqual(['C']);
    // Room above: 1225 high, 1200 unit, seat and head gap; its highest bottom is 860 + seat + (head − least).
    const [, , c] = [at(0, 900, 'A'), at(2000, 902, 'B'), at(4000, 860, 'C')].map((o) => planOpening(o, job));
    const head = Math.min(
      ...(c?.fit?.placement.gaps ?? []).filter((g) => g.side === 'head').map((g) => g.flashed_mm),
    );
    const most = 860 + (c?.fit?.placement.bottom ?? NaN) + Math.min(25, head - 6.35);
    const seatB = 902 + (c?.fit?.placement.bottom ?? NaN);
    expect(line.moves[0]?.by_mm).toBeCloseTo(seatB - most, 6);
  });

  it('stacked centres: 2 mm off is taken up sideways, an opening without a position is said to lack it', () => {
    const { position: _nowhere, ...unplaced } = openingWith(SQUARE);
    const { line, members } = result([at(500, 0, 'A'), at(502, 3000, 'B'), unplaced], 'centres');
    expect(line).toMatchObject({ ok: true });
    expect(members[2]).toMatchObject({ span: null, missing: 'position' });
  });
});
