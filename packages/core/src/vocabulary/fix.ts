/** A change of an opening, as data. */
import type { ParameterId } from './parameters.ts';
import type { Choices } from './axes.ts';

/** A change of the opening that removes a finding: numbers and choices, so that it can be shown, applied and undone. */
export interface Fix {
  readonly set: Partial<Record<ParameterId, number>>;
  readonly choose?: Partial<Choices>;
  /** A safe fix changes a cut size; a design-changing one another dimension of the build-up. */
  readonly kind: 'safe' | 'design-changing';
}
