/** Steady conduction by finite volumes: one temperature per cell, conductances in series between cells. */
import { indexOf, type HeatGrid } from './grid.ts';
import type { Section } from './section-file.ts';

/** A stretch of the outline of one cell with what lies beyond it. */
export interface Face {
  readonly cell: number;
  readonly environment: string;
  readonly temperature: number;
  /** From the cell's middle to the environment, W/(m K) per metre of depth. */
  readonly conductance: number;
  readonly length_mm: number;
  readonly rs: number;
  /** Middle of the stretch, mm. */
  readonly at: readonly [number, number];
}

/** A·T = b over the cells of the grid; cells where nothing is have a diagonal of 1 and stay 0. */
export interface VolumeSystem {
  readonly nx: number;
  readonly ny: number;
  /** Conductance to the next cell on the right and above, W/(m K). */
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly diagonal: Float64Array;
  readonly right: Float64Array;
  readonly faces: readonly Face[];
}

interface Beyond {
  readonly from: number;
  readonly to: number;
  readonly environment: string;
  readonly temperature: number;
  readonly rs: number;
}

/** Surfaces by the grid line they lie on. */
function beyond(section: Section, grid: HeatGrid, plumb: boolean): Map<number, Beyond[]> {
  const byLine = new Map<number, Beyond[]>();
  const [across, along] = plumb ? [grid.x, grid.y] : [grid.y, grid.x];
  for (const { environment, from, to, rs } of section.surfaces) {
    if ((from[0] === to[0]) !== plumb) continue;
    const known = section.environments[environment];
    if (!known) continue;
    const [at, a, b] = plumb ? [from[0], from[1], to[1]] : [from[1], from[0], to[0]];
    const line = indexOf(across, at);
    const list = byLine.get(line) ?? [];
    list.push({
      from: indexOf(along, Math.min(a, b)),
      to: indexOf(along, Math.max(a, b)),
      environment,
      temperature: known.temperature,
      rs: rs ?? known.rs,
    });
    byLine.set(line, list);
  }
  return byLine;
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
  const [east, north, diagonal, right] = [
    new Float64Array(n),
    new Float64Array(n),
    new Float64Array(n),
    new Float64Array(n),
  ];
  const faces: Face[] = [];
  const [plumb, level] = [beyond(section, grid, true), beyond(section, grid, false)];
  const width = (i: number) => (x[i + 1] ?? 0) - (x[i] ?? 0);
  const height = (j: number) => (y[j + 1] ?? 0) - (y[j] ?? 0);
  const at = (i: number, j: number) => (i < 0 || j < 0 || i >= nx || j >= ny ? 0 : (lambda[j * nx + i] ?? 0));
  const put = (array: Float64Array, k: number, value: number) => (array[k] = (array[k] ?? 0) + value);

  const toEnvironment = (
    k: number,
    line: number,
    cell: number,
    half_mm: number,
    length_mm: number,
    isPlumb: boolean,
    middle: readonly [number, number],
    own: number,
  ) => {
    const surface = (isPlumb ? plumb : level).get(line)?.find((s) => s.from <= cell && cell < s.to);
    if (!surface) return;
    const { environment, temperature, rs } = surface;
    // Lengths in mm on both sides of the quotient, resistances in m²K/W.
    const conductance = length_mm / 1000 / (half_mm / 1000 / own + rs);
    put(diagonal, k, conductance);
    put(right, k, conductance * temperature);
    faces.push({ cell: k, environment, temperature, conductance, length_mm, rs, at: middle });
  };

  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const own = at(i, j);
      if (own === 0) {
        diagonal[k] = 1;
        continue;
      }
      const [w, h] = [width(i), height(j)];
      const [cx, cy] = [(x[i] ?? 0) + w / 2, (y[j] ?? 0) + h / 2];
      const right_ = at(i + 1, j);
      if (right_ > 0) {
        const g = h / (w / (2 * own) + width(i + 1) / (2 * right_));
        east[k] = g;
        put(diagonal, k, g);
        put(diagonal, k + 1, g);
      } else toEnvironment(k, i + 1, j, w / 2, h, true, [x[i + 1] ?? 0, cy], own);
      if (at(i - 1, j) === 0) toEnvironment(k, i, j, w / 2, h, true, [x[i] ?? 0, cy], own);
      const above = at(i, j + 1);
      if (above > 0) {
        const g = w / (h / (2 * own) + height(j + 1) / (2 * above));
        north[k] = g;
        put(diagonal, k, g);
        put(diagonal, k + nx, g);
      } else toEnvironment(k, j + 1, i, h / 2, w, false, [cx, y[j + 1] ?? 0], own);
      if (at(i, j - 1) === 0) toEnvironment(k, j, i, h / 2, w, false, [cx, y[j] ?? 0], own);
    }
  return { nx, ny, east, north, diagonal, right, faces };
}
