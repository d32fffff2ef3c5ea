/** Work of one day for practice: what each asks of the weather, how long it takes, and how a day in some order goes. */
import { modelOf } from '../../work/model.ts';
import { planWork } from '../../work/planner.ts';
import type { Work } from '../../work/document.ts';

export interface DayHour {
  readonly hour: number;
  readonly temperature_C: number;
  readonly gust_ms: number;
  readonly rain_mm: number;
}

export const dayWorks = [
  'tape-face',
  'brush-fluid',
  'set-unit',
  'seal-outside',
  'foam-inside',
  'seal-inside',
  'cut-strips',
] as const;
export type DayWork = (typeof dayWorks)[number];

export interface DayTask {
  readonly id: DayWork;
  readonly minutes: number;
  readonly dry: boolean;
  readonly least_C: number | null;
  readonly most_ms: number | null;
}

/** What each asks for: common practice, no source. */
export const DAY_WORKS: Readonly<Record<DayWork, Omit<DayTask, 'id' | 'minutes'>>> = {
  'tape-face': { dry: true, least_C: 5, most_ms: null },
  'brush-fluid': { dry: true, least_C: 4, most_ms: null },
  'set-unit': { dry: false, least_C: null, most_ms: 10 },
  'seal-outside': { dry: true, least_C: 5, most_ms: null },
  'foam-inside': { dry: false, least_C: 5, most_ms: null },
  'seal-inside': { dry: false, least_C: null, most_ms: null },
  'cut-strips': { dry: false, least_C: null, most_ms: null },
};

export interface DayLag {
  readonly from: string;
  readonly to: string;
  readonly min: number;
}

/** A crew's day, hours. */
export const DAY: readonly [number, number] = [7, 17];

export type DayTrouble =
  | { readonly code: 'waits'; readonly for: string; readonly min: number }
  | { readonly code: 'no-room'; readonly because: 'rain' | 'cold' | 'gusts' | 'time' };

export interface DayPlan {
  readonly tasks: readonly DayTask[];
  readonly weather: readonly DayHour[];
  readonly lags: readonly DayLag[];
}

const at = (hour: number, minute = 0): string =>
  `2026-01-05T${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}:00Z`;

/** The day as a file of work with one crew that does the tasks one after the other, in the order given. */
export function workOfDay({ tasks, weather, lags }: DayPlan, order: readonly string[]): Work {
  return {
    format: 'hulvek-work',
    version: 1,
    start: at(DAY[0]),
    people: [{ id: 'crew', skills: [], hours: [[at(DAY[0]), at(DAY[1])]] }],
    tools: [],
    places: [],
    tasks: order.flatMap((id, i) => {
      const task = tasks.find((one) => one.id === id);
      if (!task) return [];
      const before = order[i - 1];
      return [
        {
          id,
          minutes: task.minutes,
          unsplit: true,
          after: [
            ...(before === undefined ? [] : [{ after: before }]),
            ...lags.flatMap(({ from, to, min }) =>
              to === id && order.includes(from) ? [{ after: from, least_min: min }] : [],
            ),
          ],
          conditions: {
            ...(task.dry && { dry: true }),
            ...(task.least_C !== null && { temperature_C: [task.least_C, 60] as [number, number] }),
            ...(task.most_ms !== null && { gust_ms_max: task.most_ms }),
          },
        },
      ];
    }),
    weather: weather.map(({ hour, temperature_C, gust_ms, rain_mm }) => ({
      at: at(hour),
      temperature_C,
      gust_ms,
      rain_mm,
    })),
  };
}

export type DayRun =
  | { readonly ok: true; readonly ends_min: number }
  | { readonly ok: false; readonly task: string; readonly trouble: DayTrouble };

/** How a day in this order goes: when it ends, in minutes after its beginning, or what finds no place in it. */
export function dayIn(day: DayPlan, order: readonly string[]): DayRun {
  for (const { from, to, min } of day.lags) {
    const [first, then] = [order.indexOf(from), order.indexOf(to)];
    if (first > then && then >= 0) return { ok: false, task: to, trouble: { code: 'waits', for: from, min } };
  }
  const { placed, score } = planWork(modelOf(workOfDay(day, order)), { enough: () => true });
  const lost = placed.findIndex((one) => one === null);
  if (lost < 0) return { ok: true, ends_min: score[2] };
  const task = day.tasks.find(({ id }) => id === order[lost]);
  return {
    ok: false,
    task: order[lost] ?? '',
    trouble: { code: 'no-room', because: task ? against(task, day.weather) : 'time' },
  };
}

/** What of the weather stands most in the way of a task. */
function against(task: DayTask, weather: readonly DayHour[]): 'rain' | 'cold' | 'gusts' | 'time' {
  const hours = (is: (hour: DayHour) => boolean) => weather.filter(is).length;
  const counts = [
    ['rain', task.dry ? hours(({ rain_mm }) => rain_mm > 0) : 0],
    ['cold', task.least_C === null ? 0 : hours(({ temperature_C }) => temperature_C < (task.least_C ?? 0))],
    ['gusts', task.most_ms === null ? 0 : hours(({ gust_ms }) => gust_ms > (task.most_ms ?? 0))],
  ] as const;
  const [worst] = counts.toSorted((a, b) => b[1] - a[1]);
  return worst && worst[1] > 0 ? worst[0] : 'time';
}
