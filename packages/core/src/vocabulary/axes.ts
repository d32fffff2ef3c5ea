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
  airLayer: ['water-layer', 'sheathing', 'interior-membrane', 'drywall', 'plaster'],
  wrapEdge: ['flush', 'cut-back', 'turned-in'],
  flapEdge: ['open', 'taped'],
  sequence: ['wrap-first', 'unit-first'],
  mount: ['integral-fin', 'separate-fin', 'gasketed-fin', 'clips', 'frame-screws', 'pocket'],
  setFrom: ['outside', 'inside', 'inside-brackets'],
  position: ['outboard', 'mid', 'inboard'],
  buck: ['none', 'lumber', 'foam-l', 'panel-frame'],
  sillDrain: ['slope', 'back-dam', 'slope-and-dam'],
  pan: ['stretched', 'tape-and-patches', 'rigid', 'fluid', 'buck', 'none'],
  jambs: ['bare', 'wrap-turned-in', 'flashing', 'fluid'],
  bedding: ['drained', 'interrupted', 'barrier'],
  beadOn: ['fin', 'wall'],
  bottomFin: ['every-hole', 'every-second-hole', 'spacers'],
  tapeEdge: ['frame-edge', 'onto-frame', 'gasket'],
  outerJoint: ['fin-tapes', 'precompressed', 'sealant-rod', 'membrane'],
  head: ['flap', 'flap-and-cap', 'two-tapes', 'seam-tape', 'cap'],
  windSkirt: ['none', 'strip'],
  innerSeal: ['corner-tape', 'sealant-rod', 'foam-alone', 'membrane', 'precompressed', 'sheet-acoustic'],
  gapFill: ['foam', 'wool', 'loose-fibre', 'blocks'],
  shims: ['removed', 'plastic-at-sill', 'at-hinges', 'none'],
  guard: ['none', 'strip'],
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
  | 'unit-heavy'
  | 'unit-finless'
  | 'unit-fixed'
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
export const SLOPED = { sillDrain: ['slope', 'slope-and-dam'] } as const;
export const FLAPPED = { ...WRAP_FIRST, head: ['flap', 'flap-and-cap'] } as const;
export const HEAD_TAPED = {
  ...FINNED,
  head: ['flap', 'flap-and-cap', 'two-tapes', 'cap', 'seam-tape'],
} as const;
