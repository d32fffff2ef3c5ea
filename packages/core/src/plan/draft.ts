/** Everything derived from one opening before anyone judges it. */
import type { AirProof } from '../air/proof.ts';
import type { JobContext, MethodDocument, Opening, Unit, Wall } from '../documents/schema.ts';
import type { Fastening } from '../fasteners/schedule.ts';
import type { Placement } from '../fit/placement.ts';
import type { Shim } from '../fit/shims.ts';
import type { FitLimits, FitResult } from '../fit/verdict.ts';
import type { Solid } from '../geometry/solid.ts';
import type { Choices } from '../methods/axes.ts';
import type { StepRow } from '../methods/method.ts';
import type { ParameterValues } from '../methods/parameters.ts';
import type { UnitContext } from '../methods/pieces/context.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { WallEvent } from '../order/events.ts';
import type { Exposed } from '../water/exposed.ts';
import type { WaterProof } from '../water/proof.ts';
import type { OpeningFrame, Readings } from '../survey/frame.ts';

export interface PlannedStep extends StepRow {
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

/** The build-up in space and over time; present once opening, wall, unit and method are known. */
export interface Build {
  readonly context: UnitContext;
  /** What stands before the first step: framing and sheathing. */
  readonly base: readonly Solid[];
  readonly pieces: readonly Piece[];
  readonly steps: readonly PlannedStep[];
  readonly events: readonly WallEvent[];
  readonly fastening: Fastening;
}

export interface Draft {
  readonly opening: Opening;
  readonly job: JobContext;
  readonly wall: Wall | null;
  readonly unit: Unit | null;
  readonly method: MethodDocument | null;
  readonly choices: Choices | null;
  readonly numbers: ParameterValues;
  readonly readings: Readings;
  readonly frame: OpeningFrame | null;
  readonly fit: Fit | null;
  readonly build: Build | null;
  readonly exposed: Exposed;
  /** Where water goes on the finished wall. */
  readonly water: WaterProof | null;
  /** Where the pen line runs round the finished opening. */
  readonly air: AirProof | null;
}
