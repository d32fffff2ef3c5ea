/** What others put onto the wall once the window is in: drawn in outline, and no part of what is computed. */
import { isBarOf } from '../vocabulary/wall-bars.ts';
import type { Build } from '../build/build.ts';

/** How far it stays clear of the frame, mm: common practice, no source. */
export const CLEAR_mm = 10;

/** Battens and cladding of the wall, where they do not stand before the work. */
export function layersOfOthers({ base, context }: Build): Build['context']['opening']['layers'] {
  if (base.some(({ id }) => isBarOf(id, 'cladding'))) return [];
  return context.opening.layers.filter(
    ({ role, w }) => (role === 'cladding' || role === 'cavity') && w[1] > w[0],
  );
}
