/** The schools as choices: each is the first one with what it does otherwise. */
import type { Choices } from '../vocabulary/axes.ts';
import type { MethodPreset } from './method.ts';
import { presetIds, type PresetId } from '../vocabulary/presets.ts';

const DRAINED: Choices = {
  waterLayer: 'mechanical-wrap',
  // A sheet whose lower edge is left open over the head is no air layer.
  airLayer: 'drywall',
  boardTime: 'after-unit',
  wrapEdge: 'flush',
  flapEdge: 'open',
  slits: 'head',
  sequence: 'wrap-first',
  begins: 'bare-opening',
  mount: 'integral-fin',
  setFrom: 'outside',
  position: 'outboard',
  seat: 'thinnest',
  buck: 'none',
  sillDrain: 'slope',
  pan: 'stretched',
  jambs: 'flashing',
  bedding: 'drained',
  beadOn: 'fin',
  bottomFin: 'every-second-hole',
  jambHoles: 'pitch',
  firstFastener: 'upper-corner',
  fastenerKind: 'screws',
  tapeEdge: 'frame-edge',
  outerJoint: 'fin-tapes',
  bandFirst: 'on-frame',
  head: 'flap',
  headSeam: 'none',
  windSkirt: 'none',
  tapeBead: 'none',
  innerSeal: 'corner-tape',
  gapFill: 'foam',
  fillSides: 'all',
  shims: 'removed',
  guard: 'none',
  insideTrim: 'none',
  trim: 'none',
};

type School = readonly [otherwise: Partial<Choices>, numbers?: MethodPreset['numbers']];

const SCHOOLS: Readonly<Record<PresetId, School>> = {
  'drained-head-flap': [{}],
  'closed-barrier': [
    {
      airLayer: 'water-layer',
      wrapEdge: 'turned-in',
      pan: 'none',
      jambs: 'wrap-turned-in',
      bedding: 'barrier',
      bottomFin: 'every-hole',
      flapEdge: 'taped',
      innerSeal: 'sealant-rod',
      shims: 'plastic-at-sill',
    },
    { jambTapeBelowFin: 25 },
  ],
  'open-studs': [
    {
      sequence: 'unit-first',
      jambs: 'bare',
      head: 'seam-tape',
      gapFill: 'foam',
      innerSeal: 'sealant-rod',
    },
    // The tapes must not hold the apron down.
    { jambTapeBelowFin: 0 },
  ],
  'foam-buck-outboard': [
    {
      waterLayer: 'foam-face',
      airLayer: 'sheathing',
      buck: 'foam-l',
      pan: 'fluid',
      jambs: 'fluid',
      bottomFin: 'spacers',
      head: 'two-tapes',
      shims: 'plastic-at-sill',
    },
    // The pan's leg reaches the seam below the buck.
    // Driven aslant, so that the point meets the stud beyond the leg.
    { buckProjection: 70, jambFaceLeg: 40, panLap: 64, driveAngle: 25 },
  ],
  'fluid-recessed': [
    {
      waterLayer: 'fluid',
      airLayer: 'water-layer',
      mount: 'clips',
      setFrom: 'inside',
      position: 'mid',
      sillDrain: 'slope-and-dam',
      pan: 'fluid',
      jambs: 'fluid',
      outerJoint: 'sealant-rod',
      head: 'cap',
      innerSeal: 'sealant-rod',
      gapFill: 'wool',
      shims: 'plastic-at-sill',
    },
  ],
  'masonry-cavity': [
    {
      waterLayer: 'masonry',
      airLayer: 'plaster',
      mount: 'clips',
      setFrom: 'inside-brackets',
      position: 'mid',
      pan: 'fluid',
      jambs: 'bare',
      outerJoint: 'precompressed',
      head: 'cap',
      innerSeal: 'membrane',
      shims: 'plastic-at-sill',
    },
  ],
  'drained-full-jambs': [{ windSkirt: 'strip', bottomFin: 'spacers', guard: 'strip' }],
  'cut-back-wrap': [
    {
      wrapEdge: 'cut-back',
      pan: 'tape-and-patches',
      bedding: 'interrupted',
      bottomFin: 'every-hole',
      jambs: 'bare',
      innerSeal: 'foam-alone',
    },
    // The pan must reach over the wrap that is cut back below it.
    { panLap: 100 },
  ],
  'integral-sheathing': [
    { waterLayer: 'integral-sheathing', airLayer: 'water-layer', bottomFin: 'spacers', head: 'two-tapes' },
  ],
  'rigid-pan-heavy': [
    {
      waterLayer: 'self-adhered',
      pan: 'rigid',
      beadOn: 'wall',
      bottomFin: 'spacers',
      head: 'flap-and-cap',
      innerSeal: 'sealant-rod',
      shims: 'plastic-at-sill',
    },
    { jambTapeWidth: 150 },
  ],
  'foam-buck-inside': [
    {
      waterLayer: 'integral-sheathing',
      airLayer: 'water-layer',
      buck: 'foam-l',
      mount: 'frame-screws',
      setFrom: 'inside',
      pan: 'fluid',
      jambs: 'fluid',
      outerJoint: 'precompressed',
      innerSeal: 'corner-tape',
      gapFill: 'wool',
      head: 'cap',
      shims: 'none',
    },
    { setback: 10, buckProjection: 70, jambFaceLeg: 40 },
  ],
  'interior-clips': [
    {
      mount: 'gasketed-fin',
      setFrom: 'inside-brackets',
      tapeEdge: 'gasket',
      shims: 'at-hinges',
      innerSeal: 'sheet-acoustic',
      airLayer: 'interior-membrane',
    },
  ],
  'panel-frame': [
    {
      waterLayer: 'foam-face',
      airLayer: 'sheathing',
      buck: 'panel-frame',
      mount: 'frame-screws',
      position: 'outboard',
      pan: 'fluid',
      jambs: 'fluid',
      outerJoint: 'precompressed',
      head: 'cap',
      innerSeal: 'corner-tape',
      shims: 'plastic-at-sill',
    },
    { setback: 10, buckProjection: 100 },
  ],
  pocket: [
    {
      waterLayer: 'existing',
      airLayer: 'plaster',
      mount: 'pocket',
      setFrom: 'inside',
      position: 'inboard',
      pan: 'none',
      jambs: 'bare',
      outerJoint: 'sealant-rod',
      head: 'cap',
      innerSeal: 'sealant-rod',
      shims: 'at-hinges',
    },
    { setback: 20, leastGap: 4.75 },
  ],
  'separate-fin-double-head': [
    { mount: 'separate-fin', tapeEdge: 'onto-frame', head: 'two-tapes', jambs: 'flashing', flapEdge: 'open' },
  ],
  'deep-wall-blocks': [
    {
      waterLayer: 'self-adhered',
      airLayer: 'interior-membrane',
      mount: 'frame-screws',
      position: 'mid',
      setFrom: 'inside',
      sillDrain: 'slope-and-dam',
      outerJoint: 'precompressed',
      head: 'cap',
      innerSeal: 'membrane',
      gapFill: 'blocks',
      shims: 'none',
    },
  ],
};

export const presets = Object.fromEntries(
  presetIds.map((id): [PresetId, MethodPreset] => {
    const [otherwise, numbers = {}] = SCHOOLS[id];
    return [id, { id, version: 1, choices: { ...DRAINED, ...otherwise }, numbers }];
  }),
) as Readonly<Record<PresetId, MethodPreset>>;
