import { database } from '$lib/server/db/index.ts';
import { note } from '$lib/server/services/audit.ts';
import { exportLog } from '$lib/server/services/evidence.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The log of a job with its receipts, for whoever keeps it elsewhere; names only where they are asked for. */
export const GET = async ({ params, locals, url }) => {
  const db = database();
  const file = await exportLog(db, params.job, url.searchParams.get('names') === 'with');
  if (!file) error(404, errorsWords.noJob);
  await note(db, { action: 'exported', user: locals.person?.id ?? null, job: params.job, about: 'log' });
  return new Response(JSON.stringify(file), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${params.job}.log.json"`,
    },
  });
};
