/** Words for tests with air and water. */
import type { FanRefusal, FanWarning } from '../../testing/fan-test.ts';

export const fanWarningTexts: Readonly<Record<FanWarning, string>> = {
  'no-zero': 'No reading was taken with the fan covered: pressures count from nothing.',
  'few-points': 'Fewer than five points: the band is wide.',
  exponent: 'The exponent lies outside 0.5 to 1: something opened, shut or moved during the test.',
  scatter: 'The points do not lie on a line (r² below 0.98): something moved, or it was windy.',
  'zero-large': 'More than 5 Pa with the fan covered: too windy, or too warm inside for its height.',
  'lowest-too-low': 'The lowest pressure is below 10 Pa or five times that with the fan covered.',
  'highest-too-low': 'The highest pressure is below 50 Pa.',
};

export function fanRefusalText(problem: FanRefusal): string {
  switch (problem.because) {
    case 'flow':
      return `readings[${problem.reading - 1}].flow_m3h: reading ${problem.reading} has no flow above nothing; correct it or leave it out`;
    case 'few':
      return `readings: ${problem.usable} usable, 3 at least are needed`;
    case 'one-pressure':
      return 'readings: all at one pressure, which gives no line; take others at other pressures';
  }
}
