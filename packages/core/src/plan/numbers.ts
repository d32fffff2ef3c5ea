/** The numbers of one opening: the preset's, changed by the method, changed by the opening. */
import type { Numbers } from '../documents/schema.ts';
import { parameterIds, parameters, type ParameterId, type ParameterValues } from '../methods/parameters.ts';

export const quantityValue = (quantity: NonNullable<Numbers[ParameterId]>): number =>
  'mm' in quantity ? quantity.mm : quantity.deg;

export function numbersOf(...layers: readonly Numbers[]): ParameterValues {
  const values = {} as Record<ParameterId, number>;
  for (const id of parameterIds) {
    const set = layers.map((layer) => layer[id]).findLast((q) => q !== undefined);
    values[id] = set ? quantityValue(set) : parameters[id].initial;
  }
  return values;
}
