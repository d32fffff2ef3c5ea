/** The record of a step: conditions, the gap, faults in the wall, who has taken an opening; over the schools where it is geometry. */
import {
  asBuilt,
  causeWeights,
  checksFor,
  asksAt,
  apartAt,
  bondsAfter,
  conditionsAt,
  coveringStepAt,
  gapLedger,
  faultsOf,
  isOthers,
  isReveal,
  leftIn,
  measuredAt,
  mendOf,
  plays,
  presetIds,
  progress,
  refusal,
  stretchAt,
  takenBy,
  toComeOut,
  type Build,
  type Entry,
  type TestCheck,
} from '@hulvek/core';
import { contains } from '../src/geometry/polygon.ts';
import type { Piece, SheetPiece } from '../src/methods/pieces/piece.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, planned } from './support/site.ts';

/**
 * Which piece is uppermost at a point of a surface after so many steps, from the events alone: what is laid later lies over what
 * was laid before, what is lifted or taken out is not there.
 */
function uppermost(build: Build, surface: string, at: readonly [number, number], count: number): string[] {
  const laid: { thing: string; face: string }[] = [];
  const drop = (thing: string, faces: readonly string[]) => {
    for (const face of faces) {
      const i = laid.findIndex((one) => one.thing === thing && one.face === face);
      if (i >= 0) laid.splice(i, 1);
    }
  };
  for (const { events } of build.steps.slice(0, count))
    for (const { op, thing, faces } of events) {
      const piece = build.pieces.find(({ id }) => id === thing);
      if (piece?.form !== 'sheet') continue;
      const all = faces ?? piece.sheet.faces.map(({ id }) => id);
      if (op === 'lift' || op === 'remove' || op === 'place' || op === 'return') drop(thing, all);
      if (op === 'place' || op === 'return')
        for (const id of all) {
          const face = piece.sheet.faces.find((one) => one.id === id);
          if (face?.surface === surface && contains(face.placed, at)) laid.push({ thing, face: id });
        }
    }
  return laid.map(({ thing }) => thing);
}

describe('the step that covers a place', () => {
  it.each(presetIds)(
    'of %s, at every place of every piece, is the one an independent replay says',
    (school) => {
      const { build } = planned(school);
      const sheets = build.pieces.filter((piece): piece is Piece & SheetPiece => piece.form === 'sheet');
      let asked = 0;
      for (const { id, sheet } of sheets)
        for (const face of sheet.faces) {
          const [us, vs] = [face.placed.map(([u]) => u), face.placed.map(([, v]) => v)];
          const N = 4;
          for (let i = 0.5; i < N; i++)
            for (let j = 0.5; j < N; j++) {
              const at = [
                Math.min(...us) + ((Math.max(...us) - Math.min(...us)) * i) / N,
                Math.min(...vs) + ((Math.max(...vs) - Math.min(...vs)) * j) / N,
              ] as const;
              if (!contains(face.placed, at)) continue;
              // Where it lies twice (a fold over itself) the first face answers for the place.
              if (
                sheet.faces.find((one) => one.surface === face.surface && contains(one.placed, at)) !== face
              )
                continue;
              asked++;
              const placed = build.steps.findIndex(({ places }) => places.includes(id));
              let expected: string | null = null;
              for (let k = placed + 1; k < build.steps.length && expected === null; k++) {
                const step = build.steps[k];
                if (!step) break;
                const setsUnit = step.events.some(
                  ({ op, thing }) => op === 'place' && plays(build, thing, 'unit'),
                );
                const stack = uppermost(build, face.surface, at, k + 1);
                const own = stack.indexOf(id);
                if (isReveal(face.surface) && setsUnit) expected = step.id;
                else if (
                  own >= 0 &&
                  stack.slice(own + 1).some((thing) => !(build.steps[placed]?.places ?? []).includes(thing))
                )
                  expected = step.id;
              }
              expect(
                coveringStepAt(build, id, face.surface, at),
                `${id} ${face.surface} ${at.join(' ')}`,
              ).toBe(expected);
            }
        }
      expect(asked > 0).toBe(sheets.length > 0);
    },
  );
});

describe('a mend', () => {
  it.each(presetIds)(
    'of %s opens what lies over the piece from the top, and lays it again from below',
    (school) => {
      const { build } = planned(school);
      for (const piece of build.pieces.filter(({ form }) => form === 'sheet')) {
        const { open, lay } = mendOf(build, piece.id, build.steps.length);
        expect(lay).toEqual([piece.id, ...open.toReversed()]);
        expect(new Set(lay).size).toBe(lay.length);
        const placed = (id: string) =>
          build.events.findLastIndex(
            ({ op, thing }) => ['place', 'return', 'fill'].includes(op) && thing === id,
          );
        for (const [i, id] of open.entries())
          if (i > 0) expect(placed(id)).toBeLessThan(placed(open[i - 1] ?? ''));
        // Before anything lies over it nothing is opened.
        const laid = build.steps.findIndex(({ places }) => places.includes(piece.id));
        expect(
          mendOf(build, piece.id, laid + 1).open.filter((id) => !build.steps[laid]?.places.includes(id)),
        ).toEqual([]);
      }
    },
  );

  it('of a pan takes the unit out, and of the head strip what lies over it', () => {
    const { build } = planned('drained-head-flap');
    const pan = build.pieces.find(({ roles }) => roles.includes('pan'));
    expect(mendOf(build, pan?.id ?? '', build.steps.length).open.some((id) => plays(build, id, 'unit'))).toBe(
      true,
    );
  });
});

describe('conditions of a step', () => {
  const { build } = planned('drained-head-flap');
  const step = build.steps.find(
    ({ needs }) => needs.includes('above-minimum-temperature') && needs.includes('dry'),
  );
  const asks = step ? asksAt(build, step) : [];
  const measured = (what: 'surface' | 'air' | 'humidity', value: number, more: Partial<Entry> = {}) =>
    entry('measured', step?.id ?? '', { facts: { kind: 'measured', what, place: '', value }, ...more });
  const now = '2026-11-02T11:45:00.000Z';
  const at = '2026-11-02T11:30:00.000Z';
  const row = { at: '2026-11-02T11:00:00.000Z', temperature_C: 3, dew_point_C: 2 };

  it('take the air from the weather of the hour, marked as such, and never a surface', () => {
    expect(step).toBeDefined();
    const { facts } = conditionsAt(asks, [], now, [row]);
    expect(facts).toMatchObject({ air_C: 3, by: 'weather' });
    expect(facts.surface_C).toBeUndefined();
    // Source: 611.2 exp(17.62 t / (243.12 + t)) Pa over water (WMO guide, from memory): 705.4 / 757.9 = 93 %.
    expect(facts.humidity_percent).toBe(93);
    expect(conditionsAt(asks, [], '2026-11-02T13:00:00.000Z', [row]).facts.air_C).toBeUndefined();
  });

  it('measured here they count before the weather, for two hours, and the weakest source is told', () => {
    const cold = measured('surface', 2, { at });
    const known = conditionsAt(asks, [cold, measured('air', 9, { at })], now, [row]);
    expect(known.facts).toMatchObject({ surface_C: 2, air_C: 9, by: 'hand' });
    expect(known.outside).toMatchObject([{ kind: 'limit', value: 2 }]);
    expect(conditionsAt(asks, [cold], '2026-11-02T14:00:00.000Z', []).outside).toEqual([]);
    expect(conditionsAt(asks, [cold], now, [row]).facts.by).toBe('weather');
  });

  it('a surface within 3 K of the dew point of its air is told before the tick', () => {
    const damp = [
      measured('surface', 11, { at }),
      measured('air', 15, { at }),
      measured('humidity', 70, { at }),
    ];
    // Source: dew point of 15 °C and 70 % is 9.6 °C (psychrometric table, from memory).
    expect(conditionsAt(asks, damp, now).outside).toMatchObject([{ kind: 'dew', surface_C: 11 }]);
    const dry = [measured('surface', 13, { at }), ...damp.slice(1)];
    expect(conditionsAt(asks, dry, now).outside).toEqual([]);
  });
});

describe('what is measured at a step', () => {
  it('margins are judged by one another once all four are there, depths by the same corner before foam', () => {
    const { build } = planned('drained-head-flap');
    const align =
      build.steps.find(({ role }) => role === 'align') ?? build.steps.find(({ role }) => role === 'check');
    const fill = build.steps.find(({ role }) => role === 'fill');
    const figure = (step: string, what: 'margin' | 'depth', place: string, value: number) =>
      entry('measured', step, { facts: { kind: 'measured', what, place, value } });
    const asked = [align, fill].flatMap((step) => (step ? asksAt(build, step) : []));
    const three = ['top-left', 'top-right', 'bottom-right'].map((place) =>
      figure(align?.id ?? '', 'margin', place, 3),
    );
    const margins = asked.filter(({ what }) => what === 'margin');
    if (margins.length > 0) {
      expect(apartAt(measuredAt(margins, three))).toEqual([]);
      const four = [...three, figure(align?.id ?? '', 'margin', 'bottom-left', 5.5)];
      expect(apartAt(measuredAt(margins, four))).toEqual([{ what: 'margin', apart_mm: 2.5, most_mm: 1.6 }]);
    }
    const depths = asked.filter(({ what }) => what === 'depth');
    expect(depths).toHaveLength(8);
    const corner = [
      figure(fill?.id ?? '', 'depth', 'before top-left', 40),
      figure(fill?.id ?? '', 'depth', 'after top-left', 42),
    ];
    expect(apartAt(measuredAt(depths, corner))).toEqual([{ what: 'depth', apart_mm: 2, most_mm: 1.5 }]);
  });
});

describe('the gap', () => {
  const gap = (thing: 'shim' | 'foam', place: string, count: number) =>
    entry('gap', 'set', { facts: { kind: 'gap', thing, place, count } });
  it('holds what went in and did not come out', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.constantFrom('left', 'sill', 'head'),
            fc.integer({ min: -9, max: 9 }).filter((n) => n !== 0),
          ),
          { maxLength: 30 },
        ),
        (said) => {
          const ledger = gapLedger(said.map(([place, n]) => gap('shim', place, n)));
          for (const place of ['left', 'sill', 'head']) {
            const sum = said.reduce((n, [at, count]) => (at === place ? n + count : n), 0);
            expect(ledger.filter((row) => row.place === place).reduce((n, row) => n + leftIn(row), 0)).toBe(
              sum,
            );
          }
        },
      ),
    ));

  it('where the method takes shims out those still in are told, and what bears the unit stays', () => {
    const removing = presetIds.map(planned).find(({ build }) => build.context.choices.shims === 'removed');
    const leaving = presetIds.map(planned).find(({ build }) => build.context.choices.shims !== 'removed');
    const ledger = gapLedger([
      gap('shim', 'left', 4),
      gap('shim', 'left', -3),
      gap('shim', 'sill', 2),
      gap('foam', 'all', 2),
    ]);
    expect(removing && toComeOut(removing.build, ledger)).toMatchObject([
      { place: 'left', went_in: 4, came_out: 3 },
    ]);
    expect(leaving && toComeOut(leaving.build, ledger)).toEqual([]);
  });
});

describe('a fault in the wall as built', () => {
  it.each(presetIds)('of %s is there until somebody looked at its mend and found it good', (school) => {
    const { build } = planned(school);
    const bonded = bondsAfter(build, build.steps.length)[0]?.thing;
    const piece = build.pieces.find(({ id, form }) => id === bonded && form === 'sheet');
    if (!piece) return;
    const step = build.steps.find(({ places }) => places.includes(piece.id))?.id ?? '';
    const fault = entry('fault', step, {
      note: 'comes off',
      built: { kind: 'bond-lost', piece: piece.id },
      facts: { kind: 'fault', piece: piece.id, severity: 'stops' },
    });
    const mended = entry('mended', step, { facts: { kind: 'mended', fault: fault.id } });
    const again = (good: boolean) =>
      entry('rechecked', step, { facts: { kind: 'rechecked', fault: fault.id, good } });
    expect(asBuilt(build, [fault]).lost).toEqual([piece.id]);
    expect(asBuilt(build, [fault, mended]).lost).toEqual([piece.id]);
    const closed = [fault, mended, again(true)];
    expect(asBuilt(build, closed).lost).toEqual([]);
  });

  it('one that failed once is looked at twice', () => {
    const fault = entry('fault', 'pan', {
      note: 'hole',
      facts: { kind: 'fault', piece: 'pan', severity: 'stops' },
    });
    const mended = () => entry('mended', 'pan', { facts: { kind: 'mended', fault: fault.id } });
    const again = (good: boolean) =>
      entry('rechecked', 'pan', { facts: { kind: 'rechecked', fault: fault.id, good } });
    const failed = [fault, mended(), again(false), mended()];
    expect(faultsOf([...failed, again(true)])).toMatchObject([{ status: 'mended', looks: 1, failed: 1 }]);
    expect(faultsOf([...failed, again(true), again(true)])).toMatchObject([{ status: 'closed' }]);
    expect(faultsOf([fault, mended(), again(true)])).toMatchObject([{ status: 'closed', failed: 0 }]);
  });

  it('a gap pressed onto the drawing is open there and not beside it', () => {
    const { build } = planned('drained-head-flap');
    const pan = build.pieces.find(({ roles }) => roles.includes('pan'))?.id ?? '';
    const { width } = build.context.opening;
    const stretch = stretchAt(build, pan, [width / 2, -20], 40);
    if (!stretch) throw new Error('a pan runs along the sill');
    const { build: now } = asBuilt(build, [
      entry('fault', 'pan', {
        built: { kind: 'bond-open', piece: pan, ...stretch },
        facts: { kind: 'fault', piece: pan, severity: 'stops' },
      }),
    ]);
    const [flaw] = now.flaws ?? [];
    expect(flaw?.kind === 'bond-open' && flaw.range.map(Math.round)).toEqual(
      [width / 2 - 20, width / 2 + 20].map(Math.round),
    );
  });
});

describe('an opening that somebody has taken', () => {
  const { build, issue } = planned('drained-head-flap');
  const states = (entries: readonly Entry[]) =>
    progress(build.steps, [issue], entries, '2026-12-24T07:00:00.000Z');
  const first = build.steps[0]?.id ?? '';
  const take = entry('taken', first, { account: 'a' });
  it('is theirs until they leave it, another takes it over, or it is finished', () => {
    expect(takenBy([take], states([take]))?.id).toBe(take.id);
    const other = entry('taken', first, { account: 'b' });
    expect(takenBy([take, other], states([]))?.account).toBe('b');
    const left = entry('undo', first, { undoes: take.id });
    expect(takenBy([take, left], states([]))).toBeNull();
    expect(refusal(left, states([take]), build.steps)).toBeNull();
    expect([isOthers(take, { id: 'a', name: 'x' }), isOthers(take, { id: 'b', name: 'x' })]).toEqual([
      false,
      true,
    ]);
  });
});

describe('a test of an opening', () => {
  const { build, issue } = planned('drained-head-flap');
  const states = progress(build.steps, [issue], [], '2026-12-24T07:00:00.000Z');
  const [first] = build.steps;
  const begin = (checked: readonly TestCheck[]) =>
    entry('test', first?.id ?? '', {
      facts: { kind: 'test', of: 'spray', pressing: 'steady', checked: [...checked] },
    });
  it('is not taken before every line of its safety list is seen to, by the phone or by the server', () => {
    const all = checksFor('spray', 'steady');
    expect(refusal(begin(all), states, build.steps)).toBeNull();
    for (const left of all)
      expect(refusal(begin(all.filter((one) => one !== left)), states, build.steps), left).toBe(
        'not-checked',
      );
    // Of what somebody saw without a test nothing has to be checked; what is no test is none.
    const seen = entry('test', first?.id ?? '', { facts: { kind: 'test', of: 'reported', checked: [] } });
    expect(refusal(seen, states, build.steps)).toBeNull();
    const other = entry('test', first?.id ?? '', { facts: { kind: 'mended', fault: seen.id } });
    expect(refusal(other, states, build.steps)).toBe('facts-needed');
  });
});

describe('what the log says of where it leaks', () => {
  const fault = (piece: string, more: object = {}) =>
    entry('fault', 'pan', { note: 'x', facts: { kind: 'fault', piece, severity: 'noted', ...more } });
  it('weighs faults, thin films and what was built otherwise, and what a test found at other openings', () => {
    const own = [
      fault('a'),
      entry('measured', 'pan', {
        facts: { kind: 'measured', what: 'film', place: 'b', value: 0.2, accepted: 'late' },
      }),
      entry('built', 'pan', { built: { kind: 'bond-lost', piece: 'c' } }),
    ];
    const test = '00000000-0000-4000-8000-ffffffffffff';
    const weights = causeWeights(own, [[fault('d', { test })], [fault('e')]]);
    for (const piece of ['a', 'b', 'c', 'd']) expect(weights.get(piece), piece).toBeGreaterThan(1);
    // A fault elsewhere that no test found says nothing here; nor does what this opening's own test named.
    expect([weights.has('e'), causeWeights([fault('f', { test })]).has('f')]).toEqual([false, false]);
    const taken = [...own, entry('undo', 'pan', { undoes: own[0]?.id ?? null })];
    expect(causeWeights(taken).has('a')).toBe(false);
  });
});
