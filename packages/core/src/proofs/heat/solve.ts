/**
 * Conjugate gradients on the balance of heat; plain with sweeps, or with a quicker stand-in for the inverse. The readable
 * reference of the compiled solver.
 */
import type { SolveResult } from './kernel.ts';
import type { VolumeSystem } from './volumes.ts';

const TOLERANCE = 1e-10;
const MOST_ITERATIONS = 20_000;

type Vector = Float64Array;

/** out = A·v. */
function times({ nx, east, north, diagonal }: VolumeSystem, v: Vector, out: Vector): void {
  for (let k = 0; k < v.length; k++) {
    let sum = (diagonal[k] ?? 0) * (v[k] ?? 0);
    if (k + 1 < v.length) sum -= (east[k] ?? 0) * (v[k + 1] ?? 0);
    if (k > 0) sum -= (east[k - 1] ?? 0) * (v[k - 1] ?? 0);
    if (k + nx < v.length) sum -= (north[k] ?? 0) * (v[k + nx] ?? 0);
    if (k >= nx) sum -= (north[k - nx] ?? 0) * (v[k - nx] ?? 0);
    out[k] = sum;
  }
}

/** out ≈ A⁻¹·r by one sweep forward and one back. */
function sweep({ nx, east, north, diagonal }: VolumeSystem, r: Vector, out: Vector): void {
  const n = r.length;
  for (let k = 0; k < n; k++) {
    const west = k > 0 ? (east[k - 1] ?? 0) * (out[k - 1] ?? 0) : 0;
    const south = k >= nx ? (north[k - nx] ?? 0) * (out[k - nx] ?? 0) : 0;
    out[k] = ((r[k] ?? 0) + west + south) / (diagonal[k] ?? 1);
  }
  for (let k = n - 1; k >= 0; k--) {
    const right = k + 1 < n ? (east[k] ?? 0) * (out[k + 1] ?? 0) : 0;
    const above = k + nx < n ? (north[k] ?? 0) * (out[k + nx] ?? 0) : 0;
    out[k] = (out[k] ?? 0) + (right + above) / (diagonal[k] ?? 1);
  }
}

const dot = (a: Vector, b: Vector): number => {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += (a[k] ?? 0) * (b[k] ?? 0);
  return sum;
};

/** out ≈ A⁻¹·r, symmetric. */
export type Precondition = (r: Vector, out: Vector) => void;

/**
 * @param precondition what stands in for A⁻¹: sweeps when left out
 * @param start temperatures to begin with: those of a problem that differs little make it quick
 */
export function solve(
  system: VolumeSystem,
  precondition: Precondition = (r, out) => sweep(system, r, out),
  start?: Vector,
): SolveResult {
  const n = system.right.length;
  const temperature = start?.length === n ? start.slice() : new Float64Array(n);
  const [r, z, p, ap] = [new Float64Array(n), new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  times(system, temperature, ap);
  for (let k = 0; k < n; k++) r[k] = (system.right[k] ?? 0) - (ap[k] ?? 0);
  const whole = Math.sqrt(dot(system.right, system.right)) || 1;
  let rho = 0;
  for (let iterations = 0; iterations <= MOST_ITERATIONS; iterations++) {
    const residual = Math.sqrt(dot(r, r)) / whole;
    if (residual < TOLERANCE) return { ok: true, value: { temperature, iterations, residual } };
    precondition(r, z);
    const next = dot(r, z);
    const beta = iterations === 0 ? 0 : next / rho;
    rho = next;
    for (let k = 0; k < n; k++) p[k] = (z[k] ?? 0) + beta * (p[k] ?? 0);
    times(system, p, ap);
    const alpha = rho / dot(p, ap);
    for (let k = 0; k < n; k++) {
      temperature[k] = (temperature[k] ?? 0) + alpha * (p[k] ?? 0);
      r[k] = (r[k] ?? 0) - alpha * (ap[k] ?? 0);
    }
  }
  return { ok: false, error: { code: 'not-converged', residual: Math.sqrt(dot(r, r)) / whole } };
}
