/** Every piece any method may need, and in which methods it is there. */
import type { PieceRole } from '../vocabulary/roles.ts';
import type { Side } from '../vocabulary/sides.ts';
import {
  BEADED_TAPES,
  BEDDED,
  BUCKED,
  CAPPED,
  CAP_TAPED,
  BOARD_OVER_LAYER,
  BUCK_FLASHED,
  FINLESS,
  FIN_FASTENED,
  FINNED,
  FLAPPED,
  FOUR_SLIT,
  HEAD_TAPED,
  NOT_MASONRY,
  NOT_POCKET,
  SEAM_TAPED,
  SLOPED,
  TWO_TAPED,
  UNIT_FIRST,
  WRAP_FIRST,
  type Condition,
} from '../vocabulary/axes.ts';
import type { PieceRow } from './method.ts';
import { rolesOfKind } from './piece-roles.ts';

type Row = readonly [
  id: string,
  kind: PieceRow['kind'],
  when: Condition,
  more?: Pick<PieceRow, 'sheet' | 'solid'> & { readonly also?: readonly PieceRole[] },
];

const MECHANICAL = { ...WRAP_FIRST, waterLayer: ['mechanical-wrap'] } as const;
const ADHERED = { ...WRAP_FIRST, waterLayer: ['self-adhered'] } as const;
const JAMBS_TAPED = { jambs: ['flashing'] } as const;
const JAMBS_FLUID = { jambs: ['fluid'] } as const;
/** A buck between the boards of a taped face: their seam is bridged, by the fin's tapes where there are any. */
const SEAMED = { ...BUCKED, waterLayer: ['foam-face'], facts: ['has-exterior-board'] } as const;
const NO_BLOCKS = { gapFill: ['foam', 'wool', 'loose-fibre'] } as const;
const JAMB_SHIMMED = { shims: ['removed', 'plastic-at-sill', 'at-hinges'] } as const;

const rowOf = ([id, kind, when, { also = [], ...more } = {}]: Row): PieceRow => ({
  id,
  family: id,
  kind,
  roles: [...rolesOfKind[kind], ...also],
  when,
  ...more,
});

/** One row each for the sides named, `-left` and so on put behind the id. */
const each =
  (sides: readonly Side[], join = '-') =>
  (row: Row): PieceRow[] =>
    sides.map((side) => ({ ...rowOf(row), id: `${row[0]}${join}${side}`, side }));
const once = rowOf;

const JAMBS = ['left', 'right'] as const;
const ALL = ['sill', 'left', 'right', 'head'] as const;
const HEAD_AND_JAMBS = ['left', 'right', 'head'] as const;

export const pieceRows: readonly PieceRow[] = [
  // The wall's water layer.
  once(['wrap', 'wrap-with-flap', { ...MECHANICAL, wrapEdge: ['flush'] }, { sheet: 'wrap' }]),
  once(['wrap', 'wrap-cut-back', { ...MECHANICAL, wrapEdge: ['cut-back'] }, { sheet: 'wrap' }]),
  once(['wrap', 'wrap-turned-in', { ...MECHANICAL, wrapEdge: ['turned-in'] }, { sheet: 'wrap' }]),
  once(['wrap', 'wrap-with-flap', { ...ADHERED, wrapEdge: ['flush'] }, { sheet: 'self-adhered' }]),
  once(['wrap', 'wrap-cut-back', { ...ADHERED, wrapEdge: ['cut-back'] }, { sheet: 'self-adhered' }]),
  once(['wrap', 'wrap-turned-in', { ...ADHERED, wrapEdge: ['turned-in'] }, { sheet: 'self-adhered' }]),
  once(['wall-face', 'wall-face', { waterLayer: ['integral-sheathing'] }, { sheet: 'coated-face' }]),
  once(['wall-face', 'wall-face', { waterLayer: ['fluid'] }, { sheet: 'fluid' }]),
  once(['wall-face', 'wall-face', { waterLayer: ['foam-face'] }, { sheet: 'foam-face' }]),
  once(['wall-face', 'wall-face', { waterLayer: ['masonry'] }, { sheet: 'masonry-face' }]),
  once(['tray', 'cavity-tray', { waterLayer: ['masonry'], facts: ['has-outer-leaf'] }]),
  once(['weep', 'weep-holes', { waterLayer: ['masonry'], facts: ['has-outer-leaf'] }]),
  once(['apron', 'apron', UNIT_FIRST]),
  // The buck.
  once(['buck-beads', 'buck-beads', BUCKED]),
  ...each(ALL)(['buck', 'buck-side', BUCKED]),
  ...each(ALL)(['buck-flashing', 'buck-flashing', BUCK_FLASHED]),
  // The sill.
  once(['board', 'bevelled-board', { ...SLOPED, ...NOT_POCKET, ...NOT_MASONRY, buck: ['none'] }]),
  // No sawn timber through a cavity.
  once(['damp-course', 'damp-course', { ...NOT_POCKET, waterLayer: ['masonry'], buck: ['none'] }]),
  once([
    'masonry-sill',
    'masonry-sill',
    { ...SLOPED, ...NOT_POCKET, waterLayer: ['masonry'], buck: ['none'] },
  ]),
  ...each(JAMBS)(['corner-patch', 'corner-patch', { pan: ['tape-and-patches'] }]),
  once(['pan', 'stretch-pan', { pan: ['stretched', 'membrane-under-metal'] }]),
  once(['pan-metal', 'rigid-pan', { pan: ['membrane-under-metal'] }]),
  once(['unit-pan', 'unit-pan', { pan: ['of-unit'] }]),
  once(['pan', 'tape-pan', { pan: ['tape-and-patches'] }]),
  once(['pan', 'rigid-pan', { pan: ['rigid'] }]),
  once(['pan', 'fluid-pan', { pan: ['fluid'] }]),
  once(['dam', 'back-dam', { ...NOT_POCKET, sillDrain: ['back-dam', 'slope-and-dam'] }]),
  // Jambs and head inside the opening.
  ...each(JAMBS)(['jamb-flashing', 'jamb-flashing', JAMBS_TAPED, { sheet: 'flashing-tape' }]),
  once(['head-flashing', 'head-flashing', JAMBS_TAPED, { sheet: 'flashing-tape' }]),
  ...each(JAMBS)(['jamb-flashing', 'jamb-flashing', JAMBS_FLUID, { sheet: 'fluid' }]),
  once(['head-flashing', 'head-flashing', JAMBS_FLUID, { sheet: 'fluid' }]),
  // The unit and what carries it.
  once(['brackets', 'brackets', { ...FINLESS, setFrom: ['inside-brackets'] }]),
  once(['sill-shims', 'sill-shims', NO_BLOCKS, { solid: 'shim' }]),
  once(['sill-shims', 'sill-shims', { gapFill: ['blocks'] }, { solid: 'insulation-block' }]),
  once(['jamb-shims', 'jamb-shims', JAMB_SHIMMED]),
  once(['unit', 'unit', {}]),
  once(['fin', 'fin', FINNED]),
  once(['clips', 'clips', { mount: ['clips', 'gasketed-fin'], setFrom: ['inside-brackets'] }]),
  once(['clips', 'clips', { mount: ['clips'], setFrom: ['outside', 'inside'] }]),
  once(['spacers', 'fin-spacers', { ...FIN_FASTENED, bottomFin: ['spacers'] }]),
  once(['bedding-tape', 'bead-drained', { ...BEDDED, bedding: ['tape'] }, { also: ['bedding-tape'] }]),
  once(['bead', 'bead-drained', { ...BEDDED, bedding: ['drained'] }]),
  once(['bead', 'bead-interrupted', { ...BEDDED, bedding: ['interrupted'] }]),
  once(['bead', 'bead-closed', { ...BEDDED, bedding: ['barrier'] }]),
  once(['bead', 'stop-bead', { mount: ['pocket'] }]),
  once(['outer-seal', 'outer-seal', { ...FINLESS, outerJoint: ['precompressed'] }, { solid: 'band' }]),
  once(['outer-rod', 'outer-rod', { ...FINLESS, outerJoint: ['sealant-rod'] }]),
  once(['outer-seal', 'outer-seal', { ...FINLESS, outerJoint: ['sealant-rod'] }, { solid: 'sealant' }]),
  // Outside, over the fin.
  once(['exterior-board', 'exterior-board', SEAMED]),
  once(['board-bead', 'board-bead', SEAMED]),
  once(['exterior-board', 'exterior-board', BOARD_OVER_LAYER]),
  ...each(['sill'])(['face-tape', 'face-tape', SEAMED]),
  ...each(HEAD_AND_JAMBS)(['face-tape', 'face-tape', { ...SEAMED, ...FINLESS }]),
  once(['sill-tape', 'sill-tape', { ...FINNED, bedding: ['barrier'] }]),
  once(['skirt', 'wind-skirt', { ...FINNED, windSkirt: ['strip'] }]),
  ...each(JAMBS)(['jamb-tape', 'jamb-tape', FINNED]),
  once(['head-tape', 'head-tape', HEAD_TAPED]),
  once(['head-tape-2', 'head-tape-2', { ...FINNED, ...TWO_TAPED }]),
  once(['seam-tape', 'seam-tape', { ...FINNED, ...SEAM_TAPED }]),
  once([
    'head-seam',
    'head-tape-2',
    { ...FINNED, waterLayer: ['integral-sheathing'], headSeam: ['left-up', 'lifted'] },
  ]),
  once(['head-layer', 'head-layer', { ...FINNED, head: ['tucked-under-layer'] }]),
  once(['drip-cap', 'drip-cap', { ...NOT_POCKET, ...CAPPED, not: ['has-outer-leaf'] }]),
  // Where no flap and no strip of the face comes down over its leg.
  once(['cap-tape', 'cap-tape', { ...NOT_POCKET, ...CAP_TAPED, not: ['has-outer-leaf'] }]),
  ...each(JAMBS)(['lower-slit-tape', 'lower-slit-tape', FOUR_SLIT]),
  ...each(JAMBS)(['slit-tape', 'slit-tape', FLAPPED]),
  once(['tape-bead', 'tape-bead', BEADED_TAPES]),
  once(['course-lower', 'lower-course', UNIT_FIRST]),
  once(['course-upper', 'upper-course', UNIT_FIRST]),
  ...each(HEAD_AND_JAMBS)(['wrap-tape', 'wrap-tape', UNIT_FIRST]),
  ...each(JAMBS)(['course-seam', 'course-seam', UNIT_FIRST]),
  // Inside.
  once(['foam', 'gap-fill', { gapFill: ['foam'] }, { solid: 'foam' }]),
  once(['wool', 'gap-fill', { gapFill: ['wool', 'blocks'] }, { solid: 'wool' }]),
  once(['fibre', 'gap-fill', { gapFill: ['loose-fibre'] }, { solid: 'fibre' }]),
  ...each(ALL)(['seal', 'inner-seal', { innerSeal: ['corner-tape'] }, { sheet: 'corner-tape' }]),
  once(['membrane', 'frame-membrane', { innerSeal: ['membrane'] }]),
  once(['inner-rod', 'inner-rod', { innerSeal: ['sealant-rod'] }]),
  once(['inner-sealant', 'inner-joint', { innerSeal: ['sealant-rod'] }, { solid: 'sealant' }]),
  once([
    'inner-band',
    'inner-joint',
    { innerSeal: ['precompressed'] },
    { solid: 'band', also: ['inner-band'] },
  ]),
  once(['sheet-bead', 'reveal-bead', { innerSeal: ['sheet-acoustic'] }]),
  ...each(ALL)(['seal', 'inner-seal', { innerSeal: ['sheet-acoustic'] }, { sheet: 'air-sheet' }]),
  once(['guard', 'guard-strip', { guard: ['strip'] }]),
  once(['trim', 'trim-frame', { trim: ['frame-with-cap'], not: ['has-outer-leaf'] }]),
  once(['trim-cap', 'trim-cap', { trim: ['frame-with-cap'], not: ['has-outer-leaf'] }]),
];
