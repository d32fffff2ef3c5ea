/** The layers of the wall far from the opening. */
import type { Build } from './build.ts';
import type { Range } from '../geometry/solid.ts';

/** What of the wall is in the open air behind its cladding: the layers before a cavity. */
export const isVentilated = ({ context }: Build): boolean =>
  context.opening.layers.some((l) => l.role === 'cavity');

/** Layers that count, from the weather to the room, with their material's name. */
export function countedLayers(build: Build): { role: string; material: string; x: Range }[] {
  const outside = isVentilated(build) ? ['cladding', 'cavity'] : [];
  return build.context.opening.layers
    .filter((l) => !outside.includes(l.role) && l.w[1] > l.w[0])
    .map(({ role, material, w }) => ({ role, material: `layer:${material}`, x: [-w[1], -w[0]] }));
}
