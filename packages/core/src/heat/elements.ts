/**
 * Steady conduction by bilinear finite elements on the same grid: its energy bounds the coupling of two environments
 * from above, while finite volumes bound it from below.
 */
import { indexOf, type HeatGrid } from './grid.ts';
import type { Section } from './section-file.ts';

interface Film {
  /** Nodes at both ends of a stretch of the outline. */
  readonly a: number;
  readonly b: number;
  /** Length over resistance, W/(m K); `Infinity` where the temperature is held. */
  readonly conductance: number;
  readonly warm: boolean;
}

const TOLERANCE = 1e-11;
const MOST_ITERATIONS = 20_000;

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
  const temperatures = [...new Set(Object.values(section.environments).map((e) => e.temperature))].sort(
    (a, b) => a - b,
  );
  const warm = temperatures[1];
  if (temperatures.length !== 2 || warm === undefined)
    return { ok: false, error: { code: 'not-two-temperatures' } };
  const films = filmsOf(section, grid, warm);
  const n = (grid.nx + 1) * (grid.ny + 1);
  const held = new Float64Array(n).fill(NaN);
  for (const { a, b, conductance, warm: isWarm } of films)
    if (conductance === Infinity) held[a] = held[b] = isWarm ? 1 : 0;
  const u = new Float64Array(n);
  for (let k = 0; k < n; k++) if (!Number.isNaN(held[k])) u[k] = held[k] ?? 0;

  const apply = (v: Float64Array, out: Float64Array) => {
    out.fill(0);
    cellsTimes(grid, v, out);
    for (const { a, b, conductance } of films)
      if (conductance !== Infinity) filmTimes(a, b, conductance, v, out);
  };
  const free = (k: number, d: Float64Array) => Number.isNaN(held[k]) && (d[k] ?? 0) > 0;
  const diagonal = diagonalOf(grid, films, n);
  const [r, z, p, ap] = [new Float64Array(n), new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  apply(u, ap);
  for (let k = 0; k < n; k++) r[k] = -(ap[k] ?? 0);
  for (const { a, b, conductance, warm: isWarm } of films)
    if (conductance !== Infinity && isWarm)
      for (const node of [a, b]) r[node] = (r[node] ?? 0) + conductance / 2;
  for (let k = 0; k < n; k++) if (!free(k, diagonal)) r[k] = 0;
  const first = Math.sqrt(r.reduce((sum, x) => sum + x * x, 0)) || 1;
  let rho = 0;
  let iterations = 0;
  for (; ; iterations++) {
    if (Math.sqrt(r.reduce((sum, x) => sum + x * x, 0)) / first < TOLERANCE) break;
    if (iterations === MOST_ITERATIONS) return { ok: false, error: { code: 'not-converged' } };
    for (let k = 0; k < n; k++) z[k] = free(k, diagonal) ? (r[k] ?? 0) / (diagonal[k] ?? 1) : 0;
    const next = z.reduce((sum, x, k) => sum + x * (r[k] ?? 0), 0);
    const beta = iterations === 0 ? 0 : next / rho;
    rho = next;
    for (let k = 0; k < n; k++) p[k] = (z[k] ?? 0) + beta * (p[k] ?? 0);
    apply(p, ap);
    const alpha = rho / p.reduce((sum, x, k) => sum + x * (ap[k] ?? 0), 0);
    for (let k = 0; k < n; k++) {
      u[k] = (u[k] ?? 0) + alpha * (p[k] ?? 0);
      r[k] = free(k, diagonal) ? (r[k] ?? 0) - alpha * (ap[k] ?? 0) : 0;
    }
  }
  return { ok: true, value: { L2D: energyOf(grid, films, u), iterations } };
}

/** Every cell's share of A·v: λ times the bilinear stiffness of a rectangle. */
function cellsTimes({ nx, ny, x, y, lambda }: HeatGrid, v: Float64Array, out: Float64Array): void {
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const own = lambda[j * nx + i] ?? 0;
      if (own === 0) continue;
      const ratio = ((y[j + 1] ?? 0) - (y[j] ?? 0)) / ((x[i + 1] ?? 0) - (x[i] ?? 0));
      const [across, along] = [(own * ratio) / 6, own / ratio / 6];
      const sw = j * (nx + 1) + i;
      const [se, nw] = [sw + 1, sw + nx + 1];
      const ne = nw + 1;
      const [a, b, c, d] = [v[sw] ?? 0, v[se] ?? 0, v[nw] ?? 0, v[ne] ?? 0];
      out[sw] = (out[sw] ?? 0) + across * (2 * (a - b) + c - d) + along * (2 * (a - c) + b - d);
      out[se] = (out[se] ?? 0) + across * (2 * (b - a) + d - c) + along * (2 * (b - d) + a - c);
      out[nw] = (out[nw] ?? 0) + across * (2 * (c - d) + a - b) + along * (2 * (c - a) + d - b);
      out[ne] = (out[ne] ?? 0) + across * (2 * (d - c) + b - a) + along * (2 * (d - b) + c - a);
    }
}

/** A film's share: its conductance times the mass of a line element. */
function filmTimes(a: number, b: number, conductance: number, v: Float64Array, out: Float64Array): void {
  const [va, vb] = [v[a] ?? 0, v[b] ?? 0];
  out[a] = (out[a] ?? 0) + (conductance / 6) * (2 * va + vb);
  out[b] = (out[b] ?? 0) + (conductance / 6) * (va + 2 * vb);
}

function diagonalOf(grid: HeatGrid, films: readonly Film[], n: number): Float64Array {
  const { nx, ny, x, y, lambda } = grid;
  const diagonal = new Float64Array(n);
  const put = (k: number, value: number) => (diagonal[k] = (diagonal[k] ?? 0) + value);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const own = lambda[j * nx + i] ?? 0;
      if (own === 0) continue;
      const ratio = ((y[j + 1] ?? 0) - (y[j] ?? 0)) / ((x[i + 1] ?? 0) - (x[i] ?? 0));
      const sw = j * (nx + 1) + i;
      for (const k of [sw, sw + 1, sw + nx + 1, sw + nx + 2]) put(k, (own * (ratio + 1 / ratio)) / 3);
    }
  for (const { a, b, conductance } of films)
    if (conductance !== Infinity) for (const k of [a, b]) put(k, conductance / 3);
  return diagonal;
}

/** Twice the energy of the field, films included: the coupling, since the temperatures differ by 1. */
function energyOf(grid: HeatGrid, films: readonly Film[], u: Float64Array): number {
  const au = new Float64Array(u.length);
  cellsTimes(grid, u, au);
  const inside = u.reduce((sum, x, k) => sum + x * (au[k] ?? 0), 0);
  const through = films.map(({ a, b, conductance, warm }) => {
    if (conductance === Infinity) return 0;
    const [da, db] = [(u[a] ?? 0) - (warm ? 1 : 0), (u[b] ?? 0) - (warm ? 1 : 0)];
    return (conductance / 3) * (da * da + da * db + db * db);
  });
  return inside + through.reduce((sum, x) => sum + x, 0);
}

/** Stretches of the outline between two nodes, with what lies beyond them. */
function filmsOf(section: Section, { nx, ny, x, y, lambda }: HeatGrid, warmest: number): Film[] {
  const node = (i: number, j: number) => j * (nx + 1) + i;
  const there = (i: number, j: number) =>
    i >= 0 && j >= 0 && i < nx && j < ny && (lambda[j * nx + i] ?? 0) > 0;
  return section.surfaces.flatMap(({ environment, from, to, rs }): Film[] => {
    const known = section.environments[environment];
    if (!known) return [];
    const plumb = from[0] === to[0];
    const along = plumb ? y : x;
    const line = plumb ? indexOf(x, from[0]) : indexOf(y, from[1]);
    const ends = plumb ? [from[1], to[1]] : [from[0], to[0]];
    const [first, last] = [indexOf(along, Math.min(...ends)), indexOf(along, Math.max(...ends))];
    const resistance = rs ?? known.rs;
    const films: Film[] = [];
    for (let k = first; k < last; k++) {
      const sides = plumb ? [there(line - 1, k), there(line, k)] : [there(k, line - 1), there(k, line)];
      // Inside the model or outside of it there is no surface.
      if (sides[0] === sides[1]) continue;
      const length_mm = (along[k + 1] ?? 0) - (along[k] ?? 0);
      films.push({
        a: plumb ? node(line, k) : node(k, line),
        b: plumb ? node(line, k + 1) : node(k + 1, line),
        conductance: resistance === 0 ? Infinity : length_mm / 1000 / resistance,
        warm: known.temperature === warmest,
      });
    }
    return films;
  });
}
