/** Steady conduction by finite volumes: one temperature per cell, conductances in series between cells. */
import { indexOf, type HeatGrid } from './grid.ts';
import type { Balance } from './kernel.ts';
import type { Section } from './section-file.ts';

/** A stretch of the outline of one cell with what lies beyond it. */
export interface Face {
  readonly cell: number;
  /** Which of the section's surfaces it is part of. */
  readonly surface: number;
  readonly environment: string;
  readonly temperature: number;
  /** From the cell's middle to the environment, W/(m K) per metre of depth. */
  readonly conductance: number;
  readonly length_mm: number;
  readonly rs: number;
  readonly plumb: boolean;
  /** Middle of the stretch, mm. */
  readonly at: readonly [number, number];
}

/** A·T = b over the cells of the grid; cells where nothing is have a diagonal of 1 and stay 0. */
export interface VolumeSystem extends Balance {
  readonly faces: readonly Face[];
}

/**
 * Returns the balance of heat for every cell of a grid.
 *
 * Between two cells the halves of both lie in series; at a surface half a cell and the surface resistance. The outline
 * without a surface lets nothing through. Source: finite volumes with harmonic means, Patankar 1980, from memory.
 */
export function volumeSystem(section: Section, grid: HeatGrid): VolumeSystem {
  const { nx, ny, lambda, x, y } = grid;
  const n = nx * ny;
  const [east, north, diagonal] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  const right = new Float64Array(n);
  for (let j = 0; j < ny; j++) {
    const h = (y[j + 1] ?? 0) - (y[j] ?? 0);
    const above_mm = (y[j + 2] ?? 0) - (y[j + 1] ?? 0);
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const own = lambda[k] ?? 0;
      if (own === 0) {
        diagonal[k] = 1;
        continue;
      }
      const w = (x[i + 1] ?? 0) - (x[i] ?? 0);
      const beside = i + 1 < nx ? (lambda[k + 1] ?? 0) : 0;
      if (beside > 0) {
        const g = (2 * h) / (w / own + ((x[i + 2] ?? 0) - (x[i + 1] ?? 0)) / beside);
        east[k] = g;
        diagonal[k] = (diagonal[k] ?? 0) + g;
        diagonal[k + 1] = (diagonal[k + 1] ?? 0) + g;
      }
      const above = j + 1 < ny ? (lambda[k + nx] ?? 0) : 0;
      if (above > 0) {
        const g = (2 * w) / (h / own + above_mm / above);
        north[k] = g;
        diagonal[k] = (diagonal[k] ?? 0) + g;
        diagonal[k + nx] = (diagonal[k + nx] ?? 0) + g;
      }
    }
  }
  const faces = facesOf(section, grid);
  for (const { cell, conductance, temperature } of faces) {
    diagonal[cell] = (diagonal[cell] ?? 0) + conductance;
    right[cell] = (right[cell] ?? 0) + conductance * temperature;
  }
  return { nx, ny, east, north, diagonal, right, faces };
}

/** Stretches of the outline that a surface lies on; where two surfaces lie on each other the first counts. */
export function facesOf(section: Section, { nx, ny, lambda, x, y }: HeatGrid): Face[] {
  const faces: Face[] = [];
  const taken = new Set<number>();
  const at = (i: number, j: number) => (i < 0 || j < 0 || i >= nx || j >= ny ? 0 : (lambda[j * nx + i] ?? 0));
  section.surfaces.forEach(({ environment, from, to, rs: own }, surface) => {
    const known = section.environments[environment];
    if (!known) return;
    const plumb = from[0] === to[0];
    const [across, along] = plumb ? [x, y] : [y, x];
    const [line, a, b] = plumb ? [from[0], from[1], to[1]] : [from[1], from[0], to[0]];
    const m = indexOf(across, line);
    const last = indexOf(along, Math.max(a, b));
    for (let t = indexOf(along, Math.min(a, b)); t < last; t++) {
      const [before, after] = plumb ? [at(m - 1, t), at(m, t)] : [at(t, m - 1), at(t, m)];
      // Inside the model or outside of it there is no surface.
      if (before > 0 === after > 0) continue;
      const id = 2 * (plumb ? t * (nx + 1) + m : m * (nx + 1) + t) + (plumb ? 1 : 0);
      if (taken.has(id)) continue;
      taken.add(id);
      const cell = before > 0 ? m - 1 : m;
      const half_mm = Math.abs((across[cell + 1] ?? 0) - (across[cell] ?? 0)) / 2;
      const length_mm = (along[t + 1] ?? 0) - (along[t] ?? 0);
      const rs = own ?? known.rs;
      const middle = (along[t] ?? 0) + length_mm / 2;
      faces.push({
        cell: plumb ? t * nx + cell : cell * nx + t,
        surface,
        environment,
        temperature: known.temperature,
        // Lengths in mm on both sides of the quotient, resistances in m²K/W.
        conductance: length_mm / 1000 / (half_mm / 1000 / Math.max(before, after) + rs),
        length_mm,
        rs,
        plumb,
        at: plumb ? [across[m] ?? line, middle] : [middle, across[m] ?? line],
      });
    }
  });
  return faces;
}

/** Heat into the model from each environment, W per metre of depth. */
export function heatFlows({ faces }: VolumeSystem, temperature: Float64Array): Map<string, number> {
  const flows = new Map<string, number>();
  for (const { cell, environment, temperature: beyond, conductance } of faces)
    flows.set(environment, (flows.get(environment) ?? 0) + conductance * (beyond - (temperature[cell] ?? 0)));
  return flows;
}

/** Temperature of the surface of one face, °C. */
export const surfaceTemperature = (face: Face, cell_C: number): number =>
  face.temperature - ((face.conductance * (face.temperature - cell_C)) / (face.length_mm / 1000)) * face.rs;

/**
 * Returns a bound from below on the coupling of two temperatures, W/(m K): the square of the flow over what the flow
 * loses on its way when it is linear between the faces of every cell. No flow loses less than the true one. Heat that
 * the solver has not placed yet is taken off in full.
 *
 * Source: Thomson's principle, from memory.
 */
export function couplingFromBelow(
  { faces, east, north, diagonal, right }: VolumeSystem,
  { nx, ny, lambda, x, y }: HeatGrid,
  temperature: Float64Array,
  [cold, warm]: readonly [number, number],
): number {
  const n = nx * ny;
  const [west, south, eastward, northward] = [
    new Float64Array(n),
    new Float64Array(n),
    new Float64Array(n),
    new Float64Array(n),
  ];
  let [unplaced, lost, flow] = [0, 0, 0];
  for (let k = 0; k < n; k++) {
    const own = temperature[k] ?? 0;
    const [e, u] = [east[k] ?? 0, north[k] ?? 0];
    if (e > 0) west[k + 1] = eastward[k] = e * (own - (temperature[k + 1] ?? 0));
    if (u > 0) south[k + nx] = northward[k] = u * (own - (temperature[k + nx] ?? 0));
    let residual = (right[k] ?? 0) - (diagonal[k] ?? 0) * own + e * (temperature[k + 1] ?? 0);
    if (u > 0) residual += u * (temperature[k + nx] ?? 0);
    if (k > 0) residual += (east[k - 1] ?? 0) * (temperature[k - 1] ?? 0);
    if (k >= nx) residual += (north[k - nx] ?? 0) * (temperature[k - nx] ?? 0);
    unplaced += Math.abs(residual);
  }
  for (const { cell, conductance, temperature: beyond, rs, length_mm, plumb, at } of faces) {
    const q = conductance * (beyond - (temperature[cell] ?? 0));
    lost += (rs * q * q) / (length_mm / 1000);
    if (beyond === warm) flow += q;
    const [i, j] = [cell % nx, Math.floor(cell / nx)];
    if (plumb) {
      if (at[0] === x[i]) west[cell] = q;
      else eastward[cell] = -q;
    } else if (at[1] === y[j]) south[cell] = q;
    else northward[cell] = -q;
  }
  for (let j = 0; j < ny; j++) {
    const h = (y[j + 1] ?? 0) - (y[j] ?? 0);
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const own = lambda[k] ?? 0;
      if (own === 0) continue;
      const ratio = ((x[i + 1] ?? 0) - (x[i] ?? 0)) / h;
      const [a, b, c, d] = [west[k] ?? 0, eastward[k] ?? 0, south[k] ?? 0, northward[k] ?? 0];
      lost += (ratio * (a * a + a * b + b * b) + (c * c + c * d + d * d) / ratio) / (3 * own);
    }
  }
  return lost === 0 ? 0 : (flow * flow) / lost - (2 * unplaced) / (warm - cold);
}
