/** Hands, cups and wind for carrying one unit. */
import type { Job } from '../../documents/job.ts';
import type { Unit, FrameMaterial } from '../../documents/unit.ts';
import { glassWeight } from '../../unit/weight.ts';
import { liftLimit, type LiftLimit } from './lifting.ts';

/** Frame with sash, kg per metre of the unit's outline: common practice, no source. */
const FRAME_kg_m: Readonly<Record<FrameMaterial, number>> = {
  vinyl: 4,
  wood: 5,
  'clad-wood': 6,
  aluminium: 5,
  fibreglass: 4.5,
};

export interface Weight {
  readonly kg: number;
  /** The maker's figure, or glass by its panes and frame by the metre. */
  readonly from: 'maker' | 'panes';
}

/** Returns what a unit weighs; `null` where neither its maker nor its panes tell. */
export function unitWeight(unit: Unit): Weight | null {
  if (unit.weight_kg !== undefined) return { kg: unit.weight_kg, from: 'maker' };
  const glass = glassWeight(unit);
  if (glass === null) return null;
  const outline_m = (2 * (unit.width.mm + unit.height.mm)) / 1000;
  return { kg: glass + outline_m * FRAME_kg_m[unit.frameMaterial ?? 'vinyl'], from: 'panes' };
}

/** Each person at best posture, kg: common practice (23 to 25), no source. */
export const PERSON_kg = 23;
/** More people than this do not get round a unit: a lift. Common practice, no source. */
export const MOST_HANDS = 4;
/** Suction cups are rated for twice what they carry: common practice, no source. */
const CUP_FACTOR = 2;
/** Push of the wind that one person holds while walking, N: common practice, no source. */
const PUSH_N = 50;
/** Of a flat plate. */
const DRAG = 1.2;
const AIR_kg_m3 = 1.225;

export interface Handling {
  readonly weight: Weight;
  readonly people: number;
  readonly needsLift: boolean;
  /** Beyond four people a lift has to be there, which is seen before it is lifted. */
  readonly verdict: 'holds';
  /** Two at least; each must be rated for this, kg. */
  readonly cups: number;
  readonly cupRating_kg: number;
  /** Above this gust it is not carried, m/s; the site's own limit where that is lower. */
  readonly gust_ms: number;
  readonly gustFrom: 'push' | 'site';
  /** What one person should lift from the floor onto a sill of the usual height, and from a bench. */
  readonly alone: { readonly fromFloor: LiftLimit; readonly fromBench: LiftLimit };
}

/** A unit is carried upright before the body: its own depth and the hands' reach, cm. */
const REACH_cm = 30;
const FROM_FLOOR_cm = 40;
const BENCH_cm = 75;
export const SILL_cm = 90;

/** What of their strength counts when two, or more, lift together. Source: ISO 11228-1, from memory. */
const TOGETHER = { two: 2 / 3, more: 1 / 2 } as const;

/**
 * Returns how many people a weight takes: one alone carries the whole of what a person may, two together two thirds of
 * twice that, three and more half.
 *
 * @example peopleFor(46, 23) // 4
 */
export function peopleFor(weight_kg: number, person_kg: number): number {
  if (weight_kg <= person_kg) return 1;
  if (weight_kg <= 2 * person_kg * TOGETHER.two + ROUND_kg) return 2;
  return Math.max(3, Math.ceil((weight_kg - ROUND_kg) / (person_kg * TOGETHER.more)));
}

/** Weights are said to no finer than this. */
const ROUND_kg = 0.01;

/** Returns what it takes to carry and set a unit; `null` while its weight is not known. */
export function handlingOf(unit: Unit, handling: Job['handling']): Handling | null {
  const weight = unitWeight(unit);
  if (!weight) return null;
  const person_kg = handling?.person_kg ?? PERSON_kg;
  const people = peopleFor(weight.kg, person_kg);
  const area_m2 = (unit.width.mm * unit.height.mm) / 1e6;
  const cups = Math.max(2, 2 * Math.min(people, MOST_HANDS));
  const byPush = gustLimit(area_m2, Math.min(people, MOST_HANDS));
  const site = handling?.gust_ms ?? Infinity;
  const lift = (from: number) =>
    liftLimit({
      horizontal_cm: REACH_cm,
      vertical_cm: from,
      travel_cm: Math.abs(SILL_cm - from),
      twist_deg: 0,
      grip: 'fair',
    });
  return {
    weight,
    people,
    needsLift: people > MOST_HANDS,
    verdict: 'holds',
    cups,
    cupRating_kg: (weight.kg * CUP_FACTOR) / cups,
    gust_ms: Math.min(byPush, site),
    gustFrom: site < byPush ? 'site' : 'push',
    alone: { fromFloor: lift(FROM_FLOOR_cm), fromBench: lift(BENCH_cm) },
  };
}

/**
 * Returns the gust at which wind pushes a unit with what its carriers can hold, m/s: ½ ρ c A v² = n · 50 N.
 * Source: pressure on a flat plate; 50 N a person is common practice, no source.
 *
 * @example gustLimit(1.08, 2) // 11.2
 */
export const gustLimit = (area_m2: number, people: number): number =>
  Math.sqrt((2 * PUSH_N * people) / (AIR_kg_m3 * DRAG * area_m2));
