import { beside } from '$lib/server/beside/threads.ts';
import { asPdf, openingToDraw, readerOf } from '$lib/server/paper.ts';

/** All proofs of an opening as it is stored, to print. */
export const GET = async ({ params, locals }) => {
  const { opening, context } = await openingToDraw(params);
  const { person, at } = readerOf(locals, context);
  return asPdf(await beside('drawProofs', { opening, context, person, at }), `${opening.mark}-proofs`);
};
