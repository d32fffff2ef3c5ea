/** Condensate within a wall, month by month: where vapour lets go of its water, and whether it dries again. */
import { DAYS_OF_MONTH, MONTHS, vapourPressure, type MonthClimate } from '../../climate/months.ts';
import { saturationPressure } from '../../quantities/psychrometrics.ts';
import type { VapourLayer } from './layers.ts';

/** Of air, kg/(m s Pa). Source: ISO 13788, from memory. */
export const AIR_PERMEABILITY = 2e-10;
const SECONDS_A_DAY = 86_400;
/** Layers of more resistance are cut, so that the curve of saturation is followed, m²K/W. Source: ISO 13788, from memory. */
const MOST_R = 0.25;
/** Less than this is arithmetic and not water, kg/m². */
const NOTHING_kg_m2 = 1e-9;

export interface MoistureInput {
  /** From the weather to the room. */
  readonly layers: readonly VapourLayer[];
  /** m²K/W. */
  readonly rse: number;
  readonly rsi: number;
  /** January first. */
  readonly months: readonly MonthClimate[];
  readonly inside_C: number;
  readonly humidity_percent: number;
}

/** One plane between two layers, or within a thick one. */
interface Plane {
  /** Index of the layer on its weather side and on its room side. */
  readonly between: readonly [number, number];
  /** From the weather, m²K/W and m. */
  readonly r: number;
  readonly sd: number;
}

export interface WetInterface {
  /** Indices into the layers; equal where the water stands within one. */
  readonly between: readonly [number, number];
  /** At the end of each month, in the order of `order`, kg/m². */
  readonly water_kg_m2: readonly number[];
  readonly most_kg_m2: number;
}

export interface MonthlyMoisture {
  /** Months in the order they were followed, 0 for January: from the first in which water gathers. */
  readonly order: readonly number[];
  readonly wet: readonly WetInterface[];
  /** Sum over all planes at its highest, and what is left after twelve months, kg/m². */
  readonly most_kg_m2: number;
  readonly left_kg_m2: number;
  /** Temperature between the layers, from the outer surface to the inner, month by month, °C. */
  readonly temperatures_C: readonly (readonly number[])[];
  /** None in any month; dry again within the year; some left after it. */
  readonly outcome: 'none' | 'dries' | 'gathers';
}

/**
 * Returns what gathers and dries in a wall over a year.
 *
 * Steady heat and vapour in each month; the profile of vapour pressure is the string pulled tight under the curve of
 * saturation; where it touches, or where water stands, the pressure is that of saturation. No storage, no air
 * movement, no rain, no capillary transport: the method judges, it does not foretell.
 *
 * Source: ISO 13788, clause 6, from memory.
 *
 * @returns `null` where layers let heat or vapour through without any resistance
 */
export function monthlyMoisture(input: MoistureInput): MonthlyMoisture | null {
  const { layers, rse, rsi, months, inside_C } = input;
  const planes = planesOf(layers, rse);
  const end = planes.at(-1);
  if (!end || months.length !== MONTHS || end.sd <= 0 || end.r - rse <= 0) return null;
  const whole = end.r + rsi;
  const states = months.map((month): MonthState => {
    const at = (r: number) => month.outside_C + ((inside_C - month.outside_C) * r) / whole;
    return {
      saturation: planes.map((plane) => saturationPressure(at(plane.r))),
      outside: vapourPressure(month),
      inside: (saturationPressure(inside_C) * input.humidity_percent) / 100,
    };
  });
  const dry = planes.map(() => 0);
  const gathers = (state: MonthState) => flows(planes, state, dry).some((g) => g > 1e-15);
  const gathering = states.map(gathers);
  const start = gathering.findIndex((wet, i) => wet && !gathering[(i + MONTHS - 1) % MONTHS]);
  const first = start >= 0 ? start : 0;
  const order = Array.from({ length: MONTHS }, (_, i) => (first + i) % MONTHS);
  const record = followed(planes, states, order);
  const sums = record.map((stock) => stock.reduce((sum, water) => sum + water, 0));
  const most = Math.max(0, ...sums);
  const left = sums.at(-1) ?? 0;
  return {
    order,
    wet: wetPlanes(planes, record),
    most_kg_m2: most,
    left_kg_m2: left,
    temperatures_C: months.map(({ outside_C }) =>
      [rse, ...layers.map((_, i) => rse + layers.slice(0, i + 1).reduce((sum, l) => sum + l.r, 0))].map(
        (r) => outside_C + ((inside_C - outside_C) * r) / whole,
      ),
    ),
    outcome: most <= NOTHING_kg_m2 ? 'none' : left <= NOTHING_kg_m2 ? 'dries' : 'gathers',
  };
}

interface MonthState {
  readonly saturation: readonly number[];
  readonly outside: number;
  readonly inside: number;
}

/** The outer surface first, the inner last; thick layers are cut into equal parts. */
function planesOf(layers: readonly VapourLayer[], rse: number): Plane[] {
  const planes: Plane[] = [{ between: [-1, 0], r: rse, sd: 0 }];
  layers.forEach(({ r, sd_m }, i) => {
    const parts = Math.max(1, Math.ceil(r / MOST_R));
    const last = planes.at(-1) ?? { r: rse, sd: 0 };
    for (let k = 1; k <= parts; k++)
      planes.push({
        between: k < parts ? [i, i] : [i, i + 1],
        r: last.r + (r * k) / parts,
        sd: last.sd + (sd_m * k) / parts,
      });
  });
  return planes;
}

/** Water at every plane after each month. A plane that runs dry within a month stays dry for the rest of it. */
function followed(
  planes: readonly Plane[],
  states: readonly MonthState[],
  order: readonly number[],
): number[][] {
  let stock = planes.map(() => 0);
  return order.map((month) => {
    const state = states[month];
    if (!state) return stock;
    let left_s = (DAYS_OF_MONTH[month] ?? 30) * SECONDS_A_DAY;
    // Each round ends with the month or with a plane that has dried, so there are no more rounds than planes.
    for (let round = 0; left_s > 0 && round <= planes.length; round++) {
      const rates = flows(planes, state, stock);
      const span = Math.min(
        left_s,
        ...rates.map((g, i) => (g < 0 ? Math.max(0, -(stock[i] ?? 0) / g) : Infinity)),
      );
      stock = stock.map((water, i) => {
        const next = water + (rates[i] ?? 0) * span;
        return next < NOTHING_kg_m2 ? 0 : next;
      });
      left_s -= span;
    }
    return stock;
  });
}

/**
 * Rates at which water comes to each plane, kg/(m² s): more than nothing where it condenses, less where it dries.
 */
function flows(planes: readonly Plane[], state: MonthState, stock: readonly number[]): number[] {
  const last = planes.length - 1;
  const pinned = new Set<number>([0, last]);
  stock.forEach((water, i) => water > 0 && pinned.add(i));
  const pressure = (i: number): number =>
    i === 0 ? state.outside : i === last ? state.inside : (state.saturation[i] ?? 0);
  const nodes = [...pinned].sort((a, b) => a - b);
  const touched: number[] = [];
  for (let k = 1; k < nodes.length; k++)
    touched.push(...tight(planes, state, nodes[k - 1] ?? 0, nodes[k] ?? last, pressure));
  const all = [...new Set([...nodes, ...touched])].sort((a, b) => a - b);
  const rates = planes.map(() => 0);
  for (let k = 1; k < all.length - 1; k++) {
    const [a, b, c] = [all[k - 1] ?? 0, all[k] ?? 0, all[k + 1] ?? last];
    rates[b] = flow(planes, c, b, pressure) - flow(planes, b, a, pressure);
  }
  return rates;
}

/** From plane `from` outward to plane `to`, kg/(m² s). */
function flow(planes: readonly Plane[], from: number, to: number, pressure: (i: number) => number): number {
  const distance = (planes[from]?.sd ?? 0) - (planes[to]?.sd ?? 0);
  return distance <= 0 ? 0 : (AIR_PERMEABILITY * (pressure(from) - pressure(to))) / distance;
}

/** Planes between two others that a string pulled tight under the curve of saturation touches. */
function tight(
  planes: readonly Plane[],
  state: MonthState,
  from: number,
  to: number,
  pressure: (i: number) => number,
): number[] {
  const [a, b] = [planes[from], planes[to]];
  if (!a || !b || b.sd <= a.sd) return [];
  let worst = -1;
  let deepest = 1e-9;
  for (let i = from + 1; i < to; i++) {
    const sd = planes[i]?.sd ?? 0;
    const on = pressure(from) + ((pressure(to) - pressure(from)) * (sd - a.sd)) / (b.sd - a.sd);
    const over = on - (state.saturation[i] ?? Infinity);
    // Of planes with no vapour resistance between them, one is enough.
    if (over > deepest && sd > a.sd && sd < b.sd) [deepest, worst] = [over, i];
  }
  if (worst < 0) return [];
  return [
    ...tight(planes, state, from, worst, pressure),
    worst,
    ...tight(planes, state, worst, to, pressure),
  ];
}

function wetPlanes(planes: readonly Plane[], record: readonly (readonly number[])[]): WetInterface[] {
  const named = new Map<string, { between: readonly [number, number]; water: number[] }>();
  planes.forEach(({ between }, i) => {
    const water = record.map((stock) => stock[i] ?? 0);
    if (Math.max(...water) <= NOTHING_kg_m2) return;
    const known = named.get(between.join());
    named.set(between.join(), { between, water: water.map((w, k) => w + (known?.water[k] ?? 0)) });
  });
  return [...named.values()].map(({ between, water }) => ({
    between,
    water_kg_m2: water,
    most_kg_m2: Math.max(...water),
  }));
}
