/** Least width: what goes into an opening whose jambs are not straight, not plumb and not parallel. */
import { openingFrame } from '../../survey/frame.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { formatLength } from '../../quantities/format-length.ts';
import { markStep } from '../../quantities/format-length.ts';
import { inches } from '../../quantities/length.ts';
import { byLevel, type Make } from '../make.ts';
import { openingPicture } from '../pictures/opening.ts';

const ASKS = ['least', 'least', 'plumb', 'plumb', 'unit'] as const;
/** How much a reading differs by at most, in marks. */
const APART = [8, 6, 5, 4, 4] as const;

export const makeWidth: Make = ({ level, system, dice }) => {
  const asks = byLevel(level, ASKS);
  const step =
    level === 1 && system === 'in'
      ? inches(1 / 4)
      : level === 2 && system === 'in'
        ? inches(1 / 8)
        : markStep(system);
  const marks = (mm: number) => Math.round(mm / step) * step;
  const [width, height] = [marks(700 + dice() * 900), marks(700 + dice() * 900)];
  const apart = byLevel(level, APART);
  const off = () => dice.whole(-apart, apart) * step;
  const [widthBottom, widthMiddle, widthTop] = [width + off(), width + off(), width + off()];
  const plumbLeft = asks === 'least' ? 0 : off();
  const bowLeft = level < 4 ? undefined : off();
  const clearance_mm = asks === 'unit' ? (system === 'mm' ? 10 : inches(3 / 8)) : 0;
  const frame = openingFrame({
    widthBottom,
    widthMiddle,
    widthTop,
    heightLeft: height,
    heightCentre: height,
    heightRight: height,
    sillLeft: 0,
    sillMiddle: 0,
    sillRight: 0,
    plumbLeft,
    ...(bowLeft !== undefined && { bowLeft }),
  });
  if (!frame) return null;
  const from_mm = Math.max(...frame.left.map(({ u }) => u));
  const to_mm = Math.min(...frame.right.map(({ u }) => u));
  const least = Math.min(widthBottom, widthMiddle, widthTop);
  const answer = asks === 'least' ? least : to_mm - from_mm - 2 * clearance_mm;
  const more = 6;
  const lean = plumbLeft * more;
  const bow = (bowLeft ?? 0) * more;
  const wide = (mm: number) => width + (mm - width) * more;
  const leftAt = (v: number) => (v / height) * lean + (v === height / 2 ? bow : 0);
  const corner = (v: number, mm: number): Point2 => [leftAt(v) + wide(mm), v];
  const rows = [
    [0, widthBottom, 0.06],
    [height / 2, widthMiddle, 0.5],
    [height, widthTop, 0.94],
  ] as const;
  const figure = (mm: number) => formatLength(mm, system, 'figure');
  const signed = (mm: number) => (mm === 0 ? '0' : `${mm > 0 ? '→' : '←'} ${figure(Math.abs(mm))}`);
  const readings = { widthBottom, widthMiddle, widthTop, plumbLeft, bowLeft: bowLeft ?? null };
  return {
    task: {
      asked: { form: 'length', system },
      question: { kind: 'width', asks, clearance_mm, readings },
      views: [
        {
          name: 'opening',
          draw: (size) =>
            openingPicture(
              {
                corners: [
                  [leftAt(0), 0],
                  corner(0, widthBottom),
                  corner(height / 2, widthMiddle),
                  corner(height, widthTop),
                  [leftAt(height), height],
                  [leftAt(height / 2), height / 2],
                ],
                lines: rows.map(([v, mm, at]) => ({
                  from: [leftAt(v), height * at] as const,
                  to: [leftAt(v) + wide(mm), height * at] as const,
                  text: figure(mm),
                  at: 0.5,
                })),
                notes: [
                  ...(asks === 'least'
                    ? []
                    : [
                        {
                          at: [leftAt(height), height] as const,
                          side: 'left' as const,
                          text: signed(plumbLeft),
                        },
                      ]),
                  ...(bowLeft === undefined
                    ? []
                    : [
                        {
                          at: [leftAt(height / 2), height / 2] as const,
                          side: 'left' as const,
                          text: signed(bowLeft),
                        },
                      ]),
                ],
              },
              size,
            ),
        },
      ],
    },
    judge: (given) => ({
      right: given.form === 'length' && Math.abs(given.mm - answer) < Math.min(step, 1) * 0.6,
      answer: { form: 'length', mm: answer },
      why:
        asks === 'least'
          ? { code: 'width', from_mm: 0, to_mm: least, clearance_mm: 0 }
          : { code: 'width', from_mm, to_mm, clearance_mm },
      play: null,
      place: null,
    }),
    hardness: () =>
      (asks === 'least' ? 3 : 4) + (bowLeft === undefined ? 0 : 1) + (clearance_mm > 0 ? 1 : 0) + 1 / apart,
  };
};
