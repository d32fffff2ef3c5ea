/** What to frame for a unit, and the unit for what is framed: one figure for every page, drawing and file. */
import { buckOf } from '../build/base.ts';
import { roughOpening, unitToOrder } from '../order-size/index.ts';
import { markStep, roundUpToMark } from '../quantities/format-length.ts';
import type { Size } from '../quantities/size.ts';
import type { Plan } from './plan-opening.ts';

type Framed = Pick<Plan, 'build' | 'choices' | 'fit' | 'job' | 'method' | 'numbers' | 'unit'>;

/** Board, slope, pan and shim under a unit of which nothing is built yet: common practice, no source. mm. */
const USUAL_BOTTOM_mm = 16;

export interface Framing {
  /** Between unit and framing, or buck, mm. */
  readonly clearance: { readonly width_mm: number; readonly head_mm: number; readonly sill_mm: number };
  /** Of the buck in the opening, as the plan takes it; 0 without one. */
  readonly leg_mm: number;
  /** What a frame takes beside the unit, mm. */
  readonly deduct: Size;
}

/** Returns what stands between a unit and its framing, wherever the leg of a buck was chosen. */
export function framingOf({ build, choices, fit, method, numbers }: Framed): Framing {
  const buck = build?.context.opening.buck ?? (choices && buckOf(choices, numbers, method));
  const leg_mm = buck?.leg ?? 0;
  const clearance = {
    width_mm: 2 * numbers.frameClearance,
    head_mm: numbers.frameClearance,
    sill_mm: fit?.placement.bottom ?? USUAL_BOTTOM_mm,
  };
  return {
    clearance,
    leg_mm,
    deduct: {
      width: clearance.width_mm + 2 * leg_mm,
      height: clearance.head_mm + clearance.sill_mm + 2 * leg_mm,
    },
  };
}

/**
 * Returns the opening to frame for the unit, rounded up to the mark of the job's units: a frame that is too large is
 * shimmed, one that is too small is cut.
 *
 * Source: sums of lengths; common practice, no source.
 */
export function sizeToFrame(plan: Framed): Size | null {
  const { unit, job } = plan;
  if (!unit) return null;
  const { clearance, leg_mm } = framingOf(plan);
  const need = roughOpening({
    unit: { width: unit.width.mm, height: unit.height.mm },
    clearance,
    leg_mm,
  });
  const up = (mm: number) => roundUpToMark(mm, job.job.units);
  return { width: up(need.width), height: up(need.height) };
}

/** Returns the unit to order for a framed opening, rounded down to the mark of the job's units. */
export const sizeToOrder = (plan: Framed, framed: Size): Size =>
  unitToOrder(framed, framingOf(plan).deduct, markStep(plan.job.job.units));
