/** When in the work the opening becomes airtight, and stays so. */
import type { Build } from '../../build/build.ts';
import { proveAir } from './proof.ts';

/**
 * Returns how many steps are done when the line closes for good; `null` where the finished wall is open. A layer that a
 * later trade closes counts as closed, and the proof says so.
 */
export function airtightFrom(build: Build): number | null {
  const { length } = build.steps;
  if (!proveAir(build).closed) return null;
  for (let count = length - 1; count >= 0; count--) if (!proveAir(build, { count }).closed) return count + 1;
  return 0;
}
