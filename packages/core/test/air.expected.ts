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
