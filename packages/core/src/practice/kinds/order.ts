/** Put the steps in order: some steps of a wall, shuffled; every order that the reasons allow is right. */
import { withChanges } from '../../build/changes.ts';
import type { Build, PlannedStep } from '../../build/build.ts';
import { proveWater } from '../../proofs/water/proof.ts';
import type { Reason } from '../../methods/method.ts';
import type { Dice } from '../dice.ts';
import { byLevel, type Make } from '../make.ts';
import { faceView } from '../wall-views.ts';
import { changedPlay, liftsOf } from '../play.ts';
import type { Given, Judged } from '../task.ts';
import type { PracticeWall } from '../wall.ts';

/** Steps of a task by level, and how many times two it should be harder than guessing, in bits. */
const MANY = [4, 5, 6, 7, 8] as const;
const BITS = [2.2, 4, 6, 8.5, 11] as const;
const TRIES = 14;

/** What every step waits for, by way of others too; and what of that is physical all the way. */
interface Waits {
  readonly all: ReadonlyMap<string, ReadonlySet<string>>;
  readonly physical: ReadonlyMap<string, ReadonlySet<string>>;
}

const knownWaits = new WeakMap<readonly PlannedStep[], Waits>();

function waitsOf(steps: readonly PlannedStep[]): Waits {
  const before = knownWaits.get(steps);
  if (before) return before;
  const [all, physical] = [new Map<string, Set<string>>(), new Map<string, Set<string>>()];
  for (const { id, after } of steps) {
    const [own, hard] = [new Set<string>(), new Set<string>()];
    for (const { step, because, setAside } of after) {
      if (setAside) continue;
      for (const one of [step, ...(all.get(step) ?? [])]) own.add(one);
      if (because === 'physical') for (const one of [step, ...(physical.get(step) ?? [])]) hard.add(one);
    }
    all.set(id, own);
    physical.set(id, hard);
  }
  const waits = { all, physical };
  knownWaits.set(steps, waits);
  return waits;
}

/** How many orders of these steps keep every reason: counted set by set. */
export function ordersOf(ids: readonly string[], waitsFor: (id: string, other: string) => boolean): number {
  const needs = ids.map((id) =>
    ids.reduce((mask, other, j) => (waitsFor(id, other) ? mask | (1 << j) : mask), 0),
  );
  const ways = new Float64Array(1 << ids.length);
  ways[0] = 1;
  for (let done = 0; done < ways.length; done++) {
    const count = ways[done] ?? 0;
    if (count === 0) continue;
    needs.forEach((need, i) => {
      const next = done | (1 << i);
      if (next !== done && (need & done) === need) ways[next] = (ways[next] ?? 0) + count;
    });
  }
  return ways[ways.length - 1] ?? 0;
}

const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));
const bitsOf = (many: number, orders: number): number => Math.log2(factorial(many) / orders);

function chosen(build: Build, many: number, target: number, dice: Dice): PlannedStep[] | null {
  const { steps } = build;
  const { all } = waitsOf(steps);
  const waits = (id: string, other: string) => all.get(id)?.has(other) ?? false;
  let best: { picked: PlannedStep[]; off: number } | null = null;
  for (let i = 0; i < TRIES; i++) {
    const wide = Math.min(steps.length, many + dice.whole(0, 5));
    const from = dice.whole(0, steps.length - wide);
    const window = new Set(dice.shuffled(steps.slice(from, from + wide)).slice(0, many));
    const picked = steps.filter((step) => window.has(step));
    if (picked.length < many) return null;
    const bits = bitsOf(
      many,
      ordersOf(
        picked.map(({ id }) => id),
        waits,
      ),
    );
    if (bits < 1) continue;
    const off = Math.abs(bits - target);
    if (!best || off < best.off) best = { picked, off };
  }
  return best?.picked ?? null;
}

export const makeOrder: Make = ({ level, dice, show, wall }) => {
  const own = wall();
  if (!own) return null;
  const { build, school } = own;
  const steps = chosen(build, byLevel(level, MANY), byLevel(level, BITS), dice);
  if (!steps) return null;
  const ids = steps.map(({ id }) => id);
  const { all } = waitsOf(build.steps);
  const waits = (id: string, other: string) => all.get(id)?.has(other) ?? false;
  const orders = ordersOf(ids, waits);
  const first = Math.min(...ids.map((id) => build.steps.findIndex((step) => step.id === id)));
  return {
    task: {
      asked: { form: 'order', items: unsorted(ids, waits, show) },
      question: { kind: 'order', school },
      // As it stands before the first of them.
      views: [faceView(build, first)],
    },
    judge: (given) => judged(given, ids, orders, own),
    hardness: () => bitsOf(ids.length, orders),
  };
};

/** Shown in an order that is not right already. */
function unsorted(
  ids: readonly string[],
  waits: (id: string, other: string) => boolean,
  show: Dice,
): string[] {
  for (;;) {
    const items = show.shuffled(ids);
    if (items.some((id, i) => items.slice(i + 1).some((later) => waits(id, later)))) return items;
  }
}

function judged(given: Given, ids: readonly string[], orders: number, wall: PracticeWall): Judged {
  const { build } = wall;
  const answer: Given = { form: 'order', items: ids };
  const items = given.form === 'order' && isSame(given.items, ids) ? given.items : null;
  const breach = items ? firstBreach(items, build) : null;
  if (items && !breach)
    return { right: true, answer, why: { code: 'order-right', orders }, play: null, place: null };
  const { step, before, because } = breach ?? {
    step: ids[0] ?? '',
    before: ids[0] ?? '',
    because: 'process' as const,
  };
  const changed = breach ? withChanges(build, [{ kind: 'moved', step, before }]) : null;
  const water = changed?.ok
    ? changedPlay(
        proveWater(build, wall.exposed),
        proveWater(changed.value.build, wall.exposed),
        changed.value.build,
      )
    : null;
  return {
    right: false,
    answer,
    why: {
      code: 'order-breach',
      step,
      before,
      because,
      water: water?.path ?? null,
      air: changed?.ok === true && liftsOf(changed.value.build) > liftsOf(build) + 1,
    },
    play: water?.play ?? null,
    place: null,
  };
}

const isSame = (items: readonly string[], ids: readonly string[]): boolean =>
  items.length === ids.length && new Set(items).size === ids.length && ids.every((id) => items.includes(id));

/** The first step that was put before one it waits for, and the first of those. */
function firstBreach(
  items: readonly string[],
  { steps }: Build,
): { step: string; before: string; because: Reason } | null {
  const { all, physical } = waitsOf(steps);
  for (const [i, step] of items.entries()) {
    const before = items.slice(i + 1).find((later) => all.get(step)?.has(later));
    if (before !== undefined)
      return { step, before, because: physical.get(step)?.has(before) ? 'physical' : 'process' };
  }
  return null;
}
