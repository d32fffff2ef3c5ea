/** The catalogue of all words the core knows. One language so far; another is another set of these tables. */
import type { Finding, FindingCode, FindingFacts } from '../findings/finding.ts';
import { formatLength, roundUpToMark } from '../quantities/format-length.ts';
import type { LengthUnit } from '../quantities/length.ts';
import { findingTexts } from './en/findings.ts';
import type { Figures, FindingText } from './finding-text.ts';
import { axisIds, type Choices } from '../vocabulary/axes.ts';
import { pieceTexts } from './en/pieces.ts';
import { stepTexts, type StepText } from './en/steps.ts';

export * from './finding-text.ts';
export * from './en/air.ts';
export * from './en/findings.ts';
export * from './en/heat-things.ts';
export * from './en/joints.ts';
export * from './en/judgement.ts';
export * from './en/moisture.ts';
export * from './en/pieces.ts';
export * from './en/places.ts';
export * from './en/rules.ts';
export * from './en/schools.ts';
export * from './en/steps.ts';
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

/** Words of a step, with what the choices of this opening add to it. */
export function stepText(id: string, choices: Choices | null = null): StepText {
  const text = (stepTexts as Readonly<Record<string, StepText>>)[id];
  if (!text) return { short: id, title: id, how: '', why: '' };
  const more = axisIds.flatMap((axis) => (choices && text.with?.[axis]?.[choices[axis]]) || []);
  return { ...text, how: [text.how, ...more].join(' ') };
}

export const pieceText = (id: string): string => pieceTexts[id] ?? id;
