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
import { isOnlyLine, tracesOf, waterVerdict, type SourceTrace } from './trace.ts';

/** A bond with nothing behind it: where it fails, framing or room gets wet. */
export interface SingleBond {
  /** The things whose bond it is, left and right as one. */
  readonly things: readonly string[];
  readonly sources: readonly WaterSource[];
  readonly wets: 'structure' | 'room';
  /** Where it is widest, mm. */
  readonly width_mm: number;
  /** Nothing but it is meant to keep water out, or what laps over it lies the wrong way: no look settles that. */
  readonly only: boolean;
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
  const laps = lapsOn(build, network.planes);
  const singles = singlesOf(traces, laps, build);
  return {
    traces,
    laps,
    singles,
    verdict: gravest([
      verdictOfTraces(traces, build),
      ...(singles.some(({ only }) => only) ? ['watch' as const] : []),
    ]),
  };
}

export const verdictOfTraces = (traces: readonly SourceTrace[], build: Build): Verdict =>
  gravest(traces.flatMap(({ source, parts }) => parts.map((part) => waterVerdict(part, source, build))));

export function singlesOf(traces: readonly SourceTrace[], laps: readonly Lap[], build: Build): SingleBond[] {
  const singles = new Map<string, SingleBond>();
  for (const { source, parts } of traces)
    for (const { k, bonds, wets, width_mm } of parts) {
      const [bond] = bonds;
      if (k !== 1 || bond === undefined || !wets) continue;
      const key = `${kindOf(build, bond)} ${wets}`;
      const known = singles.get(key);
      const faulty = laps.some(
        ({ fault, pair }) => fault && (pair.upper[0] === bond || pair.lower[0] === bond),
      );
      singles.set(key, {
        things: [...new Set([...(known?.things ?? []), bond])],
        sources: [...new Set([...(known?.sources ?? []), source])],
        wets,
        width_mm: Math.max(known?.width_mm ?? 0, width_mm),
        only: known?.only === true || faulty || isOnlyLine(bonds, build),
      });
    }
  return [...singles.values()];
}
