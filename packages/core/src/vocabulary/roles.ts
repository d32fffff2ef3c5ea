/**
 * What a piece does in the wall. Logic asks for roles and never for the name of a piece: a new piece that plays a role
 * is then drawn, traced, solved and told of like any other that plays it.
 */
export const pieceRoles = [
  // The wall's water layer, as a sheet of the whole wall, and its kinds.
  'wall-layer',
  'wrap',
  'wall-face',
  'lower-course',
  'upper-course',
  /** Tucked under what comes below it, before the wall has its layer. */
  'apron',
  'cavity-tray',
  'weep',
  /** Under a sill of masonry. */
  'damp-course',
  // The buck.
  'buck',
  'buck-bed',
  'buck-flashing',
  /** Between a buck and the board beside it, under their strip. */
  'board-bead',
  // The sill, and the reveal.
  'sill-board',
  'dam',
  'pan',
  'corner-patch',
  'jamb-flashing',
  'head-flashing',
  // The unit and what carries it.
  'unit',
  'fin',
  'shims',
  'sill-shims',
  'jamb-shims',
  'clip',
  'bracket',
  'spacer',
  /** Stands in the joint or goes through it: whatever seals there has to be closed round each of its places. */
  'crosses-joint',
  // What joins frame and wall.
  /** Sealant between the frame, or its fin, and the wall. */
  'frame-bead',
  /** Sticky from the roll instead of a bead. */
  'bedding-tape',
  /** On the old stops. */
  'stop-bead',
  'outer-seal',
  'outer-rod',
  /** Of the weather's side of the joint: covered, and looked at once. */
  'outer-line',
  // Strips on the face.
  'face-strip',
  'jamb-tape',
  'head-tape',
  'second-head-tape',
  'sill-tape',
  'seam-tape',
  'slit-tape',
  /** From the frame onto the tapes round it. */
  'tape-bead',
  'face-tape',
  'wrap-tape',
  'wind-skirt',
  'drip-cap',
  /** Over the leg of a cap that no flap comes down over. */
  'cap-tape',
  /** A layer of its own that comes down over the head. */
  'head-layer',
  'course-seam',
  // The room's side.
  'fill',
  /** Closes the joint to the room. */
  'inner-seal',
  'inner-strip',
  'frame-membrane',
  'inner-band',
  'inner-rod',
  /** Holds a sheet of the room to the reveal. */
  'reveal-bead',
  'guard',
  'trim',
  'trim-cap',
  'exterior-board',
] as const;
export type PieceRole = (typeof pieceRoles)[number];
