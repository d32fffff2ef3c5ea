/** The proof of heat for one opening: what each joint loses, and how cold its coldest judged surface gets. */
import type { JobContext } from '../../documents/job.ts';
import type { Unit } from '../../documents/unit.ts';
import { cutIds, type CutId } from '../../vocabulary/sides.ts';
import { gravest, type Verdict } from '../../vocabulary/verdict.ts';
import type { Solid } from '../../geometry/solid.ts';
import type { Build } from '../../build/build.ts';
import { UNIT } from '../../methods/names.ts';
import { standsInWall } from './boxes.ts';
import { conditionsOf, NEAR_FRSI, type HeatConditions } from '../../conditions/room.ts';
import { conductivities } from '../../conditions/conductivities.ts';
import { solveField, surfaces, type HeatField } from './field.ts';
import { gridOf } from './grid.ts';
import { junctionOf, type Junction, type NamedSection } from './junction.ts';
import { humidityAt } from '../../quantities/psychrometrics.ts';
import type { Section } from './section-file.ts';
import { drawnOn, FIRST, nextStep, type Bounded, type Step, type StepResult } from './section-solution.ts';
import { unitValues, type UnitValues } from './unit-values.ts';

/** The coldest surface that can be judged: of the reveal, the trim or the joint, never of the unit. */
export interface Coldest {
  readonly temperature_C: number;
  readonly fRsi: number;
  /** Humidity of the room's air at it, %. */
  readonly humidity_percent: number;
  readonly thing: string;
  /** Millimetres of the section. */
  readonly at: readonly [number, number];
  /** How far it still moved when the grid was halved, K; `null` on a first grid. */
  readonly change_K: number | null;
}

export interface SideHeat {
  readonly cut: CutId;
  /** What the joint loses beyond wall and unit, W/(m K), and its bounds; on a first grid the bounds are far apart. */
  readonly psi: Bounded;
  readonly L2D: Bounded;
  readonly unitL2D: Bounded;
  readonly wallU: number;
  readonly wall_m: number;
  /** Whether the bounds of Ψ are as close as asked. */
  readonly close: boolean;
  /** `null` where no surface but the unit's faces the room. */
  readonly coldest: Coldest | null;
  readonly verdict: Verdict;
  readonly cells: number;
}

export interface HeatProof {
  readonly conditions: HeatConditions;
  readonly values: UnitValues;
  readonly sides: readonly SideHeat[];
  /** Of the unit with its joints, W/(m² K). */
  readonly uInstalled: number;
  /** Of unit and joints at the temperatures judged in, W. */
  readonly loss_W: number;
  readonly jointLoss_W: number;
  readonly verdict: Verdict;
  readonly leftOut: readonly string[];
}

export type HeatError = { readonly code: 'not-converged' | 'no-surface' | 'before-the-wall' };
export type HeatResult<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: HeatError };

const BEFORE_THE_WALL = { ok: false, error: { code: 'before-the-wall' } } as const;

/** Half of the interval of Ψ that is refined to, W/(m K). */
const CLOSE_WmK = 0.002;
/** No grid gets more cells. */
const MOST_CELLS = 160_000;
/** What the solving of an opening's heat begins from. */
export interface HeatInput {
  readonly build: Build;
  readonly unit: Unit;
  readonly job: JobContext;
  /** Materials that a study sets otherwise, by name. */
  readonly instead?: Readonly<Record<string, number>>;
  readonly values?: UnitValues;
  /** The cut through a shim instead of beside it. */
  readonly through?: (cut: CutId) => Solid | undefined;
}

export const heatInput = (build: Build, job: JobContext): HeatInput => ({ build, unit: build.unit, job });

export function junctionFor(input: HeatInput, cut: CutId): Junction {
  const { build, unit, job, instead, through } = input;
  const { inside_C, outside_C } = conditionsOf(job.job);
  return junctionOf({
    build,
    cut,
    lambda: conductivities(job.materials ?? []),
    values: input.values ?? unitValues(unit),
    ends: { inside_C, outside_C },
    instead,
    through: through?.(cut),
  });
}

/** Fields of one side as they were last solved; a later solution of nearly the same side begins from them. */
export interface SideFields {
  readonly flow: HeatField;
  readonly surface: HeatField;
  readonly unit: HeatField;
}

/** A side with the field its surfaces were judged on. */
export interface SolvedSide {
  readonly side: SideHeat;
  readonly junction: Junction;
  readonly fields: SideFields;
}

/** One side on its first grid: quick enough to follow a hand. What bounds its Ψ is not known yet. */
export function sketchSide(input: HeatInput, cut: CutId, like?: SideFields): HeatResult<SolvedSide> {
  if (!standsInWall(input.build)) return BEFORE_THE_WALL;
  const junction = junctionFor(input, cut);
  const solve = (section: Section, from?: HeatField) => solveField(section, gridOf(section, FIRST), from);
  const flow = solve(junction.flow.section, like?.flow);
  const surface = solve(junction.surface.section, like?.surface);
  const unit = solve(junction.unit.section, like?.unit);
  if (!flow.ok) return flow;
  if (!surface.ok) return surface;
  if (!unit.ok) return unit;
  const conditions = conditionsOf(input.job.job);
  const across = conditions.inside_C - conditions.outside_C;
  const coupling = ({ flows }: HeatField): Bounded => {
    const value = (flows.get('room') ?? 0) / across;
    // Finite volumes err to this side; how far is known on the next grid only.
    return { value, below: value, above: Infinity };
  };
  const fields = { flow: flow.value, surface: surface.value, unit: unit.value };
  const side = judged(junction, conditions, {
    L2D: coupling(fields.flow),
    unitL2D: coupling(fields.unit),
    field: fields.surface,
    before: null,
  });
  return { ok: true, value: { side, junction, fields } };
}

/** One side refined until its Ψ is bounded as closely as asked, or the grid is as fine as it may get. */
export function proveSide(input: HeatInput, cut: CutId, like?: SideFields): HeatResult<SolvedSide> {
  if (!standsInWall(input.build)) return BEFORE_THE_WALL;
  return proveJunction(junctionFor(input, cut), conditionsOf(input.job.job), like);
}

/** The same from what a side comes down to: plain data, that may have come from another machine. */
export function proveJunction(
  junction: Junction,
  conditions: HeatConditions,
  like?: SideFields,
): HeatResult<SolvedSide> {
  const first = {
    flow: nextStep(junction.flow.section, undefined, like?.flow),
    unit: nextStep(junction.unit.section, undefined, like?.unit),
  };
  if (!first.flow.ok) return first.flow;
  if (!first.unit.ok) return first.unit;
  let [flow, unit]: [Refined, Refined] = [
    { now: first.flow.value, before: null },
    { now: first.unit.value, before: null },
  ];
  const wanting = ({ now, before }: Refined) => (before ? widthOf(now) : Infinity);
  while (
    Math.max(wanting(flow), wanting(unit)) === Infinity ||
    widthOf(flow.now) + widthOf(unit.now) > 2 * CLOSE_WmK
  ) {
    const isFlow = wanting(flow) >= wanting(unit);
    const next = isFlow ? step(junction.flow.section, flow) : step(junction.unit.section, unit);
    if (!next) break;
    if (!next.ok) return next;
    if (isFlow) flow = next.value;
    else unit = next.value;
  }
  const coarse = solveField(junction.surface.section, gridOf(junction.surface.section, FIRST), like?.surface);
  if (!coarse.ok) return coarse;
  // Both sections have the same boxes, and so the same lines.
  const surface = solveField(junction.surface.section, flow.now.field.grid, coarse.value);
  if (!surface.ok) return surface;
  const none: Bounded = { value: 0, below: 0, above: 0 };
  const side = judged(junction, conditions, {
    L2D: drawnOn(flow.now, flow.before) ?? none,
    unitL2D: drawnOn(unit.now, unit.before) ?? none,
    field: surface.value,
    before: coarse.value,
  });
  const fields = { flow: flow.now.field, surface: surface.value, unit: unit.now.field };
  return { ok: true, value: { side, junction, fields } };
}

interface Refined {
  readonly now: Step;
  readonly before: Step | null;
}

/** `null` where the grid is as fine as it may get. */
function step(section: Section, { now }: Refined): HeatResult<Refined> | null {
  const { nx, ny } = now.field.grid;
  if (4 * nx * ny > MOST_CELLS) return null;
  const next: StepResult = nextStep(section, now);
  return next.ok ? { ok: true, value: { now: next.value, before: now } } : next;
}

const widthOf = ({ bounds }: Step): number => (bounds ? bounds.above - bounds.below : 0);

function judged(
  junction: Junction,
  conditions: HeatConditions,
  o: { L2D: Bounded; unitL2D: Bounded; field: HeatField; before: HeatField | null },
): SideHeat {
  const { L2D, unitL2D, field, before } = o;
  const { wallU, wall_m, cut } = junction;
  const wall = wallU * wall_m;
  const psi = {
    value: L2D.value - wall - unitL2D.value,
    below: L2D.below - wall - unitL2D.above,
    above: L2D.above - wall - unitL2D.below,
  };
  const lowest = coldestOf(junction.surface, field);
  const earlier = before && coldestOf(junction.surface, before);
  const { inside_C, outside_C, humidity_percent } = conditions;
  const coldest: Coldest | null = lowest && {
    ...lowest,
    fRsi: (lowest.temperature_C - outside_C) / (inside_C - outside_C),
    humidity_percent: humidityAt(lowest.temperature_C, inside_C, humidity_percent),
    change_K: earlier ? Math.abs(earlier.temperature_C - lowest.temperature_C) : null,
  };
  return {
    cut,
    psi,
    L2D,
    unitL2D,
    wallU,
    wall_m,
    close: psi.above - psi.below <= 2 * CLOSE_WmK,
    coldest,
    verdict: verdictOfSide(coldest, psi.value, conditions),
    cells: field.grid.nx * field.grid.ny,
  };
}

/** The coldest stretch of the room's side that is not the unit's: a block cannot know the unit's own temperatures. */
function coldestOf({ surfaceThings }: NamedSection, field: HeatField) {
  let lowest: Pick<Coldest, 'temperature_C' | 'thing' | 'at'> | null = null;
  for (const { face, surface_C } of surfaces(field)) {
    const thing = surfaceThings[face.surface] ?? '';
    if (face.environment !== 'room' || thing === UNIT) continue;
    if (!lowest || surface_C < lowest.temperature_C)
      lowest = { temperature_C: surface_C, thing, at: face.at };
  }
  return lowest;
}

function verdictOfSide(coldest: Coldest | null, psi: number, conditions: HeatConditions): Verdict {
  if (!coldest) return 'not-checkable';
  if (coldest.temperature_C < conditions.dew_C || coldest.fRsi < conditions.fRsiLeast) return 'fails';
  return coldest.fRsi < conditions.fRsiLeast + NEAR_FRSI || psi > conditions.psiMost ? 'watch' : 'holds';
}

/** Lengths of the unit's sides that the joints lie along, m. */
export const sideLength = ({ width, height }: Unit, cut: CutId): number =>
  (cut === 'head' || cut === 'sill' ? width.mm : height.mm) / 1000;

/**
 * Returns the figures of an opening from its four sides.
 *
 * Source: ISO 10077-1 and common practice for installed units: U + Σ l·Ψ / A, from memory.
 */
export function heatProof(
  input: Omit<HeatInput, 'build'>,
  solved: readonly { readonly side: SideHeat; readonly leftOut: readonly string[] }[],
): HeatProof {
  const conditions = conditionsOf(input.job.job);
  const values = input.values ?? unitValues(input.unit);
  const sides = solved.map(({ side }) => side);
  const area = values.frame_m2 + values.glass_m2;
  const joints = sides.reduce((sum, side) => sum + side.psi.value * sideLength(input.unit, side.cut), 0);
  const across = conditions.inside_C - conditions.outside_C;
  return {
    conditions,
    values,
    sides,
    uInstalled: values.u + joints / area,
    loss_W: (values.u * area + joints) * across,
    jointLoss_W: joints * across,
    verdict: gravest(sides.map(({ verdict }) => verdict)),
    leftOut: [...new Set(solved.flatMap(({ leftOut }) => leftOut))],
  };
}

/** All four sides of an opening, refined. */
export function proveHeat(input: HeatInput): HeatResult<HeatProof> {
  const solved: { side: SideHeat; leftOut: readonly string[] }[] = [];
  for (const cut of cutIds) {
    const result = proveSide(input, cut);
    if (!result.ok) return result;
    solved.push({ side: result.value.side, leftOut: result.value.junction.leftOut });
  }
  return { ok: true, value: heatProof(input, solved) };
}

/** Everything that the figures of a side hang on: equal content has equal figures, whatever the opening. */
export const sideContent = (junction: Junction, conditions: HeatConditions) =>
  [HEAT_METHOD, junction, conditions] as const;

/** Raised when the same content would give other figures. */
export const HEAT_METHOD = 1;
