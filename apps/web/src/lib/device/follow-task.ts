/** What is done beside the server, followed until it has ended; without a line it is asked again. */
import { answerOf } from '$lib/contract/read.ts';
import { taskAnswer, type TaskView } from '$lib/contract/tasks.ts';

const LOOK_ms = 500;

/** @param told every time it is looked at. @returns how it ended; `null` when `signal` ended the following */
export async function followTask(
  id: string,
  told: (task: TaskView) => void,
  signal: AbortSignal,
): Promise<TaskView | null> {
  while (!signal.aborted) {
    const response = await fetch(`/api/tasks/${id}`, { signal }).catch(() => null);
    if (response?.ok) {
      const { task } = await answerOf(response, taskAnswer);
      told(task);
      if (task.state !== 'working' && task.state !== 'waiting') return task;
    }
    await new Promise((resolve) => setTimeout(resolve, LOOK_ms));
  }
  return null;
}
