import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Reading, Survey } from '../documents/survey.ts';
import { surveyPointIds, type SurveyPointId } from '../vocabulary/survey-points.ts';
import { disputedPoints, readingsTowards, standingReadings, surveyOf } from './readings.ts';

let counter = 0;
const reading = (point: SurveyPointId, mm: number | null, more: Partial<Reading> = {}): Reading => ({
  id: `00000000-0000-4000-8000-${String(++counter).padStart(12, '0')}`,
  opening: 'o' as Reading['opening'],
  point,
  from: 'outside',
  value: mm === null ? null : { typed: String(mm), mm },
  replaces: [],
  instrument: 'tape',
  person: 'Tove Aas',
  at: new Date(Date.UTC(2026, 10, 12, 8, counter)).toISOString(),
  ...more,
});
const figures = (survey: Survey) =>
  Object.fromEntries(Object.entries(survey.values).map(([point, value]) => [point, value.mm]));

/** What an editor does: takes the readings that lead to the wanted survey. */
const edit = (readings: readonly Reading[], wanted: Survey): Reading[] => [
  ...readings,
  ...readingsTowards(wanted, readings).map((fresh) => reading(fresh.point, null, fresh)),
];

describe('readings', () => {
  it('measuring again keeps the old reading and lets the new one count', () => {
    const first = reading('widthTop', 915);
    const second = reading('widthTop', 912, { replaces: [first.id] });
    expect(figures(surveyOf('outside', [first, second]))).toEqual({ widthTop: 912 });
  });

  it('two people who measured one point without seeing each other leave it disputed; a third reading settles it', () => {
    const [a, b] = [reading('widthTop', 915), reading('widthTop', 905)];
    const survey = surveyOf('outside', [b, a]);
    expect(survey.disputed).toEqual(['widthTop']);
    expect(figures(survey)).toEqual({ widthTop: 905 });
    const settled = edit([a, b], { from: 'outside', values: { widthTop: { typed: '910', mm: 910 } } });
    expect(surveyOf('outside', settled)).toEqual({
      from: 'outside',
      values: { widthTop: { typed: '910', mm: 910 } },
    });
  });

  it('the same figure read twice is no dispute', () =>
    expect(
      disputedPoints(standingReadings([reading('depth', 152), reading('depth', 152, { at: null })])),
    ).toEqual([]));

  it('one measures the left jamb from outside, the other the same jamb from inside as the right one', () => {
    const outside = reading('plumbLeft', 3);
    const inside = reading('plumbRight', -4, { from: 'inside' });
    const survey = surveyOf('outside', [outside, inside]);
    expect(survey.disputed).toEqual(['plumbLeft']);
    expect(survey.values.plumbLeft).toEqual({ typed: '4', mm: 4 });
    expect(surveyOf('inside', [outside]).values).toEqual({ plumbRight: { typed: '-3', mm: -3 } });
  });

  const anyReadings = fc
    .array(
      fc.record({
        point: fc.constantFrom(...surveyPointIds),
        from: fc.constantFrom('outside' as const, 'inside' as const),
        mm: fc.option(fc.integer({ min: 150, max: 1200 })),
        replaces: fc.array(fc.nat(40), { maxLength: 4 }),
        minute: fc.option(fc.nat(3)),
      }),
      { maxLength: 40 },
    )
    .map((rows) => {
      const list = rows.map(({ point, from, mm, minute }) =>
        reading(point, mm, {
          from,
          at: minute === null ? null : new Date(Date.UTC(2026, 10, 12, 9, minute)).toISOString(),
        }),
      );
      // Each names only readings made before it.
      return list.map((r, i) => ({
        ...r,
        replaces: (rows[i]?.replaces ?? []).flatMap((n) => (n < i ? [list[n]?.id ?? ''] : [])),
      }));
    });

  it('the survey does not depend on the order in which readings arrive', () =>
    fc.assert(
      fc.property(
        anyReadings.chain((list) =>
          fc.tuple(
            fc.constant(list),
            fc.shuffledSubarray(list, { minLength: list.length, maxLength: list.length }),
          ),
        ),
        ([list, shuffled]) => {
          expect(surveyOf('outside', shuffled)).toEqual(surveyOf('outside', list));
        },
      ),
    ));

  it('an edit leads to the wanted survey without disputes, from whichever side, and undoing it leads back', () =>
    fc.assert(
      fc.property(
        anyReadings,
        anyReadings,
        fc.constantFrom('outside' as const, 'inside' as const),
        (list, other, from) => {
          const wanted = surveyOf(from, other);
          const edited = edit(list, wanted);
          expect(figures(surveyOf(from, edited))).toEqual(figures(wanted));
          const before = surveyOf('outside', list);
          const undone = edit(edited, before);
          expect(surveyOf('outside', undone).values).toEqual(before.values);
        },
      ),
    ));
});
