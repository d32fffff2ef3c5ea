/** Why a job is impossible: rules of it that cannot all be kept, none of them too many. */
import type { Work, WorkTask } from './document.ts';
import { Grounds } from './board.ts';
import { MOST_EXACT, searchExactly } from './exact.ts';
import { modelOf } from './model.ts';

/** A rule by its place in the file, and in words. */
export interface Rule {
  readonly path: string;
  readonly says: string;
}

export type Possible = 'possible' | 'impossible' | 'not-found-in-time';

/** Whether every task of a job can be placed. */
export function isPossible(work: Work, enough: () => boolean): Possible {
  const { score, proven } = searchExactly(new Grounds(modelOf(work)), { enough, anyWhole: true });
  return score[0] === 0 ? 'possible' : proven ? 'impossible' : 'not-found-in-time';
}

const time = (minutes: number) =>
  minutes < 120 ? `${minutes} min` : `${Math.round((minutes / 60) * 10) / 10} h`;

const CONDITIONS = {
  temperature_C: 'needs a temperature in its range',
  gust_ms_max: 'needs gusts no higher than its limit',
  dry: 'needs dry weather',
  daylight: 'needs daylight',
} as const;
const conditions = Object.keys(CONDITIONS) as (keyof typeof CONDITIONS)[];

/** Every rule of a file, in its order. What a file says nothing of is no rule. */
export function rulesOf(work: Work): Rule[] {
  const ofTask = (task: WorkTask, i: number): Rule[] => {
    const rule = (field: string, says: string): Rule => ({
      path: `tasks[${i}].${field}`,
      says: `${task.id} ${says}`,
    });
    const { release, unsplit, skills = [], tools = {}, place } = task;
    return [
      ...(task.after ?? []).map((lag, j) => rule(`after[${j}]`, lagText(lag))),
      ...(release === undefined ? [] : [rule('release', `cannot begin before ${release}`)]),
      ...(unsplit ? [rule('unsplit', 'is done without a break')] : []),
      ...conditions.flatMap((key) =>
        task.conditions?.[key] === undefined || task.conditions[key] === false
          ? []
          : [rule(`conditions.${key}`, CONDITIONS[key])],
      ),
      ...skills.map((skill, j) => rule(`skills[${j}]`, `needs somebody with the skill ${skill}`)),
      ...Object.entries(tools).flatMap(([tool, count]) =>
        count > 0 ? [rule(`tools.${tool}`, `needs ${count} × ${tool}`)] : [],
      ),
      ...(place === undefined ? [] : [rule('place', `is at ${place}, where whoever comes sets up`)]),
      rule('people', `needs ${task.people ?? 1} of the people`),
      ...(task.minutes > 0 ? [rule('minutes', `takes ${time(task.minutes)}`)] : []),
    ];
  };
  return [
    ...work.people.map(({ id }, i) => ({
      path: `people[${i}].hours`,
      says: `${id} is there in these hours only`,
    })),
    ...work.tasks.flatMap(ofTask),
  ];
}

function lagText({
  after,
  task,
  from = 'end',
  to = 'start',
  least_min = 0,
  most_min,
}: NonNullable<WorkTask['after']>[number]) {
  const span = [
    ...(least_min > 0 ? [`at least ${time(least_min)}`] : []),
    ...(most_min === undefined ? [] : [`at most ${time(most_min)}`]),
  ].join(' and ');
  return `${to === 'start' ? 'begins' : 'ends'} ${span === '' ? '' : `${span} `}after the ${from} of ${after ?? task ?? ''}`;
}

/** The file with some of its rules only: tasks that none of them is about are left out. */
export function withRules(work: Work, rules: readonly Rule[]): Work {
  const kept = new Set(rules.map(({ path }) => path));
  const ends = work.people.flatMap(({ hours }) => hours.map(([, to]) => Date.parse(to)));
  const until = new Date(Math.max(Date.parse(work.start), ...ends)).toISOString();
  const about = new Set(rules.flatMap(({ path }) => /^tasks\[(\d+)\]/.exec(path)?.[1] ?? []).map(Number));
  const lagsOf = (task: WorkTask, i: number) =>
    (task.after ?? []).filter((_, j) => kept.has(`tasks[${i}].after[${j}]`));
  const named = new Set(work.tasks.flatMap((task, i) => lagsOf(task, i).map((lag) => lag.after ?? lag.task)));
  return {
    ...work,
    people: work.people.map((person, i) =>
      kept.has(`people[${i}].hours`) || ends.length === 0
        ? person
        : { ...person, hours: [[work.start, until]] },
    ),
    tasks: work.tasks.flatMap((task, i): WorkTask[] => {
      if (!about.has(i) && !named.has(task.id)) return [];
      const has = (field: string) => kept.has(`tasks[${i}].${field}`);
      const asked = conditions.filter((key) => has(`conditions.${key}`));
      const needsPeople = has('people');
      return [
        {
          id: task.id,
          minutes: has('minutes') ? task.minutes : 0,
          after: lagsOf(task, i),
          people: needsPeople ? (task.people ?? 1) : 0,
          skills: needsPeople ? (task.skills ?? []).filter((_, j) => has(`skills[${j}]`)) : [],
          tools: Object.fromEntries(
            Object.entries(task.tools ?? {}).filter(([tool]) => has(`tools.${tool}`)),
          ),
          unsplit: has('unsplit'),
          ...(has('release') && { release: task.release }),
          ...(has('place') && { place: task.place }),
          ...(asked.length > 0 && {
            conditions: {
              ...Object.fromEntries(asked.map((key) => [key, task.conditions?.[key]])),
              ...(asked.includes('dry') && { dry_after_min: task.conditions?.dry_after_min }),
            },
          }),
        },
      ];
    }),
  };
}

/** A task and all that it waits for, by their places. */
function waitsFor(work: Work, task: string): Set<number> {
  const at = new Map(work.tasks.map(({ id }, i) => [id, i]));
  const found = new Set<number>();
  const walk = (id: string): void => {
    const i = at.get(id);
    if (i === undefined || found.has(i)) return;
    found.add(i);
    for (const lag of work.tasks[i]?.after ?? []) walk(lag.after ?? lag.task ?? '');
  };
  walk(task);
  return found;
}

/**
 * Returns rules of a job that cannot all be kept, of which none is too many: without any one the others can be kept. `null`
 * where nothing was proven impossible in time.
 *
 * It begins with one of the tasks that found no place and all that it waits for; only where those alone are possible, with
 * everything. Rules are then dropped one after the other for as long as it stays impossible.
 *
 * @param unplaced tasks that found no place
 */
export function irreducibleOf(
  work: Work,
  unplaced: readonly string[],
  enough: () => boolean,
): readonly Rule[] | null {
  const all = rulesOf(work);
  const isOf = (tasks: ReadonlySet<number>) => (rule: Rule) => {
    const task = /^tasks\[(\d+)\]/.exec(rule.path)?.[1];
    return task === undefined || tasks.has(Number(task));
  };
  const sets = [...unplaced.map((id) => waitsFor(work, id)), new Set(work.tasks.keys())]
    .filter(({ size }) => size <= MOST_EXACT)
    .sort((a, b) => a.size - b.size);
  for (const tasks of sets) {
    const rules = all.filter(isOf(tasks));
    const is = isPossible(withRules(work, rules), enough);
    if (is === 'impossible') return fewest(work, rules, enough);
  }
  return null;
}

function fewest(work: Work, rules: readonly Rule[], enough: () => boolean): readonly Rule[] | null {
  const groupOf = ({ path }: Rule) => /^(tasks|people)\[\d+\]/.exec(path)?.[0] ?? path;
  // All rules of one task at once, then one by one: most of a job has nothing to do with it.
  const groups = [...new Set(rules.map(groupOf))].map((group) =>
    rules.filter((rule) => groupOf(rule) === group),
  );
  let kept = rules;
  for (const group of [...groups, ...rules.map((rule) => [rule])]) {
    const rest = kept.filter((rule) => !group.includes(rule));
    if (rest.length === kept.length) continue;
    const is = isPossible(withRules(work, rest), enough);
    if (is === 'not-found-in-time') return null;
    if (is === 'impossible') kept = rest;
  }
  return kept;
}
