/** A run of a job's heat as it travels: its sides, each solved, waiting, or with the reason why it is neither. */
import { cutIds, sideHeatSchema } from '@hulvek/core';
import * as z from 'zod/mini';

export const heatRunStates = ['planning', 'solving', 'cancelled', 'failed'] as const;
export type HeatRunState = (typeof heatRunStates)[number];

/** Why a side has no figures. */
export const heatProblems = ['not-converged', 'no-surface', 'before-the-wall', 'not-planned'] as const;
export type HeatProblem = (typeof heatProblems)[number];

const runSideSchema = z.object({
  opening: z.string(),
  cut: z.enum(cutIds),
  /** Of the opening when it was cut; another one now means that the figures are old. */
  mark: z.string(),
  leftOut: z.readonly(z.array(z.string())),
  /** `null` while it waits. */
  side: z.nullable(sideHeatSchema),
  problem: z.nullable(z.enum(heatProblems)),
});
export type RunSide = Readonly<z.infer<typeof runSideSchema>>;

export const runViewSchema = z.object({
  id: z.string(),
  state: z.enum([...heatRunStates, 'done']),
  at: z.string(),
  person: z.string(),
  sides: z.readonly(z.array(runSideSchema)),
});
export type RunView = Readonly<z.infer<typeof runViewSchema>>;
export const runAnswer = z.nullable(runViewSchema);
