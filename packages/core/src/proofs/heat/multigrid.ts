/**
 * Multigrid for the balance of heat on a rectangular grid: interpolation that follows the conductances, coarse balances
 * by Galerkin's product, lines as smoother. It keeps its pace where conductivities jump and cells are long and thin.
 *
 * Source: black-box multigrid, Dendy 1982, from memory.
 */
import type { VolumeSystem } from './volumes.ts';

/** A symmetric nine-point balance: diagonal, and couplings (positive) to the neighbours on one side. */
interface Level {
  readonly nx: number;
  readonly ny: number;
  readonly c: Float64Array;
  readonly w: Float64Array;
  readonly s: Float64Array;
  readonly sw: Float64Array;
  /** To the neighbour on the left and above. */
  readonly nw: Float64Array;
  /** Four weights per node, to the coarse nodes at its lower left, lower right, upper left and upper right. */
  readonly weights: Float64Array;
  readonly u: Float64Array;
  readonly f: Float64Array;
  readonly r: Float64Array;
  /** Scratch of the line solver. */
  readonly line: Float64Array;
}

/** Below this many lines a level is solved by sweeping. */
const COARSEST = 4;
const SWEEPS_COARSEST = 30;

const emptyLevel = (nx: number, ny: number): Level => {
  const n = nx * ny;
  const array = () => new Float64Array(n);
  return {
    nx,
    ny,
    c: array(),
    w: array(),
    s: array(),
    sw: array(),
    nw: array(),
    weights: new Float64Array(4 * n),
    u: array(),
    f: array(),
    r: array(),
    line: new Float64Array(2 * Math.max(nx, ny)),
  };
};

function finest({ nx, ny, east, north, diagonal }: VolumeSystem): Level {
  const level = emptyLevel(nx, ny);
  level.c.set(diagonal);
  for (let k = 0; k < nx * ny; k++) {
    if (k % nx > 0) level.w[k] = east[k - 1] ?? 0;
    if (k >= nx) level.s[k] = north[k - nx] ?? 0;
  }
  return level;
}

const at = (array: Float64Array, k: number): number => array[k] ?? 0;

/** Couplings of node (i, j) to its eight neighbours, in rows from below: sw s se · w e · nw n ne. */
function couplings({ nx, ny, w, s, sw, nw }: Level, i: number, j: number, out: Float64Array): void {
  const k = j * nx + i;
  const [left, right, below, above] = [i > 0, i + 1 < nx, j > 0, j + 1 < ny];
  out[0] = left && below ? at(sw, k) : 0;
  out[1] = below ? at(s, k) : 0;
  // The neighbour on the right and below counts this one as its own upper left.
  out[2] = right && below ? at(nw, k - nx + 1) : 0;
  out[3] = left ? at(w, k) : 0;
  out[4] = right ? at(w, k + 1) : 0;
  out[5] = left && above ? at(nw, k) : 0;
  out[6] = above ? at(s, k + nx) : 0;
  out[7] = right && above ? at(sw, k + nx + 1) : 0;
}

/**
 * Weights of a node between two coarse ones. Between two it takes its share of both: what a surface beside it draws off
 * has no part in that. With one alone, heat it loses in that direction counts.
 */
function share(a: number, b: number, whole: number): readonly [number, number] {
  if (a > 0 && b > 0) return [a / (a + b), b / (a + b)];
  const alone = (part: number) => (part > 0 ? part / Math.max(part, whole) : 0);
  return [alone(a), alone(b)];
}

/** Weights by which every fine node takes part of its coarse neighbours. */
function weigh(level: Level): void {
  const { nx, ny, c, weights } = level;
  const g = new Float64Array(8);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = 4 * (j * nx + i);
      if (i % 2 === 0 && j % 2 === 0) {
        weights[k] = 1;
        continue;
      }
      if (i % 2 === 1 && j % 2 === 1) continue;
      couplings(level, i, j, g);
      const diagonal = at(c, j * nx + i);
      if (j % 2 === 0) {
        const whole = diagonal - at(g, 1) - at(g, 6);
        const [left, right] = [at(g, 0) + at(g, 3) + at(g, 5), at(g, 2) + at(g, 4) + at(g, 7)];
        [weights[k], weights[k + 1]] = share(left, right, whole);
      } else {
        const whole = diagonal - at(g, 3) - at(g, 4);
        const [below, above] = [at(g, 0) + at(g, 1) + at(g, 2), at(g, 5) + at(g, 6) + at(g, 7)];
        [weights[k], weights[k + 2]] = share(below, above, whole);
      }
    }
  for (let j = 1; j < ny; j += 2)
    for (let i = 1; i < nx; i += 2) {
      couplings(level, i, j, g);
      const k = 4 * (j * nx + i);
      const diagonal = at(c, j * nx + i);
      if (diagonal <= 0) continue;
      const [below, above] = [4 * ((j - 1) * nx + i), 4 * ((j + 1) * nx + i)];
      const [left, right] = [4 * (j * nx + i - 1), 4 * (j * nx + i + 1)];
      const hasAbove = j + 1 < ny;
      const hasRight = i + 1 < nx;
      const up = (offset: number) => (hasAbove ? at(weights, above + offset) * at(g, 6) : 0);
      const aside = (offset: number) => (hasRight ? at(weights, right + offset) * at(g, 4) : 0);
      weights[k] = (at(g, 0) + at(g, 1) * at(weights, below) + at(g, 3) * at(weights, left)) / diagonal;
      weights[k + 1] = (at(g, 2) + at(g, 1) * at(weights, below + 1) + aside(0)) / diagonal;
      weights[k + 2] = (at(g, 5) + at(g, 3) * at(weights, left + 2) + up(0)) / diagonal;
      weights[k + 3] = (at(g, 7) + aside(2) + up(1)) / diagonal;
    }
}

/** The coarse balance: every coupling of the fine one shared out to the coarse nodes of both its ends. */
function coarsened(fine: Level): Level {
  const [cx, cy] = [(fine.nx + 1) >> 1, (fine.ny + 1) >> 1];
  const coarse = emptyLevel(cx, cy);
  const g = new Float64Array(8);
  const { weights } = fine;
  const DX = [-1, 0, 1, -1, 1, -1, 0, 1];
  const DY = [-1, -1, -1, 0, 0, 1, 1, 1];
  const put = (I: number, J: number, K: number, L: number, value: number) => {
    if (value === 0) return;
    const k = J * cx + I;
    const [dx, dy] = [K - I, L - J];
    if (dx === 0 && dy === 0) coarse.c[k] = at(coarse.c, k) + value;
    // Of each pair of couplings one is kept.
    else if (dx === -1 && dy === 0) coarse.w[k] = at(coarse.w, k) - value;
    else if (dx === 0 && dy === -1) coarse.s[k] = at(coarse.s, k) - value;
    else if (dx === -1 && dy === -1) coarse.sw[k] = at(coarse.sw, k) - value;
    else if (dx === -1 && dy === 1) coarse.nw[k] = at(coarse.nw, k) - value;
  };
  for (let j = 0; j < fine.ny; j++)
    for (let i = 0; i < fine.nx; i++) {
      const k = j * fine.nx + i;
      couplings(fine, i, j, g);
      for (let a = 0; a < 4; a++) {
        const wa = at(weights, 4 * k + a);
        if (wa === 0) continue;
        const [I, J] = [(i >> 1) + (a & 1), (j >> 1) + (a >> 1)];
        for (let b = 0; b < 4; b++) {
          const wb = at(weights, 4 * k + b);
          if (wb !== 0) put(I, J, (i >> 1) + (b & 1), (j >> 1) + (b >> 1), wa * wb * at(fine.c, k));
        }
        for (let d = 0; d < 8; d++) {
          const coupling = at(g, d);
          if (coupling === 0) continue;
          const [ni, nj] = [i + (DX[d] ?? 0), j + (DY[d] ?? 0)];
          const l = nj * fine.nx + ni;
          for (let b = 0; b < 4; b++) {
            const wb = at(weights, 4 * l + b);
            if (wb !== 0) put(I, J, (ni >> 1) + (b & 1), (nj >> 1) + (b >> 1), -wa * wb * coupling);
          }
        }
      }
    }
  for (let k = 0; k < cx * cy; k++) if (at(coarse.c, k) <= 0) coarse.c[k] = 1;
  return coarse;
}

/** Solves every row (or column) of one colour at once, the others held. */
function smoothLines(level: Level, plumb: boolean, colour: number): void {
  const { nx, ny, c, w, s, u, f, line } = level;
  const [lines, length] = plumb ? [nx, ny] : [ny, nx];
  const [step, next] = plumb ? [nx, 1] : [1, nx];
  const along = plumb ? s : w;
  const g = new Float64Array(8);
  for (let m = colour; m < lines; m += 2) {
    const first = m * next;
    for (let t = 0; t < length; t++) {
      const k = first + t * step;
      const [i, j] = plumb ? [m, t] : [t, m];
      couplings(level, i, j, g);
      let right = at(f, k);
      if (plumb)
        right +=
          at(g, 0) * at(u, k - nx - 1) +
          at(g, 3) * at(u, k - 1) +
          at(g, 5) * at(u, k + nx - 1) +
          at(g, 2) * at(u, k - nx + 1) +
          at(g, 4) * at(u, k + 1) +
          at(g, 7) * at(u, k + nx + 1);
      else
        right +=
          at(g, 0) * at(u, k - nx - 1) +
          at(g, 1) * at(u, k - nx) +
          at(g, 2) * at(u, k - nx + 1) +
          at(g, 5) * at(u, k + nx - 1) +
          at(g, 6) * at(u, k + nx) +
          at(g, 7) * at(u, k + nx + 1);
      const low = t > 0 ? at(along, k) : 0;
      const high = t + 1 < length ? at(along, k + step) : 0;
      const pivot = at(c, k) - (t > 0 ? low * at(line, 2 * t - 2) : 0);
      line[2 * t] = high / pivot;
      line[2 * t + 1] = (right + (t > 0 ? low * at(line, 2 * t - 1) : 0)) / pivot;
    }
    for (let t = length - 1; t >= 0; t--) {
      const k = first + t * step;
      u[k] = at(line, 2 * t + 1) + (t + 1 < length ? at(line, 2 * t) * at(u, k + step) : 0);
    }
  }
}

function residual(level: Level): void {
  const { nx, ny, c, u, f, r } = level;
  const g = new Float64Array(8);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      couplings(level, i, j, g);
      r[k] =
        at(f, k) -
        at(c, k) * at(u, k) +
        at(g, 0) * at(u, k - nx - 1) +
        at(g, 1) * at(u, k - nx) +
        at(g, 2) * at(u, k - nx + 1) +
        at(g, 3) * at(u, k - 1) +
        at(g, 4) * at(u, k + 1) +
        at(g, 5) * at(u, k + nx - 1) +
        at(g, 6) * at(u, k + nx) +
        at(g, 7) * at(u, k + nx + 1);
    }
}

const FORWARD = [
  [false, 0],
  [false, 1],
  [true, 0],
  [true, 1],
] as const;
const BACK = FORWARD.toReversed();

function cycle(levels: readonly Level[], depth: number): void {
  const level = levels[depth];
  if (!level) return;
  const coarse = levels[depth + 1];
  if (!coarse) {
    for (let n = 0; n < SWEEPS_COARSEST; n++)
      for (const [plumb, colour] of FORWARD) smoothLines(level, plumb, colour);
    for (let n = 0; n < SWEEPS_COARSEST; n++)
      for (const [plumb, colour] of BACK) smoothLines(level, plumb, colour);
    return;
  }
  for (const [plumb, colour] of FORWARD) smoothLines(level, plumb, colour);
  residual(level);
  const { nx, ny, weights, r, u } = level;
  const share = (i: number, j: number, a: number) => ((j >> 1) + (a >> 1)) * coarse.nx + (i >> 1) + (a & 1);
  coarse.f.fill(0);
  coarse.u.fill(0);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      for (let a = 0; a < 4; a++) {
        const weight = at(weights, 4 * k + a);
        if (weight === 0) continue;
        const to = share(i, j, a);
        coarse.f[to] = at(coarse.f, to) + weight * at(r, k);
      }
    }
  cycle(levels, depth + 1);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      for (let a = 0; a < 4; a++) {
        const weight = at(weights, 4 * k + a);
        if (weight !== 0) u[k] = at(u, k) + weight * at(coarse.u, share(i, j, a));
      }
    }
  for (const [plumb, colour] of BACK) smoothLines(level, plumb, colour);
}

/** Returns a symmetric approximation of A⁻¹, made once for a system and used on every residual. */
export function multigrid(system: VolumeSystem): (r: Float64Array, out: Float64Array) => void {
  const levels = [finest(system)];
  for (let level = levels[0]; level && Math.min(level.nx, level.ny) > COARSEST;) {
    weigh(level);
    level = coarsened(level);
    levels.push(level);
  }
  const [first] = levels;
  return (r, out) => {
    if (!first) return;
    first.f.set(r);
    first.u.fill(0);
    cycle(levels, 0);
    out.set(first.u);
  };
}
