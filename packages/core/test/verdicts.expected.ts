/**
 * What becomes of water, air and verdict when something is done, left out or not known: written before the judgement that
 * must meet it. A row is a school on its example with full data of a site, what is changed about it, and what must come out.
 *
 * Common practice, no source, where a row says nothing else.
 */
import type { PresetId, WallChange } from '@hulvek/core';

const PRACTICE = 'common practice, no source';

/** What somebody has to say of a site, an opening or a unit before everything can be checked. */
export const data = [
  'wind',
  'height',
  'months',
  'lining',
  'weight',
  'fastener',
  'shelter',
  'figures',
] as const;
export type Datum = (typeof data)[number];

export type Grade = 'holds' | 'watch' | 'fails' | 'not-checkable';

export interface Situation {
  readonly says: string;
  readonly school: PresetId;
  readonly choices?: Readonly<Record<string, string>>;
  readonly numbers?: Readonly<Record<string, number>>;
  readonly readings?: Readonly<Record<string, number>>;
  readonly changes?: readonly WallChange[];
  readonly without?: Datum;
  readonly weight_kg?: number;
  readonly expect: {
    /** Of everything but heat. */
    readonly whole?: Grade;
    readonly water?: Grade;
    readonly air?: Grade;
    readonly moisture?: Grade;
    /** Gravest way that water from outside takes. */
    readonly path?: 'shed' | 'drained' | 'trapped' | 'structure' | 'room';
    /** Fewest bonds that must fail before framing or room is wet; `null` where none of them lets it in. */
    readonly bonds?: number | null;
    /** Fewest before water from outside is in the opening. */
    readonly bondsToOpening?: number | null;
    readonly finding?: string;
    readonly severity?: 'fails' | 'not-checkable' | 'watch' | 'look' | 'note';
    readonly noFinding?: string;
    readonly missing?: string;
    readonly people?: number;
  };
  readonly source: string;
}

const row = (
  says: string,
  school: PresetId,
  given: Omit<Situation, 'says' | 'school' | 'expect' | 'source'>,
  expect: Situation['expect'],
  source: string = PRACTICE,
): Situation => ({ says, school, ...given, expect, source });

const out = (piece: string): WallChange => ({ kind: 'left-out', piece });
const lost = (piece: string): WallChange => ({ kind: 'bond-lost', piece });
const moved = (step: string, before: string): WallChange => ({ kind: 'moved', step, before });

const D: PresetId = 'drained-head-flap';

/** Sound, on a lined wall with everything known: what cannot hold says why on its own page. */
export const soundGrades: Readonly<Record<PresetId, Grade>> = {
  'drained-head-flap': 'holds',
  // Trusts sealant and tapes alone.
  'closed-barrier': 'watch',
  'open-studs': 'holds',
  'foam-buck-outboard': 'holds',
  'fluid-recessed': 'holds',
  'masonry-cavity': 'holds',
  'drained-full-jambs': 'holds',
  // Trusts foam as the only seal inside.
  'cut-back-wrap': 'watch',
  'integral-sheathing': 'holds',
  'rigid-pan-heavy': 'holds',
  'foam-buck-inside': 'holds',
  'interior-clips': 'holds',
  'panel-frame': 'holds',
  // Nobody has seen what lies behind the old frame.
  pocket: 'not-checkable',
  // Trusts the upper edge of a tape on loose wrap.
  'separate-fin-double-head': 'watch',
  'deep-wall-blocks': 'holds',
};

const sound: readonly Situation[] = (Object.keys(soundGrades) as PresetId[]).map((school) =>
  row(`${school}: sound, with everything known`, school, {}, { whole: soundGrades[school] }),
);

/** A missing datum is named and nothing holds without it. */
const unknown: readonly Situation[] = (Object.keys(soundGrades) as PresetId[]).flatMap((school) =>
  data.flatMap((without): Situation[] => {
    // A head with a cap of its own needs no roof.
    const capped = ['fluid-recessed', 'masonry-cavity', 'rigid-pan-heavy', 'foam-buck-inside', 'panel-frame'];
    if (without === 'shelter' && [...capped, 'pocket', 'deep-wall-blocks'].includes(school)) return [];
    return [
      row(
        `${school}: nobody has said the ${without}`,
        school,
        { without },
        { whole: 'not-checkable', missing: without },
      ),
    ];
  }),
);

const leftOut: readonly Situation[] = [
  row(
    'no wall layer: rain on bare boards',
    D,
    { changes: [out('wrap')] },
    { water: 'fails', path: 'structure' },
  ),
  row(
    'no pan under a drained unit',
    D,
    { changes: [out('pan')] },
    { water: 'fails', path: 'structure', bonds: 0 },
  ),
  row('no tape over a slit', D, { changes: [out('slit-tape-left')] }, { water: 'fails', path: 'structure' }),
  row('a slit tape that does not stick', D, { changes: [lost('slit-tape-right')] }, { water: 'fails' }),
  // The bead runs over the head too: what comes down behind the wrap meets it, and nothing but it.
  row(
    'no head tape: what runs behind the wrap meets the bead alone',
    D,
    { changes: [out('head-tape')] },
    { bondsToOpening: 1 },
  ),
  // The bead lies in line with the holes, so that they are bedded in it.
  row(
    'no tape over a jamb fin: the bead alone stands before the joint',
    D,
    { changes: [out('jamb-tape-left')] },
    { path: 'shed', bondsToOpening: 1, finding: 'one-bond', severity: 'look' },
  ),
  row(
    'neither tape nor bead nor flashing at a jamb: framing',
    D,
    { changes: [out('jamb-tape-left'), out('jamb-flashing-left'), out('bead')] },
    { water: 'fails', path: 'structure', bonds: 0 },
  ),
  row(
    'jamb flashing left out behind a sound fin',
    D,
    { changes: [out('jamb-flashing-left')] },
    { path: 'shed' },
  ),
  row('a bead left out behind a taped fin', D, { changes: [out('bead')] }, { path: 'shed', water: 'holds' }),
  row(
    'no inner seal at the sill in wind',
    D,
    { changes: [out('seal-sill')] },
    { water: 'fails', path: 'room' },
  ),
  row('no wall layer there either', 'closed-barrier', { changes: [out('wrap')] }, { water: 'fails' }),
  row('a barrier without its bead', 'closed-barrier', { changes: [out('bead')] }, { bondsToOpening: 1 }),
  row(
    'a barrier without its sill tape',
    'closed-barrier',
    { changes: [out('sill-tape')] },
    { bondsToOpening: 1 },
  ),
  row('no apron over open studs', 'open-studs', { changes: [out('apron')] }, { water: 'fails' }),
  row('no pan over open studs', 'open-studs', { changes: [out('pan')] }, { water: 'fails', bonds: 0 }),
  row(
    'no strip below a buck’s sill',
    'foam-buck-outboard',
    { changes: [out('face-tape-sill')] },
    { water: 'fails' },
  ),
  row(
    'one of two head tapes: the other one holds',
    'foam-buck-outboard',
    { changes: [out('head-tape-2')] },
    { water: 'holds', bonds: 1 },
  ),
  row(
    'no outer seal before a brushed reveal: drained, and no first line',
    'fluid-recessed',
    { changes: [out('outer-seal')] },
    { water: 'watch', path: 'drained', bondsToOpening: 0, finding: 'no-first-line' },
  ),
  row(
    'an outer seal that does not stick',
    'fluid-recessed',
    { changes: [lost('outer-seal')] },
    { water: 'watch', path: 'drained' },
  ),
  row(
    'neither outer seal nor brushed jamb',
    'fluid-recessed',
    { changes: [out('outer-seal'), out('jamb-flashing-left')] },
    { water: 'fails', path: 'structure' },
  ),
  row('no pan behind it', 'fluid-recessed', { changes: [out('pan')] }, { water: 'fails' }),
  row(
    'no tray over a cavity: water of the leaf comes down on the head',
    'masonry-cavity',
    { changes: [out('tray')] },
    { water: 'watch', path: 'drained', bondsToOpening: 0 },
  ),
  row(
    'no band in masonry',
    'masonry-cavity',
    { changes: [out('outer-seal')] },
    { path: 'drained', water: 'watch' },
  ),
  row(
    'no corner patch under straight tape',
    'cut-back-wrap',
    { changes: [out('corner-patch-left')] },
    { water: 'fails' },
  ),
  row('no pan of straight tape', 'cut-back-wrap', { changes: [out('pan')] }, { water: 'fails' }),
  row(
    'no jamb tape over bare jambs',
    'cut-back-wrap',
    { changes: [out('jamb-tape-left')] },
    { water: 'fails' },
  ),
  row('no rigid pan', 'rigid-pan-heavy', { changes: [out('pan')] }, { water: 'fails' }),
  row(
    'a slit in membrane that sticks has the membrane behind it',
    'rigid-pan-heavy',
    { changes: [out('slit-tape-left')] },
    { water: 'holds' },
  ),
  row(
    'no buck head flashing, its bed behind it',
    'foam-buck-inside',
    { changes: [out('buck-flashing-head')] },
    { water: 'holds', bonds: 1 },
  ),
  row(
    'no band on the buck',
    'foam-buck-inside',
    { changes: [out('outer-seal')] },
    { path: 'drained', water: 'watch' },
  ),
  row('no pan behind inside brackets', 'interior-clips', { changes: [out('pan')] }, { water: 'fails' }),
  row(
    'a strip below the panel frame left out',
    'panel-frame',
    { changes: [out('face-tape-sill')] },
    { water: 'fails' },
  ),
  row('the head’s strip left out', 'panel-frame', { changes: [out('face-tape-head')] }, { water: 'fails' }),
  row(
    'no bead on the old stops',
    'pocket',
    { changes: [out('bead')] },
    { water: 'fails', path: 'structure' },
  ),
  row(
    'no pan under a separate fin',
    'separate-fin-double-head',
    { changes: [out('pan')] },
    { water: 'fails' },
  ),
  row(
    'no band in a deep wall',
    'deep-wall-blocks',
    { changes: [out('outer-seal')] },
    { path: 'drained', water: 'watch' },
  ),
  row('no pan in a deep wall', 'deep-wall-blocks', { changes: [out('pan')] }, { water: 'fails' }),
];

const orders: readonly Situation[] = [
  row(
    'a sound opening and one with its head flap reversed differ',
    D,
    { changes: [moved('flap-down', 'head-tape')] },
    { water: 'watch' },
  ),
  row(
    'jamb tapes over the head tape',
    D,
    { changes: [moved('head-tape', 'jamb-tapes')] },
    { finding: 'reverse-lap' },
  ),
  row(
    'jamb flashing under the pan',
    D,
    { changes: [moved('jamb-flashing', 'pan')] },
    { finding: 'reverse-lap' },
  ),
];

const sills: readonly Situation[] = [
  ...(Object.keys(soundGrades) as PresetId[])
    .filter((school) => !['pocket', 'closed-barrier', 'cut-back-wrap', 'masonry-cavity'].includes(school))
    .map((school) =>
      row(
        `${school}: a level sill behind a dam stands, and runs out at its front`,
        school,
        { choices: { sillDrain: 'back-dam' } },
        { noFinding: 'water-gets-in' },
      ),
    ),
  row(
    'a dam that does not stick on a level sill',
    D,
    { choices: { sillDrain: 'back-dam' }, changes: [lost('dam')] },
    { water: 'fails' },
  ),
  row(
    'a dam left out on a level sill',
    D,
    { choices: { sillDrain: 'back-dam' }, changes: [out('dam')] },
    { water: 'fails' },
  ),
  row(
    'the dam’s bed is looked at',
    D,
    { choices: { sillDrain: 'back-dam' } },
    { finding: 'one-bond', severity: 'look' },
  ),
  row(
    'a film below its least',
    'fluid-recessed',
    { numbers: { film: 0.2 } },
    { whole: 'fails', finding: 'film-too-thin' },
  ),
  row(
    'closed bottom over a pan',
    D,
    { choices: { bedding: 'barrier', bottomFin: 'every-hole' } },
    { whole: 'fails', water: 'fails' },
  ),
  row('open sill without a pan', D, { choices: { pan: 'none' } }, { whole: 'fails', water: 'fails' }),
  row(
    'a flap that is taped keeps what is behind the wrap',
    D,
    { choices: { flapEdge: 'taped' } },
    { finding: 'water-trapped', severity: 'watch' },
  ),
  row('one that is open lets it out', D, {}, { noFinding: 'water-trapped' }),
  row(
    'wrap tucked in at the head',
    D,
    { choices: { wrapEdge: 'turned-in', head: 'tucked' } },
    { water: 'watch' },
  ),
  row('slits at four corners', D, { choices: { slits: 'four-corners' } }, { whole: 'holds' }),
];

const bonds: readonly Situation[] = [
  row('slit tape on a shingled, drained wall is a look', D, {}, { finding: 'one-bond', severity: 'look' }),
  row('in a barrier it is the only line', 'closed-barrier', {}, { finding: 'one-bond', severity: 'watch' }),
  row(
    'a seam strip below a buck is a look',
    'foam-buck-outboard',
    {},
    { finding: 'one-bond', severity: 'look' },
  ),
  row(
    'foam alone against the room is no line',
    'cut-back-wrap',
    {},
    { finding: 'one-bond', severity: 'watch' },
  ),
  row(
    'a unit’s bond on old stops is the only line',
    'pocket',
    {},
    { finding: 'one-bond', severity: 'watch' },
  ),
  row(
    'shims that stand in sealant are looked at',
    'open-studs',
    {},
    { finding: 'air-interrupted', severity: 'look' },
  ),
  row(
    'clips through a membrane are looked at',
    'masonry-cavity',
    {},
    { finding: 'air-interrupted', severity: 'look' },
  ),
];

const air: readonly Situation[] = [
  row(
    'no seal inside but wool',
    D,
    { choices: { innerSeal: 'foam-alone', gapFill: 'wool' } },
    { air: 'fails' },
  ),
  row('foam alone inside', D, { choices: { innerSeal: 'foam-alone' } }, { air: 'watch' }),
  row('a side of the inner tape left out behind foam', D, { changes: [out('seal-left')] }, { air: 'watch' }),
  row(
    'a side of it left out behind wool',
    D,
    { choices: { gapFill: 'wool' }, changes: [out('seal-left')] },
    { air: 'fails' },
  ),
  row(
    'wrap as air layer wants its flap taped',
    D,
    { choices: { airLayer: 'water-layer' } },
    { air: 'watch' },
  ),
  row('and holds with it', D, { choices: { airLayer: 'water-layer', flapEdge: 'taped' } }, { air: 'holds' }),
  row(
    'bare jambs under an outer air layer',
    D,
    { choices: { airLayer: 'sheathing', jambs: 'bare' } },
    { air: 'fails' },
  ),
  row('drywall that comes later counts as planned', 'open-studs', {}, { air: 'holds', finding: 'air-waits' }),
  row('and plaster', 'masonry-cavity', {}, { air: 'holds', finding: 'air-waits' }),
];

const hands: readonly Situation[] = [
  row('23 kg: one', D, { weight_kg: 23 }, { people: 1 }, 'ISO 11228-1, from memory'),
  row(
    '30 kg: two, of whom two thirds count',
    D,
    { weight_kg: 30 },
    { people: 2 },
    'ISO 11228-1, from memory',
  ),
  row('34 kg: three, of whom half counts', D, { weight_kg: 34 }, { people: 3 }, 'ISO 11228-1, from memory'),
  row('46 kg are no two-person lift', D, { weight_kg: 46 }, { people: 4 }, 'ISO 11228-1, from memory'),
];

export const situations: readonly Situation[] = [
  ...sound,
  ...unknown,
  ...leftOut,
  ...orders,
  ...sills,
  ...bonds,
  ...air,
  ...hands,
];
