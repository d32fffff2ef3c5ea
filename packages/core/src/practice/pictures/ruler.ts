/** A measuring tape, or a staff, drawn with the marks that a real one has. */
import type { DrawItem } from '../../drawing/items.ts';
import { MM_PER_INCH, type LengthUnit } from '../../quantities/length.ts';
import { formatLength } from '../../quantities/format-length.ts';
import type { Point2 } from '../../geometry/vector.ts';

export interface Ruler {
  /** The part of it that is seen, mm. */
  readonly from_mm: number;
  readonly to_mm: number;
  readonly system: LengthUnit;
  /** Where a mark stands on the paper at its edge, and which way marks grow from there. */
  readonly at: (mm: number) => Point2;
  readonly into: Point2;
  /** Every so many of its whole units bear a figure. */
  readonly figureEvery: number;
  readonly turned?: boolean;
}

/** Marks of a unit by how long they are drawn, px: from the finest to the whole one. */
const MARKS: Readonly<Record<LengthUnit, readonly { readonly step_mm: number; readonly px: number }[]>> = {
  mm: [
    { step_mm: 1, px: 9 },
    { step_mm: 5, px: 15 },
    { step_mm: 10, px: 24 },
  ],
  in: [
    { step_mm: MM_PER_INCH / 16, px: 7 },
    { step_mm: MM_PER_INCH / 8, px: 11 },
    { step_mm: MM_PER_INCH / 4, px: 16 },
    { step_mm: MM_PER_INCH / 2, px: 21 },
    { step_mm: MM_PER_INCH, px: 28 },
  ],
};

const FIGURE_SIZE = 13;
const FROM_MARK_px = 13;

/** Finest first, so that a mark that is several at once is drawn at its longest. */
export function rulerItems({
  from_mm,
  to_mm,
  system,
  at,
  into,
  figureEvery,
  turned = false,
}: Ruler): DrawItem[] {
  const marks = MARKS[system];
  const finest = marks[0]?.step_mm ?? 1;
  const whole = marks.at(-1)?.step_mm ?? 10;
  const items: DrawItem[] = [];
  for (let i = Math.ceil(from_mm / finest - 1e-9); i <= Math.floor(to_mm / finest + 1e-9); i++) {
    const mm = i * finest;
    const long = marks.findLast(({ step_mm }) => isMultiple(mm, step_mm))?.px ?? 0;
    const [x, y] = at(mm);
    items.push({
      kind: 'line',
      points: [
        [x, y],
        [x + into[0] * long, y + into[1] * long],
      ],
      stroke: 'thin',
      owner: '',
    });
    if (!isMultiple(mm, whole * figureEvery)) continue;
    const far = (marks.at(-1)?.px ?? 0) + FROM_MARK_px;
    items.push({
      kind: 'text',
      at: [x + into[0] * far, y + into[1] * far],
      text: formatLength(mm, system, 'figure'),
      size: FIGURE_SIZE,
      turned,
      tone: 'plain',
      owner: '',
    });
  }
  return items;
}

const isMultiple = (mm: number, step: number): boolean => Math.abs(mm / step - Math.round(mm / step)) < 1e-6;
