/** What a proof of water comes down to, so that two can be compared. */
import type { WaterProof } from './proof.ts';
import { isOfUnit, SEEN_mm, type WaterOutcome, type WaterPart } from './trace.ts';

/** Best first. */
export const pathClasses = ['shed', 'drained', 'trapped', 'structure', 'room'] as const;
export type PathClass = (typeof pathClasses)[number];

export interface Outcome {
  /** Gravest way of all water; what the unit itself leaks counts from where it has no way out. */
  readonly path: PathClass;
  /** Fewest bonds that must fail before framing or room is wet; `null` where none of them lets it in. */
  readonly k: number | null;
  /** Fewest before water from outside is in the opening. */
  readonly kOpening: number | null;
  /** Over how much of its sources the gravest way runs, mm. */
  readonly width_mm: number;
  /** Over how much of them so few bonds keep it off framing and room, and out of the opening: 1, 2; 0, 1, 2. mm. */
  readonly weak_mm: { readonly wet: readonly number[]; readonly opening: readonly number[] };
  /** Of the laps that are there, mm; `null` where there is none. */
  readonly leastLap_mm: number | null;
  /** Something of it nobody knows. */
  readonly unknown: boolean;
}

const known = (outcome: WaterOutcome): outcome is PathClass => outcome !== 'not-checkable';

export function outcomeOf({ traces, laps }: Pick<WaterProof, 'traces' | 'laps'>): Outcome {
  const parts = traces.flatMap(({ source, parts: own }) => own.map((part) => ({ ...part, source })));
  const ranked = parts.flatMap((part) =>
    known(part.outcome) ? [{ part, rank: pathClasses.indexOf(classOf(part)) }] : [],
  );
  const worst = Math.max(0, ...ranked.map(({ rank }) => rank));
  const least = (figures: readonly (number | null)[]): number | null => {
    const some = figures.filter((figure) => figure !== null);
    return some.length > 0 ? Math.min(...some) : null;
  };
  // Where strips meet, a hand's breadth at most, the pan takes what comes.
  const outside = parts.filter(({ source, width_mm }) => !isOfUnit(source) && width_mm >= SEEN_mm);
  const over = (list: readonly WaterPart[], is: (part: WaterPart) => boolean): number =>
    list.reduce((sum, part) => (is(part) ? sum + part.width_mm : sum), 0);
  return {
    path: pathClasses[worst] ?? 'shed',
    k: least(parts.map(({ k }) => k)),
    kOpening: least(outside.map(({ kOpening }) => kOpening)),
    weak_mm: {
      wet: [1, 2].map((bonds) => over(parts, ({ k }) => k === bonds)),
      opening: [0, 1, 2].map((bonds) => over(outside, ({ kOpening }) => kOpening === bonds)),
    },
    width_mm: ranked.reduce((sum, { part, rank }) => (rank === worst ? sum + part.width_mm : sum), 0),
    leastLap_mm: least(laps.map(({ lap_mm }) => lap_mm)),
    unknown: parts.some(({ outcome }) => !known(outcome)),
  };
}

/** What the unit leaks is drained at best: that is what a pan is for. */
const classOf = ({
  outcome,
  source,
  width_mm,
}: WaterPart & { source: Parameters<typeof isOfUnit>[0] }): PathClass =>
  outcome === 'drained' && (isOfUnit(source) || width_mm < SEEN_mm) ? 'shed' : (outcome as PathClass);

/** Widths closer than this are one. */
const SAME_mm = 1;
const apart = (a: number, b: number): number => (Math.abs(a - b) < SAME_mm ? 0 : a - b);

const orMany = (k: number | null): number => k ?? Infinity;

/**
 * Returns a number below 0 where `a` is better than `b`, above 0 where it is worse, 0 where neither is: by the way, then by
 * the bonds, then by the width.
 */
export function compareOutcomes(a: Outcome, b: Outcome): number {
  const steps = [
    pathClasses.indexOf(a.path) - pathClasses.indexOf(b.path),
    orMany(b.k) === orMany(a.k) ? 0 : orMany(b.k) - orMany(a.k),
    orMany(b.kOpening) === orMany(a.kOpening) ? 0 : orMany(b.kOpening) - orMany(a.kOpening),
    ...a.weak_mm.wet.map((mm, i) => apart(mm, b.weak_mm.wet[i] ?? 0)),
    ...a.weak_mm.opening.map((mm, i) => apart(mm, b.weak_mm.opening[i] ?? 0)),
  ];
  return steps.find((step) => step !== 0) ?? 0;
}
