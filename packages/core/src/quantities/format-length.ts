/** Writes lengths for reading, in the unit of the job; parsing them back gives the same figure. */
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

/** Width first, always: the trade's way of writing a size. */
export function formatSize(size: { width: number; height: number }, unit: LengthUnit): string {
  return `${formatLength(size.width, unit, 'figure')} × ${formatLength(size.height, unit, 'figure')}`;
}

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

/**
 * A length as a person would have typed it on a plain keyboard: for what comes from an instrument, a drag or a
 * computation. Inches keep their mark: a large bare number in a job in inches would be read as millimetres.
 */
export function asTyped(mm: number, unit: LengthUnit): TypedLength {
  const figure = formatLength(mm, unit, 'figure').replace(MINUS, '-').replace(FRACTION_SLASH, '/');
  return { typed: unit === 'in' ? `${figure}"` : figure, mm };
}
