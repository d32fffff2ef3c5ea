/** Piece kinds by name, so that methods can ask for them in a table. */
import type { Side } from '../../vocabulary/sides.ts';
import type { Shim } from '../../fit/shims.ts';
import type { SolidMaterial, SheetMaterialId } from '../../vocabulary/materials.ts';
import type { PieceRow } from '../method.ts';
import type { PieceKind } from '../piece-kinds.ts';
import {
  backDam,
  boardBead,
  bevelledBoard,
  buckBeads,
  buckFlashing,
  buckSide,
  cavityTray,
  dampCourse,
  dripCap,
  exteriorBoard,
  guardStrip,
  masonrySill,
  trimCap,
  trimFrame,
  weepHoles,
} from './carpentry.ts';
import type { PieceContext } from './context.ts';
import {
  finBead,
  gapFill,
  innerJoint,
  innerRod,
  outerRod,
  outerSeal,
  revealBead,
  stopBead,
  tapeBead,
} from './joint.ts';
import type { Piece, Shape } from './piece.ts';
import {
  cornerPatch,
  fluidPan,
  headFlashing,
  jambFlashing,
  rigidPan,
  stretchPan,
  tapePan,
} from './reveal.ts';
import {
  capTape,
  courseSeam,
  faceTape,
  frameMembrane,
  headLayer,
  headTape,
  innerSeal,
  jambTape,
  lowerSlitTape,
  seamTape,
  secondHeadTape,
  sillTape,
  slitTape,
  windSkirt,
  wrapTape,
} from './tape.ts';
import { brackets, clips, finSheet, finSpacers, jambShims, sillShims, unitSolids } from './unit.ts';
import {
  apron,
  lowerCourse,
  upperCourse,
  wallFace,
  wrapCutBack,
  wrapTurnedIn,
  wrapWithFlap,
} from './wall.ts';

interface Maker {
  /** `opening` pieces lie on the opening alone and set where the unit can sit; `unit` pieces follow its place. */
  readonly lies: 'opening' | 'unit';
  readonly make: (row: PieceRow, context: PieceContext, shims: readonly Shim[]) => Shape;
}

const jamb = ({ side, id }: PieceRow): 'left' | 'right' => {
  if (side === 'left' || side === 'right') return side;
  throw new Error(`${id} must be left or right`);
};
const anySide = ({ side, id }: PieceRow): Side => {
  if (side) return side;
  throw new Error(`${id} needs a side`);
};
const sheetOf = ({ sheet, id }: PieceRow): SheetMaterialId => {
  if (sheet) return sheet;
  throw new Error(`${id} needs a material`);
};
const solidOf = ({ solid, id }: PieceRow): SolidMaterial => {
  if (solid) return solid;
  throw new Error(`${id} needs a material`);
};

const onOpening = (make: Maker['make']): Maker => ({ lies: 'opening', make });
const onUnit = (make: Maker['make']): Maker => ({ lies: 'unit', make });

const makers = {
  'wrap-with-flap': onOpening((row, context) => wrapWithFlap(row.id, sheetOf(row), context)),
  'wrap-cut-back': onOpening((row, context) => wrapCutBack(row.id, sheetOf(row), context)),
  'wrap-turned-in': onOpening((row, context) => wrapTurnedIn(row.id, sheetOf(row), context)),
  'wall-face': onOpening((row, context) => wallFace(row.id, sheetOf(row), context)),
  apron: onOpening(({ id }, context) => apron(id, context)),
  'lower-course': onOpening(({ id }, context) => lowerCourse(id, context)),
  'upper-course': onUnit(({ id }, context) => upperCourse(id, context)),
  'cavity-tray': onOpening(({ id }, context) => cavityTray(id, context)),
  'weep-holes': onOpening(({ id }, context) => weepHoles(id, context)),
  'masonry-sill': onOpening(({ id }, context) => masonrySill(id, context)),
  'damp-course': onOpening(({ id }, context) => dampCourse(id, context)),
  'buck-side': onOpening((row, context) => buckSide(row.id, anySide(row), context)),
  'buck-beads': onOpening(({ id }, context) => buckBeads(id, context)),
  'buck-flashing': onOpening((row, context) => buckFlashing(row.id, anySide(row), context)),
  'bevelled-board': onOpening(({ id }, context) => bevelledBoard(id, context)),
  'back-dam': onUnit(({ id }, context) => backDam(id, context)),
  'stretch-pan': onOpening(({ id }, context) => stretchPan(id, context)),
  'tape-pan': onOpening(({ id }, context) => tapePan(id, context)),
  'rigid-pan': onOpening(({ id }, context) => rigidPan(id, context)),
  'unit-pan': onOpening(({ id }, context) => ({ ...rigidPan(id, context), stock: 'in place' as const })),
  'fluid-pan': onOpening(({ id }, context) => fluidPan(id, context)),
  'corner-patch': onOpening((row, context) => cornerPatch(row.id, jamb(row), context)),
  'jamb-flashing': onOpening((row, context) => jambFlashing(row.id, jamb(row), sheetOf(row), context)),
  'head-flashing': onOpening((row, context) => headFlashing(row.id, sheetOf(row), context)),
  unit: onUnit(({ id }, context) => unitSolids(id, context)),
  fin: onUnit(({ id }, context) => finSheet(id, context)),
  'bead-drained': onUnit(({ id }, context) => finBead(id, 'drained', context)),
  'bead-interrupted': onUnit(({ id }, context) => finBead(id, 'interrupted', context)),
  'bead-closed': onUnit(({ id }, context) => finBead(id, 'closed', context)),
  'stop-bead': onUnit(({ id }, context) => stopBead(id, context)),
  'fin-spacers': onUnit(({ id }, context, shims) => finSpacers(id, shims, context)),
  'sill-shims': onUnit((row, context, shims) => sillShims(row.id, shims, solidOf(row), context)),
  'jamb-shims': onUnit(({ id }, context, shims) => jambShims(id, shims, context)),
  clips: onUnit(({ id }, context, shims) => clips(id, shims, context)),
  brackets: onUnit(({ id }, context, shims) => brackets(id, shims, context)),
  'outer-seal': onUnit((row, context) => outerSeal(row.id, solidOf(row), context)),
  'outer-rod': onUnit(({ id }, context) => outerRod(id, context)),
  'exterior-board': onUnit(({ id }, context) => exteriorBoard(id, context)),
  'sill-tape': onUnit(({ id }, context) => sillTape(id, context)),
  'face-tape': onUnit((row, context) => faceTape(row.id, anySide(row), context)),
  'wind-skirt': onUnit(({ id }, context) => windSkirt(id, context)),
  'jamb-tape': onUnit((row, context) => jambTape(row.id, jamb(row), context)),
  'head-tape': onUnit(({ id }, context) => headTape(id, context)),
  'head-tape-2': onUnit(({ id }, context) => secondHeadTape(id, context)),
  'seam-tape': onUnit(({ id }, context) => seamTape(id, context)),
  'drip-cap': onUnit(({ id }, context) => dripCap(id, context)),
  'cap-tape': onUnit(({ id }, context) => capTape(id, context)),
  'head-layer': onUnit(({ id }, context) => headLayer(id, context)),
  'course-seam': onOpening((row, context) => courseSeam(row.id, jamb(row), context)),
  'slit-tape': onOpening((row, context) => slitTape(row.id, jamb(row), context)),
  'lower-slit-tape': onOpening((row, context) => lowerSlitTape(row.id, jamb(row), context)),
  'tape-bead': onUnit(({ id }, context) => tapeBead(id, context)),
  'board-bead': onOpening(({ id }, context) => boardBead(id, context)),
  'wrap-tape': onUnit((row, context) => {
    const side = anySide(row);
    return wrapTape(row.id, side === 'sill' ? 'head' : side, context);
  }),
  'gap-fill': onUnit((row, context) => gapFill(row.id, solidOf(row), context)),
  'inner-seal': onUnit((row, context) => innerSeal(row.id, anySide(row), sheetOf(row), context)),
  'frame-membrane': onUnit(({ id }, context) => frameMembrane(id, context)),
  'inner-joint': onUnit((row, context) => innerJoint(row.id, solidOf(row), context)),
  'inner-rod': onUnit(({ id }, context) => innerRod(id, context)),
  'reveal-bead': onUnit(({ id }, context) => revealBead(id, context)),
  'guard-strip': onOpening(({ id }, context) => guardStrip(id, context)),
  'trim-frame': onUnit(({ id }, context) => trimFrame(id, context)),
  'trim-cap': onUnit(({ id }, context) => trimCap(id, context)),
} as const satisfies Record<PieceKind, Maker>;

export const liesOnOpening = (row: PieceRow): boolean => makers[row.kind].lies === 'opening';

export function makePiece(row: PieceRow, context: PieceContext, shims: readonly Shim[]): Piece {
  const maker: Maker = makers[row.kind];
  const { family, roles, side = null } = row;
  return { ...maker.make(row, context, shims), family, roles, side };
}
