/** The build-up of one opening in space and over time. */
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import type { StepRow } from '../methods/method.ts';
import type { Placement } from '../fit/placement.ts';
import type { FitLimits, FitResult } from '../fit/verdict.ts';
import type { Shim } from '../fit/shims.ts';
import type { UnitContext } from '../methods/pieces/context.ts';
import type { Range, Solid } from '../geometry/solid.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { WallEvent } from '../vocabulary/events.ts';
import type { Side } from '../vocabulary/sides.ts';
import type { Fastening } from '../methods/fasteners.ts';

/** A row with only what there is to do here. */
export interface PlannedStep extends Omit<StepRow, 'when'> {
  /** Pieces that come onto the wall in this step. */
  readonly places: readonly string[];
  /** Equal for equal content: a tick given on an older plan stands where this has not changed. */
  readonly hash: string;
}

export interface Fit {
  readonly placement: Placement;
  readonly limits: FitLimits;
  readonly result: FitResult;
  readonly shims: readonly Shim[];
}

/** What was built otherwise than a piece is made. */
export type Flaw =
  /** Its bond is open over a stretch of u or v. */
  | {
      readonly kind: 'bond-open';
      readonly piece: string;
      readonly axis: 'u' | 'v';
      readonly range: Range;
      /** On this side of the opening only, where the piece runs along several. */
      readonly side?: Side;
    }
  /** Caulked, pinched or foamed shut: nothing leaves at the sill. */
  | { readonly kind: 'sill-closed' };

/** The build-up in space and over time; present once opening, wall, unit and method are known. */
export interface Build {
  readonly wall: Wall;
  readonly unit: Unit;
  readonly fit: Fit;
  readonly context: UnitContext;
  /** What stands before the first step: framing and sheathing. */
  readonly base: readonly Solid[];
  readonly pieces: readonly Piece[];
  readonly steps: readonly PlannedStep[];
  readonly events: readonly WallEvent[];
  readonly fastening: Fastening;
  /** What was built otherwise; a plan has none. */
  readonly flaws?: readonly Flaw[];
}
