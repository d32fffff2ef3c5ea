/** How hard rain and wind press on one opening: pressures, the test they ask of the unit, shelter, head flashing. */
import { CAPPED, type Choices } from '../vocabulary/axes.ts';
import type { Terrain } from '../vocabulary/weather.ts';

/** α and gradient height of the power law for each terrain. */
const PROFILE: Readonly<Record<Terrain, { alpha: number; gradient_m: number }>> = {
  'built-up': { alpha: 7, gradient_m: 365.76 },
  open: { alpha: 9.5, gradient_m: 274.32 },
  coast: { alpha: 11.5, gradient_m: 213.36 },
};
const LEAST_HEIGHT_m = 4.57;

/**
 * Returns the velocity pressure exposure coefficient Kz at a height above ground.
 *
 * Source: ASCE 7-16, 26.10, from memory: Kz = 2.01 (z / zg)^(2/α), z not under 15 ft.
 *
 * @example exposureFactor(9.144, 'open') // 0.98
 */
export function exposureFactor(height_m: number, terrain: Terrain): number {
  const { alpha, gradient_m } = PROFILE[terrain];
  const z = Math.min(Math.max(height_m, LEAST_HEIGHT_m), gradient_m);
  return 2.01 * (z / gradient_m) ** (2 / alpha);
}

/** Directionality of the wind on a building; ground elevation and hills are taken as 1. */
const DIRECTIONALITY = 0.85;
const AIR = 0.613;

/** Velocity pressure q, Pa. Source: ASCE 7-16, 26.10, from memory. @param wind_ms 3-second gust at 10 m in open terrain */
export const velocityPressure = (o: { wind_ms: number; height_m: number; terrain: Terrain }): number =>
  AIR * exposureFactor(o.height_m, o.terrain) * DIRECTIONALITY * o.wind_ms ** 2;

/** Part of the wall: within a tenth of its width from a corner the suction is highest. */
export type WallZone = 'field' | 'corner';

const SMALL_m2 = 0.93;
const LARGE_m2 = 46.5;
/** External coefficients at the smallest and the largest effective area. */
const COEFFICIENTS = { inward: [1, 0.7], field: [-1.1, -0.8], corner: [-1.4, -0.8] } as const;
const INTERNAL = 0.18;
/** Allowable-stress share, before a pressure is compared with a unit's grade. */
const ALLOWABLE = 0.6;

function coefficient(kind: keyof typeof COEFFICIENTS, area_m2: number): number {
  const [small, large] = COEFFICIENTS[kind];
  const a = Math.min(Math.max(area_m2, SMALL_m2), LARGE_m2);
  const share = Math.log(a / SMALL_m2) / Math.log(LARGE_m2 / SMALL_m2);
  return small + share * (large - small);
}

export interface DesignPressure {
  /** Towards the room, and away from it (negative), Pa, times 0.6. */
  readonly inward_Pa: number;
  readonly outward_Pa: number;
  readonly velocity_Pa: number;
}

/**
 * Returns the design pressures of a window in an enclosed low building, as they are compared with a unit's grade:
 * p = 0.6 q (GCp − GCpi). Not for hills, towers or open buildings: whoever is responsible for the structure decides.
 *
 * Source: ASCE 7-16, 30.3 and table 26.13-1, from memory.
 */
export function designPressure(o: {
  wind_ms: number;
  height_m: number;
  terrain: Terrain;
  area_m2: number;
  zone: WallZone;
}): DesignPressure {
  const q = velocityPressure(o);
  return {
    velocity_Pa: q,
    inward_Pa: ALLOWABLE * q * (coefficient('inward', o.area_m2) + INTERNAL),
    outward_Pa: ALLOWABLE * q * (coefficient(o.zone, o.area_m2) - INTERNAL),
  };
}

const TEST_SHARE = 0.15;
const LEAST_TEST_Pa = 140;
const MOST_TEST_Pa = 580;

/**
 * Returns the water-test pressure a unit should have passed for a design pressure: 15 % of it, within limits.
 *
 * Source: NAFS (AAMA/WDMA/CSA 101/I.S.2/A440), from memory; the highest class asks 20 % and a higher cap.
 */
export const testPressure = (design_Pa: number): number =>
  Math.min(Math.max(TEST_SHARE * design_Pa, LEAST_TEST_Pa), MOST_TEST_Pa);

export const rainClasses = ['sheltered', 'middling', 'exposed'] as const;
export type RainClass = (typeof rainClasses)[number];

const SHELTERED = 0.5;
const MIDDLING = 0.2;

/**
 * Returns how much rain reaches an opening under an overhang: its depth over the height from the sill to the soffit.
 * Open country and coast count one class worse. A lower storey under one roof has the larger height and is judged by it.
 *
 * Source: national best-practice guides on rain exposure, from memory.
 */
export function rainClass(o: { overhang_mm: number; toSoffit_mm: number; terrain: Terrain }): RainClass {
  const ratio = o.toSoffit_mm > 0 ? o.overhang_mm / o.toSoffit_mm : 0;
  const plain = ratio >= SHELTERED ? 0 : ratio >= MIDDLING ? 1 : 2;
  const worse = o.terrain === 'built-up' ? plain : Math.min(plain + 1, 2);
  return rainClasses[worse] ?? 'exposed';
}

/** Whether the head needs a flashing of its own: only a sheltered opening may do without. If unsure, add it. */
export const needsHeadFlashing = (rain: RainClass | null): boolean => rain !== 'sheltered';

/**
 * Returns what a method's head is worth in the rain: sheltered it needs no flashing of its own, a cap or tray is one,
 * anything else is to be watched, and of an old wall nobody knows.
 *
 * Source: common practice, no source.
 */
export function headVerdict(
  rain: RainClass | null,
  { waterLayer, head }: Pick<Choices, 'waterLayer' | 'head'>,
): 'holds' | 'watch' | 'not-checkable' {
  if (!needsHeadFlashing(rain)) return 'holds';
  if (waterLayer === 'existing') return 'not-checkable';
  return (CAPPED.head as readonly string[]).includes(head) ? 'holds' : 'watch';
}
