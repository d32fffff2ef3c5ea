/** What a method is: rows for its pieces and its steps. Another method is other rows, not other code. */
import type { WallEvent } from '../order/events.ts';
import type { Side } from '../fit/placement.ts';
import type { PieceKind } from './pieces/index.ts';
import type { PresetId } from './presets.ts';

/**
 * `physical`: the other step makes this one possible (access, something there, lifted or gone).
 * `process`: rest, dryness, somebody's look. Laps are never written as an order: they are judged from the result.
 */
export type Reason = 'physical' | 'process';

export type StepNeed =
  | 'dry'
  | 'above-minimum-temperature'
  | 'roller'
  | 'two-people'
  | 'ladder'
  | 'ventilation'
  | 'level'
  | 'cutter';

/** When a row belongs to the plan of this opening at all. */
export type StepCondition = 'always' | 'opening-must-be-trimmed';

export interface StepRow {
  readonly id: string;
  readonly when: StepCondition;
  readonly after: readonly { readonly step: string; readonly because: Reason }[];
  readonly events: readonly Omit<WallEvent, 'step'>[];
  /** Pieces that can no longer be seen once this step is done. */
  readonly covers: readonly string[];
  /** Work stops after this step until somebody has looked. */
  readonly holdPoint: boolean;
  readonly needs: readonly StepNeed[];
  readonly work_min: number;
  readonly rest_min: number;
  readonly source: 'common practice, no source';
}

export interface PieceRow {
  readonly id: string;
  readonly kind: PieceKind;
  /** For kinds that are made once for each side. */
  readonly side?: Side;
}

export interface MethodPreset {
  readonly id: PresetId;
  readonly version: number;
  readonly pieces: readonly PieceRow[];
  readonly steps: readonly StepRow[];
}
