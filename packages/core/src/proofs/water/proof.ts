/** The proof of water for one opening: every source traced, every lap looked at, every single line named. */
import { gravest, type Verdict } from '../../vocabulary/verdict.ts';
import type { Build } from '../../build/build.ts';
import type { Exposed } from '../../conditions/exposed.ts';
import { overSillOf } from './over-sill.ts';
import { lapsOn, type Lap } from './laps.ts';
import { networkOf } from './network.ts';
import { kindOf } from '../../build/by-role.ts';
import { momentOf, type LostBond } from '../../build/moment.ts';
import type { WaterSource } from './sources.ts';
import { tracesOf, waterVerdict, type SourceTrace } from './trace.ts';

/** A bond with nothing behind it: where it fails, framing or room gets wet. */
export interface SingleBond {
  /** The things whose bond it is, left and right as one. */
  readonly things: readonly string[];
  readonly sources: readonly WaterSource[];
  readonly wets: 'structure' | 'room';
  /** Where it is widest, mm. */
  readonly width_mm: number;
}

export interface WaterProof {
  readonly traces: readonly SourceTrace[];
  readonly laps: readonly Lap[];
  readonly singles: readonly SingleBond[];
  /** Of the tracing alone; findings about laps and pan stand beside it. */
  readonly verdict: Verdict;
}

export function proveWater(
  build: Build,
  exposed: Pick<Exposed, 'asked_Pa'>,
  o: { count?: number; lost?: readonly LostBond[] } = {},
): WaterProof {
  const overSill = overSillOf(build, exposed.asked_Pa);
  const { count = build.steps.length, lost = [] } = o;
  const network = networkOf(momentOf(build, count, lost), overSill);
  const traces = tracesOf(network);
  return {
    traces,
    laps: lapsOn(build, network.planes),
    singles: singlesOf(traces, build),
    verdict: verdictOfTraces(traces, build),
  };
}

export const verdictOfTraces = (traces: readonly SourceTrace[], build: Build): Verdict =>
  gravest(traces.flatMap(({ parts }) => parts.map((part) => waterVerdict(part, build))));

export function singlesOf(traces: readonly SourceTrace[], build: Build): SingleBond[] {
  const singles = new Map<
    string,
    { things: Set<string>; sources: Set<WaterSource> } & Pick<SingleBond, 'wets' | 'width_mm'>
  >();
  for (const { source, parts } of traces)
    for (const { k, bonds, wets, width_mm } of parts) {
      const [bond] = bonds;
      if (k !== 1 || bond === undefined || !wets) continue;
      const key = `${kindOf(build, bond)} ${wets}`;
      const known = singles.get(key) ?? { things: new Set(), sources: new Set(), wets, width_mm: 0 };
      known.things.add(bond);
      known.sources.add(source);
      singles.set(key, { ...known, width_mm: Math.max(known.width_mm, width_mm) });
    }
  return [...singles.values()].map(({ things, sources, ...rest }) => ({
    things: [...things],
    sources: [...sources],
    ...rest,
  }));
}
