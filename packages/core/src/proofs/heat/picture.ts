/** A field to look at: bands of temperature, isotherms, the dew-point line, and lines along which heat runs. */
import { contours } from 'd3-contour';
import type { HeatConditions } from '../../conditions/room.ts';
import { cornerTemperatures, type HeatField } from './field.ts';
import { streamFunction } from './flux.ts';
import { indexOf, type HeatGrid } from './grid.ts';

/** Millimetres of the section. */
export interface PictureWindow {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

/** A line or region as an SVG path in millimetres of the section. */
export interface Contour {
  readonly C: number;
  readonly path: string;
}

export interface HeatPicture {
  readonly window: PictureWindow;
  /** Regions at least so warm, coldest first: each covers those before it. */
  readonly bands: readonly Contour[];
  /** Everything colder than the first band. */
  readonly coldest_C: number;
  readonly step_C: number;
  readonly dew: Contour | null;
  readonly damp: Contour | null;
  readonly flux: readonly string[];
  /** Lines and corner temperatures to read a value at any point, see `temperatureAt`. */
  readonly read: Pick<HeatGrid, 'x' | 'y' | 'nx' | 'ny'> & { readonly corners: Float64Array };
}

export interface PictureOptions {
  readonly window: PictureWindow;
  readonly conditions: HeatConditions;
  /** Samples along the longer side. */
  readonly samples: number;
}

/** Temperature between two bands, K, and shares of the heat between two lines. */
const STEP_C = 2.5;
const FLUX_LINES = 16;

export function heatPicture(field: HeatField, { window, conditions, samples }: PictureOptions): HeatPicture {
  const { inside_C, outside_C, dew_C, damp_C } = conditions;
  const { grid } = field;
  const corners = cornerTemperatures(field);
  const raster = rasterOf(grid, window, samples);
  const temperatures = sampled(grid, corners, raster);
  const first = Math.ceil(outside_C / STEP_C) * STEP_C;
  const levels = Array.from(
    { length: Math.floor((inside_C - first) / STEP_C) + 1 },
    (_, i) => first + i * STEP_C,
  );
  const region = (C: number): Contour => ({ C, path: contourPath(temperatures, raster, C) });
  const stream = streamFunction(field);
  const streams = sampled(grid, stream, raster);
  const [low, high] = rangeOf(streams);
  const flux = Array.from({ length: FLUX_LINES - 1 }, (_, i) =>
    contourPath(streams, raster, low + ((high - low) * (i + 1)) / FLUX_LINES),
  );
  const shown = (C: number) => (C > outside_C && C < inside_C ? region(C) : null);
  const { x, y, nx, ny } = grid;
  return {
    window,
    bands: levels.map(region).filter(({ path }) => path !== ''),
    coldest_C: outside_C,
    step_C: STEP_C,
    dew: shown(dew_C),
    damp: shown(damp_C),
    flux: flux.filter((path) => path !== ''),
    read: { x, y, nx, ny, corners },
  };
}

interface Raster {
  readonly window: PictureWindow;
  readonly columns: number;
  readonly rows: number;
  readonly cell_mm: number;
}

/** The window in square samples, cut to where the grid is. */
function rasterOf({ x, y, nx, ny }: HeatGrid, window: PictureWindow, samples: number): Raster {
  const cut = (lines: Float64Array, n: number, [a, b]: readonly [number, number]): [number, number] => [
    Math.max(a, lines[0] ?? a),
    Math.min(b, lines[n] ?? b),
  ];
  const own = { x: cut(x, nx, window.x), y: cut(y, ny, window.y) };
  const [width, height] = [own.x[1] - own.x[0], own.y[1] - own.y[0]];
  const cell_mm = Math.max(width, height) / samples;
  return {
    window: own,
    columns: Math.max(2, Math.ceil(width / cell_mm)),
    rows: Math.max(2, Math.ceil(height / cell_mm)),
    cell_mm,
  };
}

/** Figures of the grid's crossings at the middles of all samples; where nothing is, those of what lies nearest. */
function sampled(
  grid: HeatGrid,
  nodes: Float64Array,
  { window, columns, rows, cell_mm }: Raster,
): Float64Array {
  const placed = (lines: Float64Array, n: number, from: number, count: number) =>
    Array.from({ length: count }, (_, k) => {
      const at = from + (k + 0.5) * cell_mm;
      const i = Math.min(Math.max(indexOf(lines, at), 1), n) - 1;
      const [a, b] = [lines[i] ?? 0, lines[i + 1] ?? 1];
      return { i, share: Math.min(Math.max((at - a) / (b - a), 0), 1) };
    });
  const across = placed(grid.x, grid.nx, window.x[0], columns);
  const up = placed(grid.y, grid.ny, window.y[0], rows);
  const values = new Float64Array(columns * rows);
  up.forEach(({ i: j, share: t }, row) =>
    across.forEach(({ i, share: s }, column) => {
      const k = j * (grid.nx + 1) + i;
      const solid = (grid.lambda[j * grid.nx + i] ?? 0) > 0;
      const [a, b] = [nodes[k] ?? NaN, nodes[k + 1] ?? NaN];
      const [c, d] = [nodes[k + grid.nx + 1] ?? NaN, nodes[k + grid.nx + 2] ?? NaN];
      const value = (1 - t) * ((1 - s) * a + s * b) + t * ((1 - s) * c + s * d);
      values[row * columns + column] = solid ? value : NaN;
    }),
  );
  return spread(values, columns);
}

/** Empty samples take what a neighbour has, ring after ring: lines then run on across what nothing fills. */
function spread(values: Float64Array, columns: number): Float64Array {
  let edge: number[] = [];
  values.forEach((value, k) => {
    if (!Number.isNaN(value)) edge.push(k);
  });
  if (edge.length === 0) return values;
  while (edge.length > 0) {
    const next: number[] = [];
    for (const k of edge)
      for (const n of [k - 1, k + 1, k - columns, k + columns]) {
        const aside = Math.abs((n % columns) - (k % columns)) > 1;
        if (n < 0 || n >= values.length || aside || !Number.isNaN(values[n])) continue;
        values[n] = values[k] ?? 0;
        next.push(n);
      }
    edge = next;
  }
  return values;
}

function rangeOf(values: Float64Array): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return [low, high];
}

function contourPath(
  values: Float64Array,
  { window, columns, rows, cell_mm }: Raster,
  level: number,
): string {
  // The library reads arrays only.
  const shape = contours()
    .size([columns, rows])
    .contour(values as unknown as number[], level);
  const place = (at: number, from: number) => (from + at * cell_mm).toFixed(1);
  return shape.coordinates
    .flat()
    .map(
      (ring) =>
        ring
          .map(
            ([px = 0, py = 0], i) =>
              `${i === 0 ? 'M' : 'L'}${place(px, window.x[0])} ${place(py, window.y[0])}`,
          )
          .join('') + 'Z',
    )
    .join('');
}
