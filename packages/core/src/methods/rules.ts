/**
 * What the choices of a method demand of each other. A row says when something is wrong and which other choices
 * would mend it; the words stand in the text catalogue. Departing from a row is allowed with a reason and a name.
 */
import type { Proof, Severity } from '../vocabulary/verdict.ts';
import {
  BOARD_OVER_LAYER,
  BUCKED,
  FINLESS,
  FIN_FASTENED,
  FINNED,
  NOT_MASONRY,
  NOT_POCKET,
  type AxisId,
  type Choice,
  type Choices,
  type Condition,
} from '../vocabulary/axes.ts';

export const ruleIds = [
  'barrier-over-pan',
  'barrier-relies-on-sealant',
  'nothing-under-a-drained-unit',
  'every-hole-over-open-sill',
  'barrier-fin-gapes',
  'layers-without-bridge',
  'no-inner-seal',
  'foam-alone',
  'flap-without-wrap',
  'head-on-adhesive',
  'flap-taped-over-drained-wall',
  'jambs-not-turned-in',
  'wrap-behind-the-buck',
  'separate-fin-untaped',
  'tape-on-integral-fin',
  'tape-onto-frame-under-bead',
  'gasket-taped-over',
  'gasket-tape-without-gasket',
  'outer-joint-open',
  'foam-face-without-board',
  'courses-without-wrap',
  'buck-on-loose-wrap',
  'screws-without-shims',
  'skirt-over-closed-sill',
  'heavy-unit-turned-over',
  'maker-wants-every-hole',
  'maker-wants-second-hole',
  'mount-needs-fin',
  'mount-differs-from-fin',
  'pocket-in-new-wall',
  'old-wall-without-pocket',
  'old-frame-unseen',
  'fin-fixes-the-depth',
  'head-tucked-in',
  'jambs-without-flaps',
  'fin-behind-board',
  'air-in-masonry-that-is-none',
  'bare-blocks-leak',
] as const;
export type RuleId = (typeof ruleIds)[number];

export interface Rule {
  readonly when: Condition;
  readonly proof: Proof;
  readonly severity: Severity;
  readonly fixes: readonly Partial<Choices>[];
  readonly source: 'common practice, no source' | 'the maker’s instructions, as entered for the unit';
}

const rule = (proof: Proof, severity: Severity, when: Condition, ...fixes: Partial<Choices>[]): Rule => ({
  proof,
  severity,
  when,
  fixes,
  source: 'common practice, no source',
});

const makers = (when: Condition, ...fixes: Partial<Choices>[]): Rule => ({
  ...rule('structure', 'fails', when, ...fixes),
  source: 'the maker’s instructions, as entered for the unit',
});

const ANY_PAN = [
  'stretched',
  'tape-and-patches',
  'rigid',
  'membrane-under-metal',
  'fluid',
  'buck',
  'of-unit',
] as const;
const OPEN_SILL = ['drained', 'interrupted', 'tape'] as const;
const WRAPS = ['mechanical-wrap', 'self-adhered'] as const;
const NO_WRAP = ['integral-sheathing', 'fluid', 'foam-face', 'masonry', 'existing'] as const;

export const rules: Readonly<Record<RuleId, Rule>> = {
  'barrier-over-pan': rule(
    'water',
    'fails',
    { bedding: ['barrier'], pan: ANY_PAN },
    { bedding: 'drained', bottomFin: 'spacers' },
    { pan: 'none' },
  ),
  'barrier-relies-on-sealant': rule(
    'water',
    'watch',
    { ...NOT_POCKET, bedding: ['barrier'], pan: ['none'] },
    { bedding: 'drained', pan: 'stretched', bottomFin: 'spacers' },
  ),
  'nothing-under-a-drained-unit': rule(
    'water',
    'fails',
    { ...NOT_POCKET, bedding: OPEN_SILL, pan: ['none'] },
    { pan: 'stretched' },
  ),
  'every-hole-over-open-sill': rule(
    'water',
    'watch',
    { ...FIN_FASTENED, bedding: ['drained', 'tape'], bottomFin: ['every-hole'] },
    { bottomFin: 'spacers' },
    { bedding: 'interrupted' },
  ),
  'barrier-fin-gapes': rule(
    'water',
    'watch',
    { ...FIN_FASTENED, bedding: ['barrier'], bottomFin: ['every-second-hole', 'spacers'] },
    { bottomFin: 'every-hole' },
  ),
  'layers-without-bridge': rule(
    'air',
    'fails',
    { ...NOT_POCKET, airLayer: ['water-layer', 'sheathing'], jambs: ['bare'] },
    { jambs: 'flashing' },
  ),
  'no-inner-seal': rule(
    'air',
    'fails',
    { innerSeal: ['foam-alone'], gapFill: ['wool', 'loose-fibre', 'blocks'] },
    { innerSeal: 'corner-tape' },
  ),
  'foam-alone': rule(
    'air',
    'watch',
    { innerSeal: ['foam-alone'], gapFill: ['foam'] },
    { innerSeal: 'corner-tape' },
    { innerSeal: 'sealant-rod' },
  ),
  'flap-without-wrap': rule(
    'water',
    'fails',
    { waterLayer: NO_WRAP, head: ['flap', 'flap-and-cap'] },
    { head: 'cap' },
    { head: 'two-tapes' },
  ),
  'head-on-adhesive': rule(
    'water',
    'watch',
    {
      ...FINNED,
      waterLayer: WRAPS,
      sequence: ['wrap-first'],
      head: ['two-tapes', 'two-tapes-and-cap', 'two-tapes-and-seam', 'cap', 'seam-tape'],
    },
    { head: 'flap' },
  ),
  'flap-taped-over-drained-wall': rule(
    'water',
    'note',
    {
      flapEdge: ['taped'],
      bedding: ['drained'],
      waterLayer: ['mechanical-wrap'],
      head: ['flap', 'flap-and-cap'],
    },
    { flapEdge: 'open' },
  ),
  'jambs-not-turned-in': rule(
    'air',
    'fails',
    { jambs: ['wrap-turned-in'], wrapEdge: ['flush', 'cut-back'] },
    { wrapEdge: 'turned-in' },
    { jambs: 'flashing' },
  ),
  'wrap-behind-the-buck': rule(
    'air',
    'fails',
    { ...BUCKED, jambs: ['wrap-turned-in'] },
    { jambs: 'fluid' },
    { jambs: 'flashing' },
  ),
  'separate-fin-untaped': rule(
    'water',
    'watch',
    { mount: ['separate-fin'], tapeEdge: ['frame-edge', 'gasket'] },
    { tapeEdge: 'onto-frame' },
  ),
  'tape-on-integral-fin': rule(
    'water',
    'note',
    { mount: ['integral-fin'], tapeEdge: ['onto-frame'] },
    { tapeEdge: 'frame-edge' },
  ),
  'tape-onto-frame-under-bead': rule(
    'water',
    'watch',
    { ...FINNED, tapeEdge: ['onto-frame'], trim: ['frame-with-cap'] },
    { tapeEdge: 'frame-edge' },
  ),
  'gasket-taped-over': rule(
    'water',
    'fails',
    { mount: ['gasketed-fin'], tapeEdge: ['frame-edge', 'onto-frame'] },
    { tapeEdge: 'gasket' },
  ),
  'gasket-tape-without-gasket': rule(
    'water',
    'watch',
    { mount: ['integral-fin'], tapeEdge: ['gasket'] },
    { tapeEdge: 'frame-edge' },
  ),
  'outer-joint-open': rule(
    'water',
    'fails',
    { ...FINLESS, outerJoint: ['fin-tapes'] },
    { outerJoint: 'precompressed' },
    { outerJoint: 'sealant-rod' },
  ),
  'foam-face-without-board': rule(
    'water',
    'fails',
    { waterLayer: ['foam-face'], not: ['has-exterior-board'] },
    { waterLayer: 'mechanical-wrap' },
  ),
  'courses-without-wrap': rule(
    'order',
    'watch',
    { sequence: ['unit-first'], waterLayer: NO_WRAP },
    { sequence: 'wrap-first' },
  ),
  'buck-on-loose-wrap': rule(
    'structure',
    'watch',
    { ...BUCKED, waterLayer: ['mechanical-wrap'] },
    { waterLayer: 'self-adhered' },
    { waterLayer: 'integral-sheathing' },
  ),
  'screws-without-shims': rule(
    'structure',
    'watch',
    { ...NOT_POCKET, shims: ['none'], buck: ['none'], gapFill: ['foam', 'wool', 'loose-fibre'] },
    { shims: 'plastic-at-sill' },
  ),
  'skirt-over-closed-sill': rule(
    'water',
    'note',
    { ...FINNED, windSkirt: ['strip'], bedding: ['barrier'] },
    { windSkirt: 'none' },
  ),
  'heavy-unit-turned-over': rule(
    'structure',
    'watch',
    { mount: ['integral-fin', 'separate-fin'], beadOn: ['fin'], facts: ['unit-heavy'] },
    { beadOn: 'wall' },
  ),
  'maker-wants-every-hole': makers(
    { ...FIN_FASTENED, bottomFin: ['every-second-hole', 'spacers'], facts: ['maker-every-hole'] },
    { bottomFin: 'every-hole', bedding: 'interrupted' },
  ),
  'maker-wants-second-hole': makers(
    { ...FIN_FASTENED, bottomFin: ['every-hole'], facts: ['maker-second-hole'] },
    { bottomFin: 'every-second-hole' },
  ),
  'mount-needs-fin': rule(
    'structure',
    'fails',
    { ...FINNED, facts: ['unit-finless'] },
    { mount: 'clips', outerJoint: 'precompressed', head: 'cap' },
    { mount: 'frame-screws', outerJoint: 'precompressed', head: 'cap' },
  ),
  'mount-differs-from-fin': rule('water', 'fails', { facts: ['fin-of-another-kind'] }),
  'pocket-in-new-wall': rule(
    'structure',
    'fails',
    {
      mount: ['pocket'],
      waterLayer: ['mechanical-wrap', 'self-adhered', 'integral-sheathing', 'fluid', 'foam-face', 'masonry'],
    },
    { waterLayer: 'existing' },
  ),
  'old-wall-without-pocket': rule(
    'water',
    'watch',
    { ...NOT_POCKET, waterLayer: ['existing'] },
    { mount: 'pocket' },
  ),
  'old-frame-unseen': rule('water', 'watch', { mount: ['pocket'], waterLayer: ['existing'] }),
  'fin-fixes-the-depth': rule(
    'fit',
    'note',
    { ...FINNED, position: ['mid', 'inboard'] },
    { position: 'outboard' },
  ),
  'head-tucked-in': rule(
    'water',
    'watch',
    { ...FINNED, waterLayer: WRAPS, wrapEdge: ['turned-in'], head: ['tucked'] },
    { head: 'tucked-under-layer' },
    { head: 'flap' },
  ),
  'jambs-without-flaps': rule(
    'water',
    'note',
    { slits: ['four-corners'], wrapEdge: ['turned-in'], waterLayer: WRAPS, head: ['flap', 'flap-and-cap'] },
    { slits: 'head' },
    { wrapEdge: 'flush' },
  ),
  'fin-behind-board': rule(
    'fit',
    'fails',
    { ...FINNED, ...BOARD_OVER_LAYER, boardTime: ['before-unit'] },
    { boardTime: 'after-unit' },
  ),
  'air-in-masonry-that-is-none': rule(
    'air',
    'fails',
    { airLayer: ['masonry'], ...NOT_MASONRY },
    { airLayer: 'sheathing' },
    { airLayer: 'drywall' },
  ),
  'bare-blocks-leak': rule(
    'air',
    'watch',
    { airLayer: ['masonry'], waterLayer: ['masonry'], facts: ['has-block-leaf'] },
    { airLayer: 'plaster' },
  ),
};

/** Rules that a choice can break: those whose condition names it among few others on its axis. */
export const rulesNaming = (axis: AxisId, choice: Choice): readonly RuleId[] =>
  ruleIds.filter((id) => {
    const wanted: readonly string[] | undefined = rules[id].when[axis];
    return wanted?.includes(choice) === true && wanted.length <= FEW_CHOICES;
  });

/** A condition that names more than these only says where it applies at all. */
const FEW_CHOICES = 2;
