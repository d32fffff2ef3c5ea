/** Faces that pieces lie on, by name. */

/** Faces that every opening has, whatever is built into it. */
export const openingSurfaceIds = [
  'wall',
  'sill-reveal',
  'left-reveal',
  'right-reveal',
  'head-reveal',
  'sill-rear',
] as const;

/** Further ones: what a sill of masonry is laid on, the plane behind a buck or a cavity, the buck's outer sides, the frame's sides, a drip cap. */
export const surfaceIds = [
  ...openingSurfaceIds,
  'sill-bed',
  'inner-plane',
  'tray-shelf',
  'buck-left',
  'buck-right',
  'buck-head',
  'buck-sill',
  'unit-inside',
  'unit-left',
  'unit-right',
  'unit-head',
  'unit-sill',
  'cap-shelf',
  'cap-drop',
] as const;

export type SurfaceId = (typeof surfaceIds)[number];

const among = (...ids: readonly SurfaceId[]) => {
  const set: ReadonlySet<SurfaceId> = new Set(ids);
  return (surface: SurfaceId): boolean => set.has(surface);
};

/** The four sides of the opening in the wall. */
export const isReveal = among('sill-reveal', 'left-reveal', 'right-reveal', 'head-reveal');
/** The outer sides of a buck. */
export const isOnBuck = among('buck-left', 'buck-right', 'buck-head', 'buck-sill');
/** The outer sides of the frame, seen from the joint. */
export const isFrameSide = among('unit-left', 'unit-right', 'unit-head', 'unit-sill');
/** Any face of the frame that something sticks to. */
export const isOnFrame = (surface: SurfaceId): boolean => surface === 'unit-inside' || isFrameSide(surface);
