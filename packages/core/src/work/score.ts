/** What a plan is worth. */
import type { Placed } from './board.ts';
import type { Model } from './model.ts';

/** Compared from the first to the last: unplaced, late minutes, finish, sum of starts. */
export type Score = readonly [unplaced: number, late: number, finish: number, starts: number];

export function compareScores(a: Score, b: Score): number {
  for (const [i, value] of a.entries()) {
    const other = b[i] ?? 0;
    if (Math.abs(value - other) > 1e-9) return value - other;
  }
  return 0;
}

export function scoreOf({ tasks }: Pick<Model, 'tasks'>, placed: readonly (Placed | null)[]): Score {
  let [unplaced, late, finish, starts] = [0, 0, 0, 0];
  for (const [i, task] of tasks.entries()) {
    const one = placed[i];
    if (!one) {
      unplaced++;
      continue;
    }
    if (task.due !== null) late += Math.max(0, one.end - task.due);
    finish = Math.max(finish, one.end);
    starts += one.start;
  }
  return [unplaced, late, finish, starts];
}
