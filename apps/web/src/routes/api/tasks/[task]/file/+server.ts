import { fileOfTask, taskOf } from '$lib/server/beside/tasks.ts';
import { database } from '$lib/server/db/index.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';
import * as z from 'zod/mini';

/** What came of a task of one's own. */
export const GET = async ({ params, locals }) => {
  const id = z.uuid().safeParse(params.task);
  if (!id.success || !locals.person) error(404, errorsWords.notFound);
  const db = database();
  const task = await taskOf(db, locals.person.id, id.data);
  const file = task && (await fileOfTask(db, locals.person.id, id.data));
  if (!file) error(404, errorsWords.notFound);
  return new Response(file, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${encodeURIComponent(task.name)}"`,
      'cache-control': 'no-store',
    },
  });
};
