/** The compiled solver: the method of `multigrid.ts` and `solve.ts`, quicker by an order of magnitude. */
import { KERNEL } from './kernel-code.ts';

/** A balance of heat over the nodes of a rectangular grid, row after row; couplings are what a node gives its neighbour. */
export interface Balance {
  readonly nx: number;
  readonly ny: number;
  readonly diagonal: Float64Array;
  /** To the node on the right, above, and, for elements, above on the right and above on the left. */
  readonly east: Float64Array;
  readonly north: Float64Array;
  readonly northEast?: Float64Array;
  readonly northWest?: Float64Array;
  readonly right: Float64Array;
}

export interface Solved {
  readonly temperature: Float64Array;
  readonly iterations: number;
  /** What is missing: its energy norm over that of the answer; for the reference, residual over right side. */
  readonly residual: number;
}

export type SolveResult =
  | { readonly ok: true; readonly value: Solved }
  | { readonly ok: false; readonly error: { readonly code: 'not-converged'; readonly residual: number } };

export interface SolveOptions {
  /** When to stop: what is missing over the answer, in the norm of the energy. */
  readonly tolerance: number;
  /** Temperatures to begin with: those of a problem that differs little make it quick. */
  readonly start?: Float64Array | undefined;
}

/** What of the platform is used: the core has no types of any platform. */
declare const WebAssembly: {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: unknown };
};
declare function atob(text: string): string;

interface Exports {
  readonly memory: { readonly buffer: ArrayBuffer };
  begin(nx: number, ny: number, nine: boolean): void;
  prepare(): void;
  solve(tolerance: number, most: number): number;
  residual(): number;
  atDiagonal(): number;
  atWest(): number;
  atSouth(): number;
  atSouthWest(): number;
  atNorthWest(): number;
  atRight(): number;
  atTemperature(): number;
}

/** Enough for any balance that multigrid can do at all; those of walls take about ten. */
const MOST_ROUNDS = 200;

let loaded: Exports | undefined;

function kernel(): Exports {
  loaded ??= new WebAssembly.Instance(
    new WebAssembly.Module(Uint8Array.from(atob(KERNEL), (letter) => letter.charCodeAt(0))),
    {
      env: {
        abort: () => {
          throw new Error('the heat kernel gave up');
        },
      },
    },
  ).exports as Exports;
  return loaded;
}

/**
 * Solves a symmetric balance by conjugate gradients with multigrid.
 *
 * Source: black-box multigrid, Dendy 1982, from memory.
 */
export function solveFast(balance: Balance, { tolerance, start }: SolveOptions): SolveResult {
  const { nx, ny, diagonal, east, north, northEast, northWest, right } = balance;
  const code = kernel();
  code.begin(nx, ny, northEast !== undefined);
  const memory = new Float64Array(code.memory.buffer);
  // Row j of an array, moved by so many nodes, into the ghosted array at an address.
  const fill = (address: number, from: Float64Array, dx: number, dy: number) => {
    const first = address / 8 + nx + 3;
    for (let j = Math.max(0, dy); j < ny; j++) {
      const row = (j - dy) * nx;
      const [a, b] = [Math.max(0, -dx), nx - Math.max(0, dx)];
      memory.set(from.subarray(row + a, row + b), first + j * (nx + 2) + a + dx);
    }
  };
  fill(code.atDiagonal(), diagonal, 0, 0);
  fill(code.atWest(), east, 1, 0);
  fill(code.atSouth(), north, 0, 1);
  if (northEast && northWest) {
    fill(code.atSouthWest(), northEast, 1, 1);
    fill(code.atNorthWest(), northWest, 0, 0);
  }
  fill(code.atRight(), right, 0, 0);
  if (start?.length === nx * ny) fill(code.atTemperature(), start, 0, 0);
  code.prepare();
  const iterations = code.solve(tolerance, MOST_ROUNDS);
  const residual = code.residual();
  if (iterations < 0) return { ok: false, error: { code: 'not-converged', residual } };
  // The memory may have grown.
  const after = new Float64Array(code.memory.buffer);
  const temperature = new Float64Array(nx * ny);
  const first = code.atTemperature() / 8 + nx + 3;
  for (let j = 0; j < ny; j++) {
    const row = first + j * (nx + 2);
    temperature.set(after.subarray(row, row + nx), j * nx);
  }
  return { ok: true, value: { temperature, iterations, residual } };
}
