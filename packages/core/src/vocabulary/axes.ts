/** What can be chosen about a method: one choice on each axis. Words and reasons stand in the text catalogue. */

export const axes = {
  waterLayer: [
    'mechanical-wrap',
    'self-adhered',
    'integral-sheathing',
    'fluid',
    'foam-face',
    'masonry',
    'existing',
  ],
  airLayer: ['water-layer', 'sheathing', 'masonry', 'interior-membrane', 'drywall', 'plaster'],
  boardTime: ['after-unit', 'before-unit'],
  wrapEdge: ['flush', 'cut-back', 'turned-in'],
  flapEdge: ['open', 'taped'],
  slits: ['head', 'four-corners'],
  sequence: ['wrap-first', 'unit-first'],
  begins: ['bare-opening', 'unit-set'],
  mount: ['integral-fin', 'separate-fin', 'gasketed-fin', 'clips', 'frame-screws', 'pocket'],
  setFrom: ['outside', 'inside', 'inside-brackets'],
  position: ['outboard', 'mid', 'inboard'],
  seat: ['thinnest', 'equal'],
  buck: ['none', 'lumber', 'foam-l', 'panel-frame'],
  sillDrain: ['slope', 'back-dam', 'slope-and-dam', 'framed-slope'],
  pan: ['stretched', 'tape-and-patches', 'rigid', 'membrane-under-metal', 'fluid', 'buck', 'of-unit', 'none'],
  jambs: ['bare', 'wrap-turned-in', 'flashing', 'fluid'],
  bedding: ['drained', 'interrupted', 'barrier', 'tape'],
  beadOn: ['fin', 'wall'],
  bottomFin: ['every-hole', 'every-second-hole', 'spacers'],
  jambHoles: ['pitch', 'every-hole', 'every-second-hole'],
  firstFastener: ['upper-corner', 'lower-corner', 'hinge-side', 'middle', 'each-corner'],
  fastenerKind: ['screws', 'nails', 'nailer'],
  tapeEdge: ['frame-edge', 'onto-frame', 'gasket'],
  outerJoint: ['fin-tapes', 'precompressed', 'sealant-rod', 'membrane'],
  bandFirst: ['on-frame', 'in-joint'],
  head: [
    'flap',
    'flap-and-cap',
    'two-tapes',
    'two-tapes-and-cap',
    'two-tapes-and-seam',
    'seam-tape',
    'cap',
    'tucked',
    'tucked-under-layer',
  ],
  headSeam: ['none', 'left-up', 'lifted'],
  windSkirt: ['none', 'strip'],
  tapeBead: ['none', 'frame-to-tape'],
  innerSeal: ['corner-tape', 'sealant-rod', 'foam-alone', 'membrane', 'precompressed', 'sheet-acoustic'],
  gapFill: ['foam', 'wool', 'loose-fibre', 'blocks'],
  fillSides: ['all', 'head-and-jambs'],
  shims: ['removed', 'plastic-at-sill', 'at-hinges', 'none'],
  guard: ['none', 'strip'],
  insideTrim: ['none', 'casing'],
  trim: ['none', 'frame-with-cap'],
} as const satisfies Record<string, readonly [string, ...string[]]>;

export type AxisId = keyof typeof axes;
export type ChoiceOf<Axis extends AxisId> = (typeof axes)[Axis][number];
export type Choice = ChoiceOf<AxisId>;
export type Choices = { readonly [Axis in AxisId]: ChoiceOf<Axis> };
export const axisIds = Object.keys(axes) as readonly AxisId[];

/** What is true of an opening apart from anybody's choice. */
export type Fact =
  | 'opening-must-be-trimmed'
  | 'has-exterior-board'
  | 'has-outer-leaf'
  | 'has-block-leaf'
  | 'unit-heavy'
  | 'unit-finless'
  | 'unit-fixed'
  | 'held-by-brackets'
  | 'fin-of-another-kind'
  | 'maker-every-hole'
  | 'maker-second-hole';

/** Holds when every axis named has one of the choices listed, and every fact named is true. */
export type Condition = { readonly [Axis in AxisId]?: readonly ChoiceOf<Axis>[] } & {
  readonly facts?: readonly Fact[];
  readonly not?: readonly Fact[];
};

/** How many parts of a condition do not hold. */
export function missesOf(condition: Condition, choices: Choices, facts: ReadonlySet<Fact>): number {
  const otherwise = axisIds.filter((axis) => {
    const wanted: readonly string[] | undefined = condition[axis];
    return wanted !== undefined && !wanted.includes(choices[axis]);
  });
  const untrue = (condition.facts ?? []).filter((fact) => !facts.has(fact));
  const against = (condition.not ?? []).filter((fact) => facts.has(fact));
  return otherwise.length + untrue.length + against.length;
}

export const holdsFor = (condition: Condition, choices: Choices, facts: ReadonlySet<Fact>): boolean =>
  missesOf(condition, choices, facts) === 0;

// Parts of conditions that many rows share.
export const FINNED = { mount: ['integral-fin', 'separate-fin', 'gasketed-fin'] } as const;
/** Inside brackets hold it: its fin is taped, and nothing goes through it. */
export const BRACKET_HELD = { facts: ['held-by-brackets'] } as const;
/** Fins that fasteners go through. */
export const FIN_FASTENED = { ...FINNED, not: ['held-by-brackets'] } as const;
/** Fins with nothing of their own that seals: bedded in something. */
export const BEDDED = { mount: ['integral-fin', 'separate-fin'] } as const;
export const FINLESS = { mount: ['clips', 'frame-screws'] } as const;
export const NOT_POCKET = {
  mount: ['integral-fin', 'separate-fin', 'gasketed-fin', 'clips', 'frame-screws'],
} as const;
export const SHEET_WRAP = { waterLayer: ['mechanical-wrap', 'self-adhered'] } as const;
export const WRAP_FIRST = { ...SHEET_WRAP, sequence: ['wrap-first'] } as const;
export const UNIT_FIRST = { ...SHEET_WRAP, sequence: ['unit-first'] } as const;
export const BUCKED = { buck: ['lumber', 'foam-l', 'panel-frame'] } as const;
/** A buck before a wall whose water layer lies on the sheathing. */
export const BUCK_FLASHED = {
  ...BUCKED,
  waterLayer: ['mechanical-wrap', 'self-adhered', 'integral-sheathing', 'fluid'],
} as const;
/** Sloped by a board, or by what is formed in masonry. */
export const SLOPED = { sillDrain: ['slope', 'slope-and-dam'] } as const;
/** Sloped at all. */
export const PITCHED = { sillDrain: ['slope', 'slope-and-dam', 'framed-slope'] } as const;
export const NOT_MASONRY = {
  waterLayer: ['mechanical-wrap', 'self-adhered', 'integral-sheathing', 'fluid', 'foam-face', 'existing'],
} as const;
/** Heads with a cap of bent metal. */
export const CAPPED = { head: ['flap-and-cap', 'cap', 'two-tapes-and-cap'] } as const;
/** A cap whose leg neither a flap nor a strip of the face comes down over. */
export const CAP_TAPED = {
  waterLayer: ['mechanical-wrap', 'self-adhered', 'integral-sheathing', 'fluid'],
  head: ['cap', 'two-tapes-and-cap'],
} as const;
export const TWO_TAPED = { head: ['two-tapes', 'two-tapes-and-cap', 'two-tapes-and-seam'] } as const;
export const SEAM_TAPED = { head: ['seam-tape', 'two-tapes-and-seam'] } as const;
export const FLAPPED = { ...WRAP_FIRST, head: ['flap', 'flap-and-cap'] } as const;
/** Slit at all four corners, so that the jambs have flaps too. */
export const FOUR_SLIT = { ...FLAPPED, slits: ['four-corners'], wrapEdge: ['flush', 'cut-back'] } as const;
/** Boards outside the wall's water layer. */
export const BOARD_OVER_LAYER = {
  facts: ['has-exterior-board'],
  waterLayer: ['mechanical-wrap', 'self-adhered', 'integral-sheathing', 'fluid'],
} as const;
export const BEADED_TAPES = { ...FINNED, bedding: ['barrier'], tapeBead: ['frame-to-tape'] } as const;
export const HEAD_TAPED = {
  ...FINNED,
  head: [
    'flap',
    'flap-and-cap',
    'two-tapes',
    'two-tapes-and-cap',
    'two-tapes-and-seam',
    'cap',
    'seam-tape',
    'tucked',
    'tucked-under-layer',
  ],
} as const;
