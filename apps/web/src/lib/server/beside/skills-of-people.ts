/** Skills out of answers, beside the server: a belief is followed through hundreds of them. */
import { skillsOf } from '@hulvek/core';
import type { JobPractice, SentAnswer } from '../../contract/practice.ts';

export const skillsOfPeople = ({
  people,
  now_ms,
}: {
  readonly people: readonly { readonly name: string; readonly answers: readonly SentAnswer[] }[];
  readonly now_ms: number;
}): NonNullable<JobPractice['people']> =>
  people.map(({ name, answers }) => ({
    name,
    skills: skillsOf(
      answers.map(({ kind, level, right, at }) => ({ kind, level, right, at_ms: Date.parse(at) })),
      now_ms,
    ).map(({ kind, answers: many, level, chance }) => ({ kind, answers: many, level, ...chance })),
  }));
