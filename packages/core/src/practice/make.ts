/** How a task of a kind is made. */
import type { LengthUnit } from '../quantities/length.ts';
import type { Dice } from './dice.ts';
import type { Composed, Given, PracticeLevel, Task } from './task.ts';
import type { PracticeWall } from './wall.ts';

export interface Makings {
  readonly level: PracticeLevel;
  readonly system: LengthUnit;
  /** What it is made of. */
  readonly dice: Dice;
  /** In which order it is shown: a chance of its own, so that no place in a list tells anything. */
  readonly show: Dice;
  /** The same pick in every throw of one task, so that what is rare is asked for as often as what is common. */
  readonly wish: <T>(list: readonly T[]) => T;
  /** @returns a wall by chance, or the one of the job that is practised on; `null` where none can be built */
  readonly wall: () => PracticeWall | null;
}

/** A task without its number; `null` where this throw makes none. */
export type Made = Omit<Composed, 'task'> & { readonly task: Omit<Task, 'number'> };
export type Make = (makings: Makings) => Made | null;

/** By level. */
export const byLevel = <T>(level: PracticeLevel, values: readonly [T, T, T, T, T]): T =>
  values[level - 1] as T;

/** Whether of several options just the right ones were chosen. */
export const choseAll = (given: Given, rights: readonly string[]): boolean =>
  given.form === 'several' &&
  given.options.length === rights.length &&
  rights.every((one) => given.options.includes(one));
