/** Planes that water runs on. */

/** The face of the wall as wind blows water over it towards the frame: turned, so that water still goes to smaller y. */
export const acrossPlanes = ['across-left', 'across-right', 'across-sill'] as const;
export type AcrossPlane = (typeof acrossPlanes)[number];

export const planeIds = [
  'wall',
  'inner-plane',
  'sill-reveal',
  'left-reveal',
  'right-reveal',
  ...acrossPlanes,
] as const;

export type PlaneId = (typeof planeIds)[number];
