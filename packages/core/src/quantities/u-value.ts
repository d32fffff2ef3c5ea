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

/**
 * Returns a typed value in W/(m² K); a bare number is meant in the unit of `system`, `null` is no such value.
 *
 * @example readU('0.30 Btu/(h ft² °F)', 'mm') // 1.7035
 */
export function readU(typed: string, system: LengthUnit): number | null {
  const parts = /^(\d+(?:[.,]\d*)?|[.,]\d+)\s*(w|btu)?(?![a-z])/i.exec(typed.trim());
  if (!parts) return null;
  const said = parts[2]?.toLowerCase();
  const rest = typed.trim().slice(parts[0].length);
  if (said === undefined ? rest !== '' : !/^[\s/()h.·*a-z²2°^-]*$/i.test(rest)) return null;
  const figure = Number((parts[1] ?? '').replace(',', '.'));
  const unit = said === undefined ? system : said === 'btu' ? 'in' : 'mm';
  return figure > 0 ? figure * ofSystem[unit] : null;
}

/** The value with its unit, so that it can never be taken for another. */
export const writeU = (value_W_m2K: number, system: LengthUnit): string =>
  `${Number((value_W_m2K / ofSystem[system]).toFixed(3))} ${uUnits[system]}`;
