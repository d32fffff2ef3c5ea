/** Chance that is the same for the same number: what a task is made of, and in which order it is shown. */
import { generator } from '../quantities/random.ts';

export interface Dice {
  /** 0 ≤ x < 1. */
  (): number;
  /** A whole number, both ends included. */
  whole: (from: number, to: number) => number;
  /** @throws Error for an empty list: whoever asks has looked */
  pick: <T>(list: readonly T[]) => T;
  shuffled: <T>(list: readonly T[]) => T[];
}

export function diceOf(seed: number): Dice {
  const roll = generator(seed);
  const whole = (from: number, to: number) => from + Math.floor(roll() * (to - from + 1));
  const pick = <T>(list: readonly T[]): T => {
    const one = list[whole(0, list.length - 1)];
    if (one === undefined) throw new Error('nothing to pick from');
    return one;
  };
  const shuffled = <T>(list: readonly T[]): T[] => {
    const left = [...list];
    for (let i = left.length - 1; i > 0; i--) {
      const j = whole(0, i);
      const [a, b] = [left[i], left[j]];
      if (a === undefined || b === undefined) continue;
      [left[i], left[j]] = [b, a];
    }
    return left;
  };
  return Object.assign(roll, { whole, pick, shuffled });
}
