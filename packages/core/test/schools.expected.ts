/**
 * What an installer would be told about each school on a sound opening, written before the rules were: a school that
 * goes by its own logic is told what it leans on and where its own habits part company, and nothing else.
 * Common practice, no source.
 */
import type { PresetId } from '@hulvek/core';

export const expectedFindings: Readonly<Record<PresetId, readonly string[]>> = {
  // Drains, bridges water layer and inner seal, nothing pinched.
  // Where the slits end above the head tape only their tapes keep water out.
  'drained-head-flap': ['one-bond'],
  // Everything hangs on sealant, and that is said.
  'closed-barrier': ['barrier-relies-on-sealant', 'one-bond', 'water-trapped'],
  // The air layer is inside, so bare jambs are no gap in it.
  'open-studs': [],
  // Through a buck the screws grow long, and few shops stock them.
  'foam-buck-outboard': ['one-bond', 'screw-to-order'],
  'fluid-recessed': [],
  'masonry-cavity': [],
  'drained-full-jambs': ['one-bond'],
  // Older practice: outer air layer, bare jambs, foam as the only seal; nothing carries the one to the other.
  'cut-back-wrap': ['layers-without-bridge', 'foam-alone', 'one-bond', 'one-bond'],
  'integral-sheathing': [],
  'rigid-pan-heavy': [],
  'foam-buck-inside': ['screw-to-order'],
  'interior-clips': ['one-bond'],
  // The seams between panel and board have one strip each.
  'panel-frame': ['one-bond', 'one-bond'],
  // The old wall is not opened: nobody knows what is behind its frame.
  pocket: ['old-frame-unseen', 'one-bond'],
  // Two tapes on loose wrap: the upper edge holds by its adhesive alone.
  'separate-fin-double-head': ['head-on-adhesive'],
  'deep-wall-blocks': [],
};
