import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadPart, openingOfPart } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The drawings of an opening as it is stored, to print. */
export const GET = async ({ params, locals }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!context || !part) error(404, errorsWords.noOpening);
  const opening = openingOfPart(part);
  const reads = locals.person?.reads ?? context.job.units;
  const of = { opening, context, reads, person: locals.person?.name ?? '', at: new Date() };
  const pdf = await beside('drawOpening', of);
  if (!pdf) error(409, errorsWords.noPlan);
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${encodeURIComponent(opening.mark)}-drawings.pdf"`,
    },
  });
};
