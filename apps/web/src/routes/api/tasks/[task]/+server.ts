import { cancelTask, taskOf } from '$lib/server/beside/tasks.ts';
import { taskView } from '$lib/server/beside/view.ts';
import { database } from '$lib/server/db/index.ts';
import { errorsWords } from '$words/contract.ts';
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';

async function own(params: { task: string }, locals: App.Locals) {
  const id = z.uuid().safeParse(params.task);
  const task = id.success && locals.person ? await taskOf(database(), locals.person.id, id.data) : null;
  if (!task) error(404, errorsWords.notFound);
  return task;
}

/** How far a task of one's own is. */
export const GET = async ({ params, locals }) =>
  json({ task: taskView(await own(params, locals)) }, { headers: { 'cache-control': 'no-store' } });

/** Ends it. */
export const DELETE = async ({ params, locals }) => {
  const { id, userId } = await own(params, locals);
  await cancelTask(database(), userId, id);
  return json({ task: taskView(await own(params, locals)) });
};
