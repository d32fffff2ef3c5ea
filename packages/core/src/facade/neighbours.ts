/** Openings of one façade as they lie beside each other: free wall between them, and strips that meet. */
import type { Plan } from '../plan/plan-opening.ts';
import { farthestReach, pieceReaches, type Reach, type WallSide } from '../build/reach.ts';

/** A rough opening on its façade, mm; u to the right and v up, seen from outside. */
export interface Placed {
  readonly id: string;
  readonly facade: string;
  readonly left: number;
  readonly bottom: number;
  readonly width: number;
  readonly height: number;
}

/** Drawn for an opening of which nothing is known but its place: common practice, no source. */
const UNKNOWN_mm = { width: 900, height: 1200 };

/** `null` while the opening has no place on its façade. */
export function placed({ opening, frame, unit }: Pick<Plan, 'opening' | 'frame' | 'unit'>): Placed | null {
  const { position, id, facade } = opening;
  if (!position) return null;
  const width = frame?.cover.width ?? unit?.width.mm ?? UNKNOWN_mm.width;
  const height = frame?.cover.height ?? unit?.height.mm ?? UNKNOWN_mm.height;
  return { id, facade, left: position.u.mm, bottom: position.v.mm, width, height };
}

const overlap = (a0: number, a1: number, b0: number, b1: number): boolean => a0 < b1 && b0 < a1;

/** Clear wall from `a` to `b` on the side of `a` where `b` lies; `null` where they face each other with no side. */
function between(a: Placed, b: Placed): { side: WallSide; free_mm: number } | null {
  const sideways = overlap(a.bottom, a.bottom + a.height, b.bottom, b.bottom + b.height);
  const upwards = overlap(a.left, a.left + a.width, b.left, b.left + b.width);
  if (sideways && !upwards) {
    return b.left >= a.left + a.width
      ? { side: 'right', free_mm: b.left - a.left - a.width }
      : { side: 'left', free_mm: a.left - b.left - b.width };
  }
  if (upwards && !sideways) {
    return b.bottom >= a.bottom + a.height
      ? { side: 'above', free_mm: b.bottom - a.bottom - a.height }
      : { side: 'below', free_mm: a.bottom - b.bottom - b.height };
  }
  return null;
}

export interface Collision {
  /** The opening on the left or below comes first. */
  readonly openings: readonly [string, string];
  readonly kind: 'openings-overlap' | 'strips-meet';
  readonly side: WallSide;
  /** Wall between the rough openings, and what their strips need together, mm. */
  readonly free_mm: number;
  readonly needs_mm: number;
}

const OPPOSITE: Readonly<Record<WallSide, WallSide>> = {
  left: 'right',
  right: 'left',
  above: 'below',
  below: 'above',
};

/**
 * Returns every two openings of one façade whose strips need more wall than there is between them, or that lie over
 * each other.
 *
 * Source: plane geometry.
 */
export function collisions(plans: readonly Plan[]): Collision[] {
  const list = plans.flatMap((plan) => {
    const place = placed(plan);
    return place ? [{ place, reach: farthestReach(pieceReaches(plan)) }] : [];
  });
  return list.flatMap(({ place: a, reach: ra }, i) =>
    list.slice(i + 1).flatMap(({ place: b, reach: rb }): Collision[] => {
      if (a.facade !== b.facade) return [];
      const found = meeting(a, ra, b, rb);
      return found ? [found] : [];
    }),
  );
}

function meeting(a: Placed, ra: Reach, b: Placed, rb: Reach): Collision | null {
  const both =
    overlap(a.left, a.left + a.width, b.left, b.left + b.width) &&
    overlap(a.bottom, a.bottom + a.height, b.bottom, b.bottom + b.height);
  if (both)
    return { openings: [a.id, b.id], kind: 'openings-overlap', side: 'right', free_mm: 0, needs_mm: 0 };
  const gap = between(a, b);
  if (!gap) return null;
  const needs_mm = ra[gap.side] + rb[OPPOSITE[gap.side]];
  if (needs_mm <= gap.free_mm) return null;
  const first = gap.side === 'right' || gap.side === 'above';
  return {
    openings: first ? [a.id, b.id] : [b.id, a.id],
    kind: 'strips-meet',
    side: first ? gap.side : OPPOSITE[gap.side],
    free_mm: gap.free_mm,
    needs_mm,
  };
}
