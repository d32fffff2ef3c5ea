import { beside } from '$lib/server/beside/threads.ts';
import { asPdf, openingToDraw, readerOf } from '$lib/server/paper.ts';

/** The drawings of an opening as it is stored, to print. */
export const GET = async ({ params, locals }) => {
  const { opening, context } = await openingToDraw(params);
  const pdf = await beside('drawOpening', { opening, context, ...readerOf(locals, context) });
  return asPdf(pdf, `${opening.mark}-drawings`);
};
