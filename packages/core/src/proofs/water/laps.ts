/** Every lap of the wall: which way it lies, how long it is, and whether wind can push water up under it. */
import type { Range } from '../../geometry/solid.ts';
import type { Build } from '../../build/build.ts';
import type { PlaneId } from '../../vocabulary/planes.ts';
import type { Plane } from './plane.ts';
import { shinglePairs, type ShinglePair } from '../../methods/shingle-pairs.ts';
import { standingWater } from './standing.ts';

/**
 * `swapped`: the lower piece lies over the upper one · `sticks-out`: it reaches above the edge that should cover it ·
 * `open`: they do not meet at all.
 */
export type LapFault = 'swapped' | 'sticks-out' | 'open';

export interface Lap {
  readonly pair: ShinglePair;
  /** How far the upper one comes down over the lower one where it is widest; below 0 for a gap between them. */
  readonly lap_mm: number;
  /** Whether the upper one's lower edge is held down by adhesive. */
  readonly stuck: boolean;
  readonly fault: LapFault | null;
  /** Over how much of the width the fault runs. */
  readonly width_mm: number;
  /** How far the lower one reaches above the upper one's edge, most of all places. */
  readonly above_mm: number;
  /** From where to where both reach where they are widest, and whether the upper one lies outside there. */
  readonly upper: Range;
  readonly lower: Range;
  readonly outside: boolean;
}

interface Reach {
  readonly low: number;
  readonly high: number;
  readonly at: number;
}

/** Returns the laps of the pairs that are there, on planes already cut into cells. */
export function lapsOn(build: Build, planes: ReadonlyMap<PlaneId, Plane>): Lap[] {
  const here = new Set(build.pieces.map((piece) => piece.id));
  const known = new Map<PlaneId, Reaches>();
  return shinglePairs.flatMap((pair): Lap[] => {
    if (!here.has(pair.upper[0]) || !here.has(pair.lower[0]) || here.has(pair.unless ?? '')) return [];
    const plane = planes.get(pair.plane);
    if (!plane) return [];
    const reaches = known.get(pair.plane) ?? reachesOn(plane);
    known.set(pair.plane, reaches);
    const lap = lapOf(pair, plane, reaches);
    return lap ? [lap] : [];
  });
}

function lapOf(pair: ShinglePair, plane: Plane, reaches: Reaches): Lap | null {
  const named = ([thing, face]: ShinglePair['upper']) =>
    plane.faces.flatMap((f, i) => (f.thing === thing && (face === undefined || f.face === face) ? [i] : []));
  const [uppers, lowers] = [named(pair.upper), named(pair.lower)];
  let widest: { wide: number; upper: Reach; lower: Reach } | null = null;
  let [width, above] = [0, 0];
  let fault: LapFault | null = null;
  let bare = 0;
  const { length } = plane.columns;
  for (const [i, { x }] of plane.columns.entries()) {
    const [upper, lower] = [reachOf(reaches, length, i, uppers), reachOf(reaches, length, i, lowers)];
    const wide = x[1] - x[0];
    if (lower && !upper && pair.whole) {
      bare += wide;
      continue;
    }
    if (!upper || !lower) continue;
    if (!widest || wide > widest.wide) widest = { wide, upper, lower };
    const found = faultOf(upper, lower);
    // A slit or a cut at 45° leaves the corner of a pair bare: that belongs to the strip over it.
    if (!found || (found === 'open' && leaning(plane, upper.at))) continue;
    fault = worse(fault, found);
    width += wide;
    above = Math.max(above, lower.high - upper.high);
  }
  if (!widest) return null;
  const { upper, lower } = widest;
  // Beside the upper one the lower one's edge is open to what runs down there.
  if (bare >= SEEN_mm) {
    fault = worse(fault, 'open');
    width += bare;
  }
  const seen = width >= SEEN_mm;
  return {
    pair,
    lap_mm: lower.high - upper.low,
    stuck: plane.faces[upper.at]?.bondedAt !== null,
    fault: seen ? fault : null,
    width_mm: seen ? width : 0,
    above_mm: above,
    upper: [upper.low, upper.high],
    lower: [lower.low, lower.high],
    outside: upper.at > lower.at,
  };
}

/** From where to where every face reaches in every column, face after face; `low` above `high` where it is not. */
interface Reaches {
  readonly low: Float64Array;
  readonly high: Float64Array;
}

function reachesOn({ columns, faces }: Plane): Reaches {
  const n = columns.length * faces.length;
  const [low, high] = [new Float64Array(n).fill(Infinity), new Float64Array(n).fill(-Infinity)];
  columns.forEach(({ cells }, i) => {
    for (const { stack, y } of cells)
      for (const face of stack) {
        const k = face * columns.length + i;
        low[k] = Math.min(low[k] ?? Infinity, y[0]);
        high[k] = Math.max(high[k] ?? -Infinity, y[1]);
      }
  });
  return { low, high };
}

/** Of several faces of a piece the one that reaches highest in a column stands for it. */
function reachOf({ low, high }: Reaches, columns: number, i: number, faces: readonly number[]): Reach | null {
  let [least, most, at] = [Infinity, -Infinity, -1];
  for (const face of faces) {
    const k = face * columns + i;
    least = Math.min(least, low[k] ?? Infinity);
    const top = high[k] ?? -Infinity;
    if (top > most) [most, at] = [top, face];
  }
  return at < 0 ? null : { low: least, high: most, at };
}

/** What is narrower than this is a fold that leans, and no fault. */
const SEEN_mm = 1;

/** Touching is no lap. */
const TOUCHING_mm = 0.02;

function faultOf(over: Reach, under: Reach): LapFault | null {
  if (under.high <= over.low + TOUCHING_mm) return 'open';
  if (under.high > over.high + TOUCHING_mm) return 'sticks-out';
  return under.at > over.at ? 'swapped' : null;
}

const GRAVITY: readonly (LapFault | null)[] = [null, 'open', 'sticks-out', 'swapped'];
const worse = (a: LapFault | null, b: LapFault): LapFault =>
  GRAVITY.indexOf(a) > GRAVITY.indexOf(b) ? (a ?? b) : b;

const leaning = (plane: Plane, face: number): boolean => {
  const ring = plane.faces[face]?.ring ?? [];
  return ring.some(([x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length] ?? [x, y];
    return x !== nx && y !== ny;
  });
};

/** Share of the wind pressure across the wall's layer behind ventilated cladding: common practice, no source. */
export const LAYER_SHARE = 0.25;

/**
 * Returns how high wind pushes water up under a lap, mm.
 *
 * Source: hydrostatics; the share that acts across the layer is a setting.
 *
 * @example drivenHeight(600, 0.25) // 15.3
 */
export const drivenHeight = (pressure_Pa: number, share = LAYER_SHARE): number =>
  standingWater(pressure_Pa * share);
