/** A wall's layers added up. */
import type { Wall } from '../documents/wall.ts';

export const OUTER = ['cladding', 'cavity', 'exterior-board'] as const;

const INNER = ['sheathing', 'framing'] as const;

export const ROOM = ['service', 'interior-finish'] as const;

export type Role = Wall['layers'][number]['role'];

export const layerSum = (wall: Wall, ...roles: readonly Role[]): number =>
  wall.layers.filter((l) => roles.includes(l.role)).reduce((sum, l) => sum + l.thickness.mm, 0);

/** Depth of the reveal as the wall's layers add up, mm. */
export const layeredDepth = (wall: Wall): number => layerSum(wall, ...INNER);

export const hasOuterLeaf = (wall: Wall): boolean =>
  wall.layers.some((l) => l.role === 'cladding' && l.material === 'brick');
