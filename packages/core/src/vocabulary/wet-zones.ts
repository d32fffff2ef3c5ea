/** Where somebody in the room sees water, and up to where a wall is sprayed. */
export const wetZones = [
  'head-left',
  'head-middle',
  'head-right',
  'jamb-left',
  'jamb-right',
  'sill-left',
  'sill-middle',
  'sill-right',
  'unit',
] as const;
export type WetZone = (typeof wetZones)[number];

/** Stages of a spray test, from below: each wets all that the ones before it wet. */
export const sprayStages = ['sill', 'jambs', 'head', 'above'] as const;
export type SprayStage = (typeof sprayStages)[number];

/** What can be wetted from outside by itself. */
export const wettings = [
  'sill',
  'jamb-left',
  'jamb-right',
  'unit-face',
  'head',
  'head-corners',
  'wall-above',
] as const;
export type Wetting = (typeof wettings)[number];

/** How an opening is tested, or how water came in without a test. */
export const openingTests = ['spray', 'chamber', 'smoke', 'reported'] as const;
export type OpeningTest = (typeof openingTests)[number];

/** Steady, in cycles with the spray running on, with the house under suction, or without any difference. */
export const pressings = ['steady', 'cycles', 'house', 'none'] as const;
export type Pressing = (typeof pressings)[number];

/** What must be so before anybody presses or wets. */
export const testChecks = [
  'people-told',
  'combustion-off',
  'fireplace-shut',
  'electrics-dry',
  'finishes-dry',
  'frame-anchored',
  'nobody-in-front',
  'no-ladder',
  'doors-held',
] as const;
export type TestCheck = (typeof testChecks)[number];
