/** Before which minute no plan of these tasks can end. */
import { baseOf, Board } from './board.ts';
import type { Model } from './model.ts';

/** What no plan can undercut: the two need not come from one way of doing it. */
interface Soonest {
  readonly start: number;
  readonly end: number;
}

/**
 * No plan of the tasks that `counts` ends before this minute: every task as early as its own conditions, people and what it
 * waits for let it, as if nobody were busy elsewhere; and all work together in all the hours there are.
 */
export function finishBound(model: Model, counts: (task: number) => boolean = () => true): number {
  const free = new Board(model);
  const known = new Map<number, Soonest>();
  const soonest = (i: number): Soonest => {
    const before = known.get(i);
    if (before) return before;
    const task = model.tasks[i];
    let [from, endLeast] = [task?.release ?? 0, 0];
    for (const lag of task?.after ?? []) {
      const least = baseOf(lag, soonest(lag.task)) + lag.least;
      if (lag.to === 'start') from = Math.max(from, least);
      else endLeast = Math.max(endLeast, least);
    }
    let [start, end] = [Infinity, Infinity];
    for (const crew of task?.crews ?? []) {
      let at = Math.ceil(from);
      while (task && at <= model.horizon) {
        const tried = free.at(task, crew, at);
        if (tried.ok) {
          start = Math.min(start, tried.placed.start);
          end = Math.min(end, tried.placed.end);
          break;
        }
        at = tried.retry;
      }
    }
    const found = { start, end: Math.max(end, Math.ceil(endLeast)) };
    known.set(i, found);
    return found;
  };
  const ends = model.tasks.map((_, i) => (counts(i) ? soonest(i).end : 0));
  let left = model.tasks.reduce(
    (sum, { minutes, crews }, i) => (counts(i) ? sum + minutes * (crews[0]?.length ?? 0) : sum),
    0,
  );
  let together = 0;
  for (let m = 0; m < model.horizon && left > 0; m++) {
    for (const on of model.on) left -= on[m] ?? 0;
    together = m + 1;
  }
  return Math.max(0, together, ...ends);
}
