/** Read the tape: a mark on a drawn tape, in millimetres or sixteenths, and one that was not held at its end. */
import { rectangle } from '../../geometry/polygon.ts';
import { MM_PER_INCH } from '../../quantities/length.ts';
import { markStep } from '../../quantities/format-length.ts';
import { byLevel, type Make } from '../make.ts';
import { rulerItems } from '../pictures/ruler.ts';
import type { PaperSize, PracticeView } from '../task.ts';

/** To which mark it is read by level: of each unit its own, mm. */
const STEPS = {
  mm: [10, 5, 1, 1, 1],
  in: [MM_PER_INCH / 2, MM_PER_INCH / 4, MM_PER_INCH / 8, MM_PER_INCH / 16, MM_PER_INCH / 16],
} as const;
/** So much of it is seen, mm. */
const SEEN_mm = 56;
/** Held at this mark instead of its end, at the last level. */
const BURNT = { mm: 100, in: MM_PER_INCH } as const;

export const makeTape: Make = ({ level, system, dice }) => {
  const step = byLevel(level, STEPS[system]);
  const burnt_mm = level === 5 ? BURNT[system] : 0;
  const mark_mm = Math.round((300 + dice() * 1600) / step) * step;
  const from_mm = mark_mm - SEEN_mm * (0.25 + 0.5 * dice());
  const figureEvery = system === 'mm' && level >= 4 ? 5 : 1;
  const view: PracticeView = {
    name: 'tape',
    draw: ({ width, height }: PaperSize) => {
      const scale = (width - 24) / SEEN_mm;
      const [top, low] = [height * 0.4, Math.min(height - 8, height * 0.4 + 78)];
      const at = (mm: number) => [12 + (mm - from_mm) * scale, top] as const;
      const to_mm = from_mm + SEEN_mm;
      const [x] = at(mark_mm);
      return {
        width,
        height,
        scale,
        items: [
          {
            kind: 'area',
            points: rectangle([12, width - 12], [top, low]),
            fill: 'frame',
            stroke: 'outline',
            owner: '',
          },
          ...rulerItems({ from_mm, to_mm, system, at, into: [0, 1], figureEvery }),
          // The edge that is measured to.
          { kind: 'area', points: rectangle([12, x], [12, top]), fill: 'plaster', stroke: 'none', owner: '' },
          {
            kind: 'line',
            points: [
              [x, 12],
              [x, top],
            ],
            stroke: 'new',
            owner: '',
          },
        ],
      };
    },
  };
  const reads_mm = mark_mm - burnt_mm;
  return {
    task: {
      asked: { form: 'length', system },
      question: { kind: 'tape', system, burnt_mm },
      views: [view],
    },
    judge: (given) => ({
      right: given.form === 'length' && Math.abs(given.mm - reads_mm) < markStep(system) * NEAR,
      answer: { form: 'length', mm: reads_mm },
      why: { code: 'tape', mark_mm, reads_mm },
      play: null,
      place: null,
    }),
    hardness: () =>
      Math.log2(SEEN_mm / (STEPS[system][level - 1] ?? step)) +
      (burnt_mm > 0 ? 1 : 0) +
      (figureEvery > 1 ? 1 : level === 4 ? 0.2 : 0),
  };
};

/** Nearer than a third of a mark is that mark. */
const NEAR = 0.34;
