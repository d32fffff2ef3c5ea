/**
 * What a plan says in the hands of somebody who has done the work for years: figures to the sixteenth, pieces that are
 * there and pieces that are not, words on a card, findings. Written before the code that must meet it; every row is a
 * school, what is changed about it, and one thing that must come out.
 *
 * Names of choices, steps, pieces and findings that the program does not know yet are the names they are to get.
 */
import type { PresetId } from '@hulvek/core';

const PRACTICE = 'common practice, no source';
const inch = (figure: number): number => figure * 25.4;

/** What differs from the school's example: a casement of 900 × 1200 mm in an opening that fits it. */
export interface Given {
  readonly school: PresetId;
  readonly choices?: Readonly<Record<string, string>>;
  /** mm and degrees, by parameter. */
  readonly numbers?: Readonly<Record<string, number>>;
  /** Fields of the unit; lengths in mm. */
  readonly unit?: Readonly<Record<string, unknown>>;
  readonly readings?: Readonly<Record<string, number>>;
  readonly wall?: string;
  readonly job?: Readonly<Record<string, unknown>>;
}

export type Expected =
  | { readonly figure: string; readonly is: number; readonly within?: number }
  | { readonly finding: string; readonly severity?: 'fails' | 'watch' | 'not-checkable' | 'note' }
  | { readonly noFinding: string }
  | { readonly card: string; readonly says: RegExp }
  | { readonly card: string; readonly neverSays: RegExp }
  | { readonly step: string }
  | { readonly noStep: string }
  | { readonly before: readonly [first: string, then: string] }
  | { readonly piece: string; readonly count?: number }
  | { readonly noPiece: string }
  /** Minutes that must lie between the end of one step and the start of another. */
  | {
      readonly lag: readonly [after: string, step: string];
      readonly least_min?: number;
      readonly most_min?: number;
    };

export interface MasterRow {
  readonly says: string;
  readonly given: Given;
  readonly expect: Expected;
  readonly source: string;
}

const row = (says: string, given: Given, expect: Expected, source: string = PRACTICE): MasterRow => ({
  says,
  given,
  expect,
  source,
});

const DRAINED: Given = { school: 'drained-head-flap' };
const BARRIER: Given = { school: 'closed-barrier' };
const STUDS: Given = { school: 'open-studs' };
const POCKET: Given = { school: 'pocket' };
const CLIPS: Given = { school: 'interior-clips' };
const RECESSED: Given = { school: 'fluid-recessed' };
const MASONRY: Given = { school: 'masonry-cavity' };
/** 36 × 48 in before an outboard foam buck whose leg is 1 1/2 in, 1/4 in free on each side. */
const BUCKED: Given = {
  school: 'foam-buck-outboard',
  unit: { width: inch(36), height: inch(48) },
  numbers: { buckLeg: inch(1.5), frameClearance: inch(0.25) },
  job: { units: 'in' },
};
/** 6 mm free at the jambs, a leg of 38 mm, holes 25 mm out, 76 mm from fin to stud. */
const SIX_FREE: Given = {
  school: 'foam-buck-outboard',
  numbers: { buckLeg: 38, buckProjection: 61 },
  readings: { widthOver: 12 },
};
const BRACKETS: Given = {
  school: 'interior-clips',
  choices: { mount: 'gasketed-fin', setFrom: 'inside-brackets' },
};
const withChoices = (given: Given, choices: Given['choices']): Given => ({
  ...given,
  choices: { ...given.choices, ...choices },
});
const withNumbers = (given: Given, numbers: Given['numbers']): Given => ({
  ...given,
  numbers: { ...given.numbers, ...numbers },
});
const withUnit = (given: Given, unit: Given['unit']): Given => ({
  ...given,
  unit: { ...given.unit, ...unit },
});

/** One figure of the buck on every page. 36 + 2 × 1/4 + 2 × 1 1/2 = 39 1/2 in. */
const buckFigures: readonly MasterRow[] = [
  row('framing width of a bucked unit, under Units', BUCKED, {
    figure: 'units.framing.width',
    is: inch(39.5),
  }),
  row('the same under Sizes', BUCKED, { figure: 'sizes.framing.width', is: inch(39.5) }),
  row('the same on the survey drawing', BUCKED, { figure: 'survey-drawing.width', is: inch(39.5) }),
  row('unit to order for a framed width of 39 1/2 in', BUCKED, { figure: 'sizes.order.width', is: inch(36) }),
  row(
    'a leg chosen on the method goes before the number',
    { ...BUCKED, numbers: { frameClearance: inch(0.25) }, job: { units: 'in', methodLeg: inch(2) } },
    {
      figure: 'units.framing.width',
      is: inch(40.5),
    },
  ),
  row('a leg changed on one opening counts there', withNumbers(BUCKED, { buckLeg: inch(1) }), {
    figure: 'sizes.framing.width',
    is: inch(38.5),
  }),
  row(
    'a metric bucked width is rounded up to the millimetre',
    { school: 'foam-buck-inside', numbers: { buckLeg: 38.4, frameClearance: 6.35 } },
    {
      // 900 + 2 × 6.35 + 2 × 38.4 = 989.5
      figure: 'units.framing.width',
      is: 990,
    },
  ),
  row(
    'in height the sill leg counts at its high edge with its levelling shims',
    withNumbers(BUCKED, { slope: 5 }),
    {
      figure: 'sizes.framing.height - plan.least-height',
      is: 0,
      within: 0.01,
    },
  ),
  row(
    'buck pieces are short of the opening by the allowance in total, not twice',
    withNumbers(BUCKED, { buckShort: 2 }),
    {
      figure: 'cut.buck-sill.leg-length - opening.width',
      is: -2,
    },
  ),
  row('front and leg of a buck piece differ in length', BUCKED, {
    // 2 × 64 beyond the opening that is left, less 2 × 38.1 of legs, and 2 that the leg is short.
    figure: 'cut.buck-sill.front-length - cut.buck-sill.leg-length',
    is: 53.8,
  }),
];

/** 6 + 38 − 25 + 12 = 31 mm over 76 mm is 22.2°; 76 / cos 22.2° + 38 = 120 mm, of lengths sold 125 mm. */
const buckScrews: readonly MasterRow[] = [
  row('the hole misses the stud by gap + leg − hole offset', SIX_FREE, {
    figure: 'fasteners.missed',
    is: 19,
    within: 0.5,
  }),
  row('the angle that finds the stud 12 mm from its edge', SIX_FREE, {
    figure: 'fasteners.cure.angle',
    is: 22,
    within: 1,
  }),
  row('the length at that angle, of those that are sold', SIX_FREE, {
    figure: 'fasteners.cure.length',
    is: 125,
  }),
  row('a straight screw that ends in a foam leg fails', withNumbers(BUCKED, { driveAngle: 0 }), {
    finding: 'screw-ends-in-buck',
    severity: 'fails',
  }),
  row('10° moves it only 13 mm: not enough', withNumbers(BUCKED, { driveAngle: 10 }), {
    finding: 'screw-ends-in-buck',
    severity: 'fails',
  }),
  row('at the angle that finds the stud it does not fail', withNumbers(BUCKED, { driveAngle: 24 }), {
    noFinding: 'screw-ends-in-buck',
  }),
  row('a lumber buck with fasteners of its own carries the screw', withChoices(BUCKED, { buck: 'lumber' }), {
    noFinding: 'screw-ends-in-buck',
  }),
  row(
    'the maker of a foam buck allows it by name',
    { ...BUCKED, job: { units: 'in', buckAllowsScrews: 'by its maker' } },
    {
      noFinding: 'screw-ends-in-buck',
    },
  ),
  row('a screw from 100 mm is ordered early', withNumbers(BUCKED, { driveAngle: 24 }), {
    finding: 'screw-to-order',
  }),
  row('the card says angle and length', withNumbers(BUCKED, { driveAngle: 24 }), {
    card: 'fasten',
    // 1.5 + 1.5 + 70 + 12 + 38 = 123 mm, at 24° 135 mm: of lengths sold 150 mm.
    says: /24°.*150 mm/,
  }),
  row(
    'every second hole on all four sides is a choice',
    withChoices(DRAINED, { jambHoles: 'every-second-hole' }),
    {
      // At most 400 mm, spread evenly over 1000.
      figure: 'fasteners.jamb.pitch',
      is: 333.3,
    },
  ),
  row('screws stand beside shims that come out, never through them', DRAINED, {
    card: 'fasten',
    says: /above or below the shim/i,
  }),
];

const sills: readonly MasterRow[] = [
  row('slope cut into the framing: no board', withChoices(DRAINED, { sillDrain: 'framed-slope' }), {
    noPiece: 'board',
  }),
  row('and no height lost to one', withChoices(DRAINED, { sillDrain: 'framed-slope' }), {
    figure: 'plan.board-height',
    is: 0,
  }),
  row(
    'insulation lies up to the underside of it, without a gap',
    withChoices(DRAINED, { sillDrain: 'framed-slope' }),
    { figure: 'base.under-sill.gap', is: 0, within: 0.001 },
  ),
  row('and shims are wedges of fall × depth', withChoices(DRAINED, { sillDrain: 'framed-slope' }), {
    card: 'align',
    says: /wedge/i,
  }),
  row(
    'a fall of 0.2° inward at the pan counts as level and wants a dam',
    {
      ...withChoices(DRAINED, { sillDrain: 'framed-slope' }),
      readings: { sillFallLeft: -0.5, sillFallRight: -0.5 },
    },
    { finding: 'sill-level-without-dam' },
  ),
  row(
    'level with a dam is sound',
    {
      ...withChoices(DRAINED, { sillDrain: 'back-dam' }),
      readings: { sillFallLeft: 0, sillFallRight: 0 },
    },
    { noFinding: 'sill-too-flat' },
  ),
  row(
    'steeper inward fails',
    { ...DRAINED, readings: { sillFallLeft: -16, sillFallRight: -16 } },
    {
      finding: 'sill-falls-inward',
      severity: 'fails',
    },
  ),
  row(
    'a dam does not help where the sill falls 3.8° to the room behind it',
    {
      ...withChoices(DRAINED, { sillDrain: 'back-dam' }),
      readings: { sillFallLeft: -10, sillFallRight: -10 },
    },
    { finding: 'sill-falls-inward', severity: 'fails' },
  ),
  row(
    'the board is cut to its own slope, whatever it lies on: 3 + 152 × tan 5°',
    { ...DRAINED, readings: { sillFallLeft: 2, sillFallRight: 2 } },
    { figure: 'cut.board.thickness', is: 16.3, within: 0.1 },
  ),
  row(
    'and the pan on it lies at what both make: 5° + atan (2 / 152)',
    { ...DRAINED, readings: { sillFallLeft: 2, sillFallRight: 2 } },
    { figure: 'sill.slope', is: 5.75, within: 0.01 },
  ),
  row(
    'an old sill is measured and not added to: atan (4 / 115)',
    { ...POCKET, readings: { sillFallLeft: 4, sillFallRight: 4 } },
    { figure: 'sill.slope', is: 1.99, within: 0.01 },
  ),
  row(
    'what is formed in masonry has a slope of its own',
    { ...MASONRY, readings: { sillFallLeft: -20, sillFallRight: -20 } },
    { figure: 'sill.slope', is: 5 },
  ),
  row('a masonry wall gets no sawn timber through its cavity', MASONRY, { noPiece: 'board' }),
  row('but a sill of its own kind', MASONRY, { piece: 'masonry-sill' }),
  row('with a damp course under it', MASONRY, { piece: 'damp-course' }),
  row('and a tray with stop ends above the head', MASONRY, { piece: 'tray' }),
  row('whose water leaves by weeps', MASONRY, { piece: 'weep' }),
];

/** Units are bought by openings of unit + 1/2 in and + 3/4 in. */
const catalogue: readonly MasterRow[] = (
  [
    'drained-head-flap',
    'closed-barrier',
    'integral-sheathing',
    'drained-full-jambs',
    'interior-clips',
  ] as const
).flatMap((school) =>
  [12.7, 19.05].map((more) =>
    row(
      `${school}: an opening of unit + ${more} mm fits, or is said to be too small before anything is ordered`,
      {
        school,
        readings: { widthOver: more, heightOver: more },
      },
      { figure: 'fits-or-is-told', is: 1 },
    ),
  ),
);

/** 920 × 1253 with a board and pan of 9.67 under the frame and 1.2 of flashing at the head: 1253 − 1.2 − 9.67 − 1200 = 42.1. */
const seats: readonly MasterRow[] = [
  row(
    'equal space at head and sill, where that is chosen',
    { ...withChoices(DRAINED, { seat: 'equal' }), readings: { heightOver: 53 } },
    { figure: 'fit.head - fit.sill', is: 0 },
  ),
  row(
    'and the thinnest sound seat where it is not',
    { ...DRAINED, readings: { heightOver: 53 } },
    { figure: 'fit.sill', is: 3.175 },
  ),
];

const pansAndStrips: readonly MasterRow[] = [
  row('a thin gap at the sill alone condemns no seal', DRAINED, { noFinding: 'seal-unfit' }),
  row(
    'a pan may run on beyond the frame of a deep wall',
    { ...withNumbers(DRAINED, { panInset: 140 }), wall: 'double-stud' },
    {
      noFinding: 'pan-ends-under-frame',
    },
  ),
  row('a pan that ends under the frame leaves the rest bare', withNumbers(DRAINED, { panInset: 110 }), {
    finding: 'pan-ends-under-frame',
  }),
  row('a film of 0.25 mm is too thin', withNumbers(RECESSED, { film: 0.25 }), {
    finding: 'film-too-thin',
    severity: 'fails',
  }),
  row('one of 0.30 mm is not', withNumbers(RECESSED, { film: 0.3 }), { noFinding: 'film-too-thin' }),
  row('membranes are to be had up to 300 mm', withNumbers(CLIPS, { sealWidth: 300 }), {
    noFinding: 'not-planned',
  }),
  row(
    '57 mm set back 9 mm over a joint of 22 mm keeps 26 mm of grip',
    withNumbers(DRAINED, { sealWidth: 57, sealOnFrame: 9 }),
    {
      noFinding: 'seal-narrow',
    },
  ),
  row(
    'below the least grip a wider roll is offered first',
    { ...withNumbers(DRAINED, { sealWidth: 40, sealOnFrame: 9 }), readings: { widthOver: 44 } },
    {
      figure: 'fix.seal-narrow.first.sealWidth',
      is: 60,
      within: 20,
    },
  ),
  row('a membrane pan lies under a metal pan', withChoices(DRAINED, { pan: 'membrane-under-metal' }), {
    piece: 'pan-metal',
  }),
  row('and is there itself', withChoices(DRAINED, { pan: 'membrane-under-metal' }), { piece: 'pan' }),
  row('a unit with its own pan has nothing to cut for it', withChoices(DRAINED, { pan: 'of-unit' }), {
    noPiece: 'pan',
  }),
];

/** A cut of 200 mm at 45° lifts the hinge by 200 / √2 = 141 mm. */
const flaps: readonly MasterRow[] = [
  row(
    'the hinge of a 200 mm slit',
    withNumbers(DRAINED, { flapSlit: 200 }),
    { figure: 'flap.hinge', is: 141.4, within: 0.1 },
    'plane geometry',
  ),
  row(
    'the hinge of a 150 mm slit',
    withNumbers(DRAINED, { flapSlit: 150 }),
    { figure: 'flap.hinge', is: 106.1, within: 0.1 },
    'plane geometry',
  ),
  row('a reserve under 25 mm is a note', withNumbers(DRAINED, { flapSlit: 150, headTapeWidth: 100 }), {
    finding: 'head-tape-past-flap',
    severity: 'note',
  }),
  row('and no reverse lap', withNumbers(DRAINED, { flapSlit: 150, headTapeWidth: 100 }), {
    noFinding: 'reverse-lap',
  }),
  // The flaps are parts of the one sheet, as the head's is: what is cut, folded away and laid back is told by steps.
  row('slits at four corners free jamb flaps', withChoices(DRAINED, { slits: 'four-corners' }), {
    card: 'cut-flap-corners',
    says: /all four corners/i,
  }),
  row(
    'jamb flaps lie back before the jamb tapes bite them',
    withChoices(DRAINED, { slits: 'four-corners' }),
    {
      before: ['jamb-flaps-back', 'jamb-tapes'],
    },
  ),
  row('lower diagonals are taped before the jambs', withChoices(DRAINED, { slits: 'four-corners' }), {
    before: ['lower-slit-tapes', 'jamb-tapes'],
  }),
  row('nothing closes the bottom fin there either', withChoices(DRAINED, { slits: 'four-corners' }), {
    noPiece: 'sill-tape',
  }),
  row('and nothing laps the wrong way', withChoices(DRAINED, { slits: 'four-corners' }), {
    noFinding: 'reverse-lap',
  }),
  row('in a drained method no tape closes the bottom fin', DRAINED, { noPiece: 'sill-tape' }),
  row(
    'wrap tucked in at the head too puts water behind the fin',
    withChoices(DRAINED, { wrapEdge: 'turned-in', head: 'tucked' }),
    {
      finding: 'head-tucked-in',
      severity: 'watch',
    },
  ),
  row(
    'unless a head layer of its own laps over it',
    withChoices(DRAINED, { wrapEdge: 'turned-in', head: 'tucked-under-layer' }),
    {
      noFinding: 'head-tucked-in',
    },
  ),
  row('open studs have no seams to tape', STUDS, { noStep: 'face-seams' }),
  row(
    'a seam above the head is left up',
    withChoices({ school: 'integral-sheathing' }, { head: 'two-tapes', headSeam: 'left-up' }),
    {
      step: 'seam-down',
    },
  ),
];

const outerJoints: readonly MasterRow[] = [
  row('a band outside is cut for jambs and head of a sill that drains', MASONRY, {
    figure: 'cut.outer-seal.count',
    is: 3,
  }),
  row('5 mm longer at each corner than the joint', MASONRY, {
    figure: 'cut.outer-seal.longest - unit.height',
    is: 10,
  }),
  row('the rod behind sealant outside is cut too', RECESSED, { figure: 'cut.outer-rod.count', is: 3 }),
  row('a third thicker than its joint', RECESSED, {
    figure: 'cut.outer-rod.width / joint.left',
    is: 1.3,
    within: 0.05,
  }),
  row(
    'and so is the sealant, on all four sides where the sill is closed',
    withChoices(RECESSED, { bedding: 'barrier', pan: 'none' }),
    {
      figure: 'cut.outer-seal.count',
      is: 4,
    },
  ),
  row(
    'a band may be set on the frame before the unit',
    withChoices(MASONRY, { outerJoint: 'precompressed', bandFirst: 'on-frame', setFrom: 'inside' }),
    {
      before: ['band-on-frame', 'set-finless'],
    },
  ),
  row('where courses lap there is a seam', STUDS, { piece: 'course-seam' }),
  row(
    'the leg of a cap is lapped by tape where no flap laps it',
    withChoices({ school: 'fluid-recessed' }, { head: 'cap' }),
    { piece: 'cap-tape' },
  ),
];

/** 1 Btu/(h ft² °F) = 5.678 W/(m² K). */
const labels: readonly MasterRow[] = [
  row(
    'a U of 0.30 on a North American label is 1.70 W/(m² K)',
    withUnit(DRAINED, { uFactor: '0.30 Btu/(h ft² °F)' }),
    {
      figure: 'unit.u',
      is: 1.703,
      within: 0.001,
    },
    'definition of the British thermal unit, ISO 80000-5, from memory',
  ),
  row(
    'labels of two rating procedures are not compared',
    {
      ...withUnit(DRAINED, { uFactor: 1.7, rating: 'iso' }),
      job: { label: { uFactor: 1.9, rating: 'north-american' } },
    },
    { finding: 'label-procedures-differ', severity: 'not-checkable' },
  ),
  row(
    'a label that nobody gave is not checkable',
    { ...DRAINED, job: { facadeAsks: { uMost: 1.4 } } },
    {
      finding: 'label-missing',
      severity: 'not-checkable',
    },
  ),
];

const guardsAndTrim: readonly MasterRow[] = [
  row(
    'a guard lies over the seal on four sides',
    { school: 'drained-full-jambs' },
    { figure: 'cut.guard.count', is: 4 },
  ),
  row(
    'its thickness enters the depth',
    { school: 'drained-full-jambs' },
    { figure: 'depth.guard', is: 3, within: 3 },
  ),
  row('a trim’s cap is cut', withChoices(DRAINED, { trim: 'frame-with-cap' }), { piece: 'trim-cap' }),
  row(
    'trim stands 10 mm above a head flashing',
    withChoices(DRAINED, { trim: 'frame-with-cap', head: 'flap-and-cap' }),
    {
      figure: 'trim.head-gap',
      is: 10,
    },
  ),
  row('shims are counted once', DRAINED, { figure: 'shims.built - fit.shims.count', is: 0 }),
  row('clips that go through a seal are counted once, not for each jamb again', CLIPS, {
    figure: 'air-interrupted.count',
    is: 8,
  }),
  row('where the choice says none, none are listed', withChoices(DRAINED, { shims: 'none' }), {
    noPiece: 'shims',
  }),
];

/** A fin that is taped over inside brackets is not nailed. */
const unfastenedFins: readonly MasterRow[] = [
  row('no bead behind it', BRACKETS, { noPiece: 'bead' }),
  row('no fastener through it', BRACKETS, { figure: 'fasteners.fin.count', is: 0 }),
  row('nothing misses the framing', BRACKETS, { noFinding: 'side-too-short' }),
  row('top brackets first', BRACKETS, { card: 'set-on-inside-brackets', says: /top brackets first/i }),
  row('the fin is taped within its zone, sides then head', BRACKETS, { card: 'jamb-tapes', says: /zone/i }),
  row('tape instead of a bead behind an integral fin', withChoices(DRAINED, { bedding: 'tape' }), {
    piece: 'bedding-tape',
  }),
];

const operation = (kind: string): Given => withUnit(DRAINED, { operation: kind });
const sashKinds: readonly MasterRow[] = [
  row('a casement is fastened at its hinge side first', operation('casement'), {
    card: 'fasten',
    says: /hinge side first/i,
  }),
  row('latched while it is fastened', operation('casement'), { card: 'fasten', says: /latched/i }),
  row('a hung sash gets shims at its check rail', operation('double-hung'), {
    figure: 'shims.at-check-rail',
    is: 2,
  }),
  row('its jambs are judged for bow in the middle', operation('single-hung'), {
    card: 'operate',
    says: /sash a little open/i,
  }),
  row(
    'a slider takes no crown',
    { ...operation('sliding'), readings: { sillMiddle: 4 } },
    { finding: 'sill-crown', severity: 'fails' },
  ),
  row('a tilt-and-turn stands on its load-bearing corner', operation('tilt-turn'), {
    card: 'align',
    says: /load-bearing corner/i,
  }),
  row('a fixed unit is not operated', operation('fixed'), { noStep: 'operate' }),
  row('a door’s threshold is supported along its length', operation('door'), {
    card: 'align',
    says: /along its length/i,
  }),
];

const cards: readonly MasterRow[] = [
  row('no flap, nothing under a lifted flap', withChoices(DRAINED, { head: 'two-tapes' }), {
    card: 'head-tape',
    neverSays: /flap/i,
  }),
  row('no pan, nothing that a pan drains', BARRIER, { card: 'fasten', neverSays: /\bpan\b/i }),
  row('a barrier is looked at for closed, not open', BARRIER, { card: 'release', neverSays: /open/i }),
  row('loose fibre has no look at foam', withChoices(DRAINED, { gapFill: 'loose-fibre' }), {
    noStep: 'foam-look',
  }),
  row('the jamb tape’s edge goes by the choice', withChoices(DRAINED, { tapeEdge: 'onto-frame' }), {
    card: 'jamb-tapes',
    says: /onto the frame/i,
  }),
  row('a pocket unit has no pan to drain behind its foam', POCKET, {
    card: 'foam',
    neverSays: /drain|\bpan\b/i,
  }),
  row('a unit is unpacked before it is fitted dry', DRAINED, { before: ['unpack', 'dry-fit'] }),
  row('the gas tube is closed and tucked away', DRAINED, { card: 'unpack', says: /tube/i }),
  row('weld tabs come off before a trim channel', DRAINED, { card: 'unpack', says: /weld tabs/i }),
  row('small lengths by hand first, then the roller', DRAINED, {
    card: 'jamb-tapes',
    says: /by hand.*roller/is,
  }),
  row('the liner goes back a bit at a time, straight', DRAINED, { card: 'head-tape', says: /liner/i }),
  row('a flexible frame’s depth is read at four corners before and after foam', DRAINED, {
    card: 'foam',
    says: /four corners/i,
  }),
  row('only shims that carry nothing are pulled', DRAINED, { card: 'pull-shims', says: /carry nothing/i }),
];

/** What is there before the unit, and who made it. */
const beginnings: readonly MasterRow[] = [
  row(
    'board outside may be there before a unit without fins',
    withChoices({ ...RECESSED, wall: 'wool-outside-120' }, { boardTime: 'before-unit' }),
    { before: ['board-round-opening', 'set-finless'] },
  ),
  row(
    'or come after it',
    { ...RECESSED, wall: 'wool-outside-120' },
    { before: ['set-finless', 'board-round-frame'] },
  ),
  row(
    'a fin cannot reach its wall through a board that is there',
    withChoices({ ...DRAINED, wall: 'wool-outside-120' }, { boardTime: 'before-unit' }),
    { finding: 'rule-broken', severity: 'fails' },
  ),
  row('a job may begin with the unit set', withChoices(DRAINED, { begins: 'unit-set' }), {
    noStep: 'set',
  }),
  row('then the tapes still come', withChoices(DRAINED, { begins: 'unit-set' }), {
    before: ['found-set', 'jamb-tapes'],
  }),
  row('and what nobody of this job has seen is named', withChoices(DRAINED, { begins: 'unit-set' }), {
    finding: 'set-by-others',
    severity: 'not-checkable',
  }),
  row('bare blocks leak as an air layer', withChoices(MASONRY, { airLayer: 'masonry' }), {
    finding: 'rule-broken',
    severity: 'watch',
  }),
  row(
    'cast concrete does not',
    withChoices({ ...MASONRY, wall: 'concrete-200-foam' }, { airLayer: 'masonry' }),
    { noFinding: 'rule-broken' },
  ),
];

/** Beads beside tapes, and a casing that has to hide them. */
const beadsAndCasing: readonly MasterRow[] = [
  row(
    'sealant between buck and board, before its strip',
    { school: 'foam-buck-outboard' },
    { before: ['board-bead', 'face-tape-sill'] },
  ),
  row('and its length is in the list', { school: 'foam-buck-outboard' }, { piece: 'board-bead' }),
  row('a bead may bridge from frame to tape', withChoices(BARRIER, { tapeBead: 'frame-to-tape' }), {
    before: ['head-tape', 'tape-bead'],
  }),
  row('by itself it is not there', BARRIER, { noPiece: 'tape-bead' }),
  row(
    'a casing that leaves less of the frame to be seen than the tape leaves free hides it',
    withNumbers(withChoices(DRAINED, { insideTrim: 'casing' }), { casingReveal: 5, sealOnFrame: 10 }),
    { noFinding: 'casing-shows-tape' },
  ),
  row(
    'one that leaves more shows it',
    // 70 of frame, 30 of them taped: 40 free, 45 to be seen.
    withNumbers(withChoices(DRAINED, { insideTrim: 'casing' }), { casingReveal: 45, sealOnFrame: 30 }),
    { finding: 'casing-shows-tape', severity: 'watch' },
  ),
  row(
    'one that is too narrow leaves the joint bare',
    withNumbers(withChoices(DRAINED, { insideTrim: 'casing' }), { casingReveal: 5, casingWidth: 60 }),
    { finding: 'casing-shows-tape', severity: 'watch' },
  ),
];

const times: readonly MasterRow[] = [
  row('the adhesive of a buck holds back setting the unit', BUCKED, {
    lag: ['buck-on', 'set'],
    least_min: 1440,
  }),
  row(
    'a fluid film dries before the dry fit',
    { school: 'fluid-recessed' },
    { lag: ['pan-fluid', 'dry-fit'], least_min: 240 },
  ),
  row('a bead’s clock starts with its first metre and stops when the unit is home', DRAINED, {
    lag: ['bead', 'set'],
    most_min: 10,
  }),
  row('between setting and secure fastening there is no break', DRAINED, {
    lag: ['set', 'fasten'],
    most_min: 0,
  }),
];

export const masterRows: readonly MasterRow[] = [
  ...buckFigures,
  ...buckScrews,
  ...sills,
  ...catalogue,
  ...seats,
  ...pansAndStrips,
  ...flaps,
  ...outerJoints,
  ...labels,
  ...guardsAndTrim,
  ...unfastenedFins,
  ...sashKinds,
  ...cards,
  ...beginnings,
  ...beadsAndCasing,
  ...times,
];
