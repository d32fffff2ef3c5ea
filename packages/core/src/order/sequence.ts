/** Puts the rows of a method into an order that keeps every physical and process reason. */
import { holdsFor, missesOf, type Choices, type Fact } from '../methods/axes.ts';
import type { StepRow } from '../methods/method.ts';

/**
 * Rows that belong to this opening, each waiting for rows that do too.
 *
 * A reason names an id or a role. Where no row that applies bears it, the step it stands for is not done here, and
 * what that step would have waited for counts instead.
 */
export function applicableRows(
  rows: readonly StepRow[],
  choices: Choices,
  facts: ReadonlySet<Fact>,
): StepRow[] {
  const kept = rows.filter((row) => holdsFor(row.when, choices, facts));
  const bears = (name: string) => (row: StepRow) => row.id === name || row.role === name;
  const resolve = (reason: StepRow['after'][number], seen: readonly string[]): StepRow['after'] => {
    const here = kept.filter(bears(reason.step));
    if (here.length > 0) return here.map((row) => ({ step: row.id, because: reason.because }));
    if (seen.includes(reason.step)) return [];
    return nearest(rows.filter(bears(reason.step)), choices, facts).flatMap((row) =>
      row.after.flatMap(({ step }) => resolve({ step, because: reason.because }, [...seen, reason.step])),
    );
  };
  return kept.map((row) => {
    const after = new Map<string, StepRow['after'][number]>();
    for (const reason of row.after.flatMap((r) => resolve(r, [])))
      if (reason.step !== row.id && after.get(reason.step)?.because !== 'physical')
        after.set(reason.step, reason);
    return { ...row, after: [...after.values()] };
  });
}

/** Of the variants of a step that is not done here, those that come nearest to being done. */
function nearest(variants: readonly StepRow[], choices: Choices, facts: ReadonlySet<Fact>): StepRow[] {
  const misses = variants.map((row) => missesOf(row.when, choices, facts));
  const least = Math.min(...misses);
  return variants.filter((_, i) => misses[i] === least);
}

/**
 * Returns `rows` so that each comes after all it waits for, otherwise as listed.
 *
 * @throws Error when rows wait for each other in a circle or for a row that does not exist: a bug in the method
 */
export function sequence<Row extends Pick<StepRow, 'id' | 'after'>>(rows: readonly Row[]): Row[] {
  const ordered: Row[] = [];
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
