/** Plan tomorrow with this weather: an order of the tasks in which all of them find their place in the day. */
import { rectangle } from '../../geometry/polygon.ts';
import type { DrawItem } from '../../drawing/items.ts';
import type { LengthUnit } from '../../quantities/length.ts';
import { measureFigure, measureUnit } from '../../quantities/measure.ts';
import { byLevel, type Make } from '../make.ts';
import type { Given, PaperSize } from '../task.ts';
import {
  DAY,
  dayIn,
  dayWorks,
  DAY_WORKS,
  type DayHour,
  type DayLag,
  type DayPlan,
  type DayTask,
} from './day-tasks.ts';

const TASKS = [3, 3, 4, 4, 5] as const;
/** Of so many orders one is right, at least, by level. */
const ODDS = [1.5, 2.5, 4, 7, 14] as const;
const LAGS: readonly DayLag[] = [
  { from: 'brush-fluid', to: 'tape-face', min: 120 },
  { from: 'brush-fluid', to: 'set-unit', min: 180 },
  { from: 'set-unit', to: 'foam-inside', min: 0 },
  { from: 'set-unit', to: 'seal-outside', min: 0 },
  { from: 'foam-inside', to: 'seal-inside', min: 60 },
  { from: 'cut-strips', to: 'tape-face', min: 0 },
];

export function permutations<T>(list: readonly T[]): T[][] {
  return list.length < 2
    ? [[...list]]
    : list.flatMap((one, i) => permutations(list.toSpliced(i, 1)).map((rest) => [one, ...rest]));
}

export const makeDay: Make = ({ level, system, dice, show }) => {
  const many = byLevel(level, TASKS);
  const odds = byLevel(level, ODDS);
  let best: { day: DayPlan; good: string[][]; off: number } | null = null;
  for (let i = 0; i < TRIES; i++) {
    const day = someDay(many, level, dice);
    const all = permutations(day.tasks.map(({ id }) => id));
    const good = all.filter((order) => dayIn(day, order).ok);
    if (good.length === 0 || good.length === all.length) continue;
    const off = Math.abs(Math.log2(all.length / good.length / odds));
    if (!best || off < best.off) best = { day, good, off };
    if (off < 0.4) break;
  }
  const [first] = best?.good ?? [];
  if (!best || !first) return null;
  const { day, good } = best;
  const rights = new Set(good.map((order) => order.join()));
  const all = permutations(day.tasks.map(({ id }) => id));
  const shown = show.pick(all.filter((order) => !rights.has(order.join())));
  const answer: Given = { form: 'order', items: first };
  return {
    task: {
      asked: { form: 'order', items: shown },
      question: { kind: 'day', ...day },
      views: [{ name: 'weather', draw: (size) => weatherPicture(size, day.weather, system) }],
    },
    judge: (given) => {
      const items =
        given.form === 'order' && given.items.toSorted().join() === first.toSorted().join()
          ? given.items
          : null;
      const run = items && dayIn(day, items);
      if (run?.ok)
        return {
          right: true,
          answer,
          why: { code: 'day-right', ends_min: run.ends_min, orders: good.length },
          play: null,
          place: null,
        };
      const { task, trouble } = run ?? {
        task: first[0] ?? '',
        trouble: { code: 'no-room' as const, because: 'time' as const },
      };
      return {
        right: false,
        answer,
        why: { code: 'day-wrong', task, trouble },
        play: null,
        place: null,
      };
    },
    hardness: () => Math.log2(all.length / good.length),
  };
};

const TRIES = 10;

function someDay(many: number, level: number, dice: Parameters<Make>[0]['dice']): DayPlan {
  const works = dice.shuffled(dayWorks).slice(0, many);
  const total = (DAY[1] - DAY[0]) * 60 * (level < 3 ? 0.5 : 0.7);
  const shares = works.map(() => 0.6 + dice() * 0.8);
  const sum = shares.reduce((a, b) => a + b, 0);
  const tasks = works.map((id, i): DayTask => ({
    id,
    minutes: Math.max(30, Math.round((total * (shares[i] ?? 1)) / sum / 15) * 15),
    ...DAY_WORKS[id],
  }));
  const lags =
    level < 3
      ? []
      : LAGS.filter(({ from, to }) => works.includes(from as never) && works.includes(to as never));
  return { tasks, lags, weather: someWeather(dice) };
}

/** A cold morning or a mild day, rain for some hours of it, gusts for some. */
function someWeather(dice: Parameters<Make>[0]['dice']): DayHour[] {
  const dawn = dice.whole(0, 8);
  const [rainFrom, rainLong] = [dice.whole(DAY[0], DAY[1] - 2), dice.whole(2, 5)];
  const [gustFrom, gustLong] = [dice.whole(DAY[0], DAY[1] - 2), dice.whole(0, 5)];
  return Array.from({ length: DAY[1] - DAY[0] }, (_, i) => {
    const hour = DAY[0] + i;
    const within = (from: number, long: number) => hour >= from && hour < from + long;
    return {
      hour,
      temperature_C: dawn + Math.round(6 * Math.sin((Math.PI * i) / 11)),
      gust_ms: within(gustFrom, gustLong) ? dice.whole(12, 16) : dice.whole(3, 7),
      rain_mm: within(rainFrom, rainLong) ? dice.whole(1, 4) / 2 : 0,
    };
  });
}

/** The day hour by hour: rain as bars from above, temperature and gusts as figures. */
function weatherPicture({ width, height }: PaperSize, weather: readonly DayHour[], system: LengthUnit) {
  const left = LABELS_px;
  const wide = (width - left - 6) / weather.length;
  const rows = { hour: 18, rain: [34, height - 76], degrees: height - 54, gusts: height - 26 } as const;
  const tall = rows.rain[1] - rows.rain[0];
  const words = (x: number, y: number, text: string, tone: 'plain' | 'quiet'): DrawItem => ({
    kind: 'text',
    at: [x, y],
    text,
    size: 12,
    turned: false,
    tone,
    owner: '',
  });
  const items = weather.flatMap((one, i): DrawItem[] => {
    const x = left + wide * i;
    const middle = x + wide / 2;
    const fall = Math.min(tall, (one.rain_mm / 2) * tall);
    return [
      {
        kind: 'area',
        points: rectangle([x, x + wide], [rows.rain[0], rows.rain[1]]),
        fill: 'room',
        stroke: 'thin',
        owner: '',
      },
      ...(fall > 0
        ? [
            {
              kind: 'area' as const,
              points: rectangle([x + wide * 0.2, x + wide * 0.8], [rows.rain[0], rows.rain[0] + fall]),
              fill: 'stretch-flashing' as const,
              stroke: 'none' as const,
              owner: '',
            },
          ]
        : []),
      words(middle, rows.hour, String(one.hour), 'quiet'),
      words(middle, rows.degrees, measureFigure('temperature', one.temperature_C, system, 0), 'plain'),
      words(middle, rows.gusts, measureFigure('speed', one.gust_ms, system, 0), 'plain'),
    ];
  });
  const labels = [
    words(left / 2, rows.degrees, measureUnit('temperature', system), 'quiet'),
    words(left / 2, rows.gusts, measureUnit('speed', system), 'quiet'),
  ];
  return { width, height, scale: 1, items: [...items, ...labels] };
}

/** Room for the units of the rows. */
const LABELS_px = 34;
