/** The numbers of one opening: the preset's, changed by the method, changed by the opening. */
import type { Numbers } from '../documents/method.ts';
import type { MethodPreset } from './method.ts';
import {
  parameterIds,
  parameters,
  type ParameterId,
  type ParameterValues,
} from '../vocabulary/parameters.ts';

export const quantityValue = (quantity: NonNullable<Numbers[ParameterId]>): number =>
  'mm' in quantity ? quantity.mm : quantity.deg;

/** @param school numbers in which the preset departs from the defaults */
export function numbersOf(school: MethodPreset['numbers'], ...layers: readonly Numbers[]): ParameterValues {
  const values = {} as Record<ParameterId, number>;
  for (const id of parameterIds) {
    const set = layers.map((layer) => layer[id]).findLast((q) => q !== undefined);
    values[id] = set ? quantityValue(set) : (school[id] ?? parameters[id].initial);
  }
  return values;
}

/** Whether somebody, or the school, gave this number. */
export const isGiven = (
  id: ParameterId,
  school: MethodPreset['numbers'],
  ...layers: readonly Numbers[]
): boolean => school[id] !== undefined || layers.some((layer) => layer[id] !== undefined);
