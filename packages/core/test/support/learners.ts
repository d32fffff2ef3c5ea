/**
 * Learners who practise, made by another rule than the one that estimates them: each kind is a heap of things to know; a
 * task of a level asks for several of them at once, and is right when all are known, or by a guess. Things are learnt by
 * being met, more often after a mistake, and forgotten by a power of the days since.
 */
import {
  generator,
  practiceLevels,
  type PracticeAnswer,
  type PracticeKind,
  type PracticeLevel,
} from '@hulvek/core';

const DAY_ms = 86_400_000;

export interface Learner {
  /** Whether an answer is right, and what it teaches. */
  readonly answer: (level: PracticeLevel, at_ms: number) => boolean;
}

export function learner(seed: number, guesses: number): Learner {
  const random = generator(seed);
  const things = 6 + Math.floor(random() * 10);
  const talent = 0.15 + random() * 0.5;
  const forgets = 0.05 + random() * 0.25;
  const slips = random() * 0.08;
  const knownFrom = random();
  const met = Array.from({ length: things }, () =>
    random() < knownFrom ? { at_ms: 0, times: 1 + Math.floor(random() * 6) } : null,
  );
  const knows = (i: number, at_ms: number): boolean => {
    const one = met[i];
    if (!one) return false;
    const days = Math.max(0, (at_ms - one.at_ms) / DAY_ms);
    return random() < (1 + days) ** (-forgets / one.times);
  };
  return {
    answer: (level, at_ms) => {
      // Harder tasks ask for more of it, and for what fewer people know.
      const asked = Array.from({ length: level }, () =>
        Math.floor(things * Math.min(0.999, random() ** (1.6 - 0.2 * level))),
      );
      const known = asked.map((i) => knows(i, at_ms));
      const able = known.every(Boolean);
      const right = able ? random() > slips : random() < guesses;
      asked.forEach((i, k) => {
        if (random() > (known[k] ? 0.9 : right ? talent * 0.5 : talent)) return;
        met[i] = { at_ms, times: (met[i]?.times ?? 0) + 1 };
      });
      return right;
    },
  };
}

/** Somebody who neither learns nor forgets: a chance of their own at every level, that falls from level to level. */
export function steady(seed: number, guesses: number): Learner {
  const random = generator(seed * 7 + 3);
  const first = guesses + random() * (1 - guesses);
  const falls = random() * 0.25;
  return { answer: (level) => random() < Math.max(guesses, first - falls * (level - 1)) };
}

/** Days on which somebody practises: a few in a row, then a gap; so many answers each. */
export function practised(
  seed: number,
  kind: PracticeKind,
  own: Learner,
  levelOf: (answers: readonly PracticeAnswer[], now_ms: number) => PracticeLevel,
  seen: (answers: readonly PracticeAnswer[], level: PracticeLevel, now_ms: number, right: boolean) => void,
): void {
  const random = generator(seed * 13 + 5);
  const answers: PracticeAnswer[] = [];
  let now_ms = DAY_ms;
  for (let day = 0; day < 8; day++) {
    for (let i = 0; i < 3; i++) {
      const level =
        random() < 0.2 ? (practiceLevels[Math.floor(random() * 5)] ?? 1) : levelOf(answers, now_ms);
      const right = own.answer(level, now_ms);
      seen(answers, level, now_ms, right);
      answers.push({ kind, level, right, at_ms: now_ms });
      now_ms += 60_000;
    }
    now_ms += DAY_ms * (random() < 0.7 ? 1 : 1 + Math.floor(random() * 20));
  }
}
