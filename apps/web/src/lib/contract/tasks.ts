/** Tasks done beside the server, as they are told to whoever asked for them. */
import * as z from 'zod/mini';
import { taskStates } from './doors.ts';
import { lookedAtSchema } from './packages.ts';

const problem = z.object({ path: z.string(), message: z.string() });

/** What came of an import. */
export const importedSchema = z.union([
  z.object({ ok: z.literal(true), job: z.string() }),
  z.object({ ok: z.literal(true), looked: lookedAtSchema }),
  z.object({ ok: z.literal(true), file: z.string() }),
  z.object({ ok: z.literal(false), there: z.string() }),
  z.object({ ok: z.literal(false), problems: z.array(problem) }),
  z.object({ ok: z.literal(false), lines: z.array(z.string()) }),
]);

const taskViewSchema = z.object({
  id: z.string(),
  name: z.string(),
  state: z.enum(taskStates),
  /** 0 to 1. */
  share: z.number(),
  /** The job that came of it. */
  job: z.nullable(z.string()),
  /** The name of the file that came of it, to be fetched. */
  file: z.nullable(z.string()),
  /** What was seen of a package, where one was looked at. */
  looked: z.nullable(lookedAtSchema),
  problem: z.string(),
  problems: z.array(z.string()),
});
export type TaskView = z.infer<typeof taskViewSchema>;
export const taskAnswer = z.object({ task: taskViewSchema });
