/**
 * What an installer would be told about each school on a sound opening, written before the rules were: a school that
 * goes by its own logic is told what it leans on and where its own habits part company, and nothing else.
 * Common practice, no source.
 */
import type { PresetId } from '@hulvek/core';

export const expectedFindings: Readonly<Record<PresetId, readonly string[]>> = {
  // Drains, bridges water layer and inner seal, nothing pinched.
  // Where the slits end above the head tape only their tapes keep water out.
  // Its flap is left open at the lower edge: water gets out there, and the pen has to be lifted.
  'drained-head-flap': ['air-line-open', 'one-bond'],
  // Everything hangs on sealant, and that is said.
  // Tapes outside are tighter than sealant inside, and nothing drains.
  'closed-barrier': ['barrier-relies-on-sealant', 'joint-dries-inward', 'one-bond', 'water-trapped'],
  // The air layer is inside, so bare jambs are no gap in it.
  // Shims that stay at the sill stand in the sealant; the drywall comes after the window.
  'open-studs': ['air-interrupted', 'air-waits', 'joint-dries-inward'],
  // Through a buck the screws grow long, and few shops stock them.
  'foam-buck-outboard': ['one-bond', 'screw-to-order'],
  // Clips, jamb shims and sill shims all stand in the inner sealant.
  'fluid-recessed': ['air-interrupted', 'air-interrupted', 'air-interrupted'],
  // Clips and brackets go through the membrane; the plaster comes after.
  'masonry-cavity': ['air-interrupted', 'air-interrupted', 'air-waits'],
  'drained-full-jambs': ['air-line-open', 'one-bond'],
  // Older practice: outer air layer, bare jambs, foam as the only seal; nothing carries the one to the other.
  // Where the bead is broken at the sill only foam is left; foam dries more easily to the room than tapes to the weather.
  'cut-back-wrap': [
    'air-line-open',
    'foam-alone',
    'joint-dries-inward',
    'layers-without-bridge',
    'one-bond',
    'one-bond',
  ],
  'integral-sheathing': [],
  // Flap and pan only lie on the wrap; shims stand in the sealant; 95 kg are no load for hands.
  'rigid-pan-heavy': [
    'air-interrupted',
    'air-line-open',
    'air-line-open',
    'joint-dries-inward',
    'needs-lift',
  ],
  'foam-buck-inside': ['screw-to-order'],
  // Clips go through the sheet and the bead it hangs on.
  'interior-clips': ['air-interrupted', 'air-interrupted', 'air-waits', 'one-bond'],
  // The seams between panel and board have one strip each.
  'panel-frame': ['one-bond', 'one-bond'],
  // The old wall is not opened: nobody knows what is behind its frame.
  // Its shims stay in the joint that is sealed.
  pocket: ['air-interrupted', 'air-interrupted', 'old-frame-unseen', 'one-bond'],
  // Two tapes on loose wrap: the upper edge holds by its adhesive alone.
  'separate-fin-double-head': ['head-on-adhesive'],
  'deep-wall-blocks': ['air-waits'],
};
