/** From a task's number to the task, and from an answer to what it is worth. */
import { diceOf } from './dice.ts';
import { makeCover } from './kinds/cover.ts';
import { makeCut } from './kinds/cut.ts';
import { makeDay } from './kinds/day.ts';
import { makeDrop } from './kinds/drop.ts';
import { makeFault } from './kinds/fault.ts';
import { makeGrip } from './kinds/grip.ts';
import { makeLeak } from './kinds/leak.ts';
import { makeLevel } from './kinds/level.ts';
import { makeNight } from './kinds/night.ts';
import { makeOrder } from './kinds/order.ts';
import { makeSeal } from './kinds/seal.ts';
import { makeShims } from './kinds/shims.ts';
import { makeSquare } from './kinds/square.ts';
import { makeTape } from './kinds/tape.ts';
import { makeWidth } from './kinds/width.ts';
import type { Make } from './make.ts';
import {
  practiceKinds,
  systemOf,
  type Composed,
  type Given,
  type Judged,
  type PracticeKind,
  type Task,
  type TaskNumber,
} from './task.ts';
import { someWall, type PracticeWall } from './wall.ts';

const makes: Readonly<Record<PracticeKind, Make>> = {
  order: makeOrder,
  fault: makeFault,
  drop: makeDrop,
  tape: makeTape,
  level: makeLevel,
  width: makeWidth,
  square: makeSquare,
  shims: makeShims,
  cut: makeCut,
  seal: makeSeal,
  grip: makeGrip,
  night: makeNight,
  cover: makeCover,
  leak: makeLeak,
  day: makeDay,
};

/** Kinds that can be asked of an opening of a job. */
export const wallKinds = [
  'order',
  'fault',
  'drop',
  'cut',
  'night',
  'cover',
  'leak',
] as const satisfies readonly PracticeKind[];
export const isWallKind = (kind: PracticeKind): boolean => (wallKinds as readonly string[]).includes(kind);

/** Most throws of the dice for one task: walls differ, and not every one of them has what a kind asks for. */
const MOST_THROWS = 60;
const THROWS_OF_WISH = 8;

/**
 * Returns the task of a number, the same for the same number, together with what is behind it; `null` where a wall of a job
 * has nothing of the kind. Of walls that are made up there is always one that has.
 *
 * @throws Error when no throw makes a task on made-up walls: a bug in the kind
 */
export function composeTask(number: TaskNumber, own: PracticeWall | null = null): Composed | null {
  const { kind, level, seed } = number;
  const spread = (seed + 1) * 7919 + practiceKinds.indexOf(kind) * 104_729 + level * 1_299_709;
  for (let i = 0; i < MOST_THROWS; i++) {
    const dice = diceOf(spread + i * 15_485_863);
    const made = makes[kind]({
      level,
      system: systemOf(number),
      dice,
      show: diceOf(spread * 31 + i * 32_452_843 + 17),
      // Where many throws find nothing that is wished for, another wish.
      wish: (list) => diceOf(spread * 17 + Math.floor(i / THROWS_OF_WISH)).pick(list),
      wall: () => own ?? someWall(dice),
    });
    if (made) return { ...made, task: { ...made.task, number } };
  }
  if (own) return null;
  throw new Error(`${kind}-${level}-${seed} makes no task`);
}

/** What is shown of a task: nothing of its answer is in it. */
export const taskOf = (number: TaskNumber, own: PracticeWall | null = null): Task | null =>
  composeTask(number, own)?.task ?? null;

/** What an answer is worth, worked out when it is given; `null` where there is no such task. */
export const judgeTask = (number: TaskNumber, given: Given, own: PracticeWall | null = null): Judged | null =>
  composeTask(number, own)?.judge(given) ?? null;
