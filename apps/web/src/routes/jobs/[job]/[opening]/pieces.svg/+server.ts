import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadPart, openingOfPart } from '$lib/server/services/openings.ts';
import { errorsWords } from '$words/contract.ts';
import { formatLength, pieceText, piecesSvg, planOpening } from '@hulvek/core';
import { error } from '@sveltejs/kit';

export const GET = async ({ params }) => {
  const db = database();
  const context = await loadContext(db, params.job);
  const part = await loadPart(db, params.job, params.opening);
  if (!context || !part) error(404, errorsWords.noOpening);
  const { build, opening } = planOpening(openingOfPart(part), context);
  if (!build) error(409, errorsWords.noPlan);
  const length = (mm: number) => formatLength(mm, context.job.units);
  const svg = piecesSvg(
    build.pieces,
    ({ id, size }) =>
      `${opening.mark} ${pieceText(id)}: ${length(size.length_mm)} × ${length(size.width_mm)}`,
  );
  return new Response(svg, {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-disposition': `inline; filename="${encodeURIComponent(opening.mark)}-pieces.svg"`,
    },
  });
};
