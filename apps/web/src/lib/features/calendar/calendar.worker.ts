/** Plans the calendar of a job beside the page. */
import {
  calendarModel,
  changesBetween,
  dayAndTime,
  keptOf,
  moveTo,
  openNights,
  placedOf,
  planByList,
  replan,
  resultOf,
  searchCalendar,
  whatStays,
  whyThen,
  type CalendarModel,
  type ChainPlan,
} from '@hulvek/core';
import type { CalendarAnswer, CalendarAsk, CalendarRequest, ShownPlan } from './calendar-messages.ts';
import { azimuthsOf, judgedOpenings } from './judged-openings.ts';

type Placing = ChainPlan['placed'];

let model: CalendarModel | null = null;
/** Whether a minute of the model is of a day that is kept as it was taken. */
let isKept: (minute: number) => boolean = () => false;
let taken: Placing = [];
/** What is shown: the plan that was taken, or one that is offered. */
let current: Placing = [];

const NOTHING = { why: [], score: [0, 0, 0, 0, 0, 0, 0] } as const;
/** Better plans are told of no more often, ms. */
const TELL_EVERY_ms = 300;

let stopped = false;
/** As long as plans are made before whatever else was asked is heard, ms. */
const AT_ONCE_ms = 60;

type Told = CalendarAnswer extends infer A ? (A extends unknown ? Omit<A, 'id'> : never) : never;

onmessage = ({ data }: MessageEvent<CalendarRequest>) => {
  const say = (answer: Told) => postMessage({ id: data.id, ...answer });
  answer(data, say).catch((problem: unknown) => {
    say({ kind: 'failed' });
    throw problem;
  });
};

async function answer(ask: CalendarAsk, say: (answer: Told) => void): Promise<void> {
  if (ask.kind === 'stop') {
    stopped = true;
    return;
  }
  if (ask.kind === 'open') {
    const { context, parts, plan, looksApart, now } = ask;
    const { calendar } = context.job;
    if (!calendar) throw new Error('a job without a calendar');
    const { openings, missing } = judgedOpenings(context, parts, now);
    model = calendarModel({
      calendar,
      openings,
      azimuths: azimuthsOf(context),
      gust_ms: context.job.handling?.gust_ms,
      looksApart,
      now,
    });
    const { start_ms } = model.chainModel.model;
    const kept = new Set(calendar.kept);
    isKept = (minute) =>
      kept.size > 0 &&
      kept.has(dayAndTime(calendar.zone, new Date(start_ms + minute * 60_000).toISOString()).day);
    taken = plan ? placedOf(model, plan) : model.tasks.map(() => null);
    current = taken;
    const { tasks } = model;
    const against = plan ? whatStays(model, taken).against : new Map();
    say({
      kind: 'opened',
      missing,
      weather: model.weather,
      dry: model.dry,
      list: openNights(model, planByList(model).placed),
      taken: plan ? shown(model, taken) : null,
      broken: [...against].map(([task, why]) => ({ task: tasks[task]?.id ?? '', why })),
      unknown: plan ? taken.filter((one) => one === null).length : 0,
    });
    return;
  }
  const own = model;
  if (!own) throw new Error('a calendar that was not opened');
  switch (ask.kind) {
    case 'back':
      current = taken;
      return;
    case 'plan': {
      stopped = false;
      const began = performance.now();
      let [told, rested] = [-Infinity, began];
      let best: ChainPlan | null = null;
      for (const plan of searchCalendar(own, keptOf(own, taken, isKept))) {
        const now = performance.now();
        const share = Math.min(1, (now - began) / (ask.seconds * 1000));
        if (plan !== best && now - told > TELL_EVERY_ms) {
          told = now;
          say({ kind: 'better', shown: shown(own, plan.placed, plan.why), share });
        }
        best = plan;
        if (stopped || share >= 1 || model !== own) break;
        if (now - rested < AT_ONCE_ms) continue;
        await new Promise((resolve) => setTimeout(resolve));
        rested = performance.now();
      }
      if (!best || model !== own) return;
      current = best.placed;
      return say({ kind: 'planned', shown: shown(own, best.placed, best.why) });
    }
    case 'replan': {
      const plan = replan(own, taken);
      current = plan.placed;
      return say({ kind: 'planned', shown: shown(own, plan.placed, plan.why) });
    }
    case 'move': {
      const tasks = ask.tasks.flatMap((id) => {
        const at = own.tasks.findIndex((task) => task.id === id);
        return at < 0 ? [] : [at];
      });
      const { model: work } = own.chainModel;
      const start = Math.round((Date.parse(ask.at) - work.start_ms) / 60_000);
      const [to, from] = [ask.person, ask.replaces].map((id) =>
        id === undefined ? -1 : work.people.indexOf(id),
      );
      const crew = (task: number) =>
        to === undefined || to < 0 ? null : (current[task]?.crew.map((p) => (p === from ? to : p)) ?? null);
      const moved = moveTo(own, current, tasks, { start, crew });
      if (!moved.ok) return say({ kind: 'refused', task: own.tasks[moved.task]?.id ?? '', why: moved.why });
      if (ask.keep) current = moved.plan.placed;
      return say({ kind: 'planned', shown: shown(own, moved.plan.placed, moved.plan.why) });
    }
    case 'why': {
      const index = own.tasks.findIndex(({ id }) => id === ask.task);
      const because = whyThen(own, current, index);
      const other = 'task' in because ? (own.tasks[because.task]?.id ?? null) : null;
      return say({ kind: 'because', because, other });
    }
  }
}

function shown(own: CalendarModel, placed: Placing, why: ChainPlan['why'] = NOTHING.why): ShownPlan {
  const finish = Math.max(0, ...placed.map((one) => one?.end ?? 0));
  const score = [0, 0, 0, finish, 0, 0, 0] as const;
  return {
    result: resultOf(own, { placed, why, score }),
    nights: openNights(own, placed),
    changed: changesBetween(taken, placed).map(({ task }) => own.tasks[task]?.id ?? ''),
  };
}
