/** The words of steps and pieces. */
import type { SashKind } from '../documents/unit.ts';
import { axisIds, holdsFor, type Choices } from '../vocabulary/axes.ts';
import { pieceTexts, stepTexts, type StepText } from './language.ts';

/** Words of a step, with what the choices of this opening and the way its unit opens add to it. */
export function stepText(
  id: string,
  choices: Choices | null = null,
  operation: SashKind | null = null,
): StepText {
  const text = (stepTexts as Readonly<Record<string, StepText>>)[id];
  if (!text) return { short: id, title: id, how: '', why: '' };
  const more = axisIds.flatMap((axis) => (choices && text.with?.[axis]?.[choices[axis]]) || []);
  const together = (text.where ?? []).flatMap(({ when, says }) =>
    choices && holdsFor(when, choices, new Set()) ? [says] : [],
  );
  const sash = (operation && text.sash?.[operation]) ?? '';
  return { ...text, how: [text.how, ...together, ...more, sash].filter(Boolean).join(' ') };
}

export const pieceText = (id: string): string => pieceTexts[id] ?? id;
