/**
 * Conjugate gradients with multigrid for balances of heat on a rectangular grid, for WebAssembly.
 *
 * The same method as `multigrid.ts` and `solve.ts` of the core, which are its reference, written for speed in
 * AssemblyScript, a dialect of TypeScript that `compile.mjs` compiles. Memory is laid out by hand: every array of a level has a ghost
 * node on each side, whose couplings are 0, so that no loop asks for borders.
 *
 * Couplings are those of a node to its neighbours on the left, below, lower left and upper left; the other four are the
 * neighbours' own.
 */
import { coarsen, takeScratch, weigh } from './coarse';
import { get, Level, levelAt, MOST_LEVELS, open, put, reset, take } from './memory';
import { clear, factor, prolong, restrict, smoothColumns, smoothRows } from './smooth';

const COARSEST: i32 = 4;
const SWEEPS_COARSEST: i32 = 8;
/** Levels below this one are gone through twice. */
const TWICE_BELOW: i32 = 1;

let count: i32 = 0;
/** Vectors of the conjugate gradients on the finest level. */
let r: usize = 0;
let d: usize = 0;
let ad: usize = 0;
let last: f64 = 0;

/** Makes room for a system of nx times ny nodes and forgets the one before. */
export function begin(nx: i32, ny: i32, nine: bool): void {
  reset();
  takeScratch();
  const bytes = <usize>((nx + 2) * (ny + 2) * 8);
  open(0, nx, ny, nine);
  count = 1;
  r = take(bytes);
  d = take(bytes);
  ad = take(bytes);
}

// Where the caller writes the balance, its right side and the temperatures to begin with, and reads the answer.
export function atDiagonal(): usize { return levelAt(0).c; }
export function atWest(): usize { return levelAt(0).w; }
export function atSouth(): usize { return levelAt(0).s; }
export function atSouthWest(): usize { return levelAt(0).sw; }
export function atNorthWest(): usize { return levelAt(0).nw; }
export function atRight(): usize { return r; }
export function atTemperature(): usize { return ad; }
export function residual(): f64 { return last; }

/** Builds all levels from the balance written. */
export function prepare(): void {
  let level = levelAt(0);
  while (max(level.nx, level.ny) > COARSEST && count < MOST_LEVELS) {
    weigh(level);
    const coarse = open(count, (level.nx + 1) >> 1, (level.ny + 1) >> 1, true);
    coarsen(level, coarse);
    factor(level);
    level = coarse;
    count++;
  }
  factor(level);
}

/** One round of multigrid from the u there is, the same backwards as forwards. */
function cycle(n: i32): void {
  const level = levelAt(n);
  const coarsest = n == count - 1;
  const sweeps = coarsest ? SWEEPS_COARSEST : 1;
  for (let k = 0; k < sweeps; k++) {
    smoothRows(level, 1);
    smoothRows(level, 2);
    smoothColumns(level, 1);
    smoothColumns(level, 2);
  }
  if (!coarsest) {
    const coarse = levelAt(n + 1);
    restrict(level, coarse);
    clear(coarse);
    cycle(n + 1);
    // Small levels cost little: a second round there keeps large grids as quick to settle as small ones.
    if (n >= TWICE_BELOW) cycle(n + 1);
    prolong(level, coarse);
  }
  for (let k = 0; k < sweeps; k++) {
    smoothColumns(level, 2);
    smoothColumns(level, 1);
    smoothRows(level, 2);
    smoothRows(level, 1);
  }
}

/** out = A·v, and the product of both. */
function times(level: Level, v: usize, out: usize): f64 {
  const nx = level.nx, ny = level.ny, nine = level.nine;
  const row = <usize>level.row;
  const c = level.c, w = level.w, s = level.s, sw = level.sw, nw = level.nw;
  let product: f64 = 0;
  for (let j = 1; j <= ny; j++) {
    let o = <usize>j * row + 8;
    for (let i = 0; i < nx; i++, o += 8) {
      let sum =
        get(c + o) * get(v + o) -
        get(w + o) * get(v + o - 8) -
        get(w + o + 8) * get(v + o + 8) -
        get(s + o) * get(v + o - row) -
        get(s + o + row) * get(v + o + row);
      if (nine)
        sum -=
          get(sw + o) * get(v + o - row - 8) +
          get(nw + o + 8 - row) * get(v + o - row + 8) +
          get(nw + o) * get(v + o + row - 8) +
          get(sw + o + row + 8) * get(v + o + row + 8);
      put(out + o, sum);
      product += sum * get(v + o);
    }
  }
  return product;
}

/** Product of two vectors; ghosts are 0 in both. */
function dot(a: usize, b: usize, bytes: usize): f64 {
  let one: v128 = f64x2.splat(0);
  for (let o: usize = 0; o < bytes; o += 16) one = f64x2.add(one, f64x2.mul(v128.load(a + o), v128.load(b + o)));
  return f64x2.extract_lane(one, 0) + f64x2.extract_lane(one, 1);
}

/**
 * Solves for the right side written, beginning with the temperatures written, until what is missing has less than the
 * square of `tolerance` of the answer's energy: a measure that asks for as much on a fine grid as on a coarse one.
 * Returns the number of rounds, or -1 where `most` were not enough; `residual()` says what was left.
 */
export function solve(tolerance: f64, most: i32): i32 {
  const level = levelAt(0);
  // An even number of doubles, ghosts included; the one beyond an odd number is 0.
  const bytes = (<usize>((level.nx + 2) * (level.ny + 2)) * 8 + 15) & ~15;
  const t = ad;
  const f = level.f, u = level.u;
  // The temperatures move to a place of their own.
  const temperature = d;
  if (dot(r, r, bytes) == 0) {
    memory.fill(t, 0, bytes);
    last = 0;
    return 0;
  }
  times(level, t, f);
  memory.copy(temperature, t, bytes);
  let energy = abs(dot(r, t, bytes));
  for (let o: usize = 0; o < bytes; o += 16) v128.store(f + o, f64x2.sub(v128.load(r + o), v128.load(f + o)));
  // From here: f the residual and right side of the preconditioner, r the direction, ad its image, d the temperatures.
  let rho: f64 = 0;
  let n = 0;
  for (; ; n++) {
    clear(level);
    cycle(0);
    const next = dot(f, u, bytes);
    // Before the first round nothing of the energy is known.
    last = energy > 0 ? Math.sqrt(abs(next) / energy) : next == 0 ? 0 : 1;
    if (last < tolerance || n == most) break;
    const beta = f64x2.splat(n == 0 ? 0 : next / rho);
    rho = next;
    for (let o: usize = 0; o < bytes; o += 16)
      v128.store(r + o, f64x2.add(v128.load(u + o), f64x2.mul(beta, v128.load(r + o))));
    const step = rho / times(level, r, ad);
    const alpha = f64x2.splat(step);
    energy += step * rho;
    for (let o: usize = 0; o < bytes; o += 16) {
      v128.store(temperature + o, f64x2.add(v128.load(temperature + o), f64x2.mul(alpha, v128.load(r + o))));
      v128.store(f + o, f64x2.sub(v128.load(f + o), f64x2.mul(alpha, v128.load(ad + o))));
    }
  }
  memory.copy(t, temperature, bytes);
  return last < tolerance ? n : -1;
}
