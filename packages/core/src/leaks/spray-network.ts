/**
 * The ways of water made ready for a spray test: what each stage wets, which bonds hold it back where, and where it is seen.
 * A fault is a bond over one zone, a joint of the unit itself, or a leak of the wall higher up.
 */
import type { Build } from '../build/build.ts';
import { momentOf, type LostBond } from '../build/moment.ts';
import { networkOf, overSillOf, placeNode } from '../proofs/water/index.ts';
import type { WetZone, Wetting } from '../vocabulary/wet-zones.ts';
import { zoneAt, zoneBit } from './zones.ts';

/** Joints of the unit that only its maker can mend. */
export const unitJoints = ['unit-corner', 'unit-mullion', 'unit-glazing'] as const;
export type UnitJoint = (typeof unitJoints)[number];

export type Failure =
  | { readonly kind: 'bond'; readonly piece: string; readonly zone: WetZone }
  | { readonly kind: 'unit'; readonly joint: UnitJoint }
  /** Water comes in behind the wall's layer, from somewhere above. */
  | { readonly kind: 'wall-above' };

export const failureKey = (fault: Failure): string =>
  fault.kind === 'bond' ? `${fault.piece}@${fault.zone}` : fault.kind === 'unit' ? fault.joint : 'wall-above';

export interface SprayNetwork {
  readonly build: Build;
  readonly failures: readonly Failure[];
  readonly failureAt: ReadonlyMap<string, number>;
  readonly nodes: number;
  /** The pressure lifts water over the pan. */
  readonly lifts: boolean;
  /** Edges out of node n stand from `first[n]` up to `first[n + 1]`. */
  readonly first: Int32Array;
  readonly to: Int32Array;
  /** Failure that opens an edge; −1 where it is open. */
  readonly needs: Int32Array;
  /** Zone in which an edge gets something wet, as a bit; 0 for any other edge. */
  readonly shows: Int32Array;
  readonly starts: readonly {
    readonly node: number;
    readonly by: Wetting;
    /** Failure that lets it in at all; −1 for none. */
    readonly needs: number;
    /** Only wind, or a difference of pressure, takes it there. */
    readonly pressed: boolean;
  }[];
  /** Water seen on the unit itself: by what, through which joint. */
  readonly onUnit: { readonly by: Wetting; readonly needs: number };
}

/** @param pressure_Pa across the wall; `null` while it is not known: then the pan is taken as it is without wind */
export function sprayNetwork(
  build: Build,
  o: { readonly pressure_Pa: number | null; readonly lost?: readonly LostBond[] },
): SprayNetwork {
  const overSill = o.pressure_Pa ? overSillOf(build, o.pressure_Pa) : null;
  const network = networkOf(momentOf(build, build.steps.length, o.lost), overSill);
  const { edges, bonds, count } = network;
  const failures: Failure[] = [];
  const failureAt = new Map<string, number>();
  const failureOf = (fault: Failure): number => {
    const key = failureKey(fault);
    const known = failureAt.get(key) ?? failures.push(fault) - 1;
    failureAt.set(key, known);
    return known;
  };
  const zones = new Map<number, WetZone>();
  const zoneOf = (node: number): WetZone => {
    const known = zones.get(node) ?? zoneAt(build, network.describe(node));
    zones.set(node, known);
    return known;
  };
  const first = new Int32Array(count + 1);
  for (const from of edges.from) first[from + 1] = (first[from + 1] ?? 0) + 1;
  for (let n = 0; n < count; n++) first[n + 1] = (first[n + 1] ?? 0) + (first[n] ?? 0);
  const at = first.slice();
  const [to, needs, shows] = [0, 0, 0].map(() => new Int32Array(edges.to.length)) as [
    Int32Array,
    Int32Array,
    Int32Array,
  ];
  const wet = new Set([placeNode('structure'), placeNode('room')]);
  edges.from.forEach((from, edge) => {
    const place = at[from] ?? 0;
    at[from] = place + 1;
    const [target, fails] = [edges.to[edge] ?? 0, edges.fails[edge] ?? -1];
    to[place] = target;
    const piece = fails < 0 ? undefined : bonds[fails];
    needs[place] = piece === undefined ? -1 : failureOf({ kind: 'bond', piece, zone: zoneOf(from) });
    shows[place] = wet.has(target) ? zoneBit(zoneOf(from)) : 0;
  });
  const unit = (joint: UnitJoint) => failureOf({ kind: 'unit', joint });
  const start = (node: number, by: Wetting, gate = -1, pressed = false) => ({
    node,
    by,
    needs: gate,
    pressed,
  });
  const starts = [...network.starts].flatMap(([source, list]) => {
    if (list === 'unknown') return [];
    return list.map(({ node }) => {
      switch (source) {
        case 'unit-sill':
          return start(node, 'unit-face', unit('unit-corner'));
        case 'mullion':
          return start(node, 'unit-face', unit('unit-mullion'));
        case 'frame-joint': {
          const side = zoneOf(node);
          return start(node, side === 'jamb-left' || side === 'jamb-right' ? side : 'head');
        }
        case 'blown-across': {
          const side = zoneOf(node);
          return start(node, side === 'jamb-left' || side === 'jamb-right' ? side : 'sill', -1, true);
        }
        case 'head-corners':
          return start(node, 'head-corners');
        case 'behind-layer':
          return start(node, 'wall-above', failureOf({ kind: 'wall-above' }));
        case 'wall-above':
          return start(node, 'wall-above');
      }
    });
  });
  const onUnit = { by: 'unit-face' as const, needs: unit('unit-glazing') };
  return {
    build,
    failures,
    failureAt,
    nodes: count,
    lifts: overSill !== null,
    first,
    to,
    needs,
    shows,
    starts,
    onUnit,
  };
}
