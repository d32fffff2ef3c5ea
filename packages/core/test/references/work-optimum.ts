/**
 * The best plan of a small job by a general-purpose solver of mixed-integer programs: every way of doing a task (crew, begin,
 * who sets up) is a variable, every rule a row. It shares nothing with the planner but the file.
 */
import type { smallJob } from '../support/work-jobs.ts';
import type { Highs } from 'highs';

type Work = ReturnType<typeof smallJob>;

const STEP_min = 15;

/** Unplaced tasks, late minutes, finish and sum of starts in minutes. */
export type Optimum = readonly [unplaced: number, late: number, finish: number, starts: number];

interface Way {
  readonly name: string;
  readonly crew: readonly number[];
  readonly sets: readonly number[];
  readonly start: number;
  readonly end: number;
}

/** @returns `null` where the solver does not come to an end within the seconds that each of its four questions has */
export function optimumOf(work: Work, highs: Highs, seconds = 60): Optimum | null {
  const zero = Date.parse(work.start);
  const minute = (text: string) => (Date.parse(text) - zero) / 60_000;
  const slot = (text: string) => minute(text) / STEP_min;
  const last = Math.max(...work.people.flatMap(({ hours }) => hours.map(([, to]) => slot(to))));
  const there = work.people.map(({ hours }) =>
    Array.from({ length: last }, (_, t) => hours.some(([from, to]) => slot(from) <= t && t + 1 <= slot(to))),
  );
  const setup = new Map(work.places.map(({ id, setup_min }) => [id, setup_min / STEP_min]));
  const rowAt = (t: number) => {
    const i = work.weather.findLastIndex((row) => slot(row.at) <= t);
    const until = work.weather[i + 1]
      ? slot(work.weather[i + 1]!.at)
      : slot(work.weather[i]?.at ?? work.start) + 4;
    return i >= 0 && t < until ? work.weather[i]! : null;
  };
  const ways = work.tasks.map((task, i): Way[] => {
    const long = task.minutes / STEP_min;
    const { dry = false, dry_after_min = 0, gust_ms_max, temperature_C: range } = task.conditions ?? {};
    const asks = dry || gust_ms_max !== undefined || range !== undefined;
    const may = (t: number) => {
      const row = rowAt(t);
      if (!asks) return true;
      return (
        row !== null &&
        !(dry && row.rain_mm > 0) &&
        !(gust_ms_max !== undefined && row.gust_ms > gust_ms_max) &&
        !(range && (row.temperature_C < range[0] || row.temperature_C > range[1]))
      );
    };
    const found: Way[] = [];
    const size = task.people ?? 1;
    const all = work.people.map((_, p) => p);
    const crews =
      size === 1
        ? all.map((p) => [p])
        : size === 2
          ? all.flatMap((p) => all.filter((q) => q > p).map((q) => [p, q]))
          : [all];
    for (const crew of crews) {
      if (!(task.skills ?? []).every((s) => crew.some((p) => work.people[p]!.skills.includes(s)))) continue;
      const need = task.place === undefined ? 0 : (setup.get(task.place) ?? 0);
      for (let start = Math.max(0, task.release ? Math.ceil(slot(task.release)) : 0); start < last; start++) {
        const on = (t: number) => crew.every((p) => there[p]![t]);
        if (!on(start)) continue;
        if (
          dry &&
          Array.from({ length: dry_after_min / STEP_min }, (_, k) => start - 1 - k).some(
            (t) => (rowAt(t)?.rain_mm ?? 0) > 0,
          )
        )
          continue;
        let [t, left, sound] = [start, long, true];
        for (; left > 0 && t < last && sound; t++) {
          if (on(t)) {
            left--;
            sound = may(t);
          } else if (task.unsplit) sound = false;
        }
        if (left > 0 || !sound) continue;
        const subsets =
          need === 0 ? [[]] : crew.length === 1 ? [[], [...crew]] : [[], [crew[0]!], [crew[1]!], [...crew]];
        for (const sets of subsets) {
          if (
            !sets.every((p) =>
              Array.from({ length: need }, (_, k) => start - 1 - k).every((s) => s >= 0 && there[p]![s]),
            )
          )
            continue;
          found.push({ name: `x${i}_${found.length}`, crew, sets, start, end: t });
        }
      }
    }
    return found;
  });
  const rows: string[] = [];
  const sum = (terms: readonly (readonly [number, string])[]) =>
    terms.map(([k, name]) => `${k < 0 ? '-' : '+'} ${Math.abs(k)} ${name}`).join(' ');
  const each = (i: number, value: (way: Way) => number, sign = 1): [number, string][] =>
    ways[i]!.flatMap((way): [number, string][] => (value(way) === 0 ? [] : [[sign * value(way), way.name]]));
  const placed = (i: number, sign = 1) => each(i, () => 1, sign);
  const index = new Map(work.tasks.map(({ id }, i) => [id, i]));
  const row = (terms: readonly (readonly [number, string])[], is: string) => {
    if (terms.length > 0) rows.push(`${sum(terms)} ${is}`);
  };
  for (const [i, task] of work.tasks.entries()) {
    row(placed(i), '<= 1');
    row([...each(i, (w) => w.end), [-1, 'finish']], '<= 0');
    for (const { after, task: named, from = 'end', to = 'start', least_min = 0, most_min } of task.after ??
      []) {
      const before = index.get(after ?? named ?? '')!;
      const target = (w: Way) => (to === 'end' ? w.end : w.start);
      const base = (w: Way) => (from === 'end' ? w.end : w.start);
      if (ways[before]!.length === 0) {
        row(placed(i), '<= 0');
        continue;
      }
      row([...placed(i), ...placed(before, -1)], '<= 0');
      const big = last + least_min / STEP_min;
      row(
        [
          ...each(i, target),
          ...each(before, base, -1),
          ...placed(i).map(([k, n]): [number, string] => [-k * big, n]),
        ],
        `>= ${least_min / STEP_min - big}`,
      );
      if (most_min !== undefined)
        row([...each(i, target), ...each(before, base, -1)], `<= ${most_min / STEP_min}`);
    }
  }
  const covers = (w: Way, p: number, need: number, t: number) =>
    w.crew.includes(p) && t < w.end && t >= w.start - (w.sets.includes(p) ? need : 0);
  const needOf = (i: number) =>
    work.tasks[i]!.place === undefined ? 0 : (setup.get(work.tasks[i]!.place!) ?? 0);
  for (const [p] of work.people.entries())
    for (let t = 0; t < last; t++)
      row(
        ways.flatMap((own, i) =>
          own.filter((w) => covers(w, p, needOf(i), t)).map((w): [number, string] => [1, w.name]),
        ),
        '<= 1',
      );
  for (const { id, count } of work.tools)
    for (let t = 0; t < last; t++)
      row(
        ways.flatMap((own, i) =>
          own
            .filter((w) => w.start <= t && t < w.end)
            .flatMap((w): [number, string][] => {
              const n = work.tasks[i]!.tools?.[id] ?? 0;
              return n > 0 ? [[n, w.name]] : [];
            }),
        ),
        `<= ${count}`,
      );
  const arcs: string[] = [];
  // Who comes from elsewhere sets up: what each does directly after what.
  if ([...setup.values()].some((need) => need > 0))
    for (const [p] of work.people.entries()) {
      const own = work.tasks.flatMap((_, i) => (ways[i]!.some(({ crew }) => crew.includes(p)) ? [i] : []));
      const does = (i: number, sign = 1): [number, string][] =>
        each(i, (w) => (w.crew.includes(p) ? 1 : 0), sign);
      const arc = (i: number | 'in', j: number | 'out') => `z${p}_${i}_${j}`;
      for (const j of own) {
        arcs.push(arc('in', j), arc(j, 'out'));
        const others = own.filter((i) => i !== j);
        row(
          [[1, arc('in', j)], ...others.map((i): [number, string] => [1, arc(i, j)]), ...does(j, -1)],
          '= 0',
        );
        row(
          [[1, arc(j, 'out')], ...others.map((i): [number, string] => [1, arc(j, i)]), ...does(j, -1)],
          '= 0',
        );
        for (const i of others) {
          arcs.push(arc(i, j));
          row(
            [...each(j, (w) => w.start), ...each(i, (w) => w.end, -1), [-2 * last, arc(i, j)]],
            `>= ${-2 * last}`,
          );
        }
        if (needOf(j) === 0) continue;
        const elsewhere = others.filter((i) => work.tasks[i]!.place !== work.tasks[j]!.place);
        row(
          [
            ...elsewhere.map((i): [number, string] => [1, arc(i, j)]),
            ...each(j, (w) => (w.sets.includes(p) ? 1 : 0), -1),
          ],
          '<= 0',
        );
      }
      row(
        own.map((j): [number, string] => [1, arc('in', j)]),
        '<= 1',
      );
    }
  const lateOf = (i: number) => {
    const due = work.tasks[i]!.due;
    return each(i, (w) => (due === undefined ? 0 : Math.max(0, w.end - slot(due))));
  };
  const goals: [number, string][][] = [
    work.tasks.flatMap((_, i) => placed(i, -1)),
    work.tasks.flatMap((_, i) => lateOf(i)),
    [[1, 'finish']],
    work.tasks.flatMap((_, i) => each(i, (w) => w.start)),
  ];
  const names = [...ways.flat().map(({ name }) => name), ...arcs];
  const best: number[] = [];
  for (const goal of goals) {
    if (goal.length === 0 || names.length === 0) {
      best.push(0);
      continue;
    }
    const text = `Minimize\n obj: ${sum(goal)}\nSubject To\n${rows.map((r, k) => ` r${k}: ${r}`).join('\n')}\nBounds\n 0 <= finish <= ${last}\nBinaries\n ${names.join('\n ')}\nEnd\n`;
    const solved = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: seconds });
    if (solved.Status === 'Time limit reached') return null;
    if (solved.Status !== 'Optimal') throw new Error(`no optimum: ${solved.Status}`);
    const value = Math.round(solved.ObjectiveValue);
    best.push(value);
    rows.push(`${sum(goal)} <= ${value}`);
  }
  const [gone, late, finish, starts] = best as [number, number, number, number];
  return [work.tasks.length + gone, late * STEP_min, finish * STEP_min, starts * STEP_min];
}
