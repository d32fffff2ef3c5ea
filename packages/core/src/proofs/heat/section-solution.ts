/** A section solved: flows, coupling with its bounds, surfaces, points; refined until the answer stands still. */
import { couplingFromAbove } from './elements.ts';
import { cornerTemperatures, solveField, surfaces, temperatureAt, type HeatField } from './field.ts';
import { gridOf, refined, type Fineness } from './grid.ts';
import type { Section } from './section-file.ts';
import { couplingFromBelow } from './volumes.ts';

/** A figure with what bounds it from both sides, W/(m K). */
export interface Bounded {
  readonly value: number;
  readonly below: number;
  readonly above: number;
}

export interface SectionSolution {
  /** W per metre of depth, positive into the model, by environment. */
  readonly heatFlow: Readonly<Record<string, number>>;
  /** Thermal coupling between the two temperatures; `null` for more or fewer than two. */
  readonly L2D: Bounded | null;
  /** Lowest surface temperature in each environment, °C, and where, mm. */
  readonly minSurfaceTemperature: Readonly<
    Record<string, { readonly value: number; readonly at: readonly [number, number] }>
  >;
  /** Of the surface to the warmer of two temperatures. */
  readonly fRsi: number | null;
  readonly probes: Readonly<Record<string, number>>;
  readonly cells: number;
  /** Change of the heat flow against the grid before, as a share of it. */
  readonly refinementChange: number;
  /** What goes in less what comes out, as a share of what goes in. */
  readonly balance: number;
}

export type SectionResult =
  | { readonly ok: true; readonly value: SectionSolution }
  | { readonly ok: false; readonly error: { readonly code: 'not-converged' | 'no-surface' } };

export interface SectionOptions {
  /** Stops refining when the next grid would have more cells. */
  readonly mostCells: number;
  /** Stops refining when the coupling is bounded this closely, W/(m K), or the flow changes by less than a thousandth. */
  readonly close_WmK: number;
}

const USUAL: SectionOptions = { mostCells: 80_000, close_WmK: 0.002 };
export const FIRST: Fineness = { edge_mm: 1.5, growth: 1.7, widest_mm: 150 };
const LITTLE = 1e-3;

/** One step of refinement: a field, and its coupling's bounds where there are two temperatures. */
export interface Step {
  readonly field: HeatField;
  readonly bounds: { readonly below: number; readonly above: number } | null;
}

export type StepResult =
  | { readonly ok: true; readonly value: Step }
  | { readonly ok: false; readonly error: { readonly code: 'not-converged' | 'no-surface' } };

/** Solves a section on its first grid, or on a grid twice as fine as that of the step before. */
export function nextStep(section: Section, before?: Step, like?: HeatField): StepResult {
  const grid = before ? refined(section, before.field.grid) : gridOf(section, FIRST);
  const solved = solveField(section, grid, before?.field ?? like);
  if (!solved.ok) return solved;
  const field = solved.value;
  const ends = endsOf(section);
  if (!ends) return { ok: true, value: { field, bounds: null } };
  const above = couplingFromAbove(section, grid);
  if (!above.ok) return { ok: false, error: { code: 'not-converged' } };
  const below = couplingFromBelow(field.system, grid, field.temperature, ends);
  return { ok: true, value: { field, bounds: { below, above: above.value.L2D } } };
}

/** The two temperatures of a section, cold first; `null` where there are more or fewer. */
export function endsOf(section: Section): readonly [cold: number, warm: number] | null {
  const ends = [...new Set(Object.values(section.environments).map((e) => e.temperature))];
  const [a, b] = ends;
  return ends.length === 2 && a !== undefined && b !== undefined ? [Math.min(a, b), Math.max(a, b)] : null;
}

/** Both bounds err with the square of the width: what is left of the error is a third of the last change. */
export function drawnOn(now: Step, before: Step | null): Bounded | null {
  if (!now.bounds) return null;
  const on = (last: number, earlier: number) => last + (last - earlier) / 3;
  const { below, above } = now.bounds;
  const middle = before?.bounds
    ? (on(below, before.bounds.below) + on(above, before.bounds.above)) / 2
    : (below + above) / 2;
  return { below, above, value: Math.min(Math.max(middle, below), above) };
}

const intoOf = ({ flows }: HeatField): number =>
  [...flows.values()].reduce((sum, flow) => sum + Math.max(flow, 0), 0);

/**
 * Returns the solution of a section on ever finer grids, the couplings of the last two drawn on to nothing.
 *
 * Source: ISO 10211, from memory: refinement until the heat flow changes by less than 1 %; here a tenth of that, and the
 * bounds of both methods.
 */
export function solveSection(section: Section, options: Partial<SectionOptions> = {}): SectionResult {
  const { mostCells, close_WmK } = { ...USUAL, ...options };
  let before: Step | null = null;
  for (;;) {
    const result: StepResult = nextStep(section, before ?? undefined);
    if (!result.ok) return result;
    const { field, bounds } = result.value;
    const into = intoOf(field);
    const earlier = before ? intoOf(before.field) : NaN;
    const change = before ? Math.abs(into - earlier) / (into || 1) : Infinity;
    const close = bounds ? bounds.above - bounds.below < close_WmK : change < LITTLE;
    if ((close && before) || 4 * field.grid.nx * field.grid.ny > mostCells) {
      const L2D = drawnOn(result.value, before);
      return { ok: true, value: { ...finished(section, field), L2D, refinementChange: change } };
    }
    before = result.value;
  }
}

function finished(section: Section, field: HeatField): Omit<SectionSolution, 'L2D' | 'refinementChange'> {
  const { grid, flows } = field;
  const lowest: Record<string, { value: number; at: readonly [number, number] }> = {};
  for (const { face, surface_C } of surfaces(field))
    if (surface_C < (lowest[face.environment]?.value ?? Infinity))
      lowest[face.environment] = { value: surface_C, at: face.at };
  const ends = endsOf(section);
  const warm = ends?.[1];
  const inside = Object.entries(lowest).filter(([name]) => section.environments[name]?.temperature === warm);
  const coldest = Math.min(...inside.map(([, { value }]) => value));
  const corners = section.probes.length > 0 ? cornerTemperatures(field) : new Float64Array();
  const into = intoOf(field);
  return {
    heatFlow: Object.fromEntries(flows),
    minSurfaceTemperature: lowest,
    fRsi: ends && inside.length > 0 ? (coldest - ends[0]) / (ends[1] - ends[0]) : null,
    probes: Object.fromEntries(section.probes.map(({ id, at }) => [id, temperatureAt(grid, corners, at)])),
    cells: grid.nx * grid.ny,
    balance: into === 0 ? 0 : [...flows.values()].reduce((sum, flow) => sum + flow, 0) / into,
  };
}
