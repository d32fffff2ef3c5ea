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
] as const;

export type SurveyPointId = (typeof surveyPointIds)[number];

/** A `size` is positive; an `offset` counts from a level or plumb line and may be negative. */
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
const offset = (mirrored: SurveyPointId, flips: boolean): SurveyPoint => ({
  kind: 'offset',
  mirrored,
  flips,
  least_mm: -1500,
  most_mm: 1500,
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
};
