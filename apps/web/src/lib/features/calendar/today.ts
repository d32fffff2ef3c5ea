/** What somebody has to do on a day, by the plan that was taken and what is ticked since. */
import type { JobStore } from '$lib/job/job.svelte.ts';
import {
  dayAndTime,
  LOOK_SUFFIX,
  progress,
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
  const asTask = ({ opening, step: id, from, to, people }: CalendarPlan['tasks'][number]): TodayTask => {
    const view = store.view(opening);
    const isLook = id.endsWith(LOOK_SUFFIX);
    const step = isLook ? id.slice(0, -LOOK_SUFFIX.length) : id;
    const { build, states } = knownOf(opening);
    const state = states.find((one) => one.id === step);
    return {
      id: `${opening}/${id}`,
      opening,
      mark: view?.opening.mark ?? opening,
      facade: view?.opening.facade ?? '',
      step,
      isLook,
      from,
      to,
      with: people.filter((person) => !own.has(person)).map((person) => names.get(person) ?? ''),
      planned: build?.steps.find((one) => one.id === step) ?? null,
      isDone: isLook ? state?.status === 'done' : (state?.tick ?? null) !== null,
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
