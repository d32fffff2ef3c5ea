/** Where shims go and how thick each must be: under the sill and at both jambs, never above the head. */
import type { Station } from '../survey/frame.ts';
import type { Side } from '../vocabulary/sides.ts';

export interface Shim {
  readonly side: Exclude<Side, 'head'>;
  /** Along the side: v at a jamb, u at the sill, mm in the opening's frame. */
  readonly at_mm: number;
  /** Opposed pair at a jamb; at the sill the thin (inner) edge of the wedge. Negative: no room. */
  readonly thickness_mm: number;
  /** How much thicker the outer edge is, at a sloped sill. */
  readonly bevel_mm: number;
}

/**
 * Returns evenly spread positions along a side of length L: n = max(2, ceil((L − 2e) / s) + 1) with edge distance
 * e and spacing s. A side no longer than 2e gets one, in its middle.
 *
 * Source: counting; the distances themselves are common practice, no source.
 *
 * @example positionsAlong({ length: 1200, edge: 125, spacing: 400 }) // [125, 441.67, 758.33, 1075]
 */
export function positionsAlong(side: { length: number; edge: number; spacing: number }): number[] {
  const free = side.length - 2 * side.edge;
  if (free <= 0) return [side.length / 2];
  const n = Math.max(2, Math.ceil(free / side.spacing - 1e-9) + 1);
  return Array.from({ length: n }, (_, i) => side.edge + (free * i) / (n - 1));
}

export interface ShimInput {
  readonly unit: { left: number; bottom: number; width: number; height: number };
  readonly stations: { left: readonly Station[]; right: readonly Station[]; bottom: readonly Station[] };
  readonly layers: (side: Side, place: Station['place']) => number;
  /** Board, slope and pan under the frame's inner edge, above the rough sill. */
  readonly sillBuildUp_mm: number;
  /** Fall of the sill from the inner to the outer edge of the frame. */
  readonly bevel_mm: number;
  readonly fromCorner_mm: number;
  readonly spacing_mm: number;
  readonly sillFromEnd_mm: number;
  /** Places on the sill that carry in any case, from the unit's left end: under every mullion. */
  readonly underMullions_mm: readonly number[];
  /** A threshold is walked on and needs shims closer than this; `null` under a window. */
  readonly thresholdSpacing_mm: number | null;
  /** Places on both jambs that are held in any case, from the unit's bottom: where the rails of two sashes meet. */
  readonly checkRails_mm: readonly number[];
}

/** Two shims nearer than this are one. */
const TOGETHER_mm = 60;

/** Evenly spread places, those too near one that is held in any case moved to it. */
function withHeld(spread: readonly number[], held_mm: readonly number[]): number[] {
  const own = spread.filter((at) => held_mm.every((held) => Math.abs(held - at) >= TOGETHER_mm));
  return [...own, ...held_mm].sort((a, b) => a - b);
}

function sillPlaces({ unit, ...input }: ShimInput): number[] {
  const spacing = Math.min(input.spacing_mm, input.thresholdSpacing_mm ?? Infinity);
  return withHeld(
    positionsAlong({ length: unit.width, edge: input.sillFromEnd_mm, spacing }),
    input.underMullions_mm,
  );
}

export function shimSchedule(input: ShimInput): Shim[] {
  const { unit, stations, layers } = input;
  const jamb = (side: 'left' | 'right'): Shim[] => {
    const face = side === 'left' ? unit.left : unit.left + unit.width;
    const out = side === 'left' ? 1 : -1;
    const spread = { length: unit.height, edge: input.fromCorner_mm, spacing: input.spacing_mm };
    return withHeld(positionsAlong(spread), input.checkRails_mm).map((from) => {
      const at_mm = unit.bottom + from;
      const reveal = along(stations[side], 'v', at_mm, (s) => s.u + out * layers(side, s.place));
      return { side, at_mm, thickness_mm: out * (face - reveal), bevel_mm: 0 };
    });
  };
  const sill = sillPlaces(input).map((from): Shim => {
    const at_mm = unit.left + from;
    const rough = along(stations.bottom, 'u', at_mm, (s) => s.v);
    return {
      side: 'sill',
      at_mm,
      thickness_mm: unit.bottom - rough - input.sillBuildUp_mm,
      bevel_mm: input.bevel_mm,
    };
  });
  return [...sill, ...jamb('left'), ...jamb('right')];
}

/** Straight lines between the measured places; level beyond the outermost. */
function along(line: readonly Station[], axis: 'u' | 'v', at: number, value: (s: Station) => number): number {
  const after = line.find((s) => s[axis] >= at) ?? line.at(-1);
  const before = line.findLast((s) => s[axis] <= at) ?? line[0];
  if (!after || !before) throw new Error('a side without any station');
  if (after[axis] === before[axis]) return value(after);
  const t = (at - before[axis]) / (after[axis] - before[axis]);
  return value(before) + t * (value(after) - value(before));
}
