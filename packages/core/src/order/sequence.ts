/** Puts the rows of a method into an order that keeps every physical and process reason. */
import type { StepRow } from '../methods/method.ts';

/** Rows that belong to this opening; reasons that point at left-out rows go with them. */
export function applicableRows(
  rows: readonly StepRow[],
  conditions: ReadonlySet<StepRow['when']>,
): StepRow[] {
  const kept = rows.filter((row) => conditions.has(row.when));
  const ids = new Set(kept.map((row) => row.id));
  return kept.map((row) => ({ ...row, after: row.after.filter((reason) => ids.has(reason.step)) }));
}

/**
 * Returns `rows` so that each comes after all it waits for, otherwise as listed.
 *
 * @throws Error when rows wait for each other in a circle or for a row that does not exist: a bug in the method
 */
export function sequence(rows: readonly StepRow[]): StepRow[] {
  const ordered: StepRow[] = [];
  const done = new Set<string>();
  const waiting = [...rows];
  while (waiting.length > 0) {
    const next = waiting.findIndex((row) => row.after.every(({ step }) => done.has(step)));
    const [row] = next < 0 ? [] : waiting.splice(next, 1);
    if (!row) throw new Error(`steps wait for each other: ${waiting.map((w) => w.id).join(', ')}`);
    ordered.push(row);
    done.add(row.id);
  }
  return ordered;
}
