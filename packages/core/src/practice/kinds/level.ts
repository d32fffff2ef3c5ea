/** Read the level: where the bubble stands, and where a laser line crosses the staffs on a sill. */
import { rectangle } from '../../geometry/polygon.ts';
import type { DrawItem } from '../../drawing/items.ts';
import { MM_PER_INCH, type LengthUnit } from '../../quantities/length.ts';
import type { Dice } from '../dice.ts';
import { markStep } from '../../quantities/format-length.ts';
import { byLevel, type Make, type Made } from '../make.ts';
import { rulerItems } from '../pictures/ruler.ts';
import type { PaperSize } from '../task.ts';

export const levelEnds = ['left', 'right', 'neither'] as const;

export const makeLevel: Make = ({ level, system, dice }) =>
  level === 1 || level === 2 ? bubble(level, dice) : laser(level, system, dice);

/** How far the bubble is off by level, as a share of the vial. */
const OFF = [0.26, 0.1] as const;
/** Bubble and marks, as shares of the vial's length. */
const BUBBLE = 0.16;
const MARKS = 0.1;

function bubble(level: number, dice: Dice): Made {
  const high = dice.pick(levelEnds);
  const off = (high === 'neither' ? 0 : high === 'right' ? 1 : -1) * (OFF[level - 1] ?? 0.1);
  const low = high === 'left' ? 'right' : high === 'right' ? 'left' : 'neither';
  return {
    task: {
      asked: { form: 'one', options: levelEnds },
      question: { kind: 'level', by: 'bubble' },
      views: [{ name: 'level', draw: (size) => ({ ...size, scale: 1, items: vial(size, off) }) }],
    },
    judge: (given) => ({
      right: given.form === 'one' && given.option === low,
      answer: { form: 'one', option: low },
      why: { code: 'bubble', high },
      play: null,
      place: null,
    }),
    hardness: () => 1 - (OFF[level - 1] ?? 0),
  };
}

function vial({ width, height }: PaperSize, off: number): DrawItem[] {
  const long = width * 0.8;
  const [left, middle] = [(width - long) / 2, height / 2];
  const tall = Math.min(54, height * 0.3);
  const x = (share: number) => left + long * (0.5 + share);
  const upright = (share: number): DrawItem => ({
    kind: 'line',
    points: [
      [x(share), middle - tall / 2],
      [x(share), middle + tall / 2],
    ],
    stroke: 'outline',
    owner: '',
  });
  const ring = Array.from({ length: 36 }, (_, i) => {
    const turn = (i / 36) * 2 * Math.PI;
    return [
      x(off) + Math.cos(turn) * long * (BUBBLE / 2),
      middle - tall * 0.08 + Math.sin(turn) * tall * 0.3,
    ] as const;
  });
  return [
    {
      kind: 'area',
      points: rectangle([left - 18, left + long + 18], [middle - tall / 2 - 16, middle + tall / 2 + 16]),
      fill: 'metal',
      stroke: 'outline',
      owner: '',
    },
    {
      kind: 'area',
      points: rectangle([left, left + long], [middle - tall / 2, middle + tall / 2]),
      fill: 'wrap',
      stroke: 'outline',
      owner: '',
    },
    { kind: 'area', points: ring, fill: 'room', stroke: 'outline', owner: '' },
    upright(-MARKS),
    upright(MARKS),
  ];
}

/** Staffs by level, and to which mark they are read, mm. */
const STAFFS = [0, 0, 2, 3, 3] as const;
const STEP = {
  mm: [1, 1, 2, 1, 1],
  in: [1, 1, MM_PER_INCH / 8, MM_PER_INCH / 8, MM_PER_INCH / 16],
} as const;
/** The line crosses a staff so far over the sill, mm; so much of a staff is seen. */
const LINE_mm = 300;
const SEEN_mm = 44;

function laser(level: 3 | 4 | 5, system: LengthUnit, dice: Dice): Made {
  const step = byLevel(level, STEP[system]);
  const many = byLevel(level, STAFFS);
  const base = Math.round((LINE_mm + dice() * 200) / step) * step;
  const apart = Math.floor(14 / step);
  const readings = Array.from({ length: many }, () => base + dice.whole(0, apart) * step);
  const [low, high] = [Math.max(...readings), Math.min(...readings)];
  if (low === high) readings[many - 1] = base + (readings[0] === base ? step : 0);
  const [low_mm, high_mm] = [Math.max(...readings), Math.min(...readings)];
  const shift = readings.map(() => 0.3 + 0.4 * dice());
  const figureEvery = system === 'mm' && level === 5 ? 2 : 1;
  const draw = ({ width, height }: PaperSize) => {
    const line = height / 2;
    const scale = (height - 40) / SEEN_mm / 2;
    const items = readings.flatMap((mm, i): DrawItem[] => {
      const x = (width * (i + 0.5)) / many - 30;
      const from_mm = mm - SEEN_mm * (shift[i] ?? 0.5);
      const to_mm = from_mm + SEEN_mm;
      const at = (one: number) => [x, line - (one - mm) * scale] as const;
      return [
        {
          kind: 'area',
          points: rectangle([x, x + 66], [at(to_mm)[1] - 4, at(from_mm)[1] + 4]),
          fill: 'frame',
          stroke: 'outline',
          owner: '',
        },
        ...rulerItems({ from_mm, to_mm, system, at, into: [1, 0], figureEvery }),
      ];
    });
    return {
      width,
      height,
      scale,
      items: [
        ...items,
        {
          kind: 'line' as const,
          points: [
            [0, line],
            [width, line],
          ] as const,
          stroke: 'new' as const,
          owner: '',
        },
      ],
    };
  };
  const differs = low_mm - high_mm;
  return {
    task: {
      asked: { form: 'length', system },
      question: { kind: 'level', by: 'laser' },
      views: [{ name: 'level', draw }],
    },
    judge: (given) => ({
      right: given.form === 'length' && Math.abs(given.mm - differs) < markStep(system) * NEAR,
      answer: { form: 'length', mm: differs },
      why: { code: 'laser', high_mm, low_mm },
      play: null,
      place: null,
    }),
    hardness: () => 1 + Math.log2(many * (SEEN_mm / step)) + (figureEvery > 1 ? 1 : 0),
  };
}

const NEAR = 0.34;
