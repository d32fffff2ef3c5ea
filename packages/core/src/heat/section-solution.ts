/** A section solved: flows, coupling with its bounds, surfaces, points; refined until the answer stands still. */
import { couplingFromAbove } from './elements.ts';
import { gridOf, indexOf, refined, type Fineness, type HeatGrid } from './grid.ts';
import { multigrid } from './multigrid.ts';
import type { Section } from './section-file.ts';
import { heatFlows, solve } from './solve.ts';
import { volumeSystem, type Face, type VolumeSystem } from './volumes.ts';

export interface SectionSolution {
  /** W per metre of depth, positive into the model, by environment. */
  readonly heatFlow: Readonly<Record<string, number>>;
  /** Thermal coupling between the two temperatures, W/(m K), and what bounds it; `null` for more or fewer than two. */
  readonly L2D: { readonly value: number; readonly below: number; readonly above: number } | null;
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

export interface SolveOptions {
  /** Stops refining when the next grid would have more cells. */
  readonly mostCells: number;
  /** Stops refining when the coupling is bounded this closely, W/(m K), or the flow changes by less than a thousandth. */
  readonly close_WmK: number;
}

const USUAL: SolveOptions = { mostCells: 80_000, close_WmK: 0.002 };
const FIRST: Fineness = { edge_mm: 4, growth: 1.3, widest_mm: 100 };
const LITTLE = 1e-3;

/**
 * Returns the solution of a section on ever finer grids, the couplings of the last two drawn on to nothing.
 *
 * Source: ISO 10211, from memory: refinement until the heat flow changes by less than 1 %; here a tenth of that, and the
 * bounds of both methods.
 */
export function solveSection(section: Section, options: Partial<SolveOptions> = {}): SectionResult {
  const { mostCells, close_WmK } = { ...USUAL, ...options };
  let grid = gridOf(section, FIRST);
  let before: { flow: number; below: number; above: number } | null = null;
  for (;;) {
    const system = volumeSystem(section, grid);
    if (system.faces.length === 0) return { ok: false, error: { code: 'no-surface' } };
    const solved = solve(system, multigrid(system));
    if (!solved.ok) return { ok: false, error: { code: 'not-converged' } };
    const { temperature } = solved.value;
    const flows = heatFlows(system, temperature);
    const into = [...flows.values()].reduce((sum, flow) => sum + Math.max(flow, 0), 0);
    const bounds = boundsOf(section, grid, flows);
    const change = before ? Math.abs(into - before.flow) / (into || 1) : Infinity;
    const close = bounds ? bounds.above - bounds.below < close_WmK : change < LITTLE;
    if ((close && before) || 4 * grid.nx * grid.ny > mostCells) {
      const value = finished(section, { grid, system, temperature, flows, into, change });
      return { ok: true, value: { ...value, L2D: bounds && drawnOn(bounds, before) } };
    }
    before = { flow: into, below: bounds?.below ?? 0, above: bounds?.above ?? 0 };
    grid = refined(section, grid);
  }
}

type Bounds = { readonly below: number; readonly above: number };

function boundsOf(section: Section, grid: HeatGrid, flows: ReadonlyMap<string, number>): Bounds | null {
  const above = couplingFromAbove(section, grid);
  if (!above.ok) return null;
  const ends = Object.values(section.environments).map((e) => e.temperature);
  const [cold, warm] = [Math.min(...ends), Math.max(...ends)];
  let below = 0;
  for (const [name, flow] of flows) if (section.environments[name]?.temperature === warm) below += flow;
  return { below: below / (warm - cold), above: above.value.L2D };
}

/** Both methods err with the square of the width: what is left of the error is a third of the last change. */
function drawnOn(now: Bounds, before: Bounds | null): SectionSolution['L2D'] {
  const on = (last: number, earlier: number) => last + (last - earlier) / 3;
  const middle = before
    ? (on(now.below, before.below) + on(now.above, before.above)) / 2
    : (now.below + now.above) / 2;
  return { ...now, value: Math.min(Math.max(middle, now.below), now.above) };
}

interface Field {
  readonly grid: HeatGrid;
  readonly system: VolumeSystem;
  readonly temperature: Float64Array;
  readonly flows: ReadonlyMap<string, number>;
  readonly into: number;
  readonly change: number;
}

/** Temperature of the surface of one face, °C. */
export const surfaceTemperature = (face: Face, cell_C: number): number =>
  face.temperature - ((face.conductance * (face.temperature - cell_C)) / (face.length_mm / 1000)) * face.rs;

function finished(section: Section, field: Field): Omit<SectionSolution, 'L2D'> {
  const { grid, system, temperature, flows, into, change } = field;
  const lowest: Record<string, { value: number; at: readonly [number, number] }> = {};
  for (const face of system.faces) {
    const value = surfaceTemperature(face, temperature[face.cell] ?? 0);
    if (value < (lowest[face.environment]?.value ?? Infinity))
      lowest[face.environment] = { value, at: face.at };
  }
  const ends = [...new Set(Object.values(section.environments).map((e) => e.temperature))].sort(
    (a, b) => a - b,
  );
  const [cold, warm] = ends;
  const inside = Object.entries(lowest).filter(([name]) => section.environments[name]?.temperature === warm);
  const coldest = Math.min(...inside.map(([, { value }]) => value));
  const twoEnds = ends.length === 2 && cold !== undefined && warm !== undefined && inside.length > 0;
  return {
    heatFlow: Object.fromEntries(flows),
    minSurfaceTemperature: lowest,
    fRsi: twoEnds ? (coldest - cold) / (warm - cold) : null,
    probes: Object.fromEntries(section.probes.map(({ id, at }) => [id, temperatureAt(field, at)])),
    cells: grid.nx * grid.ny,
    refinementChange: change,
    balance: into === 0 ? 0 : [...flows.values()].reduce((sum, flow) => sum + flow, 0) / into,
  };
}

/** Temperature at a point, °C: between the corners of its cell, each weighed by what conducts to it. */
export function temperatureAt(
  field: Pick<Field, 'grid' | 'system' | 'temperature'>,
  [px, py]: readonly [number, number],
): number {
  const { x, y } = field.grid;
  const i = Math.min(Math.max(indexOf(x, px), 1), x.length - 1) - 1;
  const j = Math.min(Math.max(indexOf(y, py), 1), y.length - 1) - 1;
  const share = (lines: Float64Array, at: number, p: number) =>
    Math.min(Math.max((p - (lines[at] ?? 0)) / ((lines[at + 1] ?? 1) - (lines[at] ?? 0)), 0), 1);
  const [s, t] = [share(x, i, px), share(y, j, py)];
  const corners = [
    [i, j, (1 - s) * (1 - t)],
    [i + 1, j, s * (1 - t)],
    [i, j + 1, (1 - s) * t],
    [i + 1, j + 1, s * t],
  ] as const;
  return corners.reduce(
    (sum, [a, b, weight]) => (weight === 0 ? sum : sum + weight * cornerAt(field, a, b)),
    0,
  );
}

function cornerAt(
  { grid, system, temperature }: Pick<Field, 'grid' | 'system' | 'temperature'>,
  i: number,
  j: number,
): number {
  const { nx, ny, x, y, lambda } = grid;
  let [sum, whole] = [0, 0];
  const add = (weight: number, value: number) => {
    sum += weight * value;
    whole += weight;
  };
  for (const [a, b] of [
    [i - 1, j - 1],
    [i, j - 1],
    [i - 1, j],
    [i, j],
  ] as const) {
    if (a < 0 || b < 0 || a >= nx || b >= ny) continue;
    const k = b * nx + a;
    const own = lambda[k] ?? 0;
    if (own === 0) continue;
    const [w, h] = [(x[a + 1] ?? 0) - (x[a] ?? 0), (y[b + 1] ?? 0) - (y[b] ?? 0)];
    for (const face of system.faces) {
      if (face.cell !== k) continue;
      const here =
        Math.abs(face.at[0] - (x[i] ?? 0)) <= w / 2 + 1e-9 &&
        Math.abs(face.at[1] - (y[j] ?? 0)) <= h / 2 + 1e-9;
      if (!here) continue;
      if (face.rs === 0) return face.temperature;
      // Half the cell on one side, the film on the other.
      add(1 / face.rs, face.temperature);
      const half = face.at[0] === x[a] || face.at[0] === x[a + 1] ? w / 2 : h / 2;
      add(own / (half / 1000) - own, temperature[k] ?? 0);
    }
    add(own, temperature[k] ?? 0);
  }
  return whole === 0 ? NaN : sum / whole;
}
