/** Reads lengths the way people on site write them. */
import { MM_PER_FOOT, MM_PER_INCH, type LengthUnit } from './length.ts';

export type LengthErrorCode =
  | 'empty'
  | 'not-a-length'
  | 'several-signs'
  | 'inches-over-eleven'
  | 'fraction-denominator'
  | 'fraction-over-one'
  | 'thousands-or-decimals'
  | 'mixed-units';

/** `confirm` is set when the reading is the likely one but another is possible: show it before relying on it. */
export interface ParsedLength {
  readonly typed: string;
  readonly mm: number;
  readonly unit: LengthUnit;
  readonly confirm: boolean;
}

export type LengthResult =
  | { readonly ok: true; readonly value: ParsedLength }
  | { readonly ok: false; readonly error: LengthErrorCode };

/** A bare number above this in an inch job (20 ft) is far likelier to be millimetres. */
const LARGEST_BARE_INCHES = 240;

const TAPE_DENOMINATORS = new Set([2, 4, 8, 16, 32, 64]);

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const UNIT_WORDS: [RegExp, string][] = [
  [/millimet(?:er|re)s?|mm/g, 'mm'],
  [/centimet(?:er|re)s?|cm/g, 'cm'],
  [/(?<![a-z])(?:met(?:er|re)s?|m)(?![a-z])/g, 'm'],
  [/(?<![a-z])(?:feet|foot|ft\.?)(?![a-z])|′|’|'(?!')/g, "'"],
  [/(?<![a-z])(?:inches|inch|in\.?)(?![a-z])|″|”|“|''/g, '"'],
];

const METRIC_FACTOR: Record<string, number> = { mm: 1, cm: 10, m: 1000 };

/**
 * Returns the length written in `text`; a leading minus makes it negative.
 *
 * Understood: inches with fractions (`36 3/8`, `36-3/8"`, `36⅜`), feet and inches (`3' 0 3/8"`, `3-0`,
 * `3-0 3/8`), metric with or without a unit (`921`, `921 mm`, `92,1 cm`, `0.921 m`). Integer-hyphen-integer is
 * feet-inches; `3-3/8` is inches and asks to be confirmed. A bare number takes `unit`.
 *
 * @param unit what a number without any mark means in this job
 * @returns millimetres, or the code of what is unclear; never NaN
 * @example parseLength('36 3/8', 'in') // 923.925 mm
 * @example parseLength('3-0', 'mm') // 914.4 mm
 */
export function parseLength(text: string, unit: LengthUnit): LengthResult {
  const plain = normalise(text);
  if (plain === '') return refuse('empty');
  const [, minus, rest = ''] = /^([-+]?)\s*(.*)$/.exec(plain) ?? [];
  if (/^[-+]/.test(rest)) return refuse('several-signs');
  const sign = minus === '-' ? -1 : 1;
  const reading = readMetric(rest, unit) ?? readFeetInches(rest) ?? readInches(rest, unit);
  if (reading === null) return refuse('not-a-length');
  if (typeof reading === 'string') return refuse(reading);
  const mm = reading.mm === 0 ? 0 : sign * reading.mm;
  return { ok: true, value: { typed: text, mm, unit: reading.unit, confirm: reading.confirm } };
}

interface Reading {
  mm: number;
  unit: LengthUnit;
  confirm: boolean;
}

const refuse = (error: LengthErrorCode): LengthResult => ({ ok: false, error });

function normalise(text: string): string {
  let plain = text.toLowerCase().replace(/[\u2010-\u2015\u2212]/g, '-');
  plain = plain.replace(/(\d)?([½¼¾⅛⅜⅝⅞])/g, (_, digit: string | undefined, mark: string) =>
    digit === undefined ? (VULGAR[mark] ?? '') : `${digit} ${VULGAR[mark]}`,
  );
  plain = plain.replace(/\u2044|\u2215/g, '/').replace(/[\s\u00a0\u2009\u202f]+/g, ' ');
  plain = plain.replace(/\s*\/\s*/g, '/');
  for (const [pattern, mark] of UNIT_WORDS) plain = plain.replace(pattern, mark);
  return plain.trim();
}

/** A decimal number; three digits after a lone separator may be thousands, so that is refused without metres. */
function readDecimal(text: string, allowThreeDecimals: boolean): number | LengthErrorCode | null {
  if (!/^\d*[.,]?\d*$/.test(text) || !/\d/.test(text)) return null;
  if (!allowThreeDecimals && /^\d{1,3}[.,]\d{3}$/.test(text)) return 'thousands-or-decimals';
  return Number(text.replace(',', '.'));
}

function readMetric(text: string, bareUnit: LengthUnit): Reading | LengthErrorCode | null {
  const match = /^([\d.,]+)\s*(mm|cm|m)?$/.exec(text);
  if (!match) return /mm|cm|\dm/.test(text) && /['"/]/.test(text) ? 'mixed-units' : null;
  const [, figure = '', mark] = match;
  const bareInches = mark === undefined && bareUnit === 'in';
  const inInches = bareInches && figure.includes('.');
  const value = readDecimal(figure, mark === 'm' || inInches);
  if (value === null || typeof value === 'string') return value;
  if (bareInches) {
    return value > LARGEST_BARE_INCHES
      ? { mm: value, unit: 'mm', confirm: true }
      : { mm: value * MM_PER_INCH, unit: 'in', confirm: false };
  }
  return { mm: value * (METRIC_FACTOR[mark ?? 'mm'] ?? 1), unit: 'mm', confirm: false };
}

function readFeetInches(text: string): Reading | LengthErrorCode | null {
  const match =
    /^(\d+(?:[.,]\d+)?)\s*'\s*(?:-\s*)?(.*)$/.exec(text) ?? /^(\d+)-(\d+(?:[ -]\d+\/\d+)?\s*"?)$/.exec(text);
  if (!match) return null;
  const [, feetText = '', inchText = ''] = match;
  const feet = readDecimal(feetText, true);
  if (typeof feet !== 'number') return 'not-a-length';
  if (inchText.trim() === '') return { mm: feet * MM_PER_FOOT, unit: 'in', confirm: false };
  const rest = readInchFigure(inchText.replace(/\s*"$/, ''));
  if (typeof rest !== 'number') return rest ?? 'not-a-length';
  if (rest >= 12 || !Number.isInteger(feet)) return 'inches-over-eleven';
  return { mm: feet * MM_PER_FOOT + rest * MM_PER_INCH, unit: 'in', confirm: false };
}

function readInches(text: string, bareUnit: LengthUnit): Reading | LengthErrorCode | null {
  const marked = /"$/.test(text);
  const figure = text.replace(/\s*"$/, '');
  const value = readInchFigure(figure);
  if (typeof value !== 'number') return value;
  const hyphenated = /^\d+-\d+\/\d+$/.test(figure);
  return { mm: value * MM_PER_INCH, unit: 'in', confirm: !marked && (hyphenated || bareUnit === 'mm') };
}

/** `36 3/8`, `36-3/8`, `3/8`, `36.375`: inches without their mark. */
function readInchFigure(text: string): number | LengthErrorCode | null {
  const match = /^(?:(\d+)(?:\s+|-|\s-\s))?(\d+)\/(\d+)$/.exec(text);
  if (!match) return readDecimal(text, text.includes('.'));
  const [, whole, top, bottom] = match;
  if (!TAPE_DENOMINATORS.has(Number(bottom))) return 'fraction-denominator';
  if (Number(top) >= Number(bottom)) return 'fraction-over-one';
  return Number(whole ?? 0) + Number(top) / Number(bottom);
}
