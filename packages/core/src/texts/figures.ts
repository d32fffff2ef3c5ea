/** How figures are written for who reads them. */
import { formatLength, roundUpToMark } from '../quantities/format-length.ts';
import type { LengthUnit } from '../quantities/length.ts';
import { writeMeasure } from '../quantities/measure.ts';
import { writeU } from '../quantities/u-value.ts';
import type { Figures } from './finding-text.ts';

export const figuresIn = (unit: LengthUnit): Figures => ({
  system: unit,
  length: (mm) => formatLength(mm, unit),
  measure: (kind, kept, digits) => writeMeasure(kind, kept, unit, digits),
  u: (value) => writeU(value, unit),
  lengthUp: (mm) => formatLength(roundUpToMark(mm, unit), unit),
});
