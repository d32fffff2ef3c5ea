/** A build as the document that is kept of it, and back. */
import type { Issue } from '../documents/issue.ts';
import { FROZEN_VERSION, frozenBuildSchema, type FrozenBuild } from '../documents/frozen-build.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import type { Build } from './build.ts';
import { cutList, type CutRow } from './cut-list.ts';
import { eventsOf } from './replay.ts';

/**
 * Returns the build as plain data that can be stored: whatever later versions compute, this was cut. It is read back
 * before it is given out, so that nothing is kept that could not be opened again.
 *
 * @throws ZodError when a build holds what its document has no place for, which is a bug in one of the two
 */
export function frozen(build: Build): FrozenBuild {
  const { context, fit, base, pieces, steps, fastening } = build;
  const { opening, unit, choices, numbers } = context;
  const { placement, limits, result, shims } = fit;
  const { finReach_mm } = limits;
  const kept = {
    version: FROZEN_VERSION,
    opening,
    unit,
    choices,
    numbers,
    base,
    pieces,
    steps,
    fit: {
      placement,
      limits: { ...limits, finReach_mm: Number.isFinite(finReach_mm) ? finReach_mm : null },
      result,
      shims,
    },
    fastening,
    cuts: cutList(pieces),
  };
  return frozenBuildSchema.parse(JSON.parse(JSON.stringify(kept)));
}

/** The wall that was cut, with its cut list as it was. */
export interface ThawedBuild {
  readonly build: Build;
  readonly cuts: readonly CutRow[];
}

/** The wall that a frozen plan kept; `null` where it is from before walls were kept. */
export const thawedIssue = ({ build, wall, unit }: Issue): ThawedBuild | null =>
  build ? thawed(build, { wall, unit }) : null;

/** Returns the build that was kept. */
export function thawed(
  { opening, unit, choices, numbers, base, pieces, steps, fit, fastening, cuts }: FrozenBuild,
  of: { readonly wall: Wall; readonly unit: Unit },
): ThawedBuild {
  return {
    build: {
      ...of,
      context: { opening, unit, choices, numbers },
      base,
      pieces,
      steps,
      events: eventsOf(steps),
      fit: { ...fit, limits: { ...fit.limits, finReach_mm: fit.limits.finReach_mm ?? Infinity } },
      fastening,
    },
    cuts,
  };
}
