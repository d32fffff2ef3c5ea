/** From the plans of openings that must line up to the spans in which their common line may lie. */
import type { LineDocument } from '../documents/job.ts';
import type { Plan } from '../plan/plan-opening.ts';
import { commonLine, type CommonLine, type Span } from './common-line.ts';

/** Why an opening cannot take part yet. */
export type SpanMissing = 'position' | 'fit';

export interface LineMember {
  readonly id: string;
  readonly mark: string;
  readonly span: Span | null;
  readonly missing: SpanMissing | null;
  /** Where its unit stands by itself, mm on the same scale. */
  readonly own_mm: number | null;
  /** What the unit stands on or stands off by at the line, beyond its own best place: mm, positive up or right. */
  readonly shift_mm: number | null;
}

export interface LineResult {
  readonly members: readonly LineMember[];
  readonly line: CommonLine | null;
  /** The line to set out: the lowest that all share, or the cheapest cure's. `null` with nobody to line up. */
  readonly at_mm: number | null;
}

/** Highest stack of shims under a unit before it needs a board instead: common practice, no source. */
export const HIGHEST_SHIM_mm = 25;

/**
 * Returns the span of the common line for one plan.
 *
 * Sills and heads: the unit's bottom may stand from its sound seat up to that seat on the highest shims, while the
 * head keeps its least and does not pass its largest gap. Centres: the unit may go sideways until a jamb keeps its
 * least gap.
 */
export function spanOf(plan: Plan, kind: LineDocument['kind']): Span | SpanMissing {
  const { fit, opening, unit, frame } = plan;
  if (!opening.position) return 'position';
  if (!fit || !unit || !frame) return 'fit';
  const { gaps, left, bottom } = fit.placement;
  const { least_mm, largest_mm } = fit.limits;
  const smallest = (side: 'left' | 'right' | 'head') =>
    Math.min(...gaps.filter((g) => g.side === side).map((g) => g.flashed_mm));
  const largestHead = Math.max(...gaps.filter((g) => g.side === 'head').map((g) => g.flashed_mm));
  if (kind === 'centres') {
    const centre = opening.position.u.mm + left + unit.width.mm / 2;
    return {
      id: opening.id,
      low_mm: centre - (smallest('left') - least_mm),
      high_mm: centre + (smallest('right') - least_mm),
    };
  }
  const base = opening.position.v.mm + bottom + (kind === 'heads' ? unit.height.mm : 0);
  return {
    id: opening.id,
    low_mm: base + Math.max(0, largestHead - largest_mm),
    high_mm: base + Math.min(smallest('head') - least_mm, HIGHEST_SHIM_mm),
  };
}

/** Where each unit stands by itself on the scale of its line. */
const ownPlace = (plan: Plan, kind: LineDocument['kind']): number | null => {
  const { fit, opening, unit } = plan;
  if (!fit || !unit || !opening.position) return null;
  const { left, bottom } = fit.placement;
  if (kind === 'centres') return opening.position.u.mm + left + unit.width.mm / 2;
  return opening.position.v.mm + bottom + (kind === 'heads' ? unit.height.mm : 0);
};

export function lineUp(plans: readonly Plan[], kind: LineDocument['kind']): LineResult {
  const spans = plans.map((plan) => ({ plan, span: spanOf(plan, kind) }));
  const known = spans.flatMap(({ span }) => (typeof span === 'string' ? [] : [span]));
  const line = commonLine(known);
  const at_mm = line && (line.ok ? line.low_mm : line.at_mm);
  return {
    line,
    at_mm,
    members: spans.map(({ plan, span }) => {
      const own_mm = ownPlace(plan, kind);
      return {
        id: plan.opening.id,
        mark: plan.opening.mark,
        span: typeof span === 'string' ? null : span,
        missing: typeof span === 'string' ? span : null,
        own_mm,
        shift_mm: at_mm === null || own_mm === null ? null : at_mm - own_mm,
      };
    }),
  };
}
