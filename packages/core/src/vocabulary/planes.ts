/** Planes that water runs on. */

export const planeIds = ['wall', 'inner-plane', 'sill-reveal', 'left-reveal', 'right-reveal'] as const;

export type PlaneId = (typeof planeIds)[number];
