/** The unit to order for an opening that is there: the largest that stands level and plumb in it, less its clearance. */
import type { OpeningFrame } from '../survey/frame.ts';
import type { Size } from '../quantities/size.ts';

/** The largest level and plumb rectangle that no measured point enters. */
export interface Inscribed extends Size {
  readonly left: number;
  readonly bottom: number;
  /** What a tape alone would have said: the tightest width and the tightest height. */
  readonly tape: Size;
}

/**
 * Returns the inscribed rectangle of a measured opening. Lean takes width that no single width shows: jambs that
 * both lean 5 mm leave 5 mm less than the tape says.
 *
 * Source: plane geometry.
 */
export function inscribed({ left, right, bottom, top }: OpeningFrame): Inscribed {
  const from = Math.max(...left.map((s) => s.u));
  const to = Math.min(...right.map((s) => s.u));
  const low = Math.max(...bottom.map((s) => s.v));
  const high = Math.min(...top.map((s) => s.v));
  return {
    left: from,
    bottom: low,
    width: to - from,
    height: high - low,
    tape: {
      width: Math.min(...left.map((s, i) => (right[i]?.u ?? Infinity) - s.u)),
      height: Math.min(...top.map((s, i) => s.v - (bottom[i]?.v ?? -Infinity))),
    },
  };
}

/** 3/8 to 1/2 in off the tightest inside measure: common practice, no source. */
export const POCKET_DEDUCTION_mm = { least: 9.525, most: 12.7 } as const;

/** Makers cut to this step; rounding goes down, a larger unit would not go in. */
const STEP_mm = 1;

/** Returns the unit to order; each size is at least one step smaller than `opening` less `deduct`. */
export const unitToOrder = (opening: Size, deduct: Size, step_mm = STEP_mm): Size => ({
  width: Math.floor((opening.width - deduct.width) / step_mm + 1e-9) * step_mm,
  height: Math.floor((opening.height - deduct.height) / step_mm + 1e-9) * step_mm,
});

export interface Pocket {
  readonly unit: Size;
  /** Open height above the unit that an expander closes, mm. */
  readonly expander_mm: number;
  readonly extender: SillExtender;
}

/**
 * Returns a replacement for an old frame that stays: level unit, tightest points, old sill falling by `slope_deg`.
 *
 * @param frame the old frame's inside, measured stop to stop
 * @param groove_mm height of the extender's groove above the underside of the new unit
 * @param board_mm thickness of the extender board
 */
export function pocketReplacement(o: {
  frame: OpeningFrame;
  deduct: Size;
  slope_deg: number;
  shim_mm: number;
  groove_mm: number;
  board_mm: number;
}): Pocket {
  const room = inscribed(o.frame);
  const unit = unitToOrder(room, o.deduct);
  return {
    unit,
    expander_mm: room.height - unit.height - o.shim_mm,
    extender: sillExtender({
      height_mm: o.shim_mm + o.groove_mm,
      board_mm: o.board_mm,
      slope_deg: o.slope_deg,
    }),
  };
}

export interface SillExtender {
  /** Height to rip the board to: its longer face, mm. */
  readonly rip_mm: number;
  /** Its shorter face, mm. */
  readonly shorter_mm: number;
  readonly bevel_deg: number;
}

/**
 * Returns how a vertical board under the unit is ripped to a sloped sill: the longer face is the rip, the bevel is
 * the sill's angle, the faces differ by thickness · tan θ.
 *
 * Source: plane geometry.
 *
 * @param height_mm groove to sloped sill, measured at the board's outer, lower face
 * @example sillExtender({ height_mm: 40, board_mm: 19, slope_deg: 10 }) // rip 40, shorter 36.6…
 */
export function sillExtender(o: { height_mm: number; board_mm: number; slope_deg: number }): SillExtender {
  const step = o.board_mm * Math.tan((o.slope_deg * Math.PI) / 180);
  return { rip_mm: o.height_mm, shorter_mm: o.height_mm - step, bevel_deg: o.slope_deg };
}
