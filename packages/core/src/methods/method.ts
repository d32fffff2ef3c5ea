/** What a method is: a choice on every axis. Its pieces and steps are the rows of two tables that agree with them. */
import type { Side } from '../vocabulary/sides.ts';
import type { SolidMaterial, SheetMaterialId } from '../vocabulary/materials.ts';
import type { WallEvent } from '../vocabulary/events.ts';
import type { Choices, Condition } from '../vocabulary/axes.ts';
import type { ParameterId } from '../vocabulary/parameters.ts';
import type { PieceKind } from './piece-kinds.ts';
import type { PieceRole } from '../vocabulary/roles.ts';
import type { PresetId } from '../vocabulary/presets.ts';

/**
 * `physical`: the other step makes this one possible (access, something there, lifted or gone).
 * `process`: rest, dryness, somebody's look. Laps are never written as an order: they are judged from the result.
 */
export type Reason = 'physical' | 'process';

/**
 * Time between two steps, minutes: at least and at most from the start or the end of the one (by itself its end) to the
 * start or the end of the other (by itself its start).
 */
export interface Lag {
  readonly from?: 'start' | 'end';
  readonly to?: 'start' | 'end';
  readonly least_min?: number;
  readonly most_min?: number;
}

/** What a step waits for, and how long. */
export interface After extends Lag {
  readonly step: string;
  readonly because: Reason;
  /** The opening's own order goes against it: it holds nothing back any more, and is found. */
  readonly setAside?: true;
}

export type StepNeed =
  | 'dry'
  | 'above-minimum-temperature'
  | 'roller'
  | 'two-people'
  | 'ladder'
  | 'ventilation'
  | 'level'
  | 'cutter'
  | 'comb-gauge';

export interface StepRow {
  readonly id: string;
  /** Variants of one step share a role; other rows may wait for the role. */
  readonly role: string;
  readonly when: Condition;
  /** Ids or roles of other rows. */
  readonly after: readonly After[];
  readonly events: readonly Omit<WallEvent, 'step'>[];
  /** Pieces that can no longer be seen once this step is done. */
  readonly covers: readonly string[];
  /** Work stops after this step until somebody has looked. */
  readonly holdPoint: boolean;
  readonly needs: readonly StepNeed[];
  readonly work_min: number;
  /** It holds back what waits for it as a process, and what says so for a physical reason. */
  readonly rest_min: number;
  readonly source: 'common practice, no source';
}

export interface PieceRow {
  readonly id: string;
  /** What it is called apart from its side: left and right of one family are one thing to whoever makes them. */
  readonly family: string;
  readonly kind: PieceKind;
  /** What it does in the wall; all that its kind does, at least. */
  readonly roles: readonly PieceRole[];
  readonly when: Condition;
  /** For kinds that are made once for each side. */
  readonly side?: Side;
  /** For kinds that come in several materials. */
  readonly sheet?: SheetMaterialId;
  readonly solid?: SolidMaterial;
}

export interface MethodPreset {
  readonly id: PresetId;
  readonly version: number;
  readonly choices: Choices;
  /** Where this school departs from the defaults of the numbers; mm or degrees. */
  readonly numbers: Partial<Readonly<Record<ParameterId, number>>>;
}
