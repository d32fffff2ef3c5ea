/** Thermal transmittance as labels write it: in the unit of the house that reads it, kept as W/(m² K). */
import type { LengthUnit } from './length.ts';
import { readMeasure, withMeasureUnit, writeMeasure } from './measure.ts';

/** 1 Btu/(h ft² °F) in W/(m² K). */
export const BTU_W_m2K = readMeasure('transmittance', '1', 'in') ?? Number.NaN;

/**
 * Returns a typed value in W/(m² K); a bare number is meant in the unit of `system`, `null` is no such value.
 *
 * @param before a value whose text nobody touched: it keeps all of its digits
 * @example readU('0.30 Btu/(h ft² °F)', 'mm') // 1.7035
 */
export function readU(typed: string, system: LengthUnit, before?: number): number | null {
  const value = readMeasure('transmittance', typed, system, before);
  return value !== null && value > 0 ? value : null;
}

/** The value with its unit, so that it can never be taken for another. */
export const writeU = (value_W_m2K: number, system: LengthUnit): string =>
  writeMeasure('transmittance', value_W_m2K, system);

/** What was typed with the unit it was meant in, before anybody reads it in another; what is no such value stays. */
export const withUUnit = (typed: string, system: LengthUnit): string =>
  withMeasureUnit('transmittance', typed, system);
