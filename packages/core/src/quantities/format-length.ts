/** Writes lengths for reading, in the unit of the job; parsing them back gives the same figure. */
import { parseLength } from './parse-length.ts';
import { INCH_DENOMINATOR, MM_PER_INCH, type LengthUnit, type TypedLength } from './length.ts';

const THIN_SPACE = '\u202f';
const FRACTION_SLASH = '\u2044';
const MINUS = '\u2212';

/** `full` carries the unit (`36 3⁄8″`, `921 mm`), `figure` is for columns and dimension lines whose unit is said once. */
export type LengthStyle = 'full' | 'figure';

/**
 * Returns `mm` rounded to 1/16 in or to 0.1 mm, as text.
 *
 * @param mm a finite length, negative allowed
 * @throws Error when `mm` is not finite: that is a bug upstream, not something to print
 * @example formatLength(923.925, 'in') // '36 3⁄8″'
 * @example formatLength(921, 'mm') // '921 mm'
 */
export function formatLength(mm: number, unit: LengthUnit, style: LengthStyle = 'full'): string {
  if (!Number.isFinite(mm)) throw new Error(`formatLength got ${mm}`);
  return unit === 'in' ? formatInches(mm, style) : formatMillimetres(mm, style);
}

/** Width first, always: the trade's way of writing a size. Never without its unit. */
export const formatSize = (size: { width: number; height: number }, unit: LengthUnit): string =>
  `${formatLength(size.width, unit, unit === 'mm' ? 'figure' : 'full')} × ${formatLength(size.height, unit)}`;

function formatMillimetres(mm: number, style: LengthStyle): string {
  const tenths = Math.round(Math.abs(mm) * 10);
  const sign = mm < 0 && tenths > 0 ? MINUS : '';
  const figure = tenths % 10 === 0 ? String(tenths / 10) : (tenths / 10).toFixed(1);
  return style === 'full' ? `${sign}${figure}${THIN_SPACE}mm` : `${sign}${figure}`;
}

function formatInches(mm: number, style: LengthStyle): string {
  const sixteenths = Math.round((Math.abs(mm) / MM_PER_INCH) * INCH_DENOMINATOR);
  const whole = Math.floor(sixteenths / INCH_DENOMINATOR);
  const fraction = reduced(sixteenths % INCH_DENOMINATOR);
  const figure = [whole > 0 || fraction === '' ? String(whole) : '', fraction].filter(Boolean).join(' ');
  const sign = mm < 0 && sixteenths > 0 ? MINUS : '';
  return style === 'full' ? `${sign}${figure}″` : `${sign}${figure}`;
}

function reduced(sixteenths: number): string {
  if (sixteenths === 0) return '';
  let [top, bottom] = [sixteenths, INCH_DENOMINATOR];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${top}${FRACTION_SLASH}${bottom}`;
}

/** From one mark of a tape to the next, mm. */
export const markStep = (unit: LengthUnit): number => (unit === 'in' ? MM_PER_INCH / INCH_DENOMINATOR : 1);

/** The next mark of the tape at or above `mm`: for material to take off, where rounding down would leave too much. */
export function roundUpToMark(mm: number, unit: LengthUnit): number {
  const step = markStep(unit);
  return Math.ceil(mm / step - 1e-9) * step;
}

/** The nearest mark of the tape: what is cut by hand is cut to no finer one. */
export const toMark = (mm: number, unit: LengthUnit): number =>
  Math.round(mm / markStep(unit)) * markStep(unit);

/** A size to cut, length first: to the mark of the job's unit `to`, so that all cut one size, written for who reads in `unit`. */
export const formatCut = (
  { length_mm, width_mm }: { length_mm: number; width_mm: number },
  to: LengthUnit,
  unit: LengthUnit = to,
): string => formatSize({ width: toMark(length_mm, to), height: toMark(width_mm, to) }, unit);

/**
 * A length as a person would have typed it on a plain keyboard: for what comes from an instrument, a drag or a
 * computation. Inches keep their mark: a large bare number in a job in inches would be read as millimetres.
 */
export function asTyped(mm: number, unit: LengthUnit): TypedLength {
  const figure = formatLength(mm, unit, 'figure').replace(MINUS, '-').replace(FRACTION_SLASH, '/');
  return { typed: unit === 'in' ? `${figure}"` : figure, mm };
}

const SAME_mm = 0.05;
const MARK: Readonly<Record<LengthUnit, string>> = { mm: ' mm', in: '"' };
const BARE = /^[-−+]?[\d.,\s/⁄½¼¾⅛⅜⅝⅞-]+$/;

/**
 * What was typed, for somebody who reads in `unit`: to the letter, with its own unit behind it where a bare figure
 * would be taken for another length.
 *
 * @example typedFor({ typed: '19', mm: 19 }, 'in') // '19 mm'
 */
export function typedFor({ typed, mm }: TypedLength, unit: LengthUnit): string {
  const text = typed.trim();
  if (!BARE.test(text)) return text;
  const others: LengthUnit = unit === 'mm' ? 'in' : 'mm';
  for (const u of [unit, others]) {
    const read = parseLength(text, u);
    if (!read.ok || Math.abs(read.value.mm - mm) > SAME_mm) continue;
    return read.value.unit === unit ? text : `${text}${MARK[read.value.unit]}`;
  }
  return formatLength(mm, unit);
}

/** The same length for somebody who reads in another unit than it is written in; empty where it is the same one. */
export const alsoIn = (mm: number, written: LengthUnit, reads: LengthUnit): string =>
  written === reads ? '' : formatLength(mm, reads);
