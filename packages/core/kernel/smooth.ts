/** Smoothing by whole rows and columns, and the way between a level and the next. */
import { get, Level, put, WEIGHTS } from './memory';

/** Factors of all rows and all columns, each a tridiagonal balance of its own. */
export function factor(level: Level): void {
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

export function smoothRows(level: Level, first: i32): void {
  if (level.nine) rows(level, first, true);
  else rows(level, first, false);
}

export function smoothColumns(level: Level, first: i32): void {
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
export function restrict(fine: Level, coarse: Level): void {
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
export function prolong(fine: Level, coarse: Level): void {
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

export function clear(level: Level): void {
  memory.fill(level.u, 0, <usize>((level.nx + 2) * (level.ny + 2) * 8));
}
