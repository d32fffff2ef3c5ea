/** Levels in memory that is laid out by hand: every array has a ghost node on each side, whose couplings are 0. */

/** What is kept of a level: its size and where its arrays begin. */
@unmanaged
export class Level {
  nx: i32;
  ny: i32;
  /** Bytes from a node to the one above. */
  row: i32;
  /** Nodes couple with their diagonal neighbours too. */
  nine: bool;
  c: usize;
  w: usize;
  s: usize;
  sw: usize;
  nw: usize;
  f: usize;
  u: usize;
  /** Factors of the lines: coupling over the pivot before, and 1 over the pivot. */
  xl: usize;
  xd: usize;
  yl: usize;
  yd: usize;
  /** Eight weights for each coarse node: see `weigh`. */
  p: usize;
}

/** Bytes of the weights of one coarse node. */
export const WEIGHTS: i32 = 64;
export const MOST_LEVELS: i32 = 16;

let levels: usize = 0;
let top: usize = 0;

/** Forgets everything and makes room for the list of levels. */
export function reset(): void {
  top = (__heap_base + 15) & ~15;
  levels = take(<usize>MOST_LEVELS * offsetof<Level>());
}

/** Room of so many bytes, filled with 0. */
export function take(bytes: usize): usize {
  const at = top;
  // Whole pairs of doubles, since vectors are added in pairs.
  const whole = (bytes + 15) & ~15;
  top += whole;
  const missing = <i32>((top + 0xffff) >>> 16) - memory.size();
  if (missing > 0) memory.grow(missing);
  memory.fill(at, 0, whole);
  return at;
}

export function levelAt(n: i32): Level {
  return changetype<Level>(levels + <usize>n * offsetof<Level>());
}

export function open(n: i32, nx: i32, ny: i32, nine: bool): Level {
  const level = levelAt(n);
  const bytes = <usize>((nx + 2) * (ny + 2) * 8);
  level.nx = nx;
  level.ny = ny;
  level.row = (nx + 2) * 8;
  level.nine = nine;
  level.c = take(bytes);
  level.w = take(bytes);
  level.s = take(bytes);
  level.sw = nine ? take(bytes) : 0;
  level.nw = nine ? take(bytes) : 0;
  level.f = take(bytes);
  level.u = take(bytes);
  level.xl = take(bytes);
  level.xd = take(bytes);
  level.yl = take(bytes);
  level.yd = take(bytes);
  level.p = 0;
  return level;
}

@inline export function get(at: usize): f64 { return load<f64>(at); }
@inline export function put(at: usize, value: f64): void { store<f64>(at, value); }
