/**
 * What walls that were frozen earlier were, in words that were not there yet: an axis that is added says which of its
 * choices they had, a number that is added stands at its initial figure, and a reason
 * to wait gets the time it stood for. Nothing else of a frozen wall is ever filled in.
 */
import { type AxisId, type ChoiceOf } from '../vocabulary/axes.ts';
import { parameterIds, parameters } from '../vocabulary/parameters.ts';
import { isFields } from './renamed.ts';

/** Choices of axes that came after 28 November 2026, when walls were first frozen whole. A test asks for each. */
export const addedAxes: { readonly [Axis in AxisId]?: ChoiceOf<Axis> } = {
  seat: 'thinnest',
  jambHoles: 'pitch',
  firstFastener: 'upper-corner',
  fastenerKind: 'screws',
  bandFirst: 'on-frame',
  headSeam: 'none',
  fillSides: 'all',
  boardTime: 'after-unit',
  slits: 'head',
  begins: 'bare-opening',
  tapeBead: 'none',
  insideTrim: 'none',
};

const initials = Object.fromEntries(parameterIds.map((id) => [id, parameters[id].initial]));

/** A frozen wall with what was added since. */
export function withAdded(build: unknown): unknown {
  if (!isFields(build) || !isFields(build.choices) || !isFields(build.numbers)) return build;
  return {
    ...build,
    choices: { ...addedAxes, ...build.choices },
    numbers: { ...initials, ...build.numbers },
    ...(build.version === BEFORE_LAGS && {
      version: BEFORE_LAGS + 1,
      steps: Array.isArray(build.steps) ? withLags(build.steps) : build.steps,
    }),
  };
}

/** The last version whose reasons to wait said no times: a rest held back what waited for it as a process. */
const BEFORE_LAGS = 1;

function withLags(steps: readonly unknown[]): unknown[] {
  const rests = new Map(steps.filter(isFields).map(({ id, rest_min }) => [id, rest_min]));
  return steps.map((step) =>
    isFields(step) && Array.isArray(step.after)
      ? {
          ...step,
          after: step.after.map((reason: unknown) =>
            isFields(reason) && reason.because === 'process' && rests.get(reason.step)
              ? { ...reason, least_min: rests.get(reason.step) }
              : reason,
          ),
        }
      : step,
  );
}
