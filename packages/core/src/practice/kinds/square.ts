/** Out of square: what two diagonals say of an opening. */
import { openingFrame } from '../../survey/frame.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { formatLength, markStep } from '../../quantities/format-length.ts';
import { inches } from '../../quantities/length.ts';
import { byLevel, type Make } from '../make.ts';
import { openingPicture } from '../pictures/opening.ts';
import type { Asked, Given } from '../task.ts';

const ASKS = ['difference', 'difference', 'within', 'which-way', 'lean'] as const;
export const squareWithin = ['within', 'over'] as const;
export const squareWays = ['left', 'right', 'neither'] as const;

/** The lean of the top is asked for to a few millimetres: it is a thumb's reckoning. Common practice, no source. */
const LEAN_WITHIN_mm = 1.6;

export const makeSquare: Make = ({ level, system, dice }) => {
  const asks = byLevel(level, ASKS);
  const step = level === 1 && system === 'in' ? inches(1 / 4) : markStep(system);
  const [width, height] = [
    Math.round((700 + dice() * 700) / 10) * 10,
    Math.round((700 + dice() * 700) / 10) * 10,
  ];
  const limit_mm = system === 'mm' ? 3 : inches(1 / 8);
  const wished =
    level > 2 && dice() < 0.2 ? 0 : (dice() < 0.5 ? -1 : 1) * (2 + dice() * (level === 3 ? 6 : 12));
  const marked = (mm: number) => Math.round(mm / step) * step;
  const [rising_mm, falling_mm] = [
    marked(Math.hypot(width + wished, height)),
    marked(Math.hypot(width - wished, height)),
  ];
  const frame = openingFrame({
    widthBottom: width,
    widthMiddle: width,
    widthTop: width,
    heightLeft: height,
    heightCentre: height,
    heightRight: height,
    sillLeft: 0,
    sillMiddle: 0,
    sillRight: 0,
    diagonalRising: rising_mm,
    diagonalFalling: falling_mm,
  });
  if (!frame) return null;
  const lean_mm = (frame.left.at(-1)?.u ?? 0) - (frame.left[0]?.u ?? 0);
  const differs = Math.abs(rising_mm - falling_mm);
  // At the limit itself nobody is asked.
  if (asks === 'within' && Math.abs(differs - limit_mm) < step / 2) return null;
  if (asks === 'difference' && differs < step / 2) return null;
  const way = differs < step / 2 ? 'neither' : rising_mm > falling_mm ? 'right' : 'left';
  const asked: Asked =
    asks === 'within'
      ? { form: 'one', options: squareWithin }
      : asks === 'which-way'
        ? { form: 'one', options: squareWays }
        : { form: 'length', system };
  const answer: Given =
    asks === 'within'
      ? { form: 'one', option: differs < limit_mm ? 'within' : 'over' }
      : asks === 'which-way'
        ? { form: 'one', option: way }
        : { form: 'length', mm: asks === 'lean' ? Math.abs(lean_mm) : differs };
  const within = asks === 'lean' ? LEAN_WITHIN_mm : step * 0.34;
  const figure = (mm: number) => formatLength(mm, system, 'figure');
  const corners: Point2[] = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  return {
    task: {
      asked,
      question: { kind: 'square', asks, limit_mm, width_mm: width, height_mm: height, rising_mm, falling_mm },
      views: [
        {
          name: 'opening',
          // Drawn square: what it is, the figures say.
          draw: (size) =>
            openingPicture(
              {
                corners,
                lines: [
                  { from: [0, 0], to: [width, height], text: figure(rising_mm), at: 0.75 },
                  { from: [0, height], to: [width, 0], text: figure(falling_mm), at: 0.75 },
                ],
                notes: asks === 'lean' ? [{ at: [width / 2, 0], side: 'below', text: figure(width) }] : [],
              },
              size,
            ),
        },
      ],
    },
    judge: (given) => ({
      right:
        given.form === 'length' && answer.form === 'length'
          ? Math.abs(given.mm - answer.mm) < within
          : given.form === 'one' && answer.form === 'one' && given.option === answer.option,
      answer,
      why: { code: 'square', rising_mm, falling_mm, lean_mm },
      play: null,
      place: null,
    }),
    hardness: () => STEPS[asks] + (step < inches(1 / 4) ? 0.5 : 0),
  };
};

/** How many steps of thought it takes. */
const STEPS = { difference: 1, within: 2, 'which-way': 3, lean: 4 } as const;
