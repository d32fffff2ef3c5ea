/** The catalogue of all words the core knows. One language so far; another is another set of these tables. */
import type { Finding, FindingCode, FindingFacts } from '../findings/finding.ts';
import { formatLength, roundUpToMark } from '../quantities/format-length.ts';
import type { LengthUnit } from '../quantities/length.ts';
import { findingTexts, type Figures, type FindingText } from './en/findings.ts';
import { pieceTexts, stepTexts, type StepText } from './en/method.ts';

export * from './en/findings.ts';
export * from './en/method.ts';
export * from './en/survey.ts';

export const figuresIn = (unit: LengthUnit): Figures => ({
  length: (mm) => formatLength(mm, unit),
  lengthUp: (mm) => formatLength(roundUpToMark(mm, unit), unit),
});

export function findingText(finding: Finding, figures: Figures): FindingText {
  const write = findingTexts[finding.code] as (
    facts: FindingFacts[FindingCode],
    figures: Figures,
  ) => FindingText;
  return write(finding.facts, figures);
}

export function stepText(id: string): StepText {
  const text = (stepTexts as Readonly<Record<string, StepText>>)[id];
  return text ?? { short: id, title: id, how: '', why: '' };
}

export const pieceText = (id: string): string => (pieceTexts as Readonly<Record<string, string>>)[id] ?? id;
