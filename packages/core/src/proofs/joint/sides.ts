/** The joint as it was measured: along each side its least and its most, and how far it moves. */
import type { Unit } from '../../documents/unit.ts';
import type { Gap, Placement } from '../../fit/placement.ts';
import { sides, type Side } from '../../vocabulary/sides.ts';
import { jointMovement, SETTING_mm, type JointSeason, type Movement } from './movement.ts';

export interface JointSide {
  readonly side: Side;
  /** Between frame and flashed reveal, mm. */
  readonly least: Pick<Gap, 'side' | 'place'> & { readonly mm: number };
  readonly most: Pick<Gap, 'side' | 'place'> & { readonly mm: number };
  readonly mean_mm: number;
  readonly length_mm: number;
  /** Whether every place of it was measured; otherwise it is what the drawing says. */
  readonly measured: boolean;
  readonly movement: Movement;
}

/** A frame stands on its shims: it cannot go down, so the joint under it keeps its width. */
const HELD: Movement = { opens_mm: 0, closes_mm: 0, least_mm: SETTING_mm };

export function jointSides(o: {
  readonly placement: Placement;
  readonly unit: Unit;
  readonly season: JointSeason;
}): JointSide[] {
  const { placement, unit, season } = o;
  const material = unit.frameMaterial ?? 'vinyl';
  return sides.flatMap((side): JointSide[] => {
    const gaps = placement.gaps
      .filter((gap) => gap.side === side)
      .toSorted((a, b) => a.flashed_mm - b.flashed_mm);
    const [first, last] = [gaps[0], gaps.at(-1)];
    if (!first || !last) return [];
    const upright = side === 'left' || side === 'right';
    const across_mm = upright ? unit.width.mm : unit.height.mm;
    return [
      {
        side,
        least: { side, place: first.place, mm: first.flashed_mm },
        most: { side, place: last.place, mm: last.flashed_mm },
        mean_mm: gaps.reduce((sum, gap) => sum + gap.flashed_mm, 0) / gaps.length,
        length_mm: upright ? unit.height.mm : unit.width.mm,
        measured: gaps.every((gap) => gap.basis === 'measured'),
        movement: side === 'sill' ? HELD : jointMovement({ length_mm: across_mm, material, season }),
      },
    ];
  });
}
