/** How much air a closed and an open joint let through, as one band each: tables cannot rank a tape against a rod. */
import type { Choices } from '../../vocabulary/axes.ts';

export type Band = readonly [least: number, most: number];

/**
 * Effective leakage area at 4 Pa per m² of window, cm²/m²: least, usual, most of window framing.
 * Source: ASHRAE Fundamentals, effective leakage areas of window framing, from memory.
 */
export const FRAMING_ELA = {
  frame: { sealed: [0.3, 0.3, 0.5], open: [1.5, 1.7, 2.7] },
  masonry: { sealed: [1.1, 1.3, 2.1], open: [5.7, 6.5, 10.3] },
} as const;

const AIR_kg_m3 = 1.2;
const REFERENCE_Pa = 4;
const EXPONENT = 0.65;

/**
 * Returns the flow through a leakage area at a pressure, m³/h.
 *
 * Q = ELA · √(2 Δp / ρ) at 4 Pa, from there with Δp to the power of 0.65.
 * Source: ASHRAE Fundamentals, from memory.
 *
 * @param ela_cm2 effective leakage area at 4 Pa
 * @example leakageFlow(1, 4) // 0.93
 */
export const leakageFlow = (ela_cm2: number, pressure_Pa: number): number =>
  (ela_cm2 / 1e4) *
  Math.sqrt((2 * REFERENCE_Pa) / AIR_kg_m3) *
  3600 *
  (pressure_Pa / REFERENCE_Pa) ** EXPONENT;

export interface JointLeakage {
  readonly wall: keyof typeof FRAMING_ELA;
  readonly area_m2: number;
  /** Leakage areas at 4 Pa, cm². */
  readonly sealed_cm2: Band;
  readonly open_cm2: Band;
  /** At 50 Pa, m³/h. */
  readonly sealed50: Band;
  readonly open50: Band;
}

/** Returns both bands of one opening. */
export function jointLeakage(choices: Choices, size: { width_mm: number; height_mm: number }): JointLeakage {
  const wall = choices.waterLayer === 'masonry' ? 'masonry' : 'frame';
  const area_m2 = (size.width_mm * size.height_mm) / 1e6;
  const band = ([least, , most]: readonly [number, number, number]): Band => [
    least * area_m2,
    most * area_m2,
  ];
  const at50 = ([least, most]: Band): Band => [leakageFlow(least, 50), leakageFlow(most, 50)];
  const [sealed_cm2, open_cm2] = [band(FRAMING_ELA[wall].sealed), band(FRAMING_ELA[wall].open)];
  return { wall, area_m2, sealed_cm2, open_cm2, sealed50: at50(sealed_cm2), open50: at50(open_cm2) };
}

/** Bands of several openings as one. */
export const sumOfBands = (bands: readonly Band[]): Band => [
  bands.reduce((sum, [least]) => sum + least, 0),
  bands.reduce((sum, [, most]) => sum + most, 0),
];
