/** Shims under the sill: how thick one is, by the levelling line, under a unit that stands level on the thinnest. */
import { shimSchedule } from '../../fit/shims.ts';
import type { DrawItem } from '../../drawing/items.ts';
import { formatLength, markStep } from '../../quantities/format-length.ts';
import { inches } from '../../quantities/length.ts';
import { byLevel, type Make } from '../make.ts';
import type { PaperSize } from '../task.ts';

const APART = [12, 10, 8, 8, 8] as const;

export const makeShims: Make = ({ level, system, dice }) => {
  const step = markStep(system);
  const width = Math.round((600 + dice() * 900) / 100) * 100;
  const apart = byLevel(level, APART);
  const heights = Array.from({ length: 3 }, () => dice.whole(0, apart) * step * (level === 3 ? 2 : 1));
  const lowest = Math.min(...heights);
  const [left = 0, middle = 0, right = 0] = heights.map((mm) => mm - lowest);
  if (left === middle && middle === right) return null;
  const least_mm = system === 'mm' ? 3 : inches(1 / 8);
  const buildUp_mm = level === 5 ? (system === 'mm' ? 2 : inches(1 / 16)) : 0;
  const place =
    level < 3
      ? dice.pick([0, 0.5, 1])
      : level === 3
        ? dice.pick([0.25, 0.75])
        : dice.pick([0.1, 0.25, 0.3, 0.4, 0.6, 0.75, 0.9]);
  const at_mm = place * width;
  const high_mm = Math.max(left, middle, right);
  const shims = shimSchedule({
    unit: { left: 0, bottom: high_mm + buildUp_mm + least_mm, width, height: 1000 },
    stations: {
      left: [station(0, 0, 0)],
      right: [station(width, 0, 0)],
      bottom: [station(0, left, 0), station(width / 2, middle, 0.5), station(width, right, 1)],
    },
    layers: () => 0,
    sillBuildUp_mm: buildUp_mm,
    bevel_mm: 0,
    fromCorner_mm: 100,
    spacing_mm: 400,
    sillFromEnd_mm: 50,
    underMullions_mm: [at_mm],
    thresholdSpacing_mm: null,
    checkRails_mm: [],
  });
  const shim = shims.find(({ side, at_mm: at }) => side === 'sill' && Math.abs(at - at_mm) < 1e-6);
  if (!shim) return null;
  const thick = shim.thickness_mm;
  return {
    task: {
      asked: { form: 'length', system },
      question: {
        kind: 'shims',
        least_mm,
        buildUp_mm,
        at_mm,
        width_mm: width,
        sill_mm: [left, middle, right],
      },
      views: [
        {
          name: 'sill-line',
          draw: (size) =>
            sillPicture(size, {
              heights: [left, middle, right],
              place,
              figure: (mm) => formatLength(mm, system, 'figure'),
            }),
        },
      ],
    },
    judge: (given) => ({
      right:
        given.form === 'length' && Math.abs(given.mm - thick) < Math.max(0.34 * step, level >= 3 ? 0.6 : 0),
      answer: { form: 'length', mm: thick },
      why: { code: 'shims', high_mm, here_mm: high_mm + least_mm - thick, least_mm, buildUp_mm },
      play: null,
      place: null,
    }),
    hardness: () =>
      (Number.isInteger(place * 2) ? 1 : Number.isInteger(place * 4) ? 2 : 3) +
      (buildUp_mm > 0 ? 1 : 0) +
      1 / apart,
  };
};

const station = (u: number, v: number, place: 0 | 0.5 | 1) => ({ u, v, place, basis: 'measured' as const });

/** The sill from the side, its heights drawn larger, and the place that is asked for. */
function sillPicture(
  { width, height }: PaperSize,
  o: { heights: readonly [number, number, number]; place: number; figure: (mm: number) => string },
): DrawnSill {
  const [from, to] = [44, width - 44];
  const high = Math.max(...o.heights);
  const more = (height * 0.22) / high;
  const base = height * 0.72;
  const x = (place: number) => from + (to - from) * place;
  const points = o.heights.map((mm, i) => [x(i / 2), base - mm * more] as const);
  const unit = base - high * more - 26;
  return {
    width,
    height,
    scale: 1,
    items: [
      {
        kind: 'area',
        points: [...points, [to, height - 8], [from, height - 8]],
        fill: 'wood',
        stroke: 'outline',
        owner: '',
      },
      {
        kind: 'line',
        points: [
          [from - 20, unit],
          [to + 20, unit],
        ],
        stroke: 'new',
        owner: '',
      },
      ...o.heights.map((mm, i): DrawItem => ({
        kind: 'text',
        at: [x(i / 2), height - 26],
        text: o.figure(mm),
        size: 14,
        turned: false,
        tone: 'plain',
        owner: '',
      })),
      {
        kind: 'line',
        points: [
          [x(o.place), unit - 30],
          [x(o.place), unit + 18],
        ],
        stroke: 'measure',
        owner: '',
      },
      {
        kind: 'text',
        at: [x(o.place), unit - 40],
        text: '?',
        size: 16,
        turned: false,
        tone: 'plain',
        owner: '',
      },
    ],
  };
}

interface DrawnSill {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly items: readonly DrawItem[];
}
