/** Words for measuring. */
import type { LengthErrorCode } from '../../quantities/parse-length.ts';
import type { Doubt } from '../../survey/plausibility.ts';
import type { SurveyPointId } from '../../vocabulary/survey-points.ts';

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
  bowLeft: {
    label: 'Left jamb, bow',
    phrase: 'the bow of the left jamb',
    hint: 'Middle against a straight line: + to the right, − to the left',
  },
  bowRight: {
    label: 'Right jamb, bow',
    phrase: 'the bow of the right jamb',
    hint: 'Middle against a straight line: + to the right, − to the left',
  },
  twistLeft: {
    label: 'Left jamb, in and out',
    phrase: 'the plumb of the left jamb in and out',
    hint: 'Top against bottom: + towards the weather, − towards the room',
  },
  twistRight: {
    label: 'Right jamb, in and out',
    phrase: 'the plumb of the right jamb in and out',
    hint: 'Top against bottom: + towards the weather, − towards the room',
  },
  sillFallLeft: {
    label: 'Sill fall, left',
    phrase: 'the fall of the rough sill on the left',
    hint: 'Inner edge against outer edge: + falls to the weather, − falls to the room',
  },
  sillFallRight: {
    label: 'Sill fall, right',
    phrase: 'the fall of the rough sill on the right',
    hint: 'Inner edge against outer edge: + falls to the weather, − falls to the room',
  },
  stringGap: {
    label: 'Crossed strings',
    phrase: 'the gap of the crossed strings',
    hint: 'Two strings corner to corner over the wall face: gap where they cross',
  },
  faceHollow: {
    label: 'Wall face under a straightedge',
    phrase: 'the flatness of the wall face',
    hint: 'Where the fin will lie: + hollow, − hump',
  },
  freeLeft: {
    label: 'Free wall, left',
    phrase: 'the free wall on the left',
    hint: 'To the next opening or corner',
  },
  freeRight: {
    label: 'Free wall, right',
    phrase: 'the free wall on the right',
    hint: 'To the next opening or corner',
  },
  freeAbove: {
    label: 'Free wall above',
    phrase: 'the free wall above',
    hint: 'To the roof, soffit or next opening',
  },
  freeBelow: {
    label: 'Free wall below',
    phrase: 'the free wall below',
    hint: 'To the deck, ground or next opening',
  },
  unitWidth: {
    label: 'Unit as delivered, width',
    phrase: 'the width of the delivered unit',
    hint: 'Over the frame',
  },
  unitHeight: {
    label: 'Unit as delivered, height',
    phrase: 'the height of the delivered unit',
    hint: 'Over the frame',
  },
  unitDiagonalRising: {
    label: 'Unit, rising diagonal',
    phrase: 'the rising diagonal of the delivered unit',
    hint: 'Frame corner to frame corner',
  },
  unitDiagonalFalling: {
    label: 'Unit, falling diagonal',
    phrase: 'the falling diagonal of the delivered unit',
    hint: 'Frame corner to frame corner',
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

type Doubtful<Code extends Doubt['code']> = Extract<Doubt, { code: Code }>;

/** What a person should look at again, with the figure the other readings give. */
export const doubtTexts: {
  readonly [Code in Doubt['code']]: (doubt: Doubtful<Code>, length: (mm: number) => string) => string;
} = {
  'diagonal-impossible': ({ least_mm, most_mm }, length) =>
    `No opening with these sides has such a diagonal: it lies between ${length(least_mm)} and ${length(most_mm)}.`,
  'diagonal-far': ({ expected_mm }, length) =>
    `A square opening of this size has ${length(expected_mm)}. Hook the tape again.`,
  'width-for-height': ({ expected_mm }, length) =>
    `This looks like a width; the other heights are about ${length(expected_mm)}.`,
  'height-for-width': ({ expected_mm }, length) =>
    `This looks like a height; the other widths are about ${length(expected_mm)}.`,
  'far-from-others': ({ expected_mm }, length) =>
    `The others are about ${length(expected_mm)}. Measure this one again.`,
  'unit-mixed': ({ expected_mm }, length) =>
    `The others are about ${length(expected_mm)}. Was this read in another unit?`,
  'sill-crown': ({ crown_mm }, length) =>
    `A hump of ${length(crown_mm)} in the middle of the sill: the unit would bind on it.`,
};

/** A doubt in words. */
export const doubtText = (doubt: Doubt, length: (mm: number) => string): string =>
  (doubtTexts[doubt.code] as (doubt: Doubt, length: (mm: number) => string) => string)(doubt, length);

/** Readings that are named together when all of them are missing. */
export const pointGroups: readonly { readonly all: string; readonly points: readonly SurveyPointId[] }[] = [
  { all: 'all widths', points: ['widthBottom', 'widthMiddle', 'widthTop'] },
  { all: 'all heights', points: ['heightLeft', 'heightCentre', 'heightRight'] },
  { all: 'both diagonals', points: ['diagonalRising', 'diagonalFalling'] },
  { all: 'the level of the sill', points: ['sillLeft', 'sillMiddle', 'sillRight'] },
  { all: 'the plumb of both jambs', points: ['plumbLeft', 'plumbRight'] },
];
