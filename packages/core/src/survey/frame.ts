/** Puts the readings of a survey into one level and plumb frame seen from outside. */
import type { Survey } from '../documents/survey.ts';
import { surveyPointIds, surveyPoints, type SurveyPointId } from '../vocabulary/survey-points.ts';

export type Readings = Partial<Record<SurveyPointId, number>>;

/** One measured place on the edge of the opening; `nominal` means taken from the drawing, not from the wall. */
export interface Station {
  readonly u: number;
  readonly v: number;
  readonly place: Place;
  readonly basis: 'measured' | 'nominal';
}

/** Position along a side: 0 at its bottom or left end, 0.5 in the middle, 1 at its top or right end. */
export type Place = 0 | 0.5 | 1;

export type LeanSource = 'plumb' | 'diagonals' | 'assumed';

/** A reading that disagrees with the others, with the value the others would give. */
export interface Residual {
  readonly point: SurveyPointId;
  readonly measured_mm: number;
  readonly expected_mm: number;
}

export interface OpeningFrame {
  /** From bottom to top. */
  readonly left: readonly Station[];
  readonly right: readonly Station[];
  /** From left to right. */
  readonly bottom: readonly Station[];
  readonly top: readonly Station[];
  readonly leanSource: LeanSource;
  readonly sillLevelled: boolean;
  readonly residuals: readonly Residual[];
  /** Readings not taken, in measuring order. */
  readonly missing: readonly SurveyPointId[];
  /** Size that the pieces must cover: the widest and the tallest reading. */
  readonly cover: { readonly width: number; readonly height: number };
}

/** Readings as they would have been taken from outside, in mm. */
export function readingsFromOutside(survey: Survey): Readings {
  const readings: Readings = {};
  for (const id of surveyPointIds) {
    const value = survey.values[id]?.mm;
    if (value === undefined) continue;
    const { mirrored, flips } = surveyPoints[id];
    if (survey.from === 'outside') readings[id] = value;
    else readings[mirrored] = flips && value !== 0 ? -value : value;
  }
  return readings;
}

const WIDTHS = ['widthBottom', 'widthMiddle', 'widthTop'] as const;
const HEIGHTS = ['heightLeft', 'heightCentre', 'heightRight'] as const;
const SILLS = ['sillLeft', 'sillMiddle', 'sillRight'] as const;
const CHECKED: readonly SurveyPointId[] = [
  ...WIDTHS,
  ...HEIGHTS,
  'diagonalRising',
  'diagonalFalling',
  ...SILLS,
  'plumbLeft',
  'plumbRight',
];

/**
 * Returns the edge stations of the opening, origin at its lower left corner seen from outside, u to the right,
 * v up, axes level and plumb; `null` while neither a width nor a height is known.
 *
 * Left stations come from the plumb of the left jamb, right ones from the widths, bottom ones from the level
 * line, top ones from the heights. Jambs count as straight between bottom and top unless their bow was measured. Without plumb the two
 * diagonals give the mean lean (exact for a trapezoid on a level base); without either, the left jamb counts as
 * plumb and the caller must say so. A measured bow moves the middle of its jamb; where the middle width was
 * measured too, the width and the left bow decide and the right bow is a check.
 *
 * Source: plane geometry.
 */
export function openingFrame(readings: Readings): OpeningFrame | null {
  const widths = measuredOrNominal(readings, WIDTHS, 'roughWidth');
  const heights = measuredOrNominal(readings, HEIGHTS, 'roughHeight');
  if (widths.length === 0 || heights.length === 0) return null;
  const width = { bottom: at(widths, 0), top: at(widths, 2) };
  const reach = Math.max(...heights.map((h) => h.mm));
  const { lean, source } = leftLean(readings, width.bottom, width.top);
  const sill = sillLine(readings);

  const bow = leftBow(readings, width);
  const jamb = ({ place, basis }: Reading, offset: number): Station => ({
    u: lean * place + (place === 0.5 ? bow : 0) + offset,
    v: reach * place,
    place,
    basis,
  });
  const bottom = SILLS.map((point, i) => ({
    u: (i / 2) * width.bottom,
    v: sill(i / 2),
    place: PLACES[i] ?? 0,
    basis: readings[point] === undefined ? ('nominal' as const) : ('measured' as const),
  }));
  const top = heights.map(({ mm, place, basis }) => ({
    u: lean + place * width.top,
    v: sill(place) + mm,
    place,
    basis,
  }));
  const corners = { lean, width, sill, leftHeight: at(heights, 0), rightHeight: at(heights, 2) };
  return {
    left: widths.map((w) => jamb(w, 0)),
    right: widths.map((w) => jamb(w, w.mm)),
    bottom,
    top,
    leanSource: source,
    sillLevelled: SILLS.every((point) => readings[point] !== undefined),
    residuals: residuals(readings, corners),
    missing: CHECKED.filter((point) => readings[point] === undefined),
    cover: { width: Math.max(...widths.map((w) => w.mm)), height: reach },
  };
}

/** The left jamb's bow, its own or as the right one's and the middle width give it; + to the right. */
function leftBow(
  { bowLeft, bowRight, widthMiddle }: Readings,
  width: { bottom: number; top: number },
): number {
  if (bowLeft !== undefined) return bowLeft;
  if (bowRight === undefined || widthMiddle === undefined) return 0;
  const straightMiddle = (width.bottom + width.top) / 2;
  return bowRight + straightMiddle - widthMiddle;
}

interface Reading {
  readonly mm: number;
  readonly place: Place;
  readonly basis: Station['basis'];
}

const PLACES: readonly Place[] = [0, 0.5, 1];

function measuredOrNominal(
  readings: Readings,
  points: readonly SurveyPointId[],
  nominal: SurveyPointId,
): Reading[] {
  const measured = points.flatMap((point, i): Reading[] => {
    const mm = readings[point];
    return mm === undefined ? [] : [{ mm, place: PLACES[i] ?? 0, basis: 'measured' }];
  });
  const drawn = readings[nominal];
  if (measured.length > 0 || drawn === undefined) return measured;
  return PLACES.map((place) => ({ mm: drawn, place, basis: 'nominal' }));
}

/** Reading at the bottom/left (index 0) or top/right (2), or the nearest one taken. */
function at(list: readonly Reading[], index: 0 | 2): number {
  const wanted = index / 2;
  return list.reduce((best, r) => (Math.abs(r.place - wanted) < Math.abs(best.place - wanted) ? r : best)).mm;
}

function sillLine(readings: Readings): (place: number) => number {
  const known = SILLS.flatMap((point, i) => {
    const value = readings[point];
    return value === undefined ? [] : [{ place: i / 2, value }];
  });
  if (known.length === 0) return () => 0;
  const base = known[0]?.value ?? 0;
  return (place) => interpolate(known, place) - base;
}

function interpolate(known: readonly { place: number; value: number }[], place: number): number {
  const after = known.find((k) => k.place >= place) ?? known.at(-1);
  const before = known.findLast((k) => k.place <= place) ?? known[0];
  if (!after || !before) throw new Error('interpolate needs at least one value');
  if (after.place === before.place) return after.value;
  const t = (place - before.place) / (after.place - before.place);
  return before.value + t * (after.value - before.value);
}

function leftLean(readings: Readings, bottom: number, top: number): { lean: number; source: LeanSource } {
  const { plumbLeft, plumbRight, diagonalRising, diagonalFalling } = readings;
  if (plumbLeft !== undefined) return { lean: plumbLeft, source: 'plumb' };
  if (plumbRight !== undefined) return { lean: plumbRight - (top - bottom), source: 'plumb' };
  if (diagonalRising !== undefined && diagonalFalling !== undefined) {
    const mean = meanLean({ rising: diagonalRising, falling: diagonalFalling, bottom, top });
    return { lean: mean - (top - bottom) / 2, source: 'diagonals' };
  }
  return { lean: 0, source: 'assumed' };
}

/**
 * Returns the mean lean of both jambs to the right, top against bottom, in mm: (d1² − d2²) / (2 (Wb + Wt)).
 * Exact for a trapezoid on a level base. Source: plane geometry.
 *
 * @example meanLean({ rising: 1505, falling: 1495, bottom: 900, top: 900 }) // 8.333…
 */
export function meanLean(m: { rising: number; falling: number; bottom: number; top: number }): number {
  return (m.rising ** 2 - m.falling ** 2) / (2 * (m.bottom + m.top));
}

interface Corners {
  readonly lean: number;
  readonly width: { readonly bottom: number; readonly top: number };
  readonly sill: (place: number) => number;
  readonly leftHeight: number;
  readonly rightHeight: number;
}

function residuals(readings: Readings, c: Corners): Residual[] {
  const bottomRight = { u: c.width.bottom, v: c.sill(1) };
  const topLeft = { u: c.lean, v: c.leftHeight };
  const topRight = { u: c.lean + c.width.top, v: c.sill(1) + c.rightHeight };
  const expected: Readings = {
    diagonalRising: Math.hypot(topRight.u, topRight.v),
    diagonalFalling: Math.hypot(bottomRight.u - topLeft.u, bottomRight.v - topLeft.v),
    plumbRight: topRight.u - bottomRight.u,
  };
  const { bowLeft, bowRight, widthMiddle } = readings;
  if (bowLeft !== undefined && bowRight !== undefined && widthMiddle !== undefined)
    expected.bowRight = bowLeft + widthMiddle - (c.width.bottom + c.width.top) / 2;
  return (['diagonalRising', 'diagonalFalling', 'plumbRight', 'bowRight'] as const).flatMap((point) => {
    const measured_mm = readings[point];
    const expected_mm = expected[point];
    return measured_mm === undefined || expected_mm === undefined
      ? []
      : [{ point, measured_mm, expected_mm }];
  });
}
