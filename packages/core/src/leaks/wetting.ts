/** What gets wet where, and from which stage on, when some bonds have failed: water followed forward through the ways. */
import { sprayStages, type SprayStage, type Wetting } from '../vocabulary/wet-zones.ts';
import type { SprayNetwork } from './spray-network.ts';
import { zoneBit } from './zones.ts';

/** The stage that wets each place first. The rack wets the unit's face from the sill's stage on. */
const STAGE_OF: Readonly<Record<Wetting, SprayStage>> = {
  sill: 'sill',
  'unit-face': 'sill',
  'jamb-left': 'jambs',
  'jamb-right': 'jambs',
  head: 'head',
  'head-corners': 'head',
  'wall-above': 'above',
};
export const stageOf = (by: Wetting): number => sprayStages.indexOf(STAGE_OF[by]);

/** One way of wetting a wall: what, with a pressure or without, and which failures are kept dry by a mask. */
export interface Spraying {
  readonly wets: ReadonlySet<Wetting>;
  readonly pressed: boolean;
  /** Faults behind a mask: no water gets to them from outside. */
  readonly masked: ReadonlySet<number>;
}

export interface Wet {
  /** By stage, the zones that get wet first in it, as bits. */
  readonly byStage: readonly number[];
  /** Faults that hold back water that is there: with one of them failed more might get wet. */
  readonly next: ReadonlySet<number>;
}

const DRY = 127;

/** @param failed failures that are open */
export function wetBy(network: SprayNetwork, failed: ReadonlySet<number>, spraying: Spraying): Wet {
  const { nodes, first, to, needs, shows, starts, onUnit } = network;
  const open = (fault: number): boolean => fault < 0 || (failed.has(fault) && !spraying.masked.has(fault));
  const stages = new Int8Array(nodes).fill(DRY);
  const byStage = sprayStages.map(() => 0);
  let seen = 0;
  const next = new Set<number>();
  for (let stage = 0; stage < sprayStages.length; stage++) {
    const queue: number[] = [];
    const reach = (node: number) => {
      if ((stages[node] ?? DRY) <= stage) return;
      stages[node] = stage;
      queue.push(node);
    };
    for (const start of starts) {
      if (stageOf(start.by) !== stage || !spraying.wets.has(start.by)) continue;
      if (start.pressed && !spraying.pressed) continue;
      if (open(start.needs)) reach(start.node);
      else if (!spraying.masked.has(start.needs)) next.add(start.needs);
    }
    if (stageOf(onUnit.by) === stage && spraying.wets.has(onUnit.by)) {
      const bit = zoneBit('unit');
      if (open(onUnit.needs)) {
        byStage[stage] = (byStage[stage] ?? 0) | (bit & ~seen);
        seen |= bit;
      } else if (!spraying.masked.has(onUnit.needs)) next.add(onUnit.needs);
    }
    for (let node = queue.pop(); node !== undefined; node = queue.pop())
      for (let edge = first[node] ?? 0; edge < (first[node + 1] ?? 0); edge++) {
        const fault = needs[edge] ?? -1;
        if (!open(fault)) {
          if (!spraying.masked.has(fault)) next.add(fault);
          continue;
        }
        const bit = shows[edge] ?? 0;
        if (bit === 0) reach(to[edge] ?? 0);
        else {
          byStage[stage] = (byStage[stage] ?? 0) | (bit & ~seen);
          seen |= bit;
        }
      }
  }
  return { byStage, next };
}

/** All that gets wet, as bits. */
export const allWet = ({ byStage }: Wet): number => byStage.reduce((bits, one) => bits | one, 0);
