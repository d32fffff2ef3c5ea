/** What was chosen for one opening: the school's choices, changed by the job's method, changed by the opening. */
import type { MethodDocument } from '../documents/method.ts';
import type { Opening } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import type { Choices, Fact } from '../vocabulary/axes.ts';
import { presets } from './schools.ts';
import type { ParameterValues } from '../vocabulary/parameters.ts';
import { radians } from '../geometry/vector.ts';
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

/** Inside brackets hold a gasketed fin: nothing goes through it. */
export const isHeldByBrackets = ({ mount, setFrom }: Pick<Choices, 'mount' | 'setFrom'>): boolean =>
  mount === 'gasketed-fin' && setFrom === 'inside-brackets';

/** What is true of wall and unit under these choices. */
export function factsOf(wall: Wall, unit: Unit, choices: Pick<Choices, 'mount' | 'setFrom'>): Set<Fact> {
  const { mount } = choices;
  const wanted = mount in FIN_OF ? FIN_OF[mount as keyof typeof FIN_OF] : null;
  const is: Partial<Record<Fact, boolean>> = {
    'has-exterior-board': wall.layers.some((l) => l.role === 'exterior-board'),
    'has-outer-leaf': hasOuterLeaf(wall),
    'has-block-leaf': wall.layers.some(
      (l) => l.role === 'framing' && (l.material === 'block' || l.material === 'brick'),
    ),
    'unit-heavy': (unit.weight_kg ?? glassWeight(unit) ?? 0) > HEAVY_kg,
    'unit-finless': unit.fin.kind === 'none',
    'unit-fixed': unit.operation === 'fixed',
    'held-by-brackets': isHeldByBrackets(choices),
    'fin-of-another-kind': wanted !== null && unit.fin.kind !== 'none' && unit.fin.kind !== wanted,
    'maker-every-hole': unit.limits?.fasteners === 'every-hole',
    'maker-second-hole': unit.limits?.fasteners === 'every-second-hole',
  };
  return new Set((Object.keys(is) as Fact[]).filter((fact) => is[fact]));
}

/** What was measured or is known of the sill that a slope is made on. */
export interface SillAsFound {
  /** Fall of the rough sill, degrees outward; `null` where nobody measured it. */
  readonly fall_deg: number | null;
  /** From the face of the wall to the frame's inner edge, mm. */
  readonly inward_mm: number | null;
}

/**
 * What the fall of the sill that is there does to the pan's surface: a board follows it, a sloped framing or an old frame
 * is the surface itself, and what is formed in masonry or stands on a buck has a slope of its own.
 */
export function sillFollows({
  mount,
  waterLayer,
  buck,
  sillDrain,
}: Pick<Choices, 'mount' | 'waterLayer' | 'buck' | 'sillDrain'>): 'adds' | 'is' | 'not' {
  if (waterLayer === 'masonry' || buck !== 'none') return 'not';
  return mount === 'pocket' || sillDrain === 'framed-slope' || sillDrain === 'back-dam' ? 'is' : 'adds';
}

/** The slope that a board is cut to, degrees: what lies under it is not in it. */
export const boardSlope_deg = (
  { slope }: Pick<ParameterValues, 'slope'>,
  choices: Choices,
  fall_deg = 0,
): number => (sillFollows(choices) === 'adds' ? slope - fall_deg : slope);

/**
 * Numbers as the choices of the sill leave them: a level sill has neither slope nor board, a slope in the framing no
 * board and the height where the frame's inner edge stands; a fall that was measured turns the surface.
 */
export function withSill(numbers: ParameterValues, choices: Choices, found: SillAsFound): ParameterValues {
  const { sillDrain, buck } = choices;
  const follows = sillFollows(choices);
  const meant = sillDrain === 'back-dam' ? 0 : numbers.slope;
  const fall = follows === 'not' ? null : found.fall_deg;
  const slope = fall === null ? meant : follows === 'is' ? fall : meant + fall;
  if (sillDrain === 'back-dam') return { ...numbers, slope, boardFront: 0 };
  if (sillDrain !== 'framed-slope') return { ...numbers, slope };
  const drop_mm = buck === 'none' ? (found.inward_mm ?? 0) * Math.tan(radians(slope)) : 0;
  return { ...numbers, slope, boardFront: drop_mm === 0 ? 0 : -drop_mm };
}
