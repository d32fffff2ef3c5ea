/** The next look that tells most: every look that could be offered, by how far it would part the causes that are left. */
import { wettings, type Wetting } from '../vocabulary/wet-zones.ts';
import { failureKey, unitJoints, type SprayNetwork } from './spray-network.ts';
import { sprayingOf, type Cause, type Probe } from './search.ts';
import { allWet, wetBy } from './wetting.ts';

export type Offered = Omit<Probe, 'seen' | 'whole'> & {
  /** What is done: wet one place only, cover the unit, mask something, or take the pressure off. */
  readonly kind: 'wet-only' | 'cover-unit' | 'mask' | 'no-pressure';
};

/** Causes that no look that can be offered tells apart. */
export interface CauseClass {
  readonly causes: readonly Cause[];
  readonly share: number;
}

const EVERYTHING: readonly Wetting[] = wettings;
const ON_UNIT: readonly string[] = unitJoints;

/** Everything that can be tried: a mask only over what the causes are about, since there are no others to tell apart. */
export function offeredProbes(network: SprayNetwork, causes: readonly Cause[], pressed: boolean): Offered[] {
  const named = new Set(causes.flatMap(({ failures }) => failures.map(failureKey)));
  const masks = [...named].filter((key) => !ON_UNIT.includes(key) && key !== 'wall-above');
  const whole = { wets: EVERYTHING, pressed, masked: [] as string[] };
  return [
    ...wettings
      .filter((one) => network.starts.some(({ by }) => by === one) || one === 'unit-face')
      .map((one): Offered => ({ ...whole, kind: 'wet-only', wets: [one] })),
    { ...whole, kind: 'cover-unit', masked: ON_UNIT },
    // Where pressure lifts water over the pan the ways without it are others, and are not known here.
    ...(pressed && !network.lifts ? [{ ...whole, kind: 'no-pressure' as const, pressed: false }] : []),
    ...masks.map((key): Offered => ({ ...whole, kind: 'mask', masked: [key] })),
  ];
}

const indicesOf = (network: SprayNetwork, { failures }: Cause): Set<number> =>
  new Set(failures.flatMap((fault) => network.failureAt.get(failureKey(fault)) ?? []));

/** Whether each cause would show anything in each look. */
function answersOf(
  network: SprayNetwork,
  causes: readonly Cause[],
  offered: readonly Offered[],
): boolean[][] {
  const sprayings = offered.map((probe) => sprayingOf(network, probe));
  return causes.map((cause) => {
    const failed = indicesOf(network, cause);
    return sprayings.map((spraying) => allWet(wetBy(network, failed, spraying)) !== 0);
  });
}

export interface NextLook {
  /** Likeliest first. */
  readonly classes: readonly CauseClass[];
  /** `null` where one class is left: open there. */
  readonly probe: Offered | null;
}

/**
 * Returns the causes gathered in classes, and the look whose answer leaves the least to guess: by the share on either side,
 * the one nearest to even; of even ones the one that masks least.
 */
export function nextLook(network: SprayNetwork, causes: readonly Cause[], pressed: boolean): NextLook {
  const offered = offeredProbes(network, causes, pressed);
  const answers = answersOf(network, causes, offered);
  const byAnswers = new Map<string, Cause[]>();
  causes.forEach((cause, i) => {
    const key = (answers[i] ?? []).map((wet) => (wet ? '1' : '0')).join('');
    byAnswers.set(key, [...(byAnswers.get(key) ?? []), cause]);
  });
  const classes = [...byAnswers.values()]
    .map((own): CauseClass => ({ causes: own, share: own.reduce((sum, { share }) => sum + share, 0) }))
    .sort((a, b) => b.share - a.share);
  if (classes.length <= 1) return { classes, probe: null };
  let best: { probe: Offered; left: number } | null = null;
  offered.forEach((probe, k) => {
    const wet = causes.reduce((sum, { share }, i) => sum + (answers[i]?.[k] ? share : 0), 0);
    const parts = causes.some((_, i) => answers[i]?.[k]) && causes.some((_, i) => !answers[i]?.[k]);
    if (!parts) return;
    const left = uncertainty(wet) + uncertainty(1 - wet);
    if (!best || left > best.left + 1e-9) best = { probe, left };
  });
  const chosen = best as { probe: Offered; left: number } | null;
  return { classes, probe: chosen?.probe ?? null };
}

/** Shannon's measure: what a share adds to what an answer tells, bits. */
const uncertainty = (share: number): number => (share <= 0 || share >= 1 ? 0 : -share * Math.log2(share));
