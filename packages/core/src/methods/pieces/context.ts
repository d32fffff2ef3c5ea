/** What a piece maker may know: the opening it covers, the wall, the numbers, and later the unit's place. */
import type { Surface, SurfaceId } from '../../geometry/surface.ts';
import { radians } from '../../geometry/vector.ts';
import type { ParameterValues } from '../parameters.ts';

export interface OpeningGeometry {
  /** The widest and tallest figures: a piece cut to them reaches everywhere. */
  readonly width: number;
  readonly height: number;
  readonly sheathing: number;
  readonly framing: number;
  /** Sheathing and framing together: how deep the reveal is. */
  readonly depth: number;
  readonly surfaces: Readonly<Record<SurfaceId, Surface>>;
}

export interface UnitGeometry {
  readonly width: number;
  readonly height: number;
  /** Lower left corner of the frame. */
  readonly left: number;
  readonly bottom: number;
  readonly frameFace: number;
  /** Centres of the mullions of joined units, as u. */
  readonly mullions: readonly number[];
  readonly finWidth: number;
  readonly holeFromFrame: number;
  /** Frame outside and inside, as w. */
  readonly front: number;
  readonly back: number;
}

/** Before the unit's place is known only what lies on the opening itself can be made. */
export interface PieceContext {
  readonly opening: OpeningGeometry;
  readonly numbers: ParameterValues;
  readonly unit: UnitGeometry | null;
}

export function withUnit(context: PieceContext, piece: string): PieceContext & { unit: UnitGeometry } {
  if (!context.unit) throw new Error(`${piece} needs the unit's place`);
  return { ...context, unit: context.unit };
}

/** Height of the sill reveal above the rough sill at `inward_mm` behind the sheathing's face. */
export function sillHeight(numbers: ParameterValues, inward_mm: number): number {
  return numbers.boardFront + inward_mm * Math.tan(radians(numbers.slope));
}
