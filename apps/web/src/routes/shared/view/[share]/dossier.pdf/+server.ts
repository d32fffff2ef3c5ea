import { database } from '$lib/server/db/index.ts';
import { asPdf } from '$lib/server/paper.ts';
import { dossierPdf } from '$lib/server/services/dossier.ts';
import { mayOpenLink } from '$lib/server/services/tries.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { isShown, shareIn } from '$lib/server/shared.ts';
import { errorsWords } from '$words/contract.ts';
import { sharedWords } from '$words/shared.ts';
import { error } from '@sveltejs/kit';

/** The dossier of what is shared, with the receiver across every page; `opening` for one of them. */
export const GET = async ({ params, url, cookies, getClientAddress }) => {
  const db = database();
  const share = await shareIn(params, cookies);
  // Drawing takes a while; nobody has it done over and over.
  if (!(await mayOpenLink(db, getClientAddress()))) error(429, sharedWords.tooMany);
  const { job, scope } = share;
  const one = url.searchParams.get('opening');
  if (one !== null && !isShown(share, one)) error(404, errorsWords.notFound);
  const context = await loadContext(db, job);
  if (!context) error(404, errorsWords.noJob);
  const opening = one ?? scope.openings;
  const pdf = await dossierPdf(db, {
    reads: context.job.units,
    person: '',
    at: new Date(),
    job,
    ...(opening !== null && { opening }),
    names: scope.names,
    withPictures: scope.pictures,
    watermark: sharedWords.watermark(scope.to),
  });
  if (!pdf) error(404, errorsWords.noOpening);
  return asPdf(pdf, `${job}-dossier`);
};
