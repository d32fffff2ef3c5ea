/** What the words of a finding are made of. */

import type { LengthUnit } from '../quantities/length.ts';
import type { MeasureKind } from '../quantities/measure.ts';

/** How figures are written: in what the reader reads, and rounded up where too little would not do. */
export interface Figures {
  readonly system: LengthUnit;
  readonly length: (mm: number) => string;
  readonly lengthUp: (mm: number) => string;
  /** Of a value in W/(m² K). */
  readonly u: (value: number) => string;
  /** Anything else, from the unit it is kept in, with the unit it is read in. */
  readonly measure: (kind: MeasureKind, kept: number, digits?: number) => string;
}

export interface FindingText {
  readonly title: string;
  readonly text: string;
}
