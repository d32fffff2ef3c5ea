/**
 * What an installer would be told about each school on a sound opening, written before the rules were: a school that
 * goes by its own logic is told what it leans on and where its own habits part company, and nothing else.
 * Common practice, no source.
 */
import type { PresetId } from '@hulvek/core';

export const expectedFindings: Readonly<Record<PresetId, readonly string[]>> = {
  // Drains, nothing pinched. The lining keeps the air out and comes after the window.
  // To look at: tapes over the slits, the head tape's upper edge under the flap.
  'drained-head-flap': ['air-waits', 'one-bond', 'one-bond'],
  // Everything hangs on sealant and tapes, and that is said.
  // Tapes outside are tighter than sealant inside, nothing drains, and a taped flap keeps what is behind the wrap.
  'closed-barrier': [
    'barrier-relies-on-sealant',
    'joint-dries-inward',
    'one-bond',
    'one-bond',
    'water-trapped',
    'water-trapped',
  ],
  // The air layer is inside, so bare jambs are no gap in it.
  // Shims that stay at the sill stand in the sealant; the drywall comes after the window.
  'open-studs': ['air-interrupted', 'air-waits', 'joint-dries-inward'],
  // Through a buck the screws grow long, and few shops stock them.
  // To look at: jamb tapes over the seam of buck and board, the strip below the sill.
  'foam-buck-outboard': ['one-bond', 'one-bond', 'screw-to-order'],
  // Clips, jamb shims and sill shims all stand in the inner sealant; the outer one is the only thing before the reveal.
  'fluid-recessed': ['air-interrupted', 'air-interrupted', 'air-interrupted', 'first-line-one-bond'],
  // Clips and brackets go through the membrane; the plaster comes after; the band is the first line.
  'masonry-cavity': ['air-interrupted', 'air-interrupted', 'air-waits', 'first-line-one-bond'],
  'drained-full-jambs': ['air-waits', 'one-bond', 'one-bond'],
  // Older practice: bare jambs, foam as the only seal.
  // Foam dries more easily to the room than tapes to the weather. To look at: slits, patches, pan, jamb and head tapes.
  'cut-back-wrap': [
    'air-line-open',
    'foam-alone',
    'joint-dries-inward',
    'one-bond',
    'one-bond',
    'one-bond',
    'one-bond',
    'one-bond',
  ],
  'integral-sheathing': [],
  // Shims stand in the sealant; 95 kg are no load for hands.
  'rigid-pan-heavy': ['air-interrupted', 'air-interrupted', 'air-waits', 'joint-dries-inward', 'needs-lift'],
  'foam-buck-inside': ['first-line-one-bond', 'screw-to-order'],
  // Clips go through the sheet and the bead it hangs on; the gasket is the first line.
  'interior-clips': [
    'air-interrupted',
    'air-interrupted',
    'air-waits',
    'first-line-one-bond',
    'one-bond',
    'one-bond',
  ],
  // The seams between panel and board have one strip each, the joint has the band.
  'panel-frame': ['first-line-one-bond', 'one-bond', 'one-bond'],
  // The old wall is not opened: nobody knows what is behind its frame.
  // Its shims stay in the joint that is sealed.
  pocket: ['air-interrupted', 'air-interrupted', 'old-frame-unseen', 'one-bond'],
  // Two tapes on loose wrap: the upper edge holds by its adhesive alone, and what is behind the wrap comes in.
  // The fin's own joint leaks: tapes turned onto the frame are the first line.
  'separate-fin-double-head': [
    'air-waits',
    'first-line-one-bond',
    'first-line-one-bond',
    'head-on-adhesive',
    'no-first-line',
  ],
  'deep-wall-blocks': ['air-waits', 'first-line-one-bond'],
};
