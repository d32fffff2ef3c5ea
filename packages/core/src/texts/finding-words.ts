/** The words of a finding, in the units of who reads. */
import type { Finding, FindingCode, FindingFacts } from '../findings/finding.ts';
import { findingTexts } from './language.ts';
import type { Figures, FindingText } from './finding-text.ts';

export function findingText(finding: Finding, figures: Figures): FindingText {
  const write = findingTexts[finding.code] as (
    facts: FindingFacts[FindingCode],
    figures: Figures,
  ) => FindingText;
  return write(finding.facts, figures);
}
