/** Where heat runs: lines between which equal shares of it flow. */
import type { HeatField } from './field.ts';

/**
 * Returns the flow that passes on one side of each crossing of the grid's lines, W/m, `NaN` where nothing is: lines of
 * equal figures are lines along which heat runs. Every edge of a solid cell passes a known flow, and what flows in flows
 * out, so the sum along edges does not hang on the way.
 */
export function streamFunction({ grid, system, temperature }: HeatField): Float64Array {
  const { nx, ny, lambda, x, y } = grid;
  const columns = nx + 1;
  const across = new Float64Array(columns * ny).fill(NaN);
  const along = new Float64Array(nx * (ny + 1)).fill(NaN);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      if ((lambda[k] ?? 0) === 0) continue;
      const t = temperature[k] ?? 0;
      const set = (to: Float64Array, at: number, value: number) => {
        if (Number.isNaN(to[at])) to[at] = value;
      };
      // An outline without a surface lets nothing through; surfaces follow.
      set(across, j * columns + i, 0);
      set(along, j * nx + i, 0);
      set(along, (j + 1) * nx + i, 0);
      const [east, north] = [system.east[k] ?? 0, system.north[k] ?? 0];
      if (east > 0) across[j * columns + i + 1] = east * (t - (temperature[k + 1] ?? 0));
      else set(across, j * columns + i + 1, 0);
      if (north > 0) along[(j + 1) * nx + i] = north * (t - (temperature[k + nx] ?? 0));
    }
  for (const { cell, conductance, temperature: beyond, plumb, at } of system.faces) {
    const q = conductance * (beyond - (temperature[cell] ?? 0));
    const [i, j] = [cell % nx, Math.floor(cell / nx)];
    if (plumb) {
      const low = at[0] === x[i];
      across[j * columns + (low ? i : i + 1)] = low ? q : -q;
    } else {
      const low = at[1] === y[j];
      along[(low ? j : j + 1) * nx + i] = low ? q : -q;
    }
  }
  const stream = new Float64Array(columns * (ny + 1)).fill(NaN);
  const first = across.findIndex((q) => !Number.isNaN(q));
  if (first < 0) return stream;
  stream[first] = 0;
  const open = [first];
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    const [i, j] = [node % columns, Math.floor(node / columns)];
    const own = stream[node] ?? 0;
    const reach = (to: number, flow: number | undefined) => {
      if (flow === undefined || Number.isNaN(flow) || !Number.isNaN(stream[to])) return;
      stream[to] = own + flow;
      open.push(to);
    };
    if (j < ny) reach(node + columns, across[j * columns + i]);
    if (j > 0) reach(node - columns, -(across[(j - 1) * columns + i] ?? NaN));
    if (i < nx) reach(node + 1, -(along[j * nx + i] ?? NaN));
    if (i > 0) reach(node - 1, along[j * nx + i - 1]);
  }
  return stream;
}
