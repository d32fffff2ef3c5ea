/** The words of a finding, in the units of the job. */
import type { Finding, FindingCode, FindingFacts } from '../findings/finding.ts';
import { formatLength, roundUpToMark } from '../quantities/format-length.ts';
import type { LengthUnit } from '../quantities/length.ts';
import { writeU } from '../quantities/u-value.ts';
import { findingTexts } from './language.ts';
import type { Figures, FindingText } from './finding-text.ts';

export const figuresIn = (unit: LengthUnit): Figures => ({
  length: (mm) => formatLength(mm, unit),
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
