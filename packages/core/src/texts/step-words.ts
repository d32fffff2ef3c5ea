/** The words of steps and pieces. */
import { axisIds, type Choices } from '../vocabulary/axes.ts';
import { pieceTexts, stepTexts, type StepText } from './language.ts';

/** Words of a step, with what the choices of this opening add to it. */
export function stepText(id: string, choices: Choices | null = null): StepText {
  const text = (stepTexts as Readonly<Record<string, StepText>>)[id];
  if (!text) return { short: id, title: id, how: '', why: '' };
  const more = axisIds.flatMap((axis) => (choices && text.with?.[axis]?.[choices[axis]]) || []);
  return { ...text, how: [text.how, ...more].join(' ') };
}

export const pieceText = (id: string): string => pieceTexts[id] ?? id;
