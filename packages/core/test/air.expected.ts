/**
 * The pen line of each school on a sound opening, written from the trade's point of view before anything traced it:
 * from the wall's own air layer over what touches and sticks to the frame, in the longest stretch of each side.
 *
 * A string is a line, thing by thing; `lifts` says why the pen has to be lifted: pieces that only lie on each other,
 * a joint that foam alone fills. Common practice, no source.
 */
import type { AirCorner, CutId, PresetId } from '@hulvek/core';

type ExpectedSide = string | { readonly lifts: 'loose' | 'foam' | 'gap' };
export interface ExpectedAir {
  readonly sides: Readonly<Record<CutId, ExpectedSide>>;
  /** Corners that the pen cannot pass; a corner beside a side without a line is one of them. */
  readonly open: readonly AirCorner[];
}

const LOOSE = { lifts: 'loose' } as const;
const HEAD: readonly AirCorner[] = ['head-left', 'head-right'];
const SILL: readonly AirCorner[] = ['sill-left', 'sill-right'];

/** The same on both jambs, with `*` for the side. */
const sides = (head: ExpectedSide, jambs: string, sill: ExpectedSide): ExpectedAir['sides'] => ({
  head,
  left: jambs.replaceAll('*', 'left'),
  right: jambs.replaceAll('*', 'right'),
  sill,
});
const closed = (head: string, jambs: string, sill: string): ExpectedAir => ({
  sides: sides(head, jambs, sill),
  open: [],
});

/** A flap that is left open at its lower edge lets out water, and lets in air. */
const flapLeftOpen: ExpectedAir = {
  sides: sides(LOOSE, 'wrap jamb-flashing-* seal-* unit', 'wrap pan seal-sill unit'),
  open: HEAD,
};

export const expectedAir: Readonly<Record<PresetId, ExpectedAir>> = {
  'drained-head-flap': flapLeftOpen,
  // The wrap is turned in at jambs and sill but not at the head: only the outer line goes all the way round.
  'closed-barrier': closed('wrap head-tape fin unit', 'wrap jamb-tape-* fin unit', 'wrap sill-tape fin unit'),
  'open-studs': closed(
    'drywall framing inner-sealant unit',
    'drywall framing inner-sealant unit',
    'drywall framing pan inner-sealant unit',
  ),
  'foam-buck-outboard': closed(
    'sheathing buck-beads buck-head head-flashing seal-head unit',
    'sheathing buck-beads buck-* jamb-flashing-* seal-* unit',
    'sheathing buck-beads buck-sill pan seal-sill unit',
  ),
  'fluid-recessed': closed(
    'wall-face head-flashing inner-sealant unit',
    'wall-face jamb-flashing-* inner-sealant unit',
    'wall-face pan inner-sealant unit',
  ),
  'masonry-cavity': closed(
    'plaster masonry membrane unit',
    'plaster masonry membrane unit',
    'plaster masonry pan membrane unit',
  ),
  'drained-full-jambs': flapLeftOpen,
  // Fin and tape lie on the sheathing at head and jambs (of bead and tape the tape is named, which can be looked at);
  // at the sill the bead has breaks, and inside there is foam.
  'cut-back-wrap': {
    sides: sides('sheathing head-tape fin unit', 'sheathing jamb-tape-* fin unit', { lifts: 'foam' }),
    open: SILL,
  },
  'integral-sheathing': closed(
    'wall-face head-flashing seal-head unit',
    'wall-face jamb-flashing-* seal-* unit',
    'wall-face pan seal-sill unit',
  ),
  // The pan's lip lies on the membrane without a bond, and the flap is open as above.
  'rigid-pan-heavy': {
    sides: sides(LOOSE, 'wrap jamb-flashing-* inner-sealant unit', LOOSE),
    open: [...HEAD, ...SILL],
  },
  'foam-buck-inside': closed(
    'wall-face buck-beads buck-head head-flashing seal-head unit',
    'wall-face buck-beads buck-* jamb-flashing-* seal-* unit',
    'wall-face buck-beads buck-sill pan seal-sill unit',
  ),
  'interior-clips': closed(
    'interior-membrane framing head-flashing sheet-bead seal-head unit',
    'interior-membrane framing jamb-flashing-* sheet-bead seal-* unit',
    'interior-membrane framing pan sheet-bead seal-sill unit',
  ),
  // Brushed over the edge of the sheathing at head and jambs; at the sill the panel lies between.
  'panel-frame': closed(
    'sheathing head-flashing seal-head unit',
    'sheathing jamb-flashing-* seal-* unit',
    'sheathing buck-beads buck-sill pan seal-sill unit',
  ),
  pocket: closed(
    'plaster framing inner-sealant unit',
    'plaster framing inner-sealant unit',
    'plaster framing inner-sealant unit',
  ),
  'separate-fin-double-head': closed(
    'wrap head-flashing seal-head unit',
    'wrap jamb-flashing-* seal-* unit',
    'wrap pan seal-sill unit',
  ),
  'deep-wall-blocks': closed(
    'interior-membrane framing head-flashing membrane unit',
    'interior-membrane framing jamb-flashing-* membrane unit',
    'interior-membrane framing pan membrane unit',
  ),
};

/**
 * The step with which each school becomes airtight for good; `null` where it never does. A closed barrier is tight when
 * its flap is taped down, everything else when the seal to the room is in. Common practice, no source.
 */
export const expectedClosings: Readonly<Record<PresetId, string | null>> = {
  'drained-head-flap': null,
  'closed-barrier': 'flap-down-taped',
  'open-studs': 'inner-sealant',
  'foam-buck-outboard': 'inner-seal',
  'fluid-recessed': 'inner-sealant',
  'masonry-cavity': 'membrane-down',
  'drained-full-jambs': null,
  'cut-back-wrap': null,
  'integral-sheathing': 'inner-seal',
  'rigid-pan-heavy': null,
  'foam-buck-inside': 'inner-seal',
  'interior-clips': 'inner-sheet',
  'panel-frame': 'inner-seal',
  pocket: 'inner-sealant',
  'separate-fin-double-head': 'inner-seal',
  'deep-wall-blocks': 'membrane-down',
};

interface ExpectedGap {
  readonly name: string;
  readonly preset: PresetId;
  readonly choose: Readonly<Record<string, string>>;
  readonly sides: readonly CutId[];
  readonly kind: 'loose' | 'foam' | 'gap';
  /** What one choice brings the line over it. */
  readonly fix: Readonly<Record<string, string>>;
}

/** What rightly stays open, and where. */
export const expectedGaps: readonly ExpectedGap[] = [
  {
    name: 'bare jambs and head of a frame without fins leave its seals nothing to reach the wall’s layer over',
    preset: 'fluid-recessed',
    choose: { jambs: 'bare' },
    sides: ['head', 'left', 'right'],
    kind: 'gap',
    fix: { jambs: 'flashing' },
  },
  {
    name: 'foam alone leaves a drained sill to the foam, where the other sides still have their seal outside',
    preset: 'fluid-recessed',
    choose: { innerSeal: 'foam-alone', gapFill: 'foam' },
    sides: ['sill'],
    kind: 'foam',
    fix: { innerSeal: 'corner-tape' },
  },
  {
    name: 'a flap left open is only laid on the head tape',
    preset: 'drained-full-jambs',
    choose: {},
    sides: ['head'],
    kind: 'loose',
    fix: { flapEdge: 'taped' },
  },
  {
    name: 'a rigid pan is only laid on the wrap',
    preset: 'rigid-pan-heavy',
    choose: { flapEdge: 'taped' },
    sides: ['sill'],
    kind: 'loose',
    fix: { pan: 'stretched' },
  },
];
