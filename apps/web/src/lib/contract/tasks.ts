/** Tasks done beside the server, as they are told to whoever asked for them. */
import * as z from 'zod/mini';
import { taskStates } from './doors.ts';

const problem = z.object({ path: z.string(), message: z.string() });

/** What came of an import. */
export const importedSchema = z.union([
  z.object({ ok: z.literal(true), job: z.string() }),
  z.object({ ok: z.literal(false), there: z.string() }),
  z.object({ ok: z.literal(false), problems: z.array(problem) }),
]);

const taskViewSchema = z.object({
  id: z.string(),
  name: z.string(),
  state: z.enum(taskStates),
  /** 0 to 1. */
  share: z.number(),
  /** The job that came of it. */
  job: z.nullable(z.string()),
  problem: z.string(),
  problems: z.array(z.string()),
});
export type TaskView = z.infer<typeof taskViewSchema>;
export const taskAnswer = z.object({ task: taskViewSchema });
