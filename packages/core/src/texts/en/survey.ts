/** Words for measuring. */
import type { LengthErrorCode } from '../../quantities/parse-length.ts';
import type { SurveyPointId } from '../../survey/points.ts';

export interface SurveyPointText {
  readonly label: string;
  /** Inside a sentence. */
  readonly phrase: string;
  readonly hint: string;
}

export const pointTexts: Readonly<Record<SurveyPointId, SurveyPointText>> = {
  roughWidth: {
    label: 'Opening width',
    phrase: 'the width from the drawing',
    hint: 'From the drawing, until it is measured',
  },
  roughHeight: {
    label: 'Opening height',
    phrase: 'the height from the drawing',
    hint: 'From the drawing, until it is measured',
  },
  widthBottom: {
    label: 'Width, bottom',
    phrase: 'the width at the bottom',
    hint: 'Framing to framing, just above the sill',
  },
  widthMiddle: { label: 'Width, middle', phrase: 'the width in the middle', hint: 'Half way up' },
  widthTop: { label: 'Width, top', phrase: 'the width at the top', hint: 'Just below the header' },
  heightLeft: {
    label: 'Height, left',
    phrase: 'the height on the left',
    hint: 'Rough sill to header along the left jamb',
  },
  heightCentre: {
    label: 'Height, centre',
    phrase: 'the height in the centre',
    hint: 'In the middle of the width',
  },
  heightRight: { label: 'Height, right', phrase: 'the height on the right', hint: 'Along the right jamb' },
  diagonalRising: {
    label: 'Diagonal, rising',
    phrase: 'the rising diagonal',
    hint: 'Bottom left to top right',
  },
  diagonalFalling: {
    label: 'Diagonal, falling',
    phrase: 'the falling diagonal',
    hint: 'Top left to bottom right',
  },
  sillLeft: {
    label: 'Sill, left',
    phrase: 'the sill height on the left',
    hint: 'Above (+) or below (−) the level line',
  },
  sillMiddle: {
    label: 'Sill, middle',
    phrase: 'the sill height in the middle',
    hint: 'Above (+) or below (−) the level line',
  },
  sillRight: {
    label: 'Sill, right',
    phrase: 'the sill height on the right',
    hint: 'Above (+) or below (−) the level line',
  },
  plumbLeft: {
    label: 'Left jamb out of plumb',
    phrase: 'the plumb of the left jamb',
    hint: 'Top against bottom: + leans right, − leans left',
  },
  plumbRight: {
    label: 'Right jamb out of plumb',
    phrase: 'the plumb of the right jamb',
    hint: 'Top against bottom: + leans right, − leans left',
  },
  depth: {
    label: 'Depth of the reveal',
    phrase: 'the depth of the reveal',
    hint: 'Face of the sheathing to the inner edge of the framing',
  },
};

export const lengthErrorTexts: Readonly<Record<LengthErrorCode, string>> = {
  empty: 'Nothing was entered.',
  'not-a-length': 'This does not read as a length. Write it like 36 3/8, 3-0 or 921 mm.',
  'several-signs': 'There is more than one plus or minus sign. Keep one.',
  'inches-over-eleven': 'Feet and inches: the inches must stay below 12, and the feet must be whole.',
  'fraction-denominator': 'A tape divides the inch by 2, 4, 8, 16, 32 or 64. Correct the fraction.',
  'fraction-over-one': 'The fraction is a whole inch or more. Carry it over, like 37 1/8.',
  'thousands-or-decimals':
    'This could mean thousands or decimals. Leave the separator out, or add the unit m.',
  'mixed-units': 'Millimetres and inches are mixed here. Use one of them.',
};

/** Readings that are named together when all of them are missing. */
export const pointGroups: readonly { readonly all: string; readonly points: readonly SurveyPointId[] }[] = [
  { all: 'all widths', points: ['widthBottom', 'widthMiddle', 'widthTop'] },
  { all: 'all heights', points: ['heightLeft', 'heightCentre', 'heightRight'] },
  { all: 'both diagonals', points: ['diagonalRising', 'diagonalFalling'] },
  { all: 'the level of the sill', points: ['sillLeft', 'sillMiddle', 'sillRight'] },
  { all: 'the plumb of both jambs', points: ['plumbLeft', 'plumbRight'] },
];
