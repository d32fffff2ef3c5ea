import { database } from '$lib/server/db/index.ts';
import { asPdf, readerOf } from '$lib/server/paper.ts';
import { dossierPdf } from '$lib/server/services/dossier.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The dossier of the whole job; `names` and `pictures` only where they are asked for. */
export const GET = async ({ params, url, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  if (!context) error(404, errorsWords.noJob);
  const pdf = await dossierPdf(db, {
    ...readerOf(locals, context),
    job: params.job,
    names: url.searchParams.has('names'),
    withPictures: url.searchParams.has('pictures'),
  });
  if (!pdf) error(404, errorsWords.noOpening);
  return asPdf(pdf, `${params.job}-dossier`);
};
