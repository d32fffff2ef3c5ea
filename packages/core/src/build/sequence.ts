/** Puts the rows of a method into an order that keeps every physical and process reason. */
import { holdsFor, missesOf, type Choices, type Fact } from '../vocabulary/axes.ts';
import type { After, StepRow } from '../methods/method.ts';

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
  const names = new Map<string, readonly string[]>();
  /** Rows done here that stand for a name; what is being resolved already adds nothing to itself. */
  const resolve = (name: string): readonly string[] => {
    const known = names.get(name);
    if (known) return known;
    names.set(name, []);
    const here = kept.filter(bears(name)).map((row) => row.id);
    const found =
      here.length > 0
        ? here
        : nearest(rows.filter(bears(name)), choices, facts).flatMap((row) =>
            row.after.flatMap(({ step }) => resolve(step)),
          );
    const unique = [...new Set(found)];
    names.set(name, unique);
    return unique;
  };
  const here = new Map(kept.map((row) => [row.id, row]));
  return kept.map((row) => {
    const after = new Map<string, After>();
    for (const reason of row.after)
      for (const step of resolve(reason.step)) {
        const before = here.get(step);
        if (before && step !== row.id) after.set(step, both(after.get(step), timed(reason, before)));
      }
    return { ...row, after: [...after.values()] };
  });
}

/**
 * A reason to wait for a step that is done here. Its times are of the step it names, not of one that stands for it; a
 * rest holds back what waits for it as a process, unless the reason says how long.
 */
function timed({ step: name, because, ...lag }: After, { id, role, rest_min }: StepRow): After {
  const rest = because === 'process' && rest_min > 0 ? { least_min: rest_min } : {};
  return { step: id, because, ...rest, ...(name === id || name === role ? lag : {}) };
}

/** Two reasons to wait for one step: what is physical stays so, and the longer and the stricter of times counts. */
function both(one: After | undefined, other: After): After {
  if (!one) return other;
  const of = (times: readonly (number | undefined)[]) => times.filter((time) => time !== undefined);
  const least = of([one.least_min, other.least_min]);
  const most = of([one.most_min, other.most_min]);
  return {
    ...other,
    ...one,
    because: one.because === 'physical' ? 'physical' : other.because,
    ...(least.length > 0 && { least_min: Math.max(...least) }),
    ...(most.length > 0 && { most_min: Math.min(...most) }),
  };
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

/**
 * The steps of work that begins where others have set the unit: all that had to be done before it stood fast is one step,
 * which looks at it. The wall is taken to be as the method would have it until somebody records otherwise.
 */
export function takenOver(steps: readonly StepRow[]): readonly StepRow[] {
  const found = steps.find(({ role }) => role === TAKEN_OVER);
  if (!found) return steps;
  const before = new Set<string>([found.id]);
  const gather = (id: string) => {
    if (before.has(id)) return;
    before.add(id);
    for (const { step } of steps.find((row) => row.id === id)?.after ?? []) gather(step);
  };
  const own = new Set(['check', TAKEN_OVER]);
  for (const row of steps) if (row.role === 'fasten') gather(row.id);
  const done = steps.filter(({ id, role }) => before.has(id) && !own.has(role));
  const gone = new Set(done.map(({ id }) => id));
  const whole: StepRow = {
    ...found,
    // What it was looked at for is looked at now.
    events: [...done.flatMap(({ events }) => events).filter(({ op }) => op !== 'look'), LOOK],
    covers: [...new Set(done.flatMap(({ covers }) => covers))],
  };
  const waits = ({ after }: StepRow): After[] => {
    const late = after.filter(({ step }) => gone.has(step));
    const [first] = late;
    const rest = after.filter(({ step }) => !gone.has(step) && step !== found.id);
    return first
      ? [
          ...rest,
          { step: found.id, because: late.find((l) => l.because === 'physical')?.because ?? first.because },
        ]
      : rest;
  };
  return sequence(
    steps
      .filter(({ id }) => !gone.has(id))
      .map((row) => (row.id === found.id ? whole : { ...row, after: waits(row) })),
  );
}

const TAKEN_OVER = 'found-set';
const LOOK = { op: 'look', thing: 'unit' } as const;

/** Orders already found, by choices and facts: they depend on nothing else. */
const known = new Map<string, readonly StepRow[]>();
const KEPT = 200;

/** The steps of a method in their order. */
export function orderedSteps(
  rows: readonly StepRow[],
  choices: Choices,
  facts: ReadonlySet<Fact>,
): readonly StepRow[] {
  const key = JSON.stringify([choices, [...facts].sort()]);
  const before = known.get(key);
  if (before) return before;
  if (known.size >= KEPT) known.clear();
  const ordered = takenOver(sequence(applicableRows(rows, choices, facts)));
  known.set(key, ordered);
  return ordered;
}
