import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  measureKinds,
  measureStep,
  measureUnit,
  readMeasure,
  withMeasureUnit,
  writeMeasure,
  measureIn,
  type MeasureKind,
} from './measure.ts';

describe('figures with their units, as either system writes them', () => {
  // Conversions of general tables (NIST SP 811, appendix B; from memory).
  it.each([
    ['temperature', '68 °F', 20],
    ['temperature', '-40 F', -40],
    ['temperature', '−5 °C', -5],
    ['mass', '100 lb', 45.359237],
    ['mass', '12.5kg', 12.5],
    ['speed', '30 mph', 13.4112],
    ['speed', '36 km/h', 10],
    ['pressure', '15 psf', 718.2],
    ['pressure', '0.3 kPa', 300],
    ['altitude', '5000 ft', 1524],
    ['area', '10 sq ft', 0.9290304],
    ['leakage', '1 in²', 6.4516],
    ['flow', '100 cfm', 169.901],
    ['volume', '10.1 fl oz', 298.69],
    ['volume', '1 gal', 3785.41],
    ['force', '100 lbf', 444.822],
    ['lineLoad', '1 lbf/in', 0.175127],
    ['transmittance', '0.30 Btu/(h·ft2·F)', 1.70348],
    ['lineTransmittance', '0.02 Btu/(h ft °F)', 0.034615],
    ['conductivity', '0.2 Btu in/(h ft² °F)', 0.028846],
    ['resistance', '20 h ft² °F/Btu', 3.52218],
    ['power', '100 Btu/h', 29.3071],
    ['film', '1 oz/ft²', 0.305152],
    ['vapour', '1 perm', 3.496],
    ['rain', '0.5 in', 12.7],
    ['difference', '9 °F', 5],
  ] as const)('%s: “%s” is %f in the unit that is kept', (kind, typed, kept) => {
    for (const system of ['mm', 'in'] as const)
      expect(readMeasure(kind, typed, system)! / kept).toBeCloseTo(1, 3);
  });

  it.each([
    ['temperature', '20', 'in', -6.6667],
    ['temperature', '20', 'mm', 20],
    ['mass', '20', 'in', 9.0718],
    ['speed', '20', 'mm', 20],
  ] as const)('a bare %s of %s is meant as who reads in %s means it', (kind, typed, system, kept) =>
    expect(readMeasure(kind, typed, system)).toBeCloseTo(kept, 3),
  );

  it.each([
    ['temperature', ''],
    ['temperature', 'warm'],
    ['temperature', '20 kg'],
    ['mass', '3 4'],
    ['mass', '1.2.3 kg'],
    ['speed', '10 Pa'],
    ['vapour', '0 perm'],
    ['altitude', '1e3 m'],
  ] as const)('as a %s “%s” is none', (kind, typed) => expect(readMeasure(kind, typed, 'mm')).toBeNull());

  const anyKind = fc.constantFrom(...measureKinds);
  const system = fc.constantFrom('mm', 'in');
  const kept = (kind: MeasureKind) =>
    kind === 'temperature'
      ? fc.double({ min: -60, max: 100, noNaN: true })
      : fc.double({ min: 0.02, max: 5000, noNaN: true });

  it('what is written reads back within half the step that is written, whoever reads it', () =>
    fc.assert(
      fc.property(
        anyKind.chain((kind) => fc.tuple(fc.constant(kind), kept(kind))),
        system,
        system,
        ([kind, value], wrote, reads) => {
          const text = writeMeasure(kind, value, wrote);
          const back = readMeasure(kind, text, reads);
          if (kind === 'vapour' && /^0\u202f/.test(text))
            return expect(back === null || back === 0).toBe(true);
          const shown = measureIn(kind, back ?? NaN, wrote);
          expect(Math.abs(shown - measureIn(kind, value, wrote))).toBeLessThanOrEqual(
            measureStep(kind, wrote) / 2 + 1e-9 * Math.abs(shown),
          );
        },
      ),
    ));

  it('a value whose text nobody touched keeps all of its digits', () =>
    fc.assert(
      fc.property(
        anyKind.chain((kind) => fc.tuple(fc.constant(kind), kept(kind))),
        system,
        system,
        ([kind, value], wrote, reads) => {
          expect(readMeasure(kind, writeMeasure(kind, value, wrote), reads, value)).toBe(value);
        },
      ),
    ));

  it('a bare figure gets the unit it was typed in, and means the same to everybody then', () =>
    fc.assert(
      fc.property(anyKind, fc.integer({ min: 1, max: 999 }), system, system, (kind, n, typedIn, reads) => {
        const text = withMeasureUnit(kind, String(n), typedIn);
        expect(text).toBe(`${n} ${measureUnit(kind, typedIn)}`);
        expect(readMeasure(kind, text, reads)).toBeCloseTo(readMeasure(kind, String(n), typedIn)!, 9);
        expect(withMeasureUnit(kind, text, reads)).toBe(text);
      }),
    ));

  it('no text whatever gives anything but a figure or nothing', () =>
    fc.assert(
      fc.property(anyKind, fc.string({ maxLength: 14 }), system, (kind, text, reads) => {
        const value = readMeasure(kind, text, reads);
        expect(value === null || Number.isFinite(value)).toBe(true);
      }),
    ));
});
