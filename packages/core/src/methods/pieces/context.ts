/**
 * What a piece maker may know: the opening it covers, the wall, the numbers, and later the unit's place.
 *
 * Everything built is in the frame of the opening that the pieces wrap: u and v from its lower left corner, w from
 * the face the unit's joint lies in, + to the weather. Without a buck that is the rough opening and the sheathing's
 * outer face; `origin` says where this frame stands in the wall's own.
 */
import { surfaceOf, type Surface, type Surfaces } from '../../geometry/surface.ts';
import type { SurfaceId } from '../../vocabulary/surfaces.ts';
import { radians, type Point3 } from '../../geometry/vector.ts';
import type { Choices } from '../../vocabulary/axes.ts';
import type { ParameterValues } from '../../vocabulary/parameters.ts';

/** A frame between the framing and the unit. */
export interface BuckGeometry {
  readonly kind: 'lumber' | 'foam-l' | 'panel-frame';
  /** Thickness inside the rough opening, on all four sides. */
  readonly leg: number;
  readonly projection: number;
  /** Width of its front beyond the opening that it leaves. */
  readonly face: number;
}

/** A layer of the wall in the depth, from its outer to its inner face. */
export interface WallLayer {
  readonly role: string;
  readonly material: string;
  readonly w: readonly [inner: number, outer: number];
}

export interface OpeningGeometry {
  /** The widest and tallest figures: a piece cut to them reaches everywhere. */
  readonly width: number;
  readonly height: number;
  /** Where the frame of the build stands: rough opening and sheathing face of the wall. */
  readonly origin: Point3;
  /** Sheathing (or the masonry's outer face) and the framing's room side, as w. */
  readonly sheathing: number;
  readonly framing: number;
  /** How deep the reveal is, from the face to the room side of the framing. */
  readonly depth: number;
  readonly layers: readonly WallLayer[];
  readonly buck: BuckGeometry | null;
  /** How much of the sill's slope is the fall of what is there, as measured, degrees outward. */
  readonly sillFall_deg?: number;
  readonly surfaces: Surfaces;
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
  /** 0 for a frame without fins. */
  readonly finWidth: number;
  readonly holeFromFrame: number;
  /** From hole to hole along the fin, where it is known. */
  readonly holePitch?: number;
  /** Frame outside and inside, as w. */
  readonly front: number;
  readonly back: number;
}

/** Before the unit's place is known only what lies on the opening itself can be made. */
export interface PieceContext {
  readonly opening: OpeningGeometry;
  readonly numbers: ParameterValues;
  readonly choices: Choices;
  readonly unit: UnitGeometry | null;
}

export type UnitContext = PieceContext & { readonly unit: UnitGeometry };

export function withUnit(context: PieceContext, piece: string): UnitContext {
  if (!context.unit) throw new Error(`${piece} needs the unit's place`);
  return { ...context, unit: context.unit };
}

export const surfaceIn = ({ opening }: PieceContext, id: SurfaceId): Surface =>
  surfaceOf(opening.surfaces, id);

/** Height of the sill reveal above the opening's bottom at `inward_mm` behind the face. */
export function sillHeight(numbers: ParameterValues, inward_mm: number): number {
  return numbers.boardFront + inward_mm * Math.tan(radians(numbers.slope));
}

export const edgesOfUnit = (context: PieceContext, piece: string) => {
  const { unit } = withUnit(context, piece);
  return { ...unit, right: unit.left + unit.width, top: unit.bottom + unit.height };
};
