/** What the gaps mean: fits, tight, too loose or does not fit, with how much and where to change the opening. */
import type { Gap, Placement } from './placement.ts';

export type FitVerdict = 'fits' | 'tight' | 'too-loose' | 'does-not-fit';

export interface FitLimits {
  /** Below this no foam can be placed, mm. */
  readonly least_mm: number;
  /** Widest joint that rod, foam or tape can close, mm. */
  readonly largest_mm: number;
  /** Widest bare gap at which the fin's fasteners still meet framing, mm. */
  readonly finReach_mm: number;
}

/** Change of the opening at one place: positive takes material off, negative packs it out. */
export interface Correction {
  readonly gap: Gap;
  readonly by_mm: number;
}

export interface FitResult {
  readonly verdict: FitVerdict;
  /** Places where the opening must give way before the unit goes in. */
  readonly trim: readonly Correction[];
  /** Places to pack out, and whether the fin or the joint asks for it. */
  readonly pack: readonly (Correction & { readonly because: 'fin' | 'joint' })[];
}

/** Ties are read pessimistically beyond this: rounding noise of the arithmetic, not a tolerance of the trade. */
const ROUNDING_mm = 1e-6;

/**
 * Returns the verdict over all gaps. A negative gap does not fit; one under the least is tight; one that leaves
 * the fin's fasteners in the air, or is wider than a joint can be closed, is too loose. The unit is never cut.
 *
 * Source: common practice, no source.
 */
export function judgeFit({ gaps }: Placement, limits: FitLimits): FitResult {
  const jointed = gaps.filter((gap) => gap.side !== 'sill');
  const short = jointed.filter((gap) => gap.flashed_mm < limits.least_mm - ROUNDING_mm);
  const trim = short.map((gap) => ({ gap, by_mm: limits.least_mm - gap.flashed_mm }));
  const pack = gaps.flatMap((gap): (Correction & { because: 'fin' | 'joint' })[] => {
    const offFraming = gap.bare_mm - limits.finReach_mm;
    const tooWide = gap.side === 'sill' ? -Infinity : gap.flashed_mm - limits.largest_mm;
    const over = Math.max(offFraming, tooWide);
    if (over <= ROUNDING_mm) return [];
    return [{ gap, by_mm: -over, because: offFraming >= tooWide ? 'fin' : 'joint' }];
  });
  const blocked = jointed.some((gap) => gap.flashed_mm < -ROUNDING_mm);
  const verdict = blocked
    ? 'does-not-fit'
    : trim.length > 0
      ? 'tight'
      : pack.length > 0
        ? 'too-loose'
        : 'fits';
  return { verdict, trim, pack };
}
