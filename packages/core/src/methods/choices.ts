/** What was chosen for one opening: the school's choices, changed by the job's method, changed by the opening. */
import type { MethodDocument } from '../documents/method.ts';
import type { Opening } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import type { Choices, Fact } from '../vocabulary/axes.ts';
import { presets } from './schools.ts';
import type { ParameterValues } from '../vocabulary/parameters.ts';
import { glassWeight } from '../unit/weight.ts';
import { hasOuterLeaf } from './wall-depths.ts';

const BUCK_AXIS = { lumber: 'lumber', foam: 'foam-l' } as const;

export function methodChoices(method: MethodDocument): Choices {
  const buck = method.buck ? { buck: BUCK_AXIS[method.buck.kind] } : {};
  return { ...presets[method.preset].choices, ...buck, ...given(method.choices ?? {}) };
}

export const choicesOf = (method: MethodDocument, opening: Pick<Opening, 'choices'>): Choices => ({
  ...methodChoices(method),
  ...given(opening.choices ?? {}),
});

/** Leaves out axes that a document names without a choice. */
const given = (choices: { readonly [axis: string]: string | undefined }): Partial<Choices> =>
  Object.fromEntries(Object.entries(choices).filter(([, choice]) => choice !== undefined));

/** One person at best posture is 23 to 25 kg; what four people cannot turn is heavy. Common practice, no source. */
const HEAVY_kg = 80;

const FIN_OF = {
  'integral-fin': 'integral',
  'separate-fin': 'separate',
  'gasketed-fin': 'gasketed',
} as const;

/** What is true of wall and unit under these choices. */
export function factsOf(wall: Wall, unit: Unit, { mount }: Pick<Choices, 'mount'>): Set<Fact> {
  const wanted = mount in FIN_OF ? FIN_OF[mount as keyof typeof FIN_OF] : null;
  const is: Partial<Record<Fact, boolean>> = {
    'has-exterior-board': wall.layers.some((l) => l.role === 'exterior-board'),
    'has-outer-leaf': hasOuterLeaf(wall),
    'unit-heavy': (unit.weight_kg ?? glassWeight(unit) ?? 0) > HEAVY_kg,
    'unit-finless': unit.fin.kind === 'none',
    'unit-fixed': unit.operation === 'fixed',
    'fin-of-another-kind': wanted !== null && unit.fin.kind !== 'none' && unit.fin.kind !== wanted,
    'maker-every-hole': unit.limits?.fasteners === 'every-hole',
    'maker-second-hole': unit.limits?.fasteners === 'every-second-hole',
  };
  return new Set((Object.keys(is) as Fact[]).filter((fact) => is[fact]));
}

/** Numbers that a choice takes away: a level sill has no slope and no bevelled board. */
export function withChoices(numbers: ParameterValues, choices: Choices): ParameterValues {
  return choices.sillDrain === 'back-dam' ? { ...numbers, slope: 0, boardFront: 0 } : numbers;
}
