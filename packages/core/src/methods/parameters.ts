/** Every number a method works with: default, range, and what stands behind it. All can be changed per opening. */
import { inches } from '../quantities/length.ts';

export const parameterIds = [
  'leastGap',
  'largestGap',
  'holeEdgeDistance',
  'leastShim',
  'shimFromCorner',
  'shimSpacing',
  'sillShimFromEnd',
  'slope',
  'boardFront',
  'panInset',
  'panLap',
  'panUpturn',
  'jambFaceLeg',
  'jambAboveHead',
  'beadDiameter',
  'jambTapeWidth',
  'jambTapeAboveFin',
  'jambTapeBelowFin',
  'headPast',
  'headTapeWidth',
  'headTapePast',
  'flapSlit',
  'flapTrim',
  'slitTapeWidth',
  'sealWidth',
  'sealOnFrame',
  'sealLap',
] as const;

export type ParameterId = (typeof parameterIds)[number];
export type ParameterGroup = 'fit' | 'shims' | 'sill' | 'jambs' | 'head' | 'inside';

export interface Parameter {
  readonly group: ParameterGroup;
  readonly kind: 'length' | 'angle';
  readonly initial: number;
  readonly least: number;
  readonly most: number;
  readonly source: 'common practice, no source' | 'geometry';
}

const row = (
  group: ParameterGroup,
  initial: number,
  least: number,
  most: number,
  kind: Parameter['kind'] = 'length',
): Parameter => ({ group, kind, initial, least, most, source: 'common practice, no source' });

/** Lengths in mm, angles in degrees. */
export const parameters: Readonly<Record<ParameterId, Parameter>> = {
  leastGap: row('fit', inches(1 / 4), 3, 20),
  largestGap: row('fit', 25, 10, 40),
  holeEdgeDistance: row('fit', 10, 4, 30),
  leastShim: row('shims', inches(1 / 8), 1, 25),
  shimFromCorner: row('shims', 125, 50, 300),
  shimSpacing: row('shims', 400, 150, 800),
  sillShimFromEnd: row('shims', 50, 20, 200),
  slope: row('sill', 5, 0, 15, 'angle'),
  boardFront: row('sill', 3, 1, 30),
  panInset: row('sill', 12, 0, 60),
  panLap: row('sill', 50, 10, 200),
  panUpturn: row('sill', 150, 30, 300),
  jambFaceLeg: row('jambs', 50, 10, 150),
  jambAboveHead: row('jambs', 25, 10, 80),
  beadDiameter: row('jambs', 8, 4, 14),
  jambTapeWidth: row('jambs', 100, 50, 300),
  jambTapeAboveFin: row('jambs', 25, 0, 100),
  jambTapeBelowFin: row('jambs', 100, 0, 300),
  headPast: row('head', 25, 10, 80),
  headTapeWidth: row('head', 100, 50, 300),
  headTapePast: row('head', 25, 5, 100),
  flapSlit: row('head', 200, 80, 400),
  flapTrim: row('head', 25, 5, 50),
  slitTapeWidth: row('head', 100, 50, 150),
  sealWidth: row('inside', 60, 40, 150),
  sealOnFrame: row('inside', 10, 5, 30),
  sealLap: row('inside', 25, 10, 60),
};

/** The numbers of one opening after preset, method and opening have each had their say. */
export type ParameterValues = Readonly<Record<ParameterId, number>>;
