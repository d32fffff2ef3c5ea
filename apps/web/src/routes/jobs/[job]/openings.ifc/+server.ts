import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { barePartsOf } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The openings as a building model. */
export const GET = async ({ params }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const parts = await barePartsOf(db, params.job);
  const { file } = await beside('writeModel', { parts, context, at: new Date().toISOString() });
  return new Response(file, {
    headers: {
      'content-type': 'application/x-step',
      'content-disposition': `attachment; filename="${params.job}.ifc"`,
      'cache-control': 'no-store',
    },
  });
};
