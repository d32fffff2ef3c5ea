/** Where the unit sits in the opening: level, plumb, centred sideways, as low as a sound seat allows. */
import type { OpeningFrame, Place, Station } from '../survey/frame.ts';
import { sides, type Side } from '../vocabulary/sides.ts';

export interface FitInput {
  readonly frame: OpeningFrame;
  readonly unit: { readonly width: number; readonly height: number };
  /** Flashing on the reveals where a station lies, mm. */
  readonly layers: (side: Side, place: Place) => number;
  /** Least height of the frame's underside above the rough sill: board, slope, pan and the thinnest shim. */
  readonly seat_mm: number;
  /** Where head and sill are to have equal space: what lies under the frame without any shim, mm. */
  readonly equalOver_mm?: number | null;
}

/** Free space between unit and opening at one measured place. */
export interface Gap {
  readonly side: Side;
  readonly place: Place;
  readonly at: readonly [u: number, v: number];
  /** To the bare framing, and to the flashed reveal; negative where they overlap. */
  readonly bare_mm: number;
  readonly flashed_mm: number;
  readonly basis: Station['basis'];
}

export interface Placement {
  /** Lower left corner of the unit's frame in the opening's frame. */
  readonly left: number;
  readonly bottom: number;
  readonly gaps: readonly Gap[];
}

/**
 * Returns the level and plumb place of the unit that maximises the smallest side gap over all measured places
 * and sits on the thinnest sound seat above the highest measured point of the sill.
 *
 * Where equal space is asked for it stands in the middle of the height instead, never under that seat.
 *
 * Sideways the optimum is in the middle between the innermost flashed points of both jambs. Upwards it is not
 * centred: the header creeps down, so the head takes what is left.
 *
 * Source: plane geometry; the low seat is common practice, no source.
 *
 * @example a 900 wide unit between jambs at 0 and 918 with 1 mm of flashing each: left 9, both side gaps 8
 */
export function placeUnit({ frame, unit, layers, seat_mm, equalOver_mm = null }: FitInput): Placement {
  const leftEdge = Math.max(...frame.left.map((s) => s.u + layers('left', s.place)));
  const rightEdge = Math.min(...frame.right.map((s) => s.u - layers('right', s.place)));
  const left = (leftEdge + rightEdge - unit.width) / 2;
  const sill = Math.max(...frame.bottom.map((s) => s.v));
  const low = sill + seat_mm;
  const bottom = equalOver_mm === null ? low : Math.max(low, middle(sill + equalOver_mm));

  /** Height at which what is free over the frame is free under it too. */
  function middle(over: number): number {
    const head = Math.min(...frame.top.map((s) => s.v - layers('head', s.place)));
    return (over + head - unit.height) / 2;
  }

  const clear: Record<Side, (s: Station) => number> = {
    left: (s) => left - s.u,
    right: (s) => s.u - left - unit.width,
    head: (s) => s.v - bottom - unit.height,
    sill: (s) => bottom - s.v,
  };
  const stations = { left: frame.left, right: frame.right, head: frame.top, sill: frame.bottom };
  const gaps = sides.flatMap((side) =>
    stations[side].map((station): Gap => {
      const bare_mm = clear[side](station);
      return {
        side,
        place: station.place,
        at: [station.u, station.v],
        bare_mm,
        flashed_mm: bare_mm - layers(side, station.place),
        basis: station.basis,
      };
    }),
  );
  return { left, bottom, gaps };
}

/** Smallest flashed gap on the sides where gaps count against foam: both jambs and the head. */
export const smallestGap = ({ gaps }: Placement): number =>
  Math.min(...gaps.filter((g) => g.side !== 'sill').map((g) => g.flashed_mm));
