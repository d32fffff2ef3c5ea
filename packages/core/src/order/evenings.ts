/** What rain would do on every evening on which the work could be left, and how much of it there would be. */
import type { Build } from '../build/build.ts';
import { stackAt } from '../build/stack.ts';
import type { Exposed } from '../conditions/exposed.ts';
import { outcomeOf, type PathClass } from '../proofs/water/outcome.ts';
import { proveWater, type WaterProof } from '../proofs/water/proof.ts';
import type { WaterSource } from '../proofs/water/sources.ts';
import { isOfUnit } from '../proofs/water/trace.ts';
import { noStopAfter, type NoStop } from './timeline.ts';

export const eveningStates = ['drains', 'wets-framing', 'wets-room', 'not-checkable'] as const;
export type EveningState = (typeof eveningStates)[number];

export interface Evening {
  /** Steps done by then. */
  readonly done: number;
  readonly state: EveningState;
  /** Nothing stands in the hole and nothing hangs over it. */
  readonly open: boolean;
  /** What comes in, in the gravest way, and over which width, mm. */
  readonly by: { readonly source: WaterSource; readonly width_mm: number } | null;
  readonly noStop: NoStop | null;
}

const OF_PATH: Readonly<Record<PathClass, Exclude<EveningState, 'not-checkable'>>> = {
  shed: 'drains',
  drained: 'drains',
  // It stays where it came in, at the framing.
  trapped: 'wets-framing',
  structure: 'wets-framing',
  room: 'wets-room',
};

/** Whether anything is between weather and room in the middle of the hole. */
export function isOpen(build: Build, count: number): boolean {
  const done = build.steps.slice(0, count);
  const set = done.some(({ role }) => role === 'set' || role === 'found-set');
  if (set) return false;
  const { width, height } = build.context.opening;
  return stackAt(build, 'wall', [width / 2, height / 2], count).length === 0;
}

/** One evening: the water proof of the wall as it stands then. */
export function eveningAfter(build: Build, exposed: Pick<Exposed, 'asked_Pa'>, count: number): Evening {
  const noStop = noStopAfter(build.steps, count);
  if (isOpen(build, count)) return { done: count, state: 'wets-room', open: true, by: null, noStop };
  const proof = proveWater(build, exposed, { count });
  const { path, unknown } = outcomeOf(proof);
  const state = OF_PATH[path];
  return {
    done: count,
    // What is known to be wet is wet, whatever else nobody knows.
    state: state === 'drains' && unknown ? 'not-checkable' : state,
    open: false,
    by: state === 'drains' ? null : gravestSource(proof, path),
    noStop,
  };
}

function gravestSource({ traces }: WaterProof, path: PathClass): Evening['by'] {
  const found = traces.flatMap(({ source, parts }) => {
    const width_mm = parts.reduce((sum, p) => (p.outcome === path ? sum + p.width_mm : sum), 0);
    return width_mm > 0 ? [{ source, width_mm }] : [];
  });
  return found.toSorted((a, b) => b.width_mm - a.width_mm)[0] ?? null;
}

/** Every evening from before the first step to after the last. */
export const eveningsOf = (build: Build, exposed: Pick<Exposed, 'asked_Pa'>): readonly Evening[] =>
  Array.from({ length: build.steps.length + 1 }, (_, count) => eveningAfter(build, exposed, count));

/** What would make an evening dry without a sheet: the nearest ones before and after on which work can be left. */
export interface Safer {
  readonly earlier: number | null;
  readonly later: number | null;
}
export function saferThan(evenings: readonly Evening[], done: number): Safer {
  const good = evenings.filter(({ state, noStop }) => state === 'drains' && noStop === null);
  return {
    earlier: good.filter((e) => e.done < done).at(-1)?.done ?? null,
    later: good.find((e) => e.done > done)?.done ?? null,
  };
}

/** A night: how much rain falls in how many hours, at which mean wind, at which angle to the façade. */
export interface Night {
  readonly rain_mm: number;
  readonly hours: number;
  readonly wind_ms: number;
  /** Between the wind and straight onto the façade; 0 where nobody says, which is the worst. */
  readonly angle_deg?: number;
}

/**
 * Driving rain on a façade over a night, l/m²: 2/9 · v · r^(8/9) · cos θ for each hour, without what terrain and overhang take
 * away.
 *
 * Source: ISO 15927-3, the airfield hourly index, from memory.
 */
export function drivingRain({ rain_mm, hours, wind_ms, angle_deg = 0 }: Night): number {
  if (!(rain_mm > 0) || !(hours > 0)) return 0;
  const straight = Math.max(0, Math.cos((angle_deg * Math.PI) / 180));
  return (2 / 9) * wind_ms * (rain_mm / hours) ** (8 / 9) * straight * hours;
}

/**
 * At most so much of it comes in, litres: what falls on the hole or on the unit's face and what runs down to it from the wall
 * above, over the width that leaks; `null` for what the unit itself lets through, which nobody can say.
 *
 * @param catch_mm height of the wall above from which water runs to the opening
 */
export function comesIn(evening: Evening, build: Build, rain_l_m2: number, catch_mm: number): number | null {
  const { width, height } = build.context.opening;
  const over = (width_mm: number) => (rain_l_m2 * width_mm * (height + catch_mm)) / 1e6;
  if (evening.open) return over(width);
  if (!evening.by) return 0;
  return isOfUnit(evening.by.source) ? null : over(Math.min(evening.by.width_mm, width));
}
