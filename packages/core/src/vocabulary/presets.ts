/** Names of the ready-made methods; a job holds copies of them. */

export const presetIds = [
  'drained-head-flap',
  'closed-barrier',
  'open-studs',
  'foam-buck-outboard',
  'fluid-recessed',
  'masonry-cavity',
  'drained-full-jambs',
  'cut-back-wrap',
  'integral-sheathing',
  'rigid-pan-heavy',
  'foam-buck-inside',
  'interior-clips',
  'panel-frame',
  'pocket',
  'separate-fin-double-head',
  'deep-wall-blocks',
] as const;
export type PresetId = (typeof presetIds)[number];
