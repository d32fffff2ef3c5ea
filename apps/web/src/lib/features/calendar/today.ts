/** What somebody has to do on a day, by the plan that was taken and what is ticked since. */
import type { JobStore } from '$lib/job/job.svelte.ts';
import { workName } from '$words/task-title.ts';
import {
  dayAndTime,
  errandOf,
  LOOK_SUFFIX,
  progress,
  sheetOf,
  sheetOver,
  type Build,
  type CalendarPlan,
  type PlannedStep,
  type StepProgress,
} from '@hulvek/core';

export interface TodayTask {
  readonly id: string;
  readonly opening: string;
  readonly mark: string;
  readonly facade: string;
  readonly step: string;
  readonly isLook: boolean;
  readonly from: string;
  readonly to: string;
  readonly with: readonly string[];
  readonly planned: PlannedStep | null;
  readonly isDone: boolean;
  /** The opening that it is at; none for an errand of the job. */
  readonly place: string | null;
  /** The wood is read before it. */
  readonly reading: boolean;
  /** Of a sheet that goes up: how large it is. */
  readonly sheet: { readonly width_mm: number; readonly height_mm: number } | null;
}

export interface TodayList {
  readonly day: string;
  readonly tasks: readonly TodayTask[];
  /** Looks that are due now and that this person may make. */
  readonly looks: readonly { readonly opening: string; readonly mark: string; readonly step: string }[];
  /** Days on which there is something. */
  readonly days: readonly string[];
}

interface Known {
  readonly build: Build | null;
  readonly states: readonly StepProgress[];
}

const NOTHING_KNOWN: Known = { build: null, states: [] };

export function todayOf(store: JobStore, day: string | null, now: string): TodayList | null {
  const { calendar, calendarPlan } = store.context.job;
  if (!calendar || !calendarPlan) return null;
  const { me } = store.pack;
  const own = new Set(
    calendar.people
      .filter(({ account, name }) => (account === undefined ? name === me.name : account === me.id))
      .map(({ id }) => id),
  );
  const names = new Map(calendar.people.map(({ id, name }) => [id, name]));
  const dayOf = (at: string) => dayAndTime(calendar.zone, at).day;
  const mine = calendarPlan.tasks.filter(
    ({ gone, people }) => !gone && people.some((person) => own.has(person)),
  );
  const days = [...new Set(mine.map(({ from }) => dayOf(from)))].sort();
  const today = day ?? dayOf(now);
  const known = new Map<string, Known>();
  const knownOf = (opening: string): Known => {
    const before = known.get(opening);
    if (before) return before;
    const view = store.view(opening);
    const issue = view?.issues.at(-1);
    const build =
      (issue && store.frozenOf(issue)?.build) ??
      (view && store.canPlan ? store.planOf(view.opening).build : null);
    const one: Known = {
      build,
      states: view && issue && build ? progress(build.steps, view.issues, view.entries, now) : [],
    };
    known.set(opening, one);
    return one;
  };
  const asTask = ({
    opening,
    step: id,
    from,
    to,
    people,
    reading,
  }: CalendarPlan['tasks'][number]): TodayTask => {
    const under = sheetOver(opening);
    const view = store.view(under ?? opening);
    const errand = errandOf(opening);
    const isLook = id.endsWith(LOOK_SUFFIX);
    const step = isLook ? id.slice(0, -LOOK_SUFFIX.length) : id;
    const { build, states } = errand === null ? knownOf(under ?? opening) : NOTHING_KNOWN;
    const state = states.find((one) => one.id === step);
    return {
      id: `${opening}/${id}`,
      opening,
      mark: workName(calendar, opening, (one) => store.view(one)?.opening.mark ?? one),
      facade: view?.opening.facade ?? calendar.errands?.find((one) => one.id === errand)?.facade ?? '',
      step,
      isLook,
      from,
      to,
      with: people.filter((person) => !own.has(person)).map((person) => names.get(person) ?? ''),
      planned: build?.steps.find((one) => one.id === step) ?? null,
      place: view && under === null ? opening : null,
      reading: reading === true,
      sheet: build && id.startsWith('sheet-up') ? sheetOf(build) : null,
      isDone:
        errand !== null
          ? calendar.errands?.find((one) => one.id === errand)?.done === true
          : isLook
            ? state?.status === 'done'
            : (state?.tick ?? null) !== null,
    };
  };
  const tasks = mine
    .filter(({ from }) => dayOf(from) === today)
    .map(asTask)
    .sort((a, b) => Date.parse(a.from) - Date.parse(b.from));
  const mayLook = store.pack.rights.includes('look');
  const looks = mayLook
    ? [...store.views.values()].flatMap(({ opening }) =>
        knownOf(opening.id)
          .states.filter(({ status }) => status === 'waiting-look')
          .map(({ id }) => ({ opening: opening.id as string, mark: opening.mark, step: id })),
      )
    : [];
  return { day: today, tasks, looks, days };
}
