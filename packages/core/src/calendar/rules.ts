/** What a job asks of its plan besides the order of the work: what counts first, who looks, what lies under a sheet. */
import type { Calendar } from '../documents/calendar.ts';
import { planGoals, type PlanGoal } from '../vocabulary/plan-goals.ts';
import type { ChainScore } from '../work/chains.ts';
import type { Model } from '../work/model.ts';
import { daysFrom, weekdayOf } from './days.ts';
import { sheetOver, underSheets } from './errands.ts';
import type { JudgedOpening } from './nights.ts';
import type { CalendarWork } from './tasks.ts';

const GOAL_AT = { nights: 1, late: 2, finish: 3, moves: 4, idle: 5 } as const;

/** What counts, in the order that the job chose, or weighed together where it chose that. */
export function rankOf({ goals, weights }: Calendar): (score: ChainScore) => readonly number[] {
  const at = (goals ?? planGoals).map((goal: PlanGoal) => GOAL_AT[goal]);
  if (weights === undefined) return (score) => [score[0], ...at.map((i) => score[i]), score[6]];
  return (score) => [
    score[0],
    planGoals.reduce((sum, goal) => sum + (weights[goal] ?? 0) * score[GOAL_AT[goal]], 0),
    score[6],
  ];
}

/** Nobody looks at what he did; who may look stays off the work where another can do it. */
export function withLooksApart(
  model: Model,
  { tasks }: Pick<CalendarWork, 'tasks'>,
  openings: readonly JudgedOpening[],
): Model {
  const at = new Map(tasks.map(({ id }, i) => [id, i]));
  const person = new Map(model.people.map((id, i) => [id, i]));
  const by = new Map(
    openings.flatMap(({ id, done }) =>
      [...done].flatMap(([step, one]) => (one.by === undefined ? [] : [[`${id}/${step}`, one.by] as const])),
    ),
  );
  const changed = [...model.tasks];
  for (const [i, { opening, step, isLook }] of tasks.entries()) {
    const look = changed[i];
    if (!isLook || !look) continue;
    const doer = person.get(by.get(`${opening}/${step}`) ?? '');
    const did = at.get(`${opening}/${step}`);
    changed[i] = {
      ...look,
      ...(did !== undefined && { apart: [did] }),
      ...(doer !== undefined && { barred: [doer] }),
    };
    const work = did === undefined ? undefined : changed[did];
    if (did === undefined || !work) continue;
    const crews = work.crews.filter((crew) =>
      look.crews.some((lookers) => lookers.every((one) => !crew.includes(one))),
    );
    if (crews.length > 0) changed[did] = { ...work, crews };
  }
  return { ...model, tasks: changed };
}

/** Nobody works at an opening that lies under a sheet; the sheet goes up that evening and down the next morning. */
export function withSheets(
  model: Model,
  { tasks, work }: CalendarWork,
  calendar: Calendar,
  first: string,
): Model {
  const days = daysFrom(first, Math.ceil(model.horizon / 1440) + 1).filter((day) =>
    calendar.weekdays.includes(weekdayOf(day)),
  );
  const sheets = underSheets(calendar, days);
  if (sheets.length === 0) return model;
  const minute = (at: string) => Math.max(0, Math.round((Date.parse(at) - model.start_ms) / 60_000));
  const open = new Map<string, Uint8Array>();
  for (const { opening, from, to } of sheets) {
    const minutes = open.get(opening) ?? new Uint8Array(model.horizon).fill(1);
    open.set(opening, minutes.fill(0, minute(from), minute(to)));
  }
  return {
    ...model,
    tasks: model.tasks.map((task, i) => {
      const own = tasks[i];
      const mask = own && open.get(own.opening);
      if (mask)
        return { ...task, worked: task.worked ? task.worked.map((on, m) => on & (mask[m] ?? 0)) : mask };
      const isSheet = own && sheetOver(own.opening) !== null;
      const release = work.tasks[i]?.release;
      if (!isSheet || release === undefined) return task;
      // Then or not at all: a sheet that goes up the day after is none.
      const begins = new Uint8Array(model.horizon)
        .fill(0)
        .fill(1, task.release, task.release + SHEET_LATE_min);
      return { ...task, begins };
    }),
  };
}
const SHEET_LATE_min = 60;
