/** Heat: the solver against others on the same matrices, and frames while a window is dragged. */
import { buildOpening, exampleJob, heatInput, junctionFor, openingsOf, type HeatField } from '@hulvek/core';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { solveField, surfaces } from '../../../packages/core/src/proofs/heat/field.ts';
import { gridOf, type Fineness } from '../../../packages/core/src/proofs/heat/grid.ts';
import { solveFast } from '../../../packages/core/src/proofs/heat/kernel.ts';
import { multigrid } from '../../../packages/core/src/proofs/heat/multigrid.ts';
import { solve } from '../../../packages/core/src/proofs/heat/solve.ts';
import { volumeSystem, type VolumeSystem } from '../../../packages/core/src/proofs/heat/volumes.ts';

const TOLERANCE = 1e-7;
const SIZES = [5_000, 20_000, 80_000, 320_000];
/** Larger ones are not given to the reference in TypeScript. */
const MOST_FOR_REFERENCE = 25_000;

type Say = (line: string) => void;
type Percentile = (list: readonly number[], share: number) => number;

const inputAt = (preset: 'rigid-pan-heavy' | 'masonry-cavity', setback?: number) => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error(`${preset} has no opening`);
  const numbers =
    setback === undefined
      ? opening.numbers
      : { ...opening.numbers, setback: { typed: String(setback), mm: setback } };
  const build = buildOpening({ ...opening, numbers }, file);
  if (!build) throw new Error(`${preset} is not built`);
  return heatInput(build, file);
};

/** How fine a grid must be for so many cells: halved and doubled until it is near. */
function finenessFor(cells: number, cellsAt: (fineness: Fineness) => number): Fineness {
  const at = (edge_mm: number): Fineness => ({ edge_mm, growth: 1.25, widest_mm: 30 * edge_mm });
  let [low, high] = [0.02, 40];
  for (let k = 0; k < 24; k++) {
    const middle = Math.sqrt(low * high);
    if (cellsAt(at(middle)) > cells) low = middle;
    else high = middle;
  }
  return at(Math.sqrt(low * high));
}

/** The whole matrix by columns, its right side and our answer, as the peers read it. */
function written(system: VolumeSystem, answer: Float64Array): Buffer {
  const { nx, ny, diagonal, east, north, right } = system;
  const n = nx * ny;
  const [pointers, rows, values] = [new Int32Array(n + 1), [] as number[], [] as number[]];
  for (let k = 0; k < n; k++) {
    const put = (row: number, value: number) => {
      if (value === 0) return;
      rows.push(row);
      values.push(value);
    };
    if (k >= nx) put(k - nx, -(north[k - nx] ?? 0));
    if (k > 0) put(k - 1, -(east[k - 1] ?? 0));
    put(k, diagonal[k] ?? 0);
    if (k + 1 < n) put(k + 1, -(east[k] ?? 0));
    if (k + nx < n) put(k + nx, -(north[k] ?? 0));
    pointers[k + 1] = rows.length;
  }
  const bytes = (list: ArrayBufferView) => Buffer.from(list.buffer, list.byteOffset, list.byteLength);
  const head = 8 + 4 * (n + 1) + 4 * rows.length;
  return Buffer.concat([
    bytes(Int32Array.of(n, rows.length)),
    bytes(pointers),
    bytes(Int32Array.from(rows)),
    Buffer.alloc((8 - (head % 8)) % 8),
    bytes(Float64Array.from(values)),
    bytes(right),
    bytes(answer),
  ]);
}

interface Peer {
  readonly ms: number;
  readonly difference: number;
}

/** `null` where the peer is not on this machine: nothing is installed for it. */
function asked(command: string, args: readonly string[]): Peer | null {
  try {
    return JSON.parse(
      execFileSync(command, args, { stdio: ['ignore', 'pipe', 'ignore'] }).toString(),
    ) as Peer;
  } catch {
    return null;
  }
}

function cholmodIn(folder: string): string | null {
  const program = join(folder, 'cholmod');
  const source = join(import.meta.dirname, 'peers/cholmod_solve.c');
  try {
    execFileSync('cc', ['-O2', '-o', program, source, '-lcholmod', '-lm'], { stdio: 'ignore' });
    return program;
  } catch {
    return null;
  }
}

const against = (name: string, peer: Peer | null, ms: number): string =>
  peer
    ? `${name} ${peer.ms.toFixed(1)} ms, ratio ${(peer.ms / ms).toFixed(1)} (answers differ by ${peer.difference.toExponential(0)} K)`
    : `${name} not measured`;

function benchSolver(say: Say, percentile: Percentile): void {
  const folder = mkdtempSync(join(tmpdir(), 'hulvek-heat-'));
  const cholmod = cholmodIn(folder);
  const { section } = junctionFor(inputAt('rigid-pan-heavy'), 'sill').flow;
  const cellsAt = (fineness: Fineness) => {
    const { nx, ny } = gridOf(section, fineness);
    return nx * ny;
  };
  say(
    'heat           sill with a metal pan, cold, until 1e-7 of the energy norm; analysis and factors of the others included',
  );
  for (const size of SIZES) {
    const system = volumeSystem(section, gridOf(section, finenessFor(size, cellsAt)));
    const rounds = size > 100_000 ? 5 : 25;
    const times: number[] = [];
    let iterations = 0;
    let answer: Float64Array = new Float64Array();
    const once = () => {
      const started = performance.now();
      const solved = solveFast(system, { tolerance: TOLERANCE });
      times.push(performance.now() - started);
      if (!solved.ok) throw new Error(solved.error.code);
      ({ iterations, temperature: answer } = solved.value);
    };
    for (let k = 0; k < rounds; k++) once();
    const file = join(folder, 'matrix');
    writeFileSync(file, written(system, answer));
    const few = String(size > 100_000 ? 1 : 5);
    const scipy = asked('/usr/bin/python3', [join(import.meta.dirname, 'peers/scipy_solve.py'), file, few]);
    const direct = cholmod ? asked(cholmod, [file, few]) : null;
    // Before and after the others, so that a slow minute hits all of them.
    for (let k = 0; k < rounds; k++) once();
    const ms = percentile(times, 0.5);
    const cells = system.nx * system.ny;
    say(
      `               ${cells} cells: ${ms.toFixed(1)} ms, ${iterations} rounds, least ${Math.min(...times).toFixed(1)} ms`,
    );
    say(`                 ${against('SciPy', scipy, ms)}`);
    say(`                 ${against('CHOLMOD', direct, ms)}`);
    if (cells > MOST_FOR_REFERENCE) continue;
    const started = performance.now();
    solve(system, multigrid(system));
    const reference = performance.now() - started;
    say(
      `                 reference in TypeScript ${reference.toFixed(0)} ms, ratio ${(reference / ms).toFixed(1)}`,
    );
  }
  rmSync(folder, { recursive: true });
}

/** Frames of a drag through the wall at 20 000 cells: cut, grid, balance, solution, surfaces. */
function benchDrag(say: Say, percentile: Percentile): void {
  const FRAMES = 80;
  const FIRST_mm = 150;
  const inputs = Array.from({ length: FRAMES }, (_, i) => inputAt('masonry-cavity', FIRST_mm + i * 1.5));
  const sections = inputs.map((input) => () => junctionFor(input, 'sill').flow.section);
  const [first] = sections;
  if (!first) return;
  const fineness = finenessFor(20_000, (f) => {
    const { nx, ny } = gridOf(first(), f);
    return nx * ny;
  });
  const frames: { ms: number; changed: boolean }[] = [];
  let [like, cells, lines] = [undefined as HeatField | undefined, 0, ''];
  for (let pass = 0; pass < 2; pass++)
    for (const section of pass === 0 ? sections : sections.toReversed()) {
      const started = performance.now();
      const own = section();
      const solved = solveField(own, gridOf(own, fineness), like);
      if (!solved.ok) throw new Error(solved.error.code);
      surfaces(solved.value);
      const ms = performance.now() - started;
      like = solved.value;
      const now = `${like.grid.nx} ${like.grid.ny}`;
      frames.push({ ms, changed: now !== lines });
      [lines, cells] = [now, Math.max(cells, like.grid.nx * like.grid.ny)];
    }
  // The first frames warm the machine.
  const counted = frames.slice(20);
  const times = counted.map(({ ms }) => ms);
  say(
    `heat, dragged  ${counted.length} frames of up to ${cells} cells, ${counted.filter((f) => f.changed).length} with other lines: median ${percentile(times, 0.5).toFixed(1)} ms, p95 ${percentile(times, 0.95).toFixed(1)} ms (goal 20)`,
  );
}

export function benchHeat(say: Say, percentile: Percentile): void {
  benchSolver(say, percentile);
  benchDrag(say, percentile);
}
