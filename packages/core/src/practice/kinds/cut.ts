/** Cut it: how long a strip is cut, from the opening or the unit and its allowances. */
import type { Build } from '../../build/build.ts';
import { cutList } from '../../build/cut-list.ts';
import { toMark } from '../../quantities/format-length.ts';
import type { LengthUnit } from '../../quantities/length.ts';
import { stripLengths, type LengthPart } from '../../methods/strip-lengths.ts';
import { byLevel, type Make } from '../make.ts';
import { faceView } from '../wall-views.ts';
import type { GivenLength } from '../question.ts';

/** Figures that the sheet bears too and that do not count, by level. */
const OTHERS = [0, 0, 1, 1, 2] as const;
/** A strip is cut to the mark; what rounds otherwise is as good. */
const WITHIN_mm = 1.7;

export const makeCut: Make = ({ level, system, dice, show, wall }) => {
  const own = wall();
  if (!own) return null;
  const { build } = own;
  const cuts = cutList(build.pieces);
  const fitting = stripLengths.flatMap((strip) => {
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
    .shuffled(stripLengths.flatMap((strip) => strip.parts.map(({ what }) => what)))
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
const rounding = (parts: readonly LengthPart[], build: Build, system: LengthUnit): number =>
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
