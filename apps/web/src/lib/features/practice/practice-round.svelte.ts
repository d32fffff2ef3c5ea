/** One round: what is asked now, what was answered, and what comes next. What is behind a task stays here. */
import type { RoundTask } from '$lib/contract/practice.ts';
import {
  composeTask,
  diceOf,
  nextTask,
  readTaskNumber,
  type Composed,
  type Dice,
  type Given,
  type Judged,
  type PracticeKind,
  type PracticeWall,
  type Task,
  type TaskNumber,
} from '@hulvek/core';
import type { PracticeDesk } from './practice-desk.svelte.ts';

const ROUND_ms = 5 * 60_000;

/** A list to go through, with the walls of a job; or whatever is due, for five minutes. */
export interface RoundOf {
  readonly tasks?: readonly RoundTask[];
  readonly wallOf?: (opening: string) => PracticeWall | null;
  readonly kinds?: readonly PracticeKind[];
}

export class PracticeRound {
  task = $state.raw<Task | null>(null);
  judged = $state.raw<Judged | null>(null);
  given = $state.raw<Given | null>(null);
  results = $state.raw<readonly { readonly number: TaskNumber; readonly right: boolean }[]>([]);
  ended = $state(false);
  /** Tasks that could not be made any more. */
  lost = $state(0);
  now_ms = $state(Date.now());
  readonly #desk: PracticeDesk;
  readonly #of: RoundOf;
  readonly #dice: Dice;
  readonly #ends_ms = Date.now() + ROUND_ms;
  #composed: Composed | null = null;
  #place = 0;

  constructor(desk: PracticeDesk, of: RoundOf, seed: number) {
    this.#desk = desk;
    this.#of = of;
    this.#dice = diceOf(seed);
    this.next();
  }

  get many(): number | null {
    return this.#of.tasks?.length ?? null;
  }

  readonly left_min = $derived(Math.ceil((this.#ends_ms - this.now_ms) / 60_000));

  get isLast(): boolean {
    const { tasks } = this.#of;
    return tasks ? this.#place >= tasks.length : Date.now() >= this.#ends_ms;
  }

  /** The next task, or the end. */
  next(): void {
    this.now_ms = Date.now();
    this.judged = null;
    this.given = null;
    this.#composed = this.#made();
    this.task = this.#composed?.task ?? null;
    this.ended = this.task === null;
  }

  #made(): Composed | null {
    const { tasks, wallOf, kinds } = this.#of;
    if (!tasks) {
      if (this.results.length > 0 && this.isLast) return null;
      return composeTask(
        nextTask({
          answers: this.#desk.answers,
          now_ms: Date.now(),
          dice: this.#dice,
          system: this.#desk.system,
          ...(kinds && { kinds }),
        }),
      );
    }
    for (; this.#place < tasks.length; this.#place++) {
      const one = tasks[this.#place];
      const number = one && readTaskNumber(one.task);
      const wall = one?.opening ? (wallOf?.(one.opening) ?? null) : null;
      const made = number && (one.opening === null || wall) ? composeTask(number, wall) : null;
      if (made) {
        this.#place++;
        return made;
      }
      this.lost++;
    }
    return null;
  }

  answer(given: Given): void {
    const composed = this.#composed;
    if (!composed || this.judged) return;
    this.given = given;
    this.judged = composed.judge(given);
    this.results = [...this.results, { number: composed.task.number, right: this.judged.right }];
    this.#desk.add(composed.task.number, this.judged.right);
  }

  end(): void {
    this.ended = true;
    this.task = null;
  }
}
