/**
 * From a leak back to its cause: the smallest sets of failed bonds, unit joints and the like that explain everything that was
 * seen, wet and dry; up to two at a time.
 */
import {
  sprayStages,
  wettings,
  type SprayStage,
  type WetZone,
  type Wetting,
} from '../vocabulary/wet-zones.ts';
import { failureKey, type Failure, type SprayNetwork } from './spray-network.ts';
import { allWet, wetBy, type Spraying, type Wet } from './wetting.ts';
import { shownBits, zoneBit } from './zones.ts';

export interface StageRun {
  readonly stage: SprayStage;
  /** It ran as long as it has to: only then does what stayed dry count. */
  readonly whole: boolean;
}

export interface Leak {
  readonly zone: WetZone;
  /** The stage that was running when it was first seen. */
  readonly stage: SprayStage;
  /** So soon after the stage began that it may come from the one before. */
  readonly early: boolean;
}

export interface SprayTest {
  readonly stages: readonly StageRun[];
  readonly leaks: readonly Leak[];
  /** Whether a difference of pressure was on. */
  readonly pressed: boolean;
  /** Weather in place of stages: a leak may be of any of them, and nothing is known to have stayed dry. */
  readonly anyStage?: boolean;
}

/** One more look, after the stages: something wetted by itself, or masked, and what was seen then. */
export interface Probe {
  readonly wets: readonly Wetting[];
  readonly pressed: boolean;
  /** Failures under a mask, by their key. */
  readonly masked: readonly string[];
  readonly seen: readonly WetZone[];
  readonly whole: boolean;
}

export interface Cause {
  readonly failures: readonly Failure[];
  /** Against the others, adding up to one. */
  readonly share: number;
}

export interface Knowledge {
  /** How much likelier than any other a failure is, by its key or its piece: noted in the log, failed elsewhere. */
  readonly weights?: ReadonlyMap<string, number>;
}

/** Two failures at once are so much rarer than one: common practice, no source. */
const SECOND = 1 / 30;

/** The smallest sets of at most two failures that contradict nothing, the likeliest first; the empty one where the wall leaks as planned. */
export function causesOf(
  network: SprayNetwork,
  test: SprayTest,
  probes: readonly Probe[] = [],
  { weights }: Knowledge = {},
): Cause[] {
  const wets = new Set(wettings);
  const spraying: Spraying = { wets, pressed: test.pressed, masked: new Set() };
  const known = new Map<string, Wet>();
  const of = (set: readonly number[]): Wet => {
    const key = set.join();
    const wet = known.get(key) ?? wetBy(network, new Set(set), spraying);
    known.set(key, wet);
    return wet;
  };
  const fits = (set: readonly number[], wet = of(set)) =>
    explains(wet, test) && probes.every((probe) => fitsProbe(network, set, probe));
  const none = of([]);
  if (fits([], none)) return [{ failures: [], share: 1 }];
  const singles = [...none.next].sort((a, b) => a - b);
  const found: number[][] = singles.filter((one) => fits([one])).map((one) => [one]);
  const alone = new Set(found.flat());
  const pairs = new Set<string>();
  for (const one of singles) {
    if (alone.has(one)) continue;
    const behind = [...of([one]).next];
    for (const other of [...behind, ...singles]) {
      if (other === one || alone.has(other)) continue;
      const pair = one < other ? [one, other] : [other, one];
      if (pairs.has(pair.join())) continue;
      pairs.add(pair.join());
      if (fits(pair)) found.push(pair);
    }
  }
  const weightOf = (set: readonly number[]) =>
    set.reduce((product, one, i) => {
      const fault = network.failures[one];
      if (!fault) return product;
      const key = failureKey(fault);
      const own = weights?.get(key) ?? (fault.kind === 'bond' ? weights?.get(fault.piece) : undefined) ?? 1;
      return product * own * usual(fault) * (i > 0 ? SECOND : 1);
    }, 1);
  const total = found.reduce((sum, set) => sum + weightOf(set), 0);
  return found
    .map((set): Cause => ({
      failures: set.flatMap((one) => network.failures[one] ?? []),
      share: weightOf(set) / total,
    }))
    .sort(
      (a, b) =>
        b.share - a.share || a.failures.length - b.failures.length || keyOf(a).localeCompare(keyOf(b)),
    );
}

export const keyOf = ({ failures }: Pick<Cause, 'failures'>): string =>
  failures.map(failureKey).sort().join(' + ');

/** A unit leaks at its corners sooner than in its glazing, and less often than what was laid on site: common practice, no source. */
function usual(fault: Failure): number {
  if (fault.kind === 'bond') return 1;
  if (fault.kind === 'wall-above') return 0.3;
  return fault.joint === 'unit-corner' ? 0.6 : 0.3;
}

/** Whether what would get wet is what was seen: every leak, at its stage or late from the one before; and no whole stage dry that would not be. */
function explains(wet: Wet, { stages, leaks, anyStage }: SprayTest): boolean {
  if (anyStage) {
    const shown = shownBits(allWet(wet));
    return leaks.every(({ zone }) => (shown & zoneBit(zone)) !== 0);
  }
  for (const { zone, stage, early } of leaks) {
    const at = sprayStages.indexOf(stage);
    const from = (one: number) => (shownBits(wet.byStage[one] ?? 0) & zoneBit(zone)) !== 0;
    if (!from(at) && !(early && at > 0 && from(at - 1))) return false;
  }
  return stages.every(({ stage, whole }) => {
    const at = sprayStages.indexOf(stage);
    if (!whole || (wet.byStage[at] ?? 0) === 0) return true;
    return leaks.some((leak) => {
      const seen = sprayStages.indexOf(leak.stage);
      const near = seen === at || (leak.early && seen === at + 1);
      return near && (shownBits(wet.byStage[at] ?? 0) & zoneBit(leak.zone)) !== 0;
    });
  });
}

export function sprayingOf(
  network: SprayNetwork,
  { wets, pressed, masked }: Omit<Probe, 'seen' | 'whole'>,
): Spraying {
  const at = masked.flatMap((key) => network.failureAt.get(key) ?? []);
  return { wets: new Set(wets), pressed, masked: new Set(at) };
}

function fitsProbe(network: SprayNetwork, set: readonly number[], probe: Probe): boolean {
  const wet = allWet(wetBy(network, new Set(set), sprayingOf(network, probe)));
  if (probe.seen.length === 0) return wet === 0 || !probe.whole;
  const shown = shownBits(wet);
  return probe.seen.every((zone) => (shown & zoneBit(zone)) !== 0);
}

/** Stages that were run up to one, all of them whole; what a test that is only begun looks like. */
export const wholeUpTo = (last: SprayStage): StageRun[] =>
  sprayStages.slice(0, sprayStages.indexOf(last) + 1).map((stage) => ({ stage, whole: true }));
