/** Openings for tests: the demo's documents with other readings. */
import fc from 'fast-check';
import {
  openingsOf,
  planOpening,
  skarvPoint,
  type JobFile,
  type Opening,
  type Plan,
  type SurveyPointId,
} from '@hulvek/core';

export const job: JobFile = skarvPoint();
/** The demo's openings with their surveys. */
export const openings: readonly Opening[] = openingsOf(job);

export type Readings = Partial<Record<SurveyPointId, number>>;

export const SQUARE: Readings = {
  widthBottom: 920,
  widthMiddle: 920,
  widthTop: 920,
  heightLeft: 1225,
  heightCentre: 1225,
  heightRight: 1225,
  diagonalRising: 1532,
  diagonalFalling: 1532,
  sillLeft: 0,
  sillMiddle: 0,
  sillRight: 0,
  plumbLeft: 0,
  plumbRight: 0,
  depth: 152,
};

export function openingWith(readings: Readings, changes: Partial<Opening> = {}): Opening {
  const [base] = openings;
  if (!base) throw new Error('the demo has no opening');
  const values = Object.fromEntries(
    Object.entries(readings).map(([id, mm]) => [id, { typed: `${mm} mm`, mm }]),
  );
  return { ...base, survey: { from: 'outside', values }, ...changes };
}

export const planWith = (readings: Readings, changes: Partial<Opening> = {}): Plan =>
  planOpening(openingWith(readings, changes), job);

/** A crooked but sound opening round the demo's 900 × 1200 unit. */
export const crooked = fc
  .record({
    width: fc.integer({ min: 905, max: 945 }),
    height: fc.integer({ min: 1216, max: 1250 }),
    errors: fc.array(fc.integer({ min: -12, max: 12 }), { minLength: 11, maxLength: 11 }),
  })
  .map(({ width, height, errors: e }): Readings => ({
    widthBottom: width + (e[0] ?? 0),
    widthMiddle: width + (e[1] ?? 0),
    widthTop: width + (e[2] ?? 0),
    heightLeft: height + (e[3] ?? 0),
    heightCentre: height + (e[4] ?? 0),
    heightRight: height + (e[5] ?? 0),
    sillLeft: e[6] ?? 0,
    sillMiddle: e[7] ?? 0,
    sillRight: e[8] ?? 0,
    plumbLeft: e[9] ?? 0,
    plumbRight: e[10] ?? 0,
  }));
