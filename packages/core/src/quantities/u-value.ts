/** Thermal transmittance as labels write it: in the unit of the house that reads it, kept as W/(m² K). */
import type { LengthUnit } from './length.ts';

/**
 * 1 Btu/(h ft² °F) in W/(m² K): 1055.056 J of the International Table, 3600 s, 0.09290304 m², 5/9 K.
 *
 * Source: definition of the unit, ISO 80000-5, from memory.
 */
export const BTU_W_m2K = 1055.05585262 / 3600 / 0.09290304 / (5 / 9);

export const uUnits: Readonly<Record<LengthUnit, string>> = { mm: 'W/(m² K)', in: 'Btu/(h ft² °F)' };
const ofSystem: Readonly<Record<LengthUnit, number>> = { mm: 1, in: BTU_W_m2K };

/** As the two are written, with or without their parentheses and spaces. */
const written: Readonly<Record<LengthUnit, RegExp>> = {
  mm: /^w(?:\/\(?m[²2][·\s]*k\)?)?$/i,
  in: /^btu(?:\/\(?h[·\s]*ft[²2][·\s]*°?f\)?)?$/i,
};
const systems = ['mm', 'in'] as const;

/**
 * Returns a typed value in W/(m² K); a bare number is meant in the unit of `system`, `null` is no such value.
 *
 * @param before a value whose text nobody touched: it keeps all of its digits
 * @example readU('0.30 Btu/(h ft² °F)', 'mm') // 1.7035
 */
export function readU(typed: string, system: LengthUnit, before?: number): number | null {
  const text = typed.trim();
  if (before !== undefined && systems.some((s) => text === writeU(before, s))) return before;
  const [, digits = '', unit = ''] = /^([\d.,]+)\s*(.*)$/.exec(text) ?? [];
  const said = unit === '' ? system : systems.find((s) => written[s].test(unit));
  const figure = /^(\d+([.,]\d*)?|[.,]\d+)$/.test(digits) ? Number(digits.replace(',', '.')) : NaN;
  return said !== undefined && figure > 0 ? figure * ofSystem[said] : null;
}

/** The value with its unit, so that it can never be taken for another. */
export const writeU = (value_W_m2K: number, system: LengthUnit): string =>
  `${Number((value_W_m2K / ofSystem[system]).toFixed(3))} ${uUnits[system]}`;

/** What was typed with the unit it was meant in, before anybody reads it in another; what is no such value stays. */
export function withUUnit(typed: string, system: LengthUnit): string {
  const value = readU(typed, system);
  return value !== null && /^[\d.,\s]+$/.test(typed) ? writeU(value, system) : typed;
}
