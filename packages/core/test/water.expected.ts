/**
 * Where water goes in each school on a sound opening, written from the trade's point of view before anything traced
 * it: what happens while every bond holds, how many bonds must fail before framing or room gets wet, and which.
 *
 * `k` null: no set of bonds that fails lets it in, because what lies behind them sheds or drains. Left and right
 * behave alike on a square opening, so bonds are named without their side. Common practice, no source.
 */
import type { PresetId } from '@hulvek/core';

export interface ExpectedWater {
  readonly outcome: 'shed' | 'drained' | 'trapped' | 'structure' | 'room' | 'not-checkable';
  readonly k: number | null;
  readonly bonds: readonly string[];
}
export type ExpectedSource = 'wall-above' | 'head-corners' | 'frame-joint' | 'unit-sill';

const never = (outcome: ExpectedWater['outcome']): ExpectedWater => ({ outcome, k: null, bonds: [] });
const by = (outcome: ExpectedWater['outcome'], ...bonds: string[]): ExpectedWater => ({
  outcome,
  k: bonds.length,
  bonds,
});

export const expectedWater: Readonly<Record<PresetId, Readonly<Record<ExpectedSource, ExpectedWater>>>> = {
  // The flap covers the head tape; past the tape's upper edge the ends of the slits have nothing but their tapes.
  'drained-head-flap': {
    'wall-above': never('shed'),
    'head-corners': by('shed', 'slit-tape'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // Nothing is meant to come in; what the unit itself lets through has no way out.
  'closed-barrier': {
    'wall-above': never('shed'),
    'head-corners': by('shed', 'slit-tape'),
    'frame-joint': never('shed'),
    'unit-sill': never('trapped'),
  },
  // The upper course comes last, over everything; the apron carries the pan's water over the lower course.
  'open-studs': {
    'wall-above': never('shed'),
    'head-corners': never('shed'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // The seam between buck and board lies under both head tapes; below the sill one tape bridges it.
  'foam-buck-outboard': {
    'wall-above': by('shed', 'head-tape-2', 'head-tape'),
    'head-corners': by('shed', 'head-tape-2', 'head-tape'),
    'frame-joint': never('shed'),
    'unit-sill': by('drained', 'face-tape-sill'),
  },
  // Coating everywhere behind: what passes cap and joint runs to the pan.
  'fluid-recessed': {
    'wall-above': never('shed'),
    'head-corners': never('shed'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // Masonry is not hurt by what the joint lets through, and the pan takes it out.
  'masonry-cavity': {
    'wall-above': never('shed'),
    'head-corners': never('shed'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  'drained-full-jambs': {
    'wall-above': never('shed'),
    'head-corners': by('shed', 'slit-tape'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // Straight tape is slit at the sill's corners; the patch under it is all there is.
  'cut-back-wrap': {
    'wall-above': never('shed'),
    'head-corners': by('shed', 'slit-tape'),
    'frame-joint': never('shed'),
    'unit-sill': by('drained', 'corner-patch'),
  },
  // The coated face runs on behind every tape.
  'integral-sheathing': {
    'wall-above': never('shed'),
    'head-corners': never('shed'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // The membrane itself sticks to the sheathing: a second line behind the slit tapes.
  'rigid-pan-heavy': {
    'wall-above': never('shed'),
    'head-corners': by('shed', 'slit-tape', 'wrap'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // Behind the board: the flashing over the buck, then the beads that the buck is bedded in.
  'foam-buck-inside': {
    'wall-above': by('shed', 'buck-flashing-head', 'buck-head'),
    'head-corners': by('shed', 'buck-flashing-head', 'buck-head'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  'interior-clips': {
    'wall-above': never('shed'),
    'head-corners': by('shed', 'slit-tape'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  // One tape over the seam between panel and board at every side: a single line.
  'panel-frame': {
    'wall-above': by('shed', 'face-tape-head'),
    'head-corners': by('shed', 'face-tape-head'),
    // Written as "never" at first; the tracing was right: the joint drains over the seam below the sill.
    'frame-joint': by('shed', 'outer-seal', 'face-tape-sill'),
    'unit-sill': by('drained', 'face-tape-sill'),
  },
  // Of the old wall nobody knows; behind the stops the old jambs are bare, and the bead is what keeps water off them.
  pocket: {
    'wall-above': never('not-checkable'),
    'head-corners': never('not-checkable'),
    'frame-joint': by('shed', 'unit'),
    'unit-sill': never('drained'),
  },
  // Two tapes, then a fin whose joint leaks: what comes through meets flashed jambs and the pan.
  'separate-fin-double-head': {
    'wall-above': never('shed'),
    'head-corners': never('shed'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
  'deep-wall-blocks': {
    'wall-above': never('shed'),
    'head-corners': never('shed'),
    'frame-joint': never('shed'),
    'unit-sill': never('drained'),
  },
};

/**
 * The same for one change made to a sound opening: the mistakes that are told on site, and what water makes of them.
 * `source` names where it shows.
 */
export const expectedMistakes: readonly {
  readonly name: string;
  readonly preset: PresetId;
  readonly change:
    | { readonly kind: 'left-out'; readonly piece: string }
    | { readonly kind: 'bond-lost'; readonly piece: string }
    | { readonly kind: 'moved'; readonly step: string; readonly before: string }
    | { readonly kind: 'choose'; readonly choices: Readonly<Record<string, string>> }
    | { readonly kind: 'set'; readonly numbers: Readonly<Record<string, { typed: string; mm: number }>> };
  readonly source: ExpectedSource;
  readonly expected: ExpectedWater;
}[] = [
  {
    name: 'the slits are not taped',
    preset: 'drained-head-flap',
    change: { kind: 'left-out', piece: 'slit-tape-left' },
    source: 'head-corners',
    expected: by('structure'),
  },
  {
    name: 'a slit tape is not rolled',
    preset: 'drained-head-flap',
    change: { kind: 'bond-lost', piece: 'slit-tape-right' },
    source: 'head-corners',
    expected: by('structure'),
  },
  {
    name: 'the flap comes down before the head tape, which then lies over it by its adhesive alone',
    preset: 'drained-head-flap',
    change: { kind: 'moved', step: 'flap-down', before: 'head-tape' },
    source: 'wall-above',
    expected: never('shed'),
  },
  {
    name: 'a drained sill is closed below: the leak of the unit stays in',
    preset: 'drained-head-flap',
    change: { kind: 'choose', choices: { bedding: 'barrier' } },
    source: 'unit-sill',
    expected: never('trapped'),
  },
  {
    name: 'no pan: the leak of the unit stands on the bare sill',
    preset: 'drained-head-flap',
    change: { kind: 'left-out', piece: 'pan' },
    source: 'unit-sill',
    expected: by('structure'),
  },
  {
    name: 'the pan ends above wrap that is cut back',
    preset: 'cut-back-wrap',
    change: { kind: 'set', numbers: { panLap: { typed: '40', mm: 40 } } },
    source: 'unit-sill',
    expected: by('structure'),
  },
  {
    name: 'a separate fin with bare jambs: at every side the tape on the frame is the only line, the head before all',
    preset: 'separate-fin-double-head',
    change: { kind: 'choose', choices: { jambs: 'bare' } },
    source: 'frame-joint',
    expected: by('shed', 'head-tape'),
  },
  {
    name: 'a separate fin with bare jambs whose tape stops at the frame: its joint leaks onto the studs',
    preset: 'separate-fin-double-head',
    change: { kind: 'choose', choices: { jambs: 'bare', tapeEdge: 'frame-edge' } },
    source: 'frame-joint',
    expected: by('structure'),
  },
  {
    name: 'the seam under the sill of a buck is not taped',
    preset: 'foam-buck-outboard',
    change: { kind: 'left-out', piece: 'face-tape-sill' },
    source: 'unit-sill',
    expected: by('structure'),
  },
  {
    name: 'the second head tape is not rolled: the first one is what is left',
    preset: 'foam-buck-outboard',
    change: { kind: 'bond-lost', piece: 'head-tape-2' },
    source: 'wall-above',
    expected: by('shed', 'head-tape'),
  },
];
