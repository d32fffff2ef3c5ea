/** Plans again when the day went otherwise: what can stay stays, and only what is forced moves. */
import { Board, Grounds, type Placed, type WhyNot } from '../work/board.ts';
import { planParts, partsOf, scoreChains, type ChainPlan } from '../work/chains.ts';
import type { CalendarModel } from './plan.ts';

type Placing = ChainPlan['placed'];

/** What of a plan can stay as it is, and what cannot with the reason; whatever follows it at its opening goes with it. */
export function whatStays(
  { chainModel: { model, chains } }: CalendarModel,
  placed: Placing,
  first: ReadonlyMap<number, Placed> = new Map(),
): { readonly stays: ReadonlyMap<number, Placed>; readonly against: ReadonlyMap<number, WhyNot> } {
  const board = new Board(new Grounds(model));
  const chainOf = new Map(chains.flatMap(({ tasks }, c) => tasks.map((task, k) => [task, { c, k }])));
  const stays = new Map<number, Placed>();
  const against = new Map<number, WhyNot>();
  /** By chain: from which of its tasks on nothing stays. */
  const broken = new Map<number, number>();
  const wanted = placed
    .flatMap((one, task) => (first.has(task) || !one ? [] : [{ task, one }]))
    .sort((a, b) => a.one.start - b.one.start || a.task - b.task);
  for (const { task, one } of [
    ...[...first].map(([task, one]) => ({ task, one })).sort((a, b) => a.one.start - b.one.start),
    ...wanted,
  ]) {
    const at = chainOf.get(task);
    if (at && at.k >= (broken.get(at.c) ?? Infinity) && !first.has(task)) continue;
    const why = board.against(task, one);
    // What is put first waits for what comes after it here.
    if (why === null || (first.has(task) && why === 'waits-for-unplaced')) {
      board.put(task, one);
      stays.set(task, one);
      continue;
    }
    against.set(task, why);
    if (at) broken.set(at.c, Math.min(at.k, broken.get(at.c) ?? Infinity));
  }
  return { stays, against };
}

/**
 * What of a plan stays because its day is kept: at each opening everything up to the last step of such a day, as far as it
 * still can be so.
 */
export function keptOf(
  model: CalendarModel,
  placed: Placing,
  isKept: (minute: number) => boolean,
): ReadonlyMap<number, Placed> {
  const upTo = new Map<number, number>();
  for (const [c, { tasks }] of model.chainModel.chains.entries()) {
    const last = tasks.findLastIndex((task) => {
      const one = placed[task];
      return one !== null && one !== undefined && isKept(one.start);
    });
    for (const task of tasks.slice(0, last + 1)) upTo.set(task, c);
  }
  return whatStays(
    model,
    placed.map((one, task) => (upTo.has(task) ? one : null)),
  ).stays;
}

/** The plan with the least change: everything that can stays where it was, the rest finds a place round it. */
export function replan(
  model: CalendarModel,
  placed: Placing,
  first?: ReadonlyMap<number, Placed>,
): ChainPlan {
  const { stays } = whatStays(model, placed, first);
  return fill(model, stays);
}

function fill(model: CalendarModel, stays: ReadonlyMap<number, Placed>): ChainPlan {
  const { chainModel } = model;
  const parts = partsOf(chainModel.chains);
  const was = (i: number) => {
    const part = parts[i];
    const task = part && chainModel.chains[part.chain]?.tasks[part.from];
    return task === undefined ? Infinity : (stays.get(task)?.start ?? Infinity);
  };
  const order = parts.map((_, i) => i).sort((a, b) => was(a) - was(b) || a - b);
  return planParts({ ...chainModel, fixed: stays }, new Grounds(chainModel.model), parts, order);
}

/** One task that is otherwise in another plan. */
export interface Change {
  readonly task: number;
  readonly was: Placed | null;
  readonly is: Placed | null;
}

export const changesBetween = (was: Placing, is: Placing): Change[] =>
  is.flatMap((one, task) => {
    const before = was[task] ?? null;
    const same =
      before === null || one === null
        ? before === one
        : before.start === one.start &&
          before.end === one.end &&
          before.crew.toString() === one.crew.toString();
    return same ? [] : [{ task, was: before, is: one }];
  });

export type Moved =
  | { readonly ok: true; readonly plan: ChainPlan }
  /** What stands against it, by the first task that cannot be so. */
  | { readonly ok: false; readonly task: number; readonly why: WhyNot };

/**
 * Moves tasks that follow each other so that the first begins at a minute, by the same people or by others; everything that
 * they push aside finds another place.
 */
export function moveTo(
  model: CalendarModel,
  placed: Placing,
  tasks: readonly number[],
  { start, crew }: { readonly start: number; readonly crew?: (task: number) => readonly number[] | null },
): Moved {
  const { chainModel } = model;
  const grounds = new Grounds(chainModel.model);
  const moving = new Set(tasks);
  // All that cannot be moved by it stands; of the same openings what comes later follows.
  const chains = new Set(
    tasks.map((task) => chainModel.chains.findIndex((chain) => chain.tasks.includes(task))),
  );
  const board = new Board(grounds);
  const before = placed.map((one, task) => (moving.has(task) ? null : one));
  for (const c of chains) {
    const own = chainModel.chains[c]?.tasks ?? [];
    const from = own.findIndex((task) => moving.has(task));
    for (const task of own.slice(0, from)) {
      const one = before[task];
      if (one) board.put(task, one);
    }
  }
  const first = new Map<number, Placed>();
  let begin = start;
  for (const task of tasks) {
    const one = chainModel.model.tasks[task];
    const wanted = crew?.(task) ?? placed[task]?.crew ?? one?.crews[0] ?? [];
    const own = one?.crews.find(
      (c) => c.length === wanted.length && c.every((person) => wanted.includes(person)),
    );
    if (!one || !own) return { ok: false, task, why: 'no-people' };
    const times = grounds.times.of(task, own);
    const at = task === tasks[0] ? begin : times.next(Math.max(begin, one.release));
    const put: Placed = { start: at, end: times.end(at), crew: own };
    const why = board.against(task, put);
    if (why !== null) return { ok: false, task, why };
    board.put(task, put);
    first.set(task, put);
    begin = put.end;
  }
  const rest = before.map((one, task) => {
    const c = [...chains].find((chain) => chainModel.chains[chain]?.tasks.includes(task));
    if (c === undefined) return one;
    const own = chainModel.chains[c]?.tasks ?? [];
    const last = Math.max(...tasks.map((moved) => own.indexOf(moved)));
    return own.indexOf(task) > last && (one?.start ?? 0) < begin ? null : one;
  });
  const plan = fill(model, whatStays(model, rest, first).stays);
  return { ok: true, plan: { ...plan, score: scoreChains(chainModel, chainModel.model, plan.placed) } };
}
