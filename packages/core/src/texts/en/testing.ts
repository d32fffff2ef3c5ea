/** Words for tests with air and water. */
import type { FanSafety, FanStage } from '../../vocabulary/fan-tests.ts';
import type { fanConditions, FanRefusal, FanWarning } from '../../testing/fan-test.ts';

export const fanWarningTexts: Readonly<Record<FanWarning, string>> = {
  'no-zero': 'No reading was taken with the fan covered: pressures count from nothing.',
  'few-points': 'Fewer than five points: the band is wide.',
  exponent: 'The exponent lies outside 0.5 to 1: something opened, shut or moved during the test.',
  scatter: 'The points do not lie on a line (r² below 0.98): something moved, or it was windy.',
  'zero-large': 'More than 5 Pa with the fan covered: too windy, or too warm inside for its height.',
  'lowest-too-low': 'The lowest pressure is below 10 Pa or five times that with the fan covered.',
  'highest-too-low': 'The highest pressure is below 50 Pa.',
};

export const fanSafetyTexts: Readonly<Record<FanSafety, string>> = {
  combustion:
    'Everything that burns is off and cold, its flues closed; who knows gas has seen to what needs it',
  fireplaces: 'Fireplaces are swept and shut: no ash is drawn into the rooms',
  people: 'Everybody in the house knows, and nobody opens a window or an outer door',
  doors: 'Outer doors and windows are shut, inner doors held open, the fan and its frame made fast',
  ladders: 'Nobody stands on a ladder, beside an open edge or in front of the fan',
};

export const fanStageTexts: Readonly<Record<FanStage, string>> = {
  'rough-in': 'before the lining',
  finished: 'finished',
  other: 'other',
};

export const fanConditionTexts: Readonly<Record<ReturnType<typeof fanConditions>[number], string>> = {
  wind: 'More wind than 6 m/s: pressures wander.',
  draught: 'Height times difference of temperatures is above 250 m K: the house draws by itself.',
  'height-unknown': 'Its height is not entered: whether it draws by itself is not checkable.',
  'wind-unknown': 'The wind is not entered: whether it was calm enough is not checkable.',
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
