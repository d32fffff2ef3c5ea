/** What places on a façade snap to, in what whoever moves them reads. Numbers that are typed can be finer. */
import type { LengthUnit } from '@hulvek/core';

export interface BoardSteps {
  /** While dragging, and for a key, mm. */
  readonly snap_mm: number;
  /** For a key with Shift, mm. */
  readonly large_mm: number;
}

const INCH_mm = 25.4;

export const boardSteps: Readonly<Record<LengthUnit, BoardSteps>> = {
  mm: { snap_mm: 10, large_mm: 100 },
  in: { snap_mm: INCH_mm / 8, large_mm: INCH_mm * 4 },
};
