/** Interpolation that follows the conductances, and the coarse balances it makes. */
import { get, Level, put, take, WEIGHTS } from './memory';

/** Scratch of the Galerkin product: weights of one coarse node and what the balance makes of them. */
let support: usize = 0;
let image: usize = 0;

export function takeScratch(): void {
  support = take(9 * 8);
  image = take(49 * 8);
}

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
export function weigh(level: Level): void {
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
export function coarsen(fine: Level, coarse: Level): void {
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
