/**
 * Steady conduction by bilinear finite elements on the same grid: its energy bounds the coupling of two environments
 * from above, while finite volumes bound it from below.
 */
import type { HeatGrid } from './grid.ts';
import { solveFast, type Balance } from './kernel.ts';
import type { Section } from './section-file.ts';
import { facesOf } from './volumes.ts';

interface Film {
  /** Nodes at both ends of a stretch of the outline. */
  readonly a: number;
  readonly b: number;
  /** Length over resistance, W/(m K); `Infinity` where the temperature is held. */
  readonly conductance: number;
  /** 1 towards the warm environment, 0 towards the cold one. */
  readonly beyond: 0 | 1;
}

const TOLERANCE = 1e-7;

export interface UpperBound {
  /** Thermal coupling of the two environments, W/(m K), never below the exact one. */
  readonly L2D: number;
  readonly iterations: number;
}

export type UpperBoundResult =
  | { readonly ok: true; readonly value: UpperBound }
  | { readonly ok: false; readonly error: { readonly code: 'not-two-temperatures' | 'not-converged' } };

/**
 * Returns the coupling by the energy of a field that is continuous and linear along the edges of every cell, 1 in the
 * warm environment and 0 in the cold one. By Dirichlet's principle no field has less energy than the exact one, so what
 * the solver leaves undone only raises the figure.
 *
 * Source: Dirichlet's principle; bilinear elements, from memory.
 */
export function couplingFromAbove(section: Section, grid: HeatGrid): UpperBoundResult {
  const films = filmsOf(section, grid);
  if (!films) return { ok: false, error: { code: 'not-two-temperatures' } };
  const held = new Map<number, number>();
  for (const { a, b, conductance, beyond } of films)
    if (conductance === Infinity) for (const node of [a, b]) held.set(node, beyond);
  const solved = solveFast(withHeld(stiffness(grid, films), held), { tolerance: TOLERANCE });
  if (!solved.ok) return { ok: false, error: { code: 'not-converged' } };
  const { temperature, iterations } = solved.value;
  return { ok: true, value: { L2D: energyOf(grid, films, temperature), iterations } };
}

/** The balance of all nodes: bilinear stiffness of every cell, and the mass of a line element at every film. */
function stiffness(grid: HeatGrid, films: readonly Film[]): Balance {
  const { nx, ny, x, y, lambda } = grid;
  const columns = nx + 1;
  const n = columns * (ny + 1);
  const array = () => new Float64Array(n);
  const [diagonal, east, north, right] = [array(), array(), array(), array()];
  const [northEast, northWest] = [array(), array()];
  const add = (to: Float64Array, k: number, value: number) => (to[k] = (to[k] ?? 0) + value);
  for (let j = 0; j < ny; j++) {
    const h = (y[j + 1] ?? 0) - (y[j] ?? 0);
    for (let i = 0; i < nx; i++) {
      const own = lambda[j * nx + i] ?? 0;
      if (own === 0) continue;
      const ratio = h / ((x[i + 1] ?? 0) - (x[i] ?? 0));
      const [across, along] = [(own * ratio) / 6, own / ratio / 6];
      const sw = j * columns + i;
      const nw = sw + columns;
      const corner = 2 * (across + along);
      add(diagonal, sw, corner);
      add(diagonal, sw + 1, corner);
      add(diagonal, nw, corner);
      add(diagonal, nw + 1, corner);
      add(east, sw, 2 * across - along);
      add(east, nw, 2 * across - along);
      add(north, sw, 2 * along - across);
      add(north, sw + 1, 2 * along - across);
      add(northEast, sw, across + along);
      add(northWest, sw + 1, across + along);
    }
  }
  for (const { a, b, conductance, beyond } of films) {
    if (conductance === Infinity) continue;
    for (const node of [a, b]) {
      add(diagonal, node, conductance / 3);
      if (beyond === 1) add(right, node, conductance / 2);
    }
    const [first, second] = [Math.min(a, b), Math.max(a, b)];
    add(second - first === 1 ? east : north, first, -conductance / 6);
  }
  for (let k = 0; k < n; k++) if (diagonal[k] === 0) diagonal[k] = 1;
  return { nx: columns, ny: ny + 1, diagonal, east, north, northEast, northWest, right };
}

/** The balance with some nodes held: what they give their neighbours goes to the right side. */
function withHeld(balance: Balance, held: ReadonlyMap<number, number>): Balance {
  const { nx, diagonal, east, north, northEast, northWest, right } = balance;
  const cut = (couplings: Float64Array | undefined, k: number, other: number, value: number) => {
    const coupling = couplings?.[k];
    if (!couplings || coupling === undefined) return;
    couplings[k] = 0;
    const to = k === other ? k : other;
    right[to] = (right[to] ?? 0) + coupling * value;
  };
  for (const [k, value] of held) {
    cut(east, k, k + 1, value);
    cut(north, k, k + nx, value);
    cut(northEast, k, k + nx + 1, value);
    cut(northWest, k, k + nx - 1, value);
    for (const [couplings, step] of [
      [east, 1],
      [north, nx],
      [northEast, nx + 1],
      [northWest, nx - 1],
    ] as const)
      cut(couplings, k - step, k - step, value);
  }
  for (const [k, value] of held) {
    diagonal[k] = 1;
    right[k] = value;
  }
  return balance;
}

/** Twice the energy of the field, films included: the coupling, since the temperatures differ by 1. */
function energyOf({ nx, ny, x, y, lambda }: HeatGrid, films: readonly Film[], u: Float64Array): number {
  let sum = 0;
  for (let j = 0; j < ny; j++) {
    const h = (y[j + 1] ?? 0) - (y[j] ?? 0);
    for (let i = 0; i < nx; i++) {
      const own = lambda[j * nx + i] ?? 0;
      if (own === 0) continue;
      const ratio = h / ((x[i + 1] ?? 0) - (x[i] ?? 0));
      const k = j * (nx + 1) + i;
      const [a, b, c, d] = [u[k] ?? 0, u[k + 1] ?? 0, u[k + nx + 1] ?? 0, u[k + nx + 2] ?? 0];
      const [low, high, left, right] = [b - a, d - c, c - a, d - b];
      sum +=
        (own / 3) *
        (ratio * (low * low + low * high + high * high) +
          (left * left + left * right + right * right) / ratio);
    }
  }
  for (const { a, b, conductance, beyond } of films) {
    if (conductance === Infinity) continue;
    const [da, db] = [(u[a] ?? 0) - beyond, (u[b] ?? 0) - beyond];
    sum += (conductance / 3) * (da * da + da * db + db * db);
  }
  return sum;
}

/** The outline as films between nodes; `null` where there are not just two temperatures. */
function filmsOf(section: Section, grid: HeatGrid): Film[] | null {
  const temperatures = new Set(Object.values(section.environments).map((e) => e.temperature));
  if (temperatures.size !== 2) return null;
  const warmest = Math.max(...temperatures);
  const columns = grid.nx + 1;
  return facesOf(section, grid).map(({ cell, plumb, at, rs, length_mm, temperature }): Film => {
    const [i, j] = [cell % grid.nx, Math.floor(cell / grid.nx)];
    const a = plumb
      ? j * columns + (at[0] === grid.x[i] ? i : i + 1)
      : (at[1] === grid.y[j] ? j : j + 1) * columns + i;
    return {
      a,
      b: plumb ? a + columns : a + 1,
      conductance: rs === 0 ? Infinity : length_mm / 1000 / rs,
      beyond: temperature === warmest ? 1 : 0,
    };
  });
}
