/**
 * What walls that were frozen earlier were, in words that were not there yet: an axis that is added says which of its
 * choices they had, a number that is added stands at its initial figure. Nothing else of a frozen wall is ever filled in.
 */
import { type AxisId, type ChoiceOf } from '../vocabulary/axes.ts';
import { parameterIds, parameters } from '../vocabulary/parameters.ts';
import { isFields } from './renamed.ts';

/** Choices of axes that came after 28 November 2026, when walls were first frozen whole. A test asks for each. */
export const addedAxes: { readonly [Axis in AxisId]?: ChoiceOf<Axis> } = {};

const initials = Object.fromEntries(parameterIds.map((id) => [id, parameters[id].initial]));

/** A frozen wall with what was added since. */
export function withAdded(build: unknown): unknown {
  if (!isFields(build) || !isFields(build.choices) || !isFields(build.numbers)) return build;
  return {
    ...build,
    choices: { ...addedAxes, ...build.choices },
    numbers: { ...initials, ...build.numbers },
  };
}
