/** The words of a finding, in the units of who reads. */
import type { Finding, FindingCode, FindingFacts } from '../findings/finding.ts';
import { formatLength, roundUpToMark } from '../quantities/format-length.ts';
import type { LengthUnit } from '../quantities/length.ts';
import { writeMeasure } from '../quantities/measure.ts';
import { writeU } from '../quantities/u-value.ts';
import { findingTexts } from './language.ts';
import type { Figures, FindingText } from './finding-text.ts';

export const figuresIn = (unit: LengthUnit): Figures => ({
  system: unit,
  length: (mm) => formatLength(mm, unit),
  measure: (kind, kept, digits) => writeMeasure(kind, kept, unit, digits),
  u: (value) => writeU(value, unit),
  lengthUp: (mm) => formatLength(roundUpToMark(mm, unit), unit),
});

export function findingText(finding: Finding, figures: Figures): FindingText {
  const write = findingTexts[finding.code] as (
    facts: FindingFacts[FindingCode],
    figures: Figures,
  ) => FindingText;
  return write(finding.facts, figures);
}
