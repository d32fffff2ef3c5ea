/** Temperatures of a section on one grid, and what can be read off them. */
import { indexOf, type HeatGrid } from './grid.ts';
import { solveFast } from './kernel.ts';
import type { Section } from './section-file.ts';
import { heatFlows, surfaceTemperature, volumeSystem, type Face, type VolumeSystem } from './volumes.ts';

export interface HeatField {
  readonly grid: HeatGrid;
  readonly system: VolumeSystem;
  /** One for each cell, °C; 0 where nothing is. */
  readonly temperature: Float64Array;
  /** W per metre of depth into the model, by environment. */
  readonly flows: ReadonlyMap<string, number>;
  readonly iterations: number;
}

export type FieldResult =
  | { readonly ok: true; readonly value: HeatField }
  | { readonly ok: false; readonly error: { readonly code: 'not-converged' | 'no-surface' } };

/** Flows in and out agree to far better than a millionth with this. */
const TOLERANCE = 1e-7;

/** @param like a field of nearly the same section, on any grid: its temperatures are where the rounds begin */
export function solveField(section: Section, grid: HeatGrid, like?: HeatField): FieldResult {
  const system = volumeSystem(section, grid);
  if (system.faces.length === 0) return { ok: false, error: { code: 'no-surface' } };
  const start = like && carried(like, grid);
  const solved = solveFast(system, { tolerance: TOLERANCE, start });
  if (!solved.ok) return { ok: false, error: { code: 'not-converged' } };
  const { temperature, iterations } = solved.value;
  return {
    ok: true,
    value: { grid, system, temperature, flows: heatFlows(system, temperature), iterations },
  };
}

/** Temperatures of a field read at the middles of another grid's cells. */
function carried({ grid: old, temperature }: HeatField, { nx, ny, lambda, x, y }: HeatGrid): Float64Array {
  const places = (from: Float64Array, to: Float64Array, most: number) => {
    let at = 0;
    return Int32Array.from({ length: to.length - 1 }, (_, k) => {
      const middle = ((to[k] ?? 0) + (to[k + 1] ?? 0)) / 2;
      while (at < most - 1 && (from[at + 1] ?? 0) < middle) at++;
      return at;
    });
  };
  const [columns, rows] = [places(old.x, x, old.nx), places(old.y, y, old.ny)];
  const start = new Float64Array(nx * ny);
  for (let j = 0; j < ny; j++) {
    const row = (rows[j] ?? 0) * old.nx;
    for (let i = 0; i < nx; i++)
      if (lambda[j * nx + i] !== 0) start[j * nx + i] = temperature[row + (columns[i] ?? 0)] ?? 0;
  }
  return start;
}

/** Faces with the temperature of their surface, °C. */
export const surfaces = ({ system, temperature }: HeatField): { face: Face; surface_C: number }[] =>
  system.faces.map((face) => ({ face, surface_C: surfaceTemperature(face, temperature[face.cell] ?? 0) }));

/** Temperatures on the four sides of every cell: where heat passes from cell to cell, or on the outline. */
interface Sides {
  readonly west: Float64Array;
  readonly east: Float64Array;
  readonly south: Float64Array;
  readonly north: Float64Array;
}

function sidesOf(field: HeatField): Sides {
  const { grid, system, temperature } = field;
  const { nx, ny, lambda, x, y } = grid;
  const sides = {
    west: temperature.slice(),
    east: temperature.slice(),
    south: temperature.slice(),
    north: temperature.slice(),
  };
  for (let j = 0; j < ny; j++) {
    const h = (y[j + 1] ?? 0) - (y[j] ?? 0);
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const [own, t] = [lambda[k] ?? 0, temperature[k] ?? 0];
      const w = (x[i + 1] ?? 0) - (x[i] ?? 0);
      const [east, north] = [system.east[k] ?? 0, system.north[k] ?? 0];
      if (east > 0)
        sides.east[k] = sides.west[k + 1] = t - (east * (t - (temperature[k + 1] ?? 0)) * w) / (2 * own * h);
      if (north > 0)
        sides.north[k] = sides.south[k + nx] =
          t - (north * (t - (temperature[k + nx] ?? 0)) * h) / (2 * own * w);
    }
  }
  for (const { face, surface_C } of surfaces(field)) {
    const [i, j] = [face.cell % nx, Math.floor(face.cell / nx)];
    const side = face.plumb
      ? face.at[0] === x[i]
        ? sides.west
        : sides.east
      : face.at[1] === y[j]
        ? sides.south
        : sides.north;
    side[face.cell] = surface_C;
  }
  return sides;
}

/**
 * Temperatures at the crossings of the grid's lines, (nx + 1) · (ny + 1), °C, `NaN` where nothing is: in every cell
 * that meets there the field is taken as level between its sides, and what conducts better counts more.
 */
export function cornerTemperatures(field: HeatField): Float64Array {
  const { grid, temperature } = field;
  const { nx, ny, lambda } = grid;
  const { west, east, south, north } = sidesOf(field);
  const columns = nx + 1;
  const sum = new Float64Array(columns * (ny + 1));
  const weight = new Float64Array(sum.length);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const own = lambda[k] ?? 0;
      if (own === 0) continue;
      const t = temperature[k] ?? 0;
      const corner = (node: number, value: number) => {
        sum[node] = (sum[node] ?? 0) + own * value;
        weight[node] = (weight[node] ?? 0) + own;
      };
      const [w, e, s, n] = [west[k] ?? 0, east[k] ?? 0, south[k] ?? 0, north[k] ?? 0];
      corner(j * columns + i, w + s - t);
      corner(j * columns + i + 1, e + s - t);
      corner((j + 1) * columns + i, w + n - t);
      corner((j + 1) * columns + i + 1, e + n - t);
    }
  return sum.map((value, node) => (weight[node] ? value / (weight[node] ?? 1) : NaN));
}

/** Temperature at a point between corner temperatures, °C; `NaN` beyond the grid and where nothing is. */
export function temperatureAt(
  { x, y, nx, ny }: Pick<HeatGrid, 'x' | 'y' | 'nx' | 'ny'>,
  corners: Float64Array,
  [px, py]: readonly [number, number],
): number {
  const beyond = px < (x[0] ?? 0) || px > (x[nx] ?? 0) || py < (y[0] ?? 0) || py > (y[ny] ?? 0);
  if (beyond) return NaN;
  const i = Math.min(Math.max(indexOf(x, px), 1), nx) - 1;
  const j = Math.min(Math.max(indexOf(y, py), 1), ny) - 1;
  const share = (lines: Float64Array, at: number, p: number) =>
    Math.min(Math.max((p - (lines[at] ?? 0)) / ((lines[at + 1] ?? 1) - (lines[at] ?? 0)), 0), 1);
  const [s, t] = [share(x, i, px), share(y, j, py)];
  const node = (a: number, b: number, weight: number) =>
    weight === 0 ? 0 : weight * (corners[b * (nx + 1) + a] ?? NaN);
  return (
    node(i, j, (1 - s) * (1 - t)) +
    node(i + 1, j, s * (1 - t)) +
    node(i, j + 1, (1 - s) * t) +
    node(i + 1, j + 1, s * t)
  );
}
