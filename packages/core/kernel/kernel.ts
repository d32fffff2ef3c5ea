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

/** What is kept of a level: its size and where its arrays begin. */
@unmanaged
class Level {
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

const MOST_LEVELS: i32 = 16;
const COARSEST: i32 = 4;
const SWEEPS_COARSEST: i32 = 8;
/** Levels below this one are gone through twice. */
const TWICE_BELOW: i32 = 1;
const WEIGHTS: i32 = 64;

let levels: usize = 0;
let count: i32 = 0;
let top: usize = 0;
/** Vectors of the conjugate gradients on the finest level. */
let r: usize = 0;
let d: usize = 0;
let ad: usize = 0;
/** Scratch of the Galerkin product: weights of one coarse node and what the balance makes of them. */
let support: usize = 0;
let image: usize = 0;
let last: f64 = 0;

function take(bytes: usize): usize {
  const at = top;
  // Whole pairs of doubles, since vectors are added in pairs.
  const whole = (bytes + 15) & ~15;
  top += whole;
  const missing = <i32>((top + 0xffff) >>> 16) - memory.size();
  if (missing > 0) memory.grow(missing);
  memory.fill(at, 0, whole);
  return at;
}

function levelAt(n: i32): Level {
  return changetype<Level>(levels + <usize>n * offsetof<Level>());
}

function open(n: i32, nx: i32, ny: i32, nine: bool): Level {
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

/** Makes room for a system of nx times ny nodes and forgets the one before. */
export function begin(nx: i32, ny: i32, nine: bool): void {
  top = (__heap_base + 15) & ~15;
  levels = take(<usize>MOST_LEVELS * offsetof<Level>());
  support = take(9 * 8);
  image = take(49 * 8);
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

@inline function get(at: usize): f64 { return load<f64>(at); }
@inline function put(at: usize, value: f64): void { store<f64>(at, value); }

/**
 * Weights of a node between two coarse ones. Between two it takes its share of both: what a surface beside it draws off
 * has no part in that. With one alone, heat it loses in that direction counts.
 */
function share(a: f64, b: f64, whole: f64, at: usize): void {
  if (a > 0 && b > 0) {
    put(at, a / (a + b));
    put(at + 8, b / (a + b));
  } else {
    put(at, a > 0 ? (whole > a ? a / whole : 1) : 0);
    put(at + 8, b > 0 ? (whole > b ? b / whole : 1) : 0);
  }
}

/**
 * Weights by which fine nodes take part of their coarse neighbours. Coarse node (I, J) is fine node (2I, 2J); it keeps
 * those of (2I + 1, 2J): left, right; of (2I, 2J + 1): below, above; of (2I + 1, 2J + 1): from lower left to upper right.
 */
function weigh(level: Level): void {
  const nx = level.nx, ny = level.ny, row = level.row, nine = level.nine;
  const cx = (nx + 1) >> 1, cy = (ny + 1) >> 1;
  const crow = (cx + 2) * WEIGHTS;
  level.p = take(<usize>(crow * (cy + 2)));
  for (let J = 0; J < cy; J++) {
    for (let I = 0; I < cx; I++) {
      const p = level.p + (J + 1) * crow + (I + 1) * WEIGHTS;
      const k = (2 * J + 1) * row + (2 * I + 1) * 8;
      if (2 * I + 1 < nx) {
        const o = k + 8;
        let left = get(level.w + o), right = get(level.w + o + 8);
        if (nine) {
          left += get(level.sw + o) + get(level.nw + o);
          right += get(level.nw + o + 8 - row) + get(level.sw + o + 8 + row);
        }
        const whole = get(level.c + o) - get(level.s + o) - get(level.s + o + row);
        share(left, right, whole, p);
      }
      if (2 * J + 1 < ny) {
        const o = k + row;
        let below = get(level.s + o), above = get(level.s + o + row);
        if (nine) {
          below += get(level.sw + o) + get(level.nw + o + 8 - row);
          above += get(level.nw + o) + get(level.sw + o + 8 + row);
        }
        const whole = get(level.c + o) - get(level.w + o) - get(level.w + o + 8);
        share(below, above, whole, p + 16);
      }
    }
  }
  for (let J = 0; J < cy; J++) {
    if (2 * J + 1 >= ny) break;
    for (let I = 0; I < cx; I++) {
      if (2 * I + 1 >= nx) break;
      const p = level.p + (J + 1) * crow + (I + 1) * WEIGHTS;
      const o = (2 * J + 2) * row + (2 * I + 2) * 8;
      const diagonal = get(level.c + o);
      if (diagonal <= 0) continue;
      const south = get(level.s + o), north = get(level.s + o + row);
      const west = get(level.w + o), east = get(level.w + o + 8);
      const east2 = p + WEIGHTS, above = p + crow;
      let a = south * get(p) + west * get(p + 16);
      let b = south * get(p + 8) + east * get(east2 + 16);
      let c = west * get(p + 24) + north * get(above);
      let e = east * get(east2 + 24) + north * get(above + 8);
      if (nine) {
        a += get(level.sw + o);
        b += get(level.nw + o + 8 - row);
        c += get(level.nw + o);
        e += get(level.sw + o + 8 + row);
      }
      put(p + 32, a / diagonal);
      put(p + 40, b / diagonal);
      put(p + 48, c / diagonal);
      put(p + 56, e / diagonal);
    }
  }
}

/** Adds a number to the image of a coarse node; offsets from the node's own fine place, -3 to 3. */
@inline function addTo(dx: i32, dy: i32, value: f64): void {
  const at = image + (((dy + 3) * 7 + dx + 3) << 3);
  put(at, get(at) + value);
}

@inline function imageAt(dx: i32, dy: i32): f64 { return get(image + (((dy + 3) * 7 + dx + 3) << 3)); }

/** The nine weights of a coarse node over its fine neighbours, row after row from the lower left. */
@inline function gather(p: usize, crow: i32): void {
  put(support, get(p - crow - WEIGHTS + 56));
  put(support + 8, get(p - crow + 24));
  put(support + 16, get(p - crow + 48));
  put(support + 24, get(p - WEIGHTS + 8));
  put(support + 32, 1);
  put(support + 40, get(p));
  put(support + 48, get(p - WEIGHTS + 40));
  put(support + 56, get(p + 16));
  put(support + 64, get(p + 32));
}

/** The coarse balance by Galerkin's product: what the fine one makes of a coarse node's weights, weighed by others'. */
function coarsen(fine: Level, coarse: Level): void {
  const nx = fine.nx, ny = fine.ny, row = fine.row, nine = fine.nine;
  const cx = coarse.nx, cy = coarse.ny;
  const crow = (cx + 2) * WEIGHTS;
  for (let J = 0; J < cy; J++) {
    for (let I = 0; I < cx; I++) {
      const p = fine.p + (J + 1) * crow + (I + 1) * WEIGHTS;
      gather(p, crow);
      memory.fill(image, 0, 49 * 8);
      for (let dy = -1; dy <= 1; dy++) {
        const j = 2 * J + dy;
        if (j < 0 || j >= ny) continue;
        for (let dx = -1; dx <= 1; dx++) {
          const i = 2 * I + dx;
          if (i < 0 || i >= nx) continue;
          const weight = get(support + (((dy + 1) * 3 + dx + 1) << 3));
          if (weight == 0) continue;
          const o = (j + 1) * row + (i + 1) * 8;
          addTo(dx, dy, weight * get(fine.c + o));
          addTo(dx - 1, dy, -weight * get(fine.w + o));
          addTo(dx + 1, dy, -weight * get(fine.w + o + 8));
          addTo(dx, dy - 1, -weight * get(fine.s + o));
          addTo(dx, dy + 1, -weight * get(fine.s + o + row));
          if (!nine) continue;
          addTo(dx - 1, dy - 1, -weight * get(fine.sw + o));
          addTo(dx + 1, dy + 1, -weight * get(fine.sw + o + row + 8));
          addTo(dx - 1, dy + 1, -weight * get(fine.nw + o));
          addTo(dx + 1, dy - 1, -weight * get(fine.nw + o + 8 - row));
        }
      }
      const k = (J + 1) * coarse.row + (I + 1) * 8;
      let own: f64 = 0;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++)
          own += get(support + (((dy + 1) * 3 + dx + 1) << 3)) * imageAt(dx, dy);
      put(coarse.c + k, own > 0 ? own : 1);
      if (I > 0) put(coarse.w + k, -shared(p - WEIGHTS, crow, -2, 0));
      if (J > 0) put(coarse.s + k, -shared(p - crow, crow, 0, -2));
      if (I > 0 && J > 0) put(coarse.sw + k, -shared(p - WEIGHTS - crow, crow, -2, -2));
      if (I > 0 && J < cy - 1) put(coarse.nw + k, -shared(p - WEIGHTS + crow, crow, -2, 2));
    }
  }
}

/** The image weighed by the weights of the coarse node at an offset. */
function shared(p: usize, crow: i32, x: i32, y: i32): f64 {
  let sum = imageAt(x, y);
  sum += get(p + 8 - 8) * imageAt(x + 1, y) + get(p - WEIGHTS + 8) * imageAt(x - 1, y);
  sum += get(p + 16) * imageAt(x, y + 1) + get(p - crow + 24) * imageAt(x, y - 1);
  sum += get(p + 32) * imageAt(x + 1, y + 1) + get(p - WEIGHTS + 40) * imageAt(x - 1, y + 1);
  sum += get(p - crow + 48) * imageAt(x + 1, y - 1) + get(p - crow - WEIGHTS + 56) * imageAt(x - 1, y - 1);
  return sum;
}

/** Factors of all rows and all columns, each a tridiagonal balance of its own. */
function factor(level: Level): void {
  const nx = level.nx, ny = level.ny, row = level.row;
  for (let j = 1; j <= ny; j++) {
    let pivot: f64 = 1;
    for (let i = 1; i <= nx; i++) {
      const o = j * row + i * 8;
      const w = get(level.w + o);
      const l = w / pivot;
      pivot = get(level.c + o) - w * l;
      put(level.xl + o, l);
      put(level.xd + o, 1 / pivot);
    }
  }
  for (let j = 1; j <= ny; j++)
    for (let i = 1; i <= nx; i++) {
      const o = j * row + i * 8;
      const s = get(level.s + o);
      // The pivot below, 0 on the ghost row.
      const l = s * get(level.yd + o - row);
      put(level.yl + o, l);
      put(level.yd + o, 1 / (get(level.c + o) - s * l));
    }
}

@inline function rowRight(level: Level, o: usize, row: usize, nine: bool): f64 {
  const u = level.u;
  let sum = get(level.f + o) + get(level.s + o) * get(u + o - row) + get(level.s + o + row) * get(u + o + row);
  if (nine)
    sum +=
      get(level.sw + o) * get(u + o - row - 8) +
      get(level.nw + o + 8 - row) * get(u + o - row + 8) +
      get(level.nw + o) * get(u + o + row - 8) +
      get(level.sw + o + row + 8) * get(u + o + row + 8);
  return sum;
}

/** Solves every second row, four at a time so that none waits for the other. */
@inline function rows(level: Level, first: i32, nine: bool): void {
  const nx = level.nx, ny = level.ny;
  const row = <usize>level.row;
  const u = level.u, xl = level.xl, xd = level.xd;
  let j = first;
  for (; j + 6 <= ny; j += 8) {
    let o = <usize>j * row + 8;
    let a: f64 = 0, b: f64 = 0, c: f64 = 0, e: f64 = 0;
    for (let i = 0; i < nx; i++, o += 8) {
      const o2 = o + 2 * row, o4 = o + 4 * row, o6 = o + 6 * row;
      a = rowRight(level, o, row, nine) + get(xl + o) * a;
      b = rowRight(level, o2, row, nine) + get(xl + o2) * b;
      c = rowRight(level, o4, row, nine) + get(xl + o4) * c;
      e = rowRight(level, o6, row, nine) + get(xl + o6) * e;
      put(u + o, a);
      put(u + o2, b);
      put(u + o4, c);
      put(u + o6, e);
    }
    a = 0; b = 0; c = 0; e = 0;
    for (let i = 0; i < nx; i++) {
      o -= 8;
      const o2 = o + 2 * row, o4 = o + 4 * row, o6 = o + 6 * row;
      a = get(u + o) * get(xd + o) + get(xl + o + 8) * a;
      b = get(u + o2) * get(xd + o2) + get(xl + o2 + 8) * b;
      c = get(u + o4) * get(xd + o4) + get(xl + o4 + 8) * c;
      e = get(u + o6) * get(xd + o6) + get(xl + o6 + 8) * e;
      put(u + o, a);
      put(u + o2, b);
      put(u + o4, c);
      put(u + o6, e);
    }
  }
  for (; j <= ny; j += 2) {
    let o = <usize>j * row + 8;
    let a: f64 = 0;
    for (let i = 0; i < nx; i++, o += 8) {
      a = rowRight(level, o, row, nine) + get(xl + o) * a;
      put(u + o, a);
    }
    a = 0;
    for (let i = 0; i < nx; i++) {
      o -= 8;
      a = get(u + o) * get(xd + o) + get(xl + o + 8) * a;
      put(u + o, a);
    }
  }
}

/** Solves every second column, all of them step by step upwards and back. */
@inline function columns(level: Level, first: i32, nine: bool): void {
  const nx = level.nx, ny = level.ny;
  const row = <usize>level.row;
  const u = level.u, f = level.f, w = level.w, sw = level.sw, nw = level.nw, yl = level.yl, yd = level.yd;
  for (let j = 1; j <= ny; j++) {
    let o = <usize>j * row + <usize>first * 8;
    const end = <usize>j * row + <usize>nx * 8;
    for (; o <= end; o += 16) {
      let sum = get(f + o) + get(w + o) * get(u + o - 8) + get(w + o + 8) * get(u + o + 8) + get(yl + o) * get(u + o - row);
      if (nine)
        sum +=
          get(sw + o) * get(u + o - row - 8) +
          get(nw + o + 8 - row) * get(u + o - row + 8) +
          get(nw + o) * get(u + o + row - 8) +
          get(sw + o + row + 8) * get(u + o + row + 8);
      put(u + o, sum);
    }
  }
  for (let j = ny; j >= 1; j--) {
    let o = <usize>j * row + <usize>first * 8;
    const end = <usize>j * row + <usize>nx * 8;
    for (; o <= end; o += 16) put(u + o, get(u + o) * get(yd + o) + get(yl + o + row) * get(u + o + row));
  }
}

function smoothRows(level: Level, first: i32): void {
  if (level.nine) rows(level, first, true);
  else rows(level, first, false);
}

function smoothColumns(level: Level, first: i32): void {
  if (level.nine) columns(level, first, true);
  else columns(level, first, false);
}

function residualAt(level: Level, o: usize): f64 {
  const row = <usize>level.row;
  const u = level.u;
  const beside = get(level.w + o) * get(u + o - 8) + get(level.w + o + 8) * get(u + o + 8);
  return rowRight(level, o, row, level.nine) - get(level.c + o) * get(u + o) + beside;
}

/** The residual as the coarse level's right side. Odd columns, solved last, have none left. */
function restrict(fine: Level, coarse: Level): void {
  const cx = coarse.nx, cy = coarse.ny, row = fine.row;
  const crow = (cx + 2) * WEIGHTS;
  memory.fill(coarse.f, 0, <usize>((cx + 2) * (cy + 2) * 8));
  for (let J = 0; J < cy; J++) {
    const under = 2 * J + 1 < fine.ny;
    for (let I = 0; I < cx; I++) {
      const o = (2 * J + 1) * row + (2 * I + 1) * 8;
      const to = coarse.f + (J + 1) * coarse.row + (I + 1) * 8;
      put(to, get(to) + residualAt(fine, o));
      if (!under) continue;
      const p = fine.p + (J + 1) * crow + (I + 1) * WEIGHTS;
      const between = residualAt(fine, o + row);
      put(to, get(to) + get(p + 16) * between);
      put(to + coarse.row, get(to + coarse.row) + get(p + 24) * between);
    }
  }
}

/** Adds the coarse correction; odd columns are solved anew right after and need none. */
function prolong(fine: Level, coarse: Level): void {
  const cx = coarse.nx, cy = coarse.ny, row = fine.row;
  const crow = (cx + 2) * WEIGHTS;
  for (let J = 0; J < cy; J++) {
    const under = 2 * J + 1 < fine.ny;
    for (let I = 0; I < cx; I++) {
      const o = fine.u + (2 * J + 1) * row + (2 * I + 1) * 8;
      const e = coarse.u + (J + 1) * coarse.row + (I + 1) * 8;
      put(o, get(o) + get(e));
      if (!under) continue;
      const p = fine.p + (J + 1) * crow + (I + 1) * WEIGHTS;
      put(o + row, get(o + row) + get(p + 16) * get(e) + get(p + 24) * get(e + coarse.row));
    }
  }
}

function clear(level: Level): void {
  memory.fill(level.u, 0, <usize>((level.nx + 2) * (level.ny + 2) * 8));
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
