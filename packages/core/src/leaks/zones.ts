/** Where water that gets in is seen: a drip falls, and runs a little aside. */
import type { Build } from '../build/build.ts';
import type { Place, WaterNode } from '../proofs/water/index.ts';
import { wetZones, type WetZone } from '../vocabulary/wet-zones.ts';

/** From where it gets in to everywhere it may be seen: there, beside it on the same side, and below. */
const SHOWS: Readonly<Record<WetZone, readonly WetZone[]>> = {
  'head-left': ['head-left', 'head-middle', 'jamb-left', 'sill-left'],
  'head-middle': ['head-middle', 'head-left', 'head-right', 'sill-left', 'sill-middle', 'sill-right'],
  'head-right': ['head-right', 'head-middle', 'jamb-right', 'sill-right'],
  'jamb-left': ['jamb-left', 'sill-left'],
  'jamb-right': ['jamb-right', 'sill-right'],
  'sill-left': ['sill-left', 'sill-middle'],
  'sill-middle': ['sill-middle', 'sill-left', 'sill-right'],
  'sill-right': ['sill-right', 'sill-middle'],
  unit: ['unit'],
};

export const showsAt = (zone: WetZone): readonly WetZone[] => SHOWS[zone];

/** As bits, so that many can be held at once. */
export const zoneBit = (zone: WetZone): number => 1 << wetZones.indexOf(zone);
export const zonesOf = (bits: number): WetZone[] => wetZones.filter((zone) => (bits & zoneBit(zone)) !== 0);
const SHOWN_BITS = wetZones.map((zone) => SHOWS[zone].reduce((bits, one) => bits | zoneBit(one), 0));
/** Everywhere that water of these zones may be seen. */
export const shownBits = (bits: number): number =>
  SHOWN_BITS.reduce((all, shown, i) => ((bits & (1 << i)) !== 0 ? all | shown : all), 0);

const third = (x: number, width: number): 'left' | 'middle' | 'right' =>
  x < width / 3 ? 'left' : x > (2 * width) / 3 ? 'right' : 'middle';

/** The zone that a place of the wall belongs to, seen from outside left and right. */
export function zoneAt(build: Build, at: WaterNode | Place): WetZone {
  const { width } = build.context.opening;
  if (typeof at === 'string') {
    if (at.endsWith('-left')) return 'jamb-left';
    return at.endsWith('-right') ? 'jamb-right' : 'head-middle';
  }
  const x = (at.column.x[0] + at.column.x[1]) / 2;
  const y = (at.cell.y[0] + at.cell.y[1]) / 2;
  switch (at.plane) {
    case 'left-reveal':
    case 'across-left':
      return 'jamb-left';
    case 'right-reveal':
    case 'across-right':
      return 'jamb-right';
    case 'sill-reveal':
    case 'across-sill':
      return `sill-${third(x, width)}`;
    default: {
      const leg = at.plane === 'inner-plane' ? (build.context.opening.buck?.leg ?? 0) : 0;
      return zoneAtPoint(build, [x - leg, y - leg]);
    }
  }
}

/** The zone of a point of the wall, (u, v) in mm. */
export function zoneAtPoint(build: Build, [u, v]: readonly [number, number]): WetZone {
  const { width, height } = build.context.opening;
  if (v > height) return `head-${third(u, width)}`;
  if (v < 0) return `sill-${third(u, width)}`;
  return u < width / 2 ? 'jamb-left' : 'jamb-right';
}
