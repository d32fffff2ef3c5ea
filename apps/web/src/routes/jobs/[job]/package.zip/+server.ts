import { may, rightsOf } from '$lib/contract/rights.ts';
import { database } from '$lib/server/db/index.ts';
import { note } from '$lib/server/services/audit.ts';
import { packageOf } from '$lib/server/services/package.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The job whole, to keep elsewhere; `names`, `pictures` and `rows` only where they are asked for. */
export const GET = async ({ params, url, locals }) => {
  const db = database();
  const zip = await packageOf(db, {
    job: params.job,
    names: url.searchParams.has('names'),
    pictures: url.searchParams.has('pictures'),
    drawings: url.searchParams.has('drawings'),
    person: locals.person?.id ?? '',
    rows: url.searchParams.has('rows') && may(locals.role, 'people'),
    rights: rightsOf(locals.role),
  });
  if (!zip) error(404, errorsWords.noJob);
  await note(db, { action: 'exported', user: locals.person?.id ?? null, job: params.job, about: 'package' });
  return new Response(zip, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${params.job}.hulvek.zip"`,
      'cache-control': 'no-store',
    },
  });
};
