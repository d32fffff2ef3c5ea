/** Holds a plan of work against its file, minute by minute. It shares no code with the planner. */
import type { Work } from '@hulvek/core';

interface Planned {
  readonly id: string;
  readonly start: string;
  readonly end: string;
  readonly people: readonly string[];
  readonly tools: Readonly<Record<string, number>>;
}

/** Everything a plan breaks, minute by minute, read from the file and the answer alone. */
export function broken(work: Work, planned: readonly Planned[], { unknownIsFair = false } = {}): string[] {
  const minuteOf = (text: string) => (Date.parse(text) - Date.parse(work.start)) / 60_000;
  const wrong: string[] = [];
  const of = new Map(planned.map((one) => [one.id, one]));
  const isOn = (person: string, m: number) =>
    work.people
      .find(({ id }) => id === person)!
      .hours.some(([from, to]) => minuteOf(from) <= m && m + 1 <= minuteOf(to));
  const rowAt = (m: number) => {
    const i = work.weather.findLastIndex((row) => minuteOf(row.at) <= m);
    const row = work.weather[i];
    if (!row) return null;
    const until = work.weather[i + 1] ? minuteOf(work.weather[i + 1]!.at) : minuteOf(row.at) + 60;
    return m < until ? row : null;
  };
  for (const task of work.tasks) {
    const one = of.get(task.id);
    if (!one) continue;
    const [start, end] = [minuteOf(one.start), minuteOf(one.end)];
    if (one.people.length !== (task.people ?? 1) || new Set(one.people).size !== one.people.length)
      wrong.push(`${task.id}: people`);
    for (const skill of task.skills ?? [])
      if (!one.people.some((p) => work.people.find(({ id }) => id === p)!.skills.includes(skill)))
        wrong.push(`${task.id}: skill ${skill}`);
    if (task.release && start < minuteOf(task.release)) wrong.push(`${task.id}: release`);
    let worked = 0;
    for (let m = start; m < end; m++) {
      if (!one.people.every((p) => isOn(p, m))) {
        if (task.unsplit) wrong.push(`${task.id}: paused`);
        continue;
      }
      worked++;
      const { temperature_C: range, gust_ms_max, dry } = task.conditions ?? {};
      if (!range && gust_ms_max === undefined && !dry) continue;
      const row = rowAt(m);
      if (!row) {
        if (!unknownIsFair) wrong.push(`${task.id}: no weather at ${m}`);
      } else if (
        (range && (row.temperature_C < range[0] || row.temperature_C > range[1])) ||
        (gust_ms_max !== undefined && row.gust_ms > gust_ms_max) ||
        (dry && row.rain_mm > 0)
      )
        wrong.push(`${task.id}: weather at ${m}`);
    }
    if (worked !== task.minutes) wrong.push(`${task.id}: ${worked} of ${task.minutes} minutes`);
    if (task.minutes > 0 && !one.people.every((p) => isOn(p, start)))
      wrong.push(`${task.id}: begins off hours`);
    for (let m = start - (task.conditions?.dry_after_min ?? 0); task.conditions?.dry && m < start; m++)
      if ((rowAt(m)?.rain_mm ?? 0) > 0) wrong.push(`${task.id}: wet before`);
    for (const {
      after,
      task: named,
      from = 'end',
      to = 'start',
      least_min = 0,
      most_min = Infinity,
    } of task.after ?? []) {
      const before = of.get(after ?? named ?? '');
      if (!before) {
        wrong.push(`${task.id}: before it ${after ?? named} is not placed`);
        continue;
      }
      const lag = (to === 'start' ? start : end) - minuteOf(from === 'end' ? before.end : before.start);
      if (lag < least_min || lag > most_min) wrong.push(`${task.id}: ${lag} min after ${before.id}`);
    }
  }
  for (const { id, count } of work.tools)
    for (const one of planned) {
      const m = minuteOf(one.start);
      const used = planned
        .filter((t) => minuteOf(t.start) <= m && m < minuteOf(t.end))
        .reduce((sum, t) => sum + (t.tools[id] ?? 0), 0);
      if (used > count) wrong.push(`${id}: ${used} at ${m}`);
    }
  for (const { id: person } of work.people) {
    const own = planned
      .filter(({ people }) => people.includes(person))
      .sort((a, b) => minuteOf(a.start) - minuteOf(b.start));
    let place: string | undefined;
    own.forEach((one, i) => {
      const before = own[i - 1];
      const task = work.tasks.find(({ id }) => id === one.id)!;
      if (before && minuteOf(before.end) > minuteOf(one.start))
        wrong.push(`${person}: ${before.id} and ${one.id}`);
      if (before && task.place !== undefined && task.place !== place) {
        const need = work.places.find(({ id }) => id === task.place)!.setup_min;
        const start = minuteOf(one.start);
        if (start - need < minuteOf(before.end)) wrong.push(`${person}: no time to set up for ${one.id}`);
        for (let m = start - need; m < start; m++)
          if (!isOn(person, m)) wrong.push(`${person}: sets up off hours`);
      }
      place = task.place;
    });
  }
  return wrong;
}
