/** The measuring places of one opening, in the order a person walks round it with the tape. */

export const surveyPointIds = [
  'roughWidth',
  'roughHeight',
  'widthBottom',
  'widthMiddle',
  'widthTop',
  'heightLeft',
  'heightCentre',
  'heightRight',
  'diagonalRising',
  'diagonalFalling',
  'sillLeft',
  'sillMiddle',
  'sillRight',
  'plumbLeft',
  'plumbRight',
  'depth',
  'bowLeft',
  'bowRight',
  'twistLeft',
  'twistRight',
  'sillFallLeft',
  'sillFallRight',
  'stringGap',
  'faceHollow',
  'freeLeft',
  'freeRight',
  'freeAbove',
  'freeBelow',
  'unitWidth',
  'unitHeight',
  'unitDiagonalRising',
  'unitDiagonalFalling',
] as const;

export type SurveyPointId = (typeof surveyPointIds)[number];

/** A `size` is positive; an `offset` counts from a level, plumb or straight line and may be negative. */
export type SurveyPointKind = 'size' | 'offset';

export interface SurveyPoint {
  readonly kind: SurveyPointKind;
  /** What the same reading is called when the survey was taken from the other side of the wall. */
  readonly mirrored: SurveyPointId;
  /** Horizontal offsets also change sign with the side they are seen from. */
  readonly flips: boolean;
  readonly least_mm: number;
  readonly most_mm: number;
}

const size = (mirrored: SurveyPointId, least_mm = 150, most_mm = 9000): SurveyPoint => ({
  kind: 'size',
  mirrored,
  flips: false,
  least_mm,
  most_mm,
});
const offset = (mirrored: SurveyPointId, flips: boolean, most_mm = 1500): SurveyPoint => ({
  kind: 'offset',
  mirrored,
  flips,
  least_mm: -most_mm,
  most_mm,
});

export const surveyPoints: Readonly<Record<SurveyPointId, SurveyPoint>> = {
  roughWidth: size('roughWidth'),
  roughHeight: size('roughHeight'),
  widthBottom: size('widthBottom'),
  widthMiddle: size('widthMiddle'),
  widthTop: size('widthTop'),
  heightLeft: size('heightRight'),
  heightCentre: size('heightCentre'),
  heightRight: size('heightLeft'),
  diagonalRising: size('diagonalFalling', 200, 13_000),
  diagonalFalling: size('diagonalRising', 200, 13_000),
  sillLeft: offset('sillRight', false),
  sillMiddle: offset('sillMiddle', false),
  sillRight: offset('sillLeft', false),
  plumbLeft: offset('plumbRight', true),
  plumbRight: offset('plumbLeft', true),
  depth: size('depth', 40, 1200),
  // Middle of a jamb against the straight line from its bottom to its top; + to the right.
  bowLeft: offset('bowRight', true, 100),
  bowRight: offset('bowLeft', true, 100),
  // Top of a jamb against its bottom in the depth of the wall; + towards the weather.
  twistLeft: offset('twistRight', false, 200),
  twistRight: offset('twistLeft', false, 200),
  // Inner edge of the rough sill against its outer edge; + falls to the weather.
  sillFallLeft: offset('sillFallRight', false, 200),
  sillFallRight: offset('sillFallLeft', false, 200),
  // Two strings from corner to corner over the wall face: how far they are apart where they cross.
  stringGap: offset('stringGap', false, 100),
  // Under a straightedge over the wall face, where the fin will lie; + hollow, − hump.
  faceHollow: offset('faceHollow', false, 100),
  // Clear wall from the edge of the opening to the next opening, corner, deck or roof.
  freeLeft: size('freeRight', 0, 20_000),
  freeRight: size('freeLeft', 0, 20_000),
  freeAbove: size('freeAbove', 0, 20_000),
  freeBelow: size('freeBelow', 0, 20_000),
  // The unit as it came, over its frame.
  unitWidth: size('unitWidth'),
  unitHeight: size('unitHeight'),
  unitDiagonalRising: size('unitDiagonalFalling', 200, 13_000),
  unitDiagonalFalling: size('unitDiagonalRising', 200, 13_000),
};

/** The walk round an opening, what decides the fit first; drawing sizes and the delivered unit are not part of it. */
export const surveyWalk: readonly SurveyPointId[] = surveyPointIds.filter(
  (id) => id !== 'roughWidth' && id !== 'roughHeight' && !id.startsWith('unit'),
);

/** Points without which the fit is not proven; the walk may end after them. */
export const provingPoints: readonly SurveyPointId[] = surveyWalk.slice(0, surveyWalk.indexOf('depth') + 1);
