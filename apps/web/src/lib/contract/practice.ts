/** What practice sends over the line: answers, rounds, and who may see what. */
import { practiceKinds, readTaskNumber, type PracticeLevel } from '@hulvek/core';
import * as z from 'zod/mini';

const levels = [1, 2, 3, 4, 5] as const satisfies readonly PracticeLevel[];

export const sentAnswerSchema = z.strictObject({
  id: z.uuid(),
  kind: z.enum(practiceKinds),
  level: z.literal(levels),
  seed: z.int().check(z.gte(0), z.lte(999_999)),
  right: z.boolean(),
  at: z.iso.datetime(),
});
export type SentAnswer = Readonly<z.infer<typeof sentAnswerSchema>>;

export const MOST_ANSWERS = 500;
export const answersBody = z.strictObject({
  answers: z.array(sentAnswerSchema).check(z.maxLength(MOST_ANSWERS)),
});

export const sharingBody = z.strictObject({
  job: z.string().check(z.maxLength(200)),
  allowed: z.boolean(),
});

/** A task of a round: on a wall that is made up, or on that of an opening. */
export const roundTaskSchema = z.strictObject({
  task: z.string().check(
    z.maxLength(40),
    z.refine((text) => readTaskNumber(text) !== null, 'this is no number of a task'),
  ),
  opening: z.nullable(z.string().check(z.maxLength(200))),
});
export type RoundTask = Readonly<z.infer<typeof roundTaskSchema>>;

export const MOST_TASKS = 40;
export const roundBody = z.strictObject({
  title: z.string().check(z.trim(), z.minLength(1), z.maxLength(120)),
  tasks: z.array(roundTaskSchema).check(z.minLength(1), z.maxLength(MOST_TASKS)),
});
export type RoundBody = Readonly<z.infer<typeof roundBody>>;

export const roundSchema = z.object({
  id: z.string(),
  job: z.string(),
  jobName: z.string(),
  title: z.string(),
  tasks: z.readonly(z.array(roundTaskSchema)),
  by: z.nullable(z.string()),
  at: z.string(),
});
export type Round = Readonly<z.infer<typeof roundSchema>>;

/** What the server knows of somebody's practice. */
export const practiceStateSchema = z.object({
  answers: z.readonly(z.array(sentAnswerSchema)),
  /** Jobs somebody is in, and whether their leads may see the skills. */
  jobs: z.readonly(z.array(z.object({ id: z.string(), name: z.string(), allowed: z.boolean() }))),
  rounds: z.readonly(z.array(roundSchema)),
});
export type PracticeState = Readonly<z.infer<typeof practiceStateSchema>>;

const skillSchema = z.object({
  kind: z.enum(practiceKinds),
  answers: z.int(),
  level: z.literal(levels),
  said: z.number(),
  low: z.number(),
  high: z.number(),
});
export type SentSkill = Readonly<z.infer<typeof skillSchema>>;

export const jobPracticeSchema = z.object({
  rounds: z.readonly(z.array(roundSchema)),
  /** Only for leads, and only of those who allow it. */
  people: z.nullable(
    z.readonly(z.array(z.object({ name: z.string(), skills: z.readonly(z.array(skillSchema)) }))),
  ),
  /** How many more are in the job. */
  others: z.int(),
});
export type JobPractice = Readonly<z.infer<typeof jobPracticeSchema>>;
