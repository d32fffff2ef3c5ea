/** Does a figure make sense beside those already taken? Said while it is typed, long before a plan is made of it. */
import { LEVEL } from './tolerances.ts';
import type { Readings } from './frame.ts';
import type { SurveyPointId } from '../vocabulary/survey-points.ts';

/** Codes are never renamed; their words are in the text catalogue. */
export type Doubt =
  | { readonly code: 'diagonal-impossible'; readonly least_mm: number; readonly most_mm: number }
  | { readonly code: 'diagonal-far'; readonly expected_mm: number }
  | { readonly code: 'width-for-height' | 'height-for-width'; readonly expected_mm: number }
  | { readonly code: 'far-from-others'; readonly expected_mm: number }
  | { readonly code: 'unit-mixed'; readonly expected_mm: number }
  | { readonly code: 'sill-crown'; readonly crown_mm: number };

const WIDTHS = ['widthBottom', 'widthMiddle', 'widthTop', 'roughWidth'] as const;
const HEIGHTS = ['heightLeft', 'heightCentre', 'heightRight', 'roughHeight'] as const;
const DIAGONALS = ['diagonalRising', 'diagonalFalling'] as const;

/** Framing is rarely worse than this over one opening; common practice, no source. */
const FAR_mm = 25;
/** A lean of 1 in 30 changes a diagonal of ordinary proportions by about this share. */
const DIAGONAL_SHARE = 0.015;
const MIX_UPS = [25.4, 1 / 25.4, 10, 0.1, 12, 1 / 12];
const MIX_UP_SHARE = 0.02;
/** Below this a figure is still being typed. */
const UNFINISHED_SHARE = 0.2;

/**
 * Returns what speaks against `mm` at `point`, gravest first; empty when nothing does.
 *
 * Source: triangle inequality for the diagonals; the rest common practice, no source.
 *
 * @param readings the other readings, named as seen from outside like `point`
 */
export function doubts(point: SurveyPointId, mm: number, readings: Readings): Doubt[] {
  const others = { ...readings };
  delete others[point];
  if (isOneOf(WIDTHS, point))
    return doubtsOfSize(mm, values(others, WIDTHS), values(others, HEIGHTS), 'height-for-width');
  if (isOneOf(HEIGHTS, point))
    return doubtsOfSize(mm, values(others, HEIGHTS), values(others, WIDTHS), 'width-for-height');
  if (isOneOf(DIAGONALS, point)) return doubtsOfDiagonal(point, mm, others);
  if (point === 'sillLeft' || point === 'sillMiddle' || point === 'sillRight')
    return doubtsOfSill({ ...others, [point]: mm });
  return [];
}

const isOneOf = <Id extends string>(list: readonly Id[], id: string): id is Id =>
  (list as readonly string[]).includes(id);
const values = (readings: Readings, points: readonly SurveyPointId[]): number[] =>
  points.flatMap((point) => readings[point] ?? []);
const mean = (list: readonly number[]): number => list.reduce((sum, v) => sum + v, 0) / list.length;

function doubtsOfSize(
  mm: number,
  alike: readonly number[],
  across: readonly number[],
  swapped: 'width-for-height' | 'height-for-width',
): Doubt[] {
  if (alike.length === 0) return [];
  const expected_mm = mean(alike);
  if (Math.abs(mm - expected_mm) <= FAR_mm) return [];
  const mixed = MIX_UPS.some((factor) => Math.abs(mm * factor - expected_mm) < expected_mm * MIX_UP_SHARE);
  if (mixed) return [{ code: 'unit-mixed', expected_mm }];
  if (mm < expected_mm * UNFINISHED_SHARE) return [];
  const looksAcross = across.length > 0 && Math.abs(mm - mean(across)) <= FAR_mm;
  return [{ code: looksAcross ? swapped : 'far-from-others', expected_mm }];
}

/** Each diagonal closes two triangles with the sides that meet it; no side of a triangle is as long as the other two. */
function doubtsOfDiagonal(point: (typeof DIAGONALS)[number], mm: number, r: Readings): Doubt[] {
  const width = { bottom: r.widthBottom ?? r.roughWidth, top: r.widthTop ?? r.roughWidth };
  const height = { left: r.heightLeft ?? r.roughHeight, right: r.heightRight ?? r.roughHeight };
  const rising = point === 'diagonalRising';
  const triangles = [
    [width.bottom, rising ? height.right : height.left],
    [width.top, rising ? height.left : height.right],
  ].flatMap(([a, b]) => (a === undefined || b === undefined ? [] : [[a, b] as const]));
  if (triangles.length === 0) return [];
  const least_mm = Math.max(...triangles.map(([a, b]) => Math.abs(a - b)));
  const most_mm = Math.min(...triangles.map(([a, b]) => a + b));
  if (mm >= most_mm || mm <= least_mm) return [{ code: 'diagonal-impossible', least_mm, most_mm }];
  const expected_mm = mean(triangles.map(([a, b]) => Math.hypot(a, b)));
  return Math.abs(mm - expected_mm) > expected_mm * DIAGONAL_SHARE
    ? [{ code: 'diagonal-far', expected_mm }]
    : [];
}

function doubtsOfSill({ sillLeft, sillMiddle, sillRight }: Readings): Doubt[] {
  if (sillLeft === undefined || sillMiddle === undefined || sillRight === undefined) return [];
  const crown_mm = sillMiddle - (sillLeft + sillRight) / 2;
  return crown_mm > LEVEL.crown_mm ? [{ code: 'sill-crown', crown_mm }] : [];
}
