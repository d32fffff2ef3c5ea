/** Instruments of a step: what their displays show becomes a figure of ours, or is refused with its reason. */
import {
  fieldInstrumentFor,
  fieldInstrumentKinds,
  figureFrom,
  figureKindOf,
  measuredWhats,
  shownIn,
  simulatedFieldInstrument,
  type MeasuredWhat,
} from '@hulvek/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const TRUTH: Record<ReturnType<typeof figureKindOf>, number> = {
  length: 12,
  film: 0.6,
  temperature: 9,
  percent: 55,
};
const truth = (what: MeasuredWhat) => TRUTH[figureKindOf(what)];
/** Largest errors of the simulators, with the step of their displays. */
const WITHIN = { length: 0.6, film: 0.07, temperature: 0.6, percent: 2.6 };

describe('instruments of a step', () => {
  it('with noise, losses and a display in the other system: what is taken is the figure, whatever the unit', () =>
    fc.assert(
      fc.property(fc.nat(), fc.constantFrom(...measuredWhats), (seed, what) => {
        const kind = fieldInstrumentFor(what);
        const instrument = simulatedFieldInstrument({ kind, truth, seed, lossShare: 0.3, otherShare: 0.5 });
        for (let taken = 0, tries = 0; taken < 5 && tries < 200; tries++) {
          const answer = instrument.read(what);
          if (!answer.ok) {
            expect(answer.because).toBe('lost');
            expect(instrument.read(what)).toEqual({ ok: false, because: 'lost' });
            instrument.reconnect();
            continue;
          }
          taken++;
          const figure = figureFrom(what, answer);
          expect(figure.ok && Math.abs(figure.value - truth(what))).toBeLessThanOrEqual(
            WITHIN[figureKindOf(what)],
          );
        }
      }),
    ));

  it('one that measures something else says so', () => {
    for (const kind of fieldInstrumentKinds)
      for (const what of measuredWhats) {
        const answer = simulatedFieldInstrument({ kind, truth, seed: 1, lossShare: 0 }).read(what);
        expect(answer.ok, `${kind} ${what}`).toBe(fieldInstrumentFor(what) === kind);
      }
  });

  it('a figure of another kind is refused and never taken as if it were ours', () => {
    expect(figureFrom('surface', { value: 12, unit: 'mm' })).toEqual({ ok: false, because: 'unit' });
    expect(figureFrom('surface', { value: 55, unit: '%' })).toEqual({ ok: false, because: 'unit' });
    expect(figureFrom('film', { value: 12, unit: '°C' })).toEqual({ ok: false, because: 'unit' });
    expect(figureFrom('film', { value: 25, unit: 'mm' })).toEqual({ ok: false, because: 'range' });
    expect(figureFrom('moisture', { value: 140, unit: '%' })).toEqual({ ok: false, because: 'range' });
    // A micrometre is no length of a joint: a comb was read at the wrong row.
    expect(figureFrom('joint', { value: 400, unit: 'µm' })).toEqual({ ok: false, because: 'unit' });
  });

  it('one that types reads with its unit, or not at all', () => {
    // Source: definitions of the units (25.4 mm an inch, 0.0254 mm a mil, °F = 9/5 °C + 32).
    const typed = (what: MeasuredWhat, text: string) => {
      const shown = shownIn(text);
      return shown && figureFrom(what, shown);
    };
    expect(typed('surface', '50 °F')).toMatchObject({ ok: true, value: 10 });
    expect(typed('film', '20mil')).toMatchObject({ ok: true, value: 0.508 });
    expect(typed('joint', '0.5"')).toMatchObject({ ok: true, value: 12.7 });
    expect(typed('plumb', '-1,2 mm')).toMatchObject({ ok: true, value: 1.2 });
    for (const text of ['12', 'mm', '12 mm 5', '12 furlongs', '', '1e3 mm'])
      expect(shownIn(text), text).toBeNull();
  });
});
