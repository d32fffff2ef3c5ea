/** Tests of an opening as they stand in its log: what was checked before, which stages ran, what was seen and tried. */
import type { Entry } from '../documents/entry.ts';
import { sprayStages, type Pressing } from '../vocabulary/wet-zones.ts';
import { EARLY_min } from './simulate.ts';
import type { Leak, Probe, SprayTest } from './search.ts';

type Facts = NonNullable<Entry['facts']>;
export type TestFacts = Extract<Facts, { kind: 'test' }>;

/** What an entry of a test says, and which entry: it can be taken back. */
export type TestSaid<K extends Facts['kind']> = Extract<Facts, { kind: K }> & { readonly id: string };

export interface Session {
  readonly entry: Entry;
  readonly facts: TestFacts;
  readonly stages: readonly TestSaid<'stage'>[];
  readonly wet: readonly TestSaid<'wet'>[];
  readonly probes: readonly TestSaid<'probe'>[];
  readonly chamber: readonly TestSaid<'chamber'>[];
  readonly draughts: readonly TestSaid<'draught'>[];
  /** Faults that were found by it. */
  readonly faults: readonly Entry[];
}

/** Oldest first. @param entries of an opening, that stand */
export function sessionsOf(entries: readonly Entry[]): Session[] {
  return entries.flatMap((entry): Session[] => {
    const { facts } = entry;
    if (facts?.kind !== 'test') return [];
    const own = entries.flatMap((one) =>
      one.facts && 'test' in one.facts && one.facts.test === entry.id
        ? [{ entry: one, facts: one.facts }]
        : [],
    );
    const of = <K extends Facts['kind']>(kind: K) =>
      own.flatMap((one) =>
        one.facts.kind === kind ? [{ ...(one.facts as Extract<Facts, { kind: K }>), id: one.entry.id }] : [],
      );
    return [
      {
        entry,
        facts,
        stages: of('stage'),
        wet: of('wet'),
        probes: of('probe'),
        chamber: of('chamber'),
        draughts: of('draught'),
        faults: own.flatMap((one) => (one.facts.kind === 'fault' ? [one.entry] : [])),
      },
    ];
  });
}

/** What a spray wets at least, l/(min m²). Source: ASTM E1105, from memory. */
export const SPRAY_lmin_m2 = 3.4;
/** How long a stage runs, min: steady a quarter of an hour, in cycles four of five minutes and one without. Source: ASTM E1105, from memory. */
const STAGE_LONG_min: Readonly<Record<Pressing, number>> = { steady: 15, cycles: 24, house: 15, none: 15 };
export const stageLong = (pressing: Pressing | undefined): number => STAGE_LONG_min[pressing ?? 'none'];

/** Rate of a rack, l/(min m²); `null` while flow or area is not known. */
export const sprayRate = ({ flow_lmin, area_m2 }: Pick<TestFacts, 'flow_lmin' | 'area_m2'>): number | null =>
  flow_lmin === undefined || area_m2 === undefined ? null : flow_lmin / area_m2;

/**
 * A field test asks for less than the laboratory did unless the contract says otherwise.
 *
 * Source: AAMA 502, from memory: two thirds of the laboratory's.
 */
export const fieldPressure = (laboratory_Pa: number): number => (laboratory_Pa * 2) / 3;

const isPressed = ({ pressing }: TestFacts): boolean => pressing !== undefined && pressing !== 'none';

/**
 * What a session tells the search. What was dry counts for a stage that ran its whole time at the whole rate; without a test
 * the weather stands for all stages, and nothing is known to have stayed dry.
 */
export function sprayTestOf(session: Session): SprayTest {
  const { facts, stages, wet } = session;
  const rate = sprayRate(facts);
  const wholeRate = rate !== null && rate >= SPRAY_lmin_m2 - 1e-9;
  const leaks = wet.map(({ zone, stage, after_min }): Leak => ({
    zone,
    stage: stage ?? 'above',
    early: stage !== undefined && after_min !== undefined && after_min < EARLY_min,
  }));
  if (facts.of === 'reported') return { stages: [], leaks, pressed: true, anyStage: true };
  const last = new Map(stages.map((one) => [one.stage, one]));
  const run = sprayStages.flatMap((stage) => {
    const one = last.get(stage);
    return one ? [{ stage, whole: wholeRate && one.minutes >= stageLong(facts.pressing) }] : [];
  });
  return { stages: run, leaks, pressed: isPressed(facts) };
}

export const probesOf = ({ facts, probes }: Session): Probe[] =>
  probes.map(({ wets, pressed, masked, seen, minutes }) => ({
    wets,
    pressed,
    masked,
    seen,
    whole: minutes >= stageLong(facts.pressing),
  }));

export interface ChamberFigures {
  readonly pressure_Pa: number;
  /** The joint round the unit, and the unit itself, m³/h. */
  readonly joint_m3h: number;
  readonly unit_m3h: number;
  /** Per m² of the unit and per m of its joint. */
  readonly unitPerArea: number;
  readonly jointPerLength: number;
  /** Readings go up from state to state: otherwise a mask leaked. */
  readonly isSound: boolean;
}

/**
 * Returns what an opening leaks by the three readings of a chamber.
 *
 * Source: ASTM E783, from memory: the tare is taken off.
 *
 * @param size of the unit, mm
 */
export function chamberFigures(
  { pressure_Pa, tare_m3h, joint_m3h, open_m3h }: Omit<Extract<Facts, { kind: 'chamber' }>, 'kind' | 'test'>,
  size: { readonly width: number; readonly height: number },
): ChamberFigures {
  const joint = joint_m3h - tare_m3h;
  const unit = open_m3h - joint_m3h;
  const area_m2 = (size.width * size.height) / 1e6;
  const length_m = (2 * (size.width + size.height)) / 1000;
  return {
    pressure_Pa,
    joint_m3h: joint,
    unit_m3h: unit,
    unitPerArea: unit / area_m2,
    jointPerLength: joint / length_m,
    isSound: joint >= 0 && unit >= 0,
  };
}

/** Most air by area, m³/(h m²), at 100 Pa, from the loosest. Source: EN 12207, from memory. */
export const AIR_CLASSES = [
  { name: 1, area: 50 },
  { name: 2, area: 27 },
  { name: 3, area: 9 },
  { name: 4, area: 3 },
] as const;

/** Air at one pressure as it would be at another, by the usual exponent of joints. Source: EN 12207, from memory: 2/3. */
export const airAt = (flow: number, from_Pa: number, to_Pa: number): number =>
  flow * (to_Pa / from_Pa) ** (2 / 3);

/** The best class whose figure by area the unit would meet at 100 Pa; 0 for none. A field test gives no class. */
export function wouldMeet({ unitPerArea, pressure_Pa, isSound }: ChamberFigures): number | null {
  if (!isSound || pressure_Pa <= 0) return null;
  const at100 = airAt(unitPerArea, pressure_Pa, 100);
  return AIR_CLASSES.reduce((best, { name, area }) => (at100 <= area ? name : best), 0);
}
