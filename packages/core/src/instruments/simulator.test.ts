import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openingFrame } from '../survey/frame.ts';
import { surveyPointIds, type SurveyPointId } from '../vocabulary/survey-points.ts';
import { instrumentFor } from './instrument.ts';
import { inventedOpening, simulatedInstrument } from './simulator.ts';

const NOMINAL = { width: 920, height: 1225 };
const points = surveyPointIds.filter((p) => p !== 'unitWidth' && !p.startsWith('unit'));

function survey(seed: number, lossShare = 0) {
  const truth = inventedOpening(seed, NOMINAL, 152);
  const readings: Partial<Record<SurveyPointId, number>> = {};
  let losses = 0;
  for (const point of points) {
    const instrument = simulatedInstrument({
      kind: instrumentFor(point),
      truth,
      seed: seed + points.indexOf(point),
      lossShare,
    });
    let answer = instrument.read(point);
    while (!answer.ok && answer.because === 'lost') {
      losses++;
      instrument.reconnect();
      answer = instrument.read(point);
    }
    if (answer.ok) readings[point] = answer.mm;
  }
  return { readings, losses };
}

describe('simulated instruments', () => {
  it('the same seed measures the same, another seed another opening', () => {
    expect(survey(7)).toEqual(survey(7));
    expect(survey(7).readings).not.toEqual(survey(8).readings);
  });

  it('all figures belong to one opening: diagonals, plumb and bow agree with the sides within 5 mm', () =>
    fc.assert(
      fc.property(fc.nat(), (seed) => {
        const frame = openingFrame(survey(seed).readings);
        expect(frame?.missing).toEqual([]);
        for (const r of frame?.residuals ?? [])
          expect(Math.abs(r.measured_mm - r.expected_mm), r.point).toBeLessThan(5);
      }),
    ));

  it('a lost connection stays lost until it is made again, and the survey can be finished', () => {
    const instrument = simulatedInstrument({
      kind: 'distance-meter',
      truth: inventedOpening(1, NOMINAL, 152),
      seed: 1,
      lossShare: 1,
    });
    expect(instrument.read('widthTop')).toEqual({ ok: false, because: 'lost' });
    expect(survey(3, 0.3).losses).toBeGreaterThan(0);
    expect(Object.keys(survey(3, 0.3).readings)).toHaveLength(points.length);
    expect(instrument.read('sillLeft')).toEqual({ ok: false, because: 'cannot' });
  });
});
