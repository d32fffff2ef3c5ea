/** Cut it: how long a strip is cut, from the opening or the unit and its allowances. */
import type { Build } from '../../build/build.ts';
import { cutList } from '../../build/cut-list.ts';
import { toMark } from '../../quantities/format-length.ts';
import type { LengthUnit } from '../../quantities/length.ts';
import { byLevel, type Make } from '../make.ts';
import { faceView } from '../wall-views.ts';
import type { GivenLength } from '../question.ts';

interface Part {
  readonly times: number;
  readonly what: GivenLength['what'];
}

/** What a strip's length is made of where its ends are straight; by level. Where a wall makes it otherwise it is not asked. */
const STRIPS: readonly { readonly piece: string; readonly level: number; readonly parts: readonly Part[] }[] =
  [
    { piece: 'board', level: 1, parts: [{ times: 1, what: 'opening-width' }] },
    {
      piece: 'pan',
      level: 2,
      parts: [
        { times: 1, what: 'opening-width' },
        { times: 2, what: 'panUpturn' },
      ],
    },
    {
      piece: 'head-flashing',
      level: 2,
      parts: [
        { times: 1, what: 'opening-width' },
        { times: 2, what: 'headPast' },
      ],
    },
    {
      piece: 'seal-sill',
      level: 2,
      parts: [
        { times: 1, what: 'opening-width' },
        { times: 2, what: 'sealLap' },
      ],
    },
    {
      piece: 'slit-tape-left',
      level: 3,
      parts: [
        { times: 1, what: 'flapSlit' },
        { times: 2, what: 'headTapePast' },
      ],
    },
    {
      piece: 'head-tape',
      level: 4,
      parts: [
        { times: 1, what: 'unit-width' },
        { times: 2, what: 'jambTapeWidth' },
        { times: 2, what: 'headTapePast' },
      ],
    },
    {
      piece: 'jamb-tape-left',
      level: 5,
      parts: [
        { times: 1, what: 'unit-height' },
        { times: 2, what: 'fin' },
        { times: 1, what: 'jambTapeAboveFin' },
        { times: 1, what: 'jambTapeBelowFin' },
      ],
    },
    {
      piece: 'bead',
      level: 5,
      parts: [
        { times: 1, what: 'unit-width' },
        { times: 2, what: 'unit-height' },
        { times: 4, what: 'hole' },
      ],
    },
  ];

/** Figures that the sheet bears too and that do not count, by level. */
const OTHERS = [0, 0, 1, 1, 2] as const;
/** A strip is cut to the mark; what rounds otherwise is as good. */
const WITHIN_mm = 1.7;

export const makeCut: Make = ({ level, system, dice, show, wall }) => {
  const own = wall();
  if (!own) return null;
  const { build } = own;
  const cuts = cutList(build.pieces);
  const fitting = STRIPS.flatMap((strip) => {
    const cut = cuts.find(({ piece }) => piece === strip.piece);
    const sum = cut && strip.parts.reduce((all, { times, what }) => all + times * lengthOf(build, what), 0);
    return cut && sum !== undefined && Math.abs(sum - cut.length_mm) < 0.5
      ? [{ ...strip, length_mm: cut.length_mm }]
      : [];
  });
  const most = Math.max(0, ...fitting.flatMap((one) => (one.level <= level ? [one.level] : [])));
  const strips = fitting.filter((one) => one.level === most);
  if (strips.length === 0 || most < level - 2) return null;
  const { piece, parts, length_mm } = dice.pick(strips);
  const used = new Set(parts.map(({ what }) => what));
  const others = dice
    .shuffled(STRIPS.flatMap((strip) => strip.parts.map(({ what }) => what)))
    .filter((what) => !used.has(what) && lengthOf(build, what) > 0);
  const lengths = show
    .shuffled([...used, ...new Set(others.slice(0, byLevel(level, OTHERS)))])
    .map((what): GivenLength => ({ what, mm: lengthOf(build, what) }));
  const within = Math.max(WITHIN_mm, rounding(parts, build, system));
  return {
    task: {
      asked: { form: 'length', system },
      question: { kind: 'cut', piece, lengths },
      views: [faceView(build, build.steps.length)],
    },
    judge: (given) => ({
      right: given.form === 'length' && Math.abs(given.mm - length_mm) <= within,
      answer: { form: 'length', mm: toMark(length_mm, system) },
      why: {
        code: 'cut',
        piece,
        parts: parts.map(({ times, what }) => ({ times, what, mm: lengthOf(build, what) })),
      },
      play: null,
      place: null,
    }),
    hardness: () => parts.length + (lengths.length - used.size) * 0.5,
  };
};

/** What comes of adding figures that were rounded to marks, mm. */
const rounding = (parts: readonly Part[], build: Build, system: LengthUnit): number =>
  parts.reduce((sum, { times, what }) => {
    const mm = lengthOf(build, what);
    return sum + times * Math.abs(toMark(mm, system) - mm);
  }, 0) + 0.5;

function lengthOf({ context: { opening, unit, numbers } }: Build, what: GivenLength['what']): number {
  switch (what) {
    case 'opening-width':
      return opening.width;
    case 'opening-height':
      return opening.height;
    case 'unit-width':
      return unit.width;
    case 'unit-height':
      return unit.height;
    case 'fin':
      return unit.finWidth;
    case 'hole':
      return unit.holeFromFrame;
    default:
      return numbers[what];
  }
}
