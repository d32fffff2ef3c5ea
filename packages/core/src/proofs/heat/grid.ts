/** The grid a section is solved on: a line through every edge, graded finer towards the edges. */
import type { Section } from './section-file.ts';

export interface HeatGrid {
  /** Lines, mm, ascending; cell (i, j) lies between x[i], x[i + 1] and y[j], y[j + 1]. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Conductivity by cell, row after row (j · nx + i), W/(m K); 0 where nothing is. */
  readonly lambda: Float64Array;
  readonly nx: number;
  readonly ny: number;
}

export interface Fineness {
  /** Widest cell that touches an edge, mm. */
  readonly edge_mm: number;
  /** How much wider a cell may be than its neighbour. */
  readonly growth: number;
  /** Widest cell of all, mm. */
  readonly widest_mm: number;
}

/** Returns the lines between two edges: narrow at both, wider in the middle, no cell wider than allowed. */
export function gradedLines(from: number, to: number, { edge_mm, growth, widest_mm }: Fineness): number[] {
  const length = to - from;
  if (length <= edge_mm) return [];
  const half: number[] = [];
  let [sum, step] = [0, edge_mm];
  while (sum + step / 2 < length / 2) {
    half.push(step);
    sum += step;
    step = Math.min(step * growth, widest_mm);
  }
  // What is left in the middle is spread over all cells, so that both halves stay alike.
  const stretch = length / 2 / sum;
  const lines: number[] = [];
  let at = from;
  for (const width of half) lines.push((at += width * stretch));
  for (const width of half.toReversed().slice(0, -1)) lines.push((at += width * stretch));
  return lines;
}

const distinct = (figures: readonly number[]): number[] =>
  [...figures].sort((a, b) => a - b).filter((x, i, all) => i === 0 || x - (all[i - 1] ?? 0) > SAME_mm);

function linesThrough(edges: readonly number[], fineness: Fineness): Float64Array {
  const lines = edges.flatMap((edge, i) => {
    const next = edges[i + 1];
    return next === undefined ? [edge] : [edge, ...gradedLines(edge, next, fineness)];
  });
  return Float64Array.from(lines);
}

/** @throws Error never: a section that passed its schema has at least one box */
export function gridOf(section: Section, fineness: Fineness): HeatGrid {
  const ends = section.surfaces.flatMap(({ from, to }) => [from, to]);
  const x = linesThrough(
    distinct([...section.boxes.flatMap((b) => b.x), ...ends.map((p) => p[0])]),
    fineness,
  );
  const y = linesThrough(
    distinct([...section.boxes.flatMap((b) => b.y), ...ends.map((p) => p[1])]),
    fineness,
  );
  return { x, y, ...painted(section, x, y) };
}

/** Every line of a grid with one more in the middle of each cell. */
export const halved = (lines: Float64Array): Float64Array =>
  Float64Array.from({ length: 2 * lines.length - 1 }, (_, i) =>
    i % 2 === 0 ? (lines[i / 2] ?? 0) : ((lines[(i - 1) / 2] ?? 0) + (lines[(i + 1) / 2] ?? 0)) / 2,
  );

export function refined(section: Section, { x, y }: HeatGrid): HeatGrid {
  const [finer, higher] = [halved(x), halved(y)];
  return { x: finer, y: higher, ...painted(section, finer, higher) };
}

function painted(section: Section, x: Float64Array, y: Float64Array): Omit<HeatGrid, 'x' | 'y'> {
  const [nx, ny] = [x.length - 1, y.length - 1];
  const lambda = new Float64Array(nx * ny);
  for (const { material, x: bx, y: by } of section.boxes) {
    const value = section.materials[material]?.lambda ?? 0;
    const [i0, i1] = [indexOf(x, bx[0]), indexOf(x, bx[1])];
    const [j0, j1] = [indexOf(y, by[0]), indexOf(y, by[1])];
    for (let j = j0; j < j1; j++) lambda.fill(value, j * nx + i0, j * nx + i1);
  }
  return { lambda, nx, ny };
}

/** First line at or beyond a figure. */
export function indexOf(lines: Float64Array, figure: number): number {
  let [low, high] = [0, lines.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((lines[middle] ?? 0) < figure - SAME_mm) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Two lines closer than this are one. */
const SAME_mm = 1e-6;
