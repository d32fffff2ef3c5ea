/** A plan as it is kept once somebody took it. */
import { LOOK_SUFFIX, type CalendarPlan, type CalendarResult, type PlannedTask } from '@hulvek/core';

type KeptTask = CalendarPlan['tasks'][number];

/** Without what is only kept to be taken back. */
export const asksPlan = (plan: CalendarPlan | undefined): CalendarPlan | null =>
  plan ? { ...plan, tasks: plan.tasks.filter(({ gone }) => !gone) } : null;

/** A planned task, and whether the wood is read before it. */
export type TakenTask = PlannedTask & { readonly reading?: true };

export const withReadings = ({ tasks, readings }: CalendarResult): TakenTask[] => {
  const asked = new Set(readings);
  return tasks.map((task) => (asked.has(task.id) ? { ...task, reading: true } : task));
};

/**
 * Counts for every task how often it changed, and keeps what is gone, or no longer somebody's, so that calendars elsewhere
 * take it out.
 */
export function withSequences(
  was: CalendarPlan | null,
  plan: Omit<CalendarPlan, 'tasks'> & { readonly tasks: readonly (TakenTask | KeptTask)[] },
): CalendarPlan {
  const key = ({ opening, step }: { opening: string; step: string }) => `${opening}/${step}`;
  const before = new Map<string, KeptTask>();
  const last = new Map<string, number>();
  for (const task of was?.tasks ?? []) {
    if (!task.gone) before.set(key(task), task);
    last.set(key(task), Math.max(task.changed ?? 0, last.get(key(task)) ?? 0));
  }
  const next = (id: string) => (last.has(id) ? (last.get(id) ?? 0) + 1 : 0);
  const tasks = plan.tasks.map((task): KeptTask => {
    const step = 'isLook' in task && task.isLook ? `${task.step}${LOOK_SUFFIX}` : task.step;
    const { from, to } = task;
    const is = { opening: task.opening as KeptTask['opening'], step, from, to, people: [...task.people] };
    const old = before.get(key(is));
    const same = old?.from === from && old.to === to && String(old.people) === String(is.people);
    return {
      ...is,
      ...(task.reading && { reading: true }),
      changed: same ? (old.changed ?? 0) : next(key(is)),
    };
  });
  const now = new Map(tasks.map((task) => [key(task), task]));
  // Of each task those who had it and have it no more.
  const gone = new Map<string, { task: KeptTask; people: Set<string> }>();
  for (const task of was?.tasks ?? []) {
    const left = task.people.filter((person) => !now.get(key(task))?.people.includes(person));
    if (left.length === 0) continue;
    const known = gone.get(key(task)) ?? { task, people: new Set() };
    for (const person of left) known.people.add(person);
    gone.set(key(task), known);
  }
  const { tasks: _tasks, ...rest } = plan;
  return {
    ...rest,
    tasks: [
      ...tasks,
      ...[...gone].map(([id, { task, people }]): KeptTask => ({
        ...task,
        people: [...people],
        gone: true,
        changed: now.get(id)?.changed ?? next(id),
      })),
    ],
  };
}
