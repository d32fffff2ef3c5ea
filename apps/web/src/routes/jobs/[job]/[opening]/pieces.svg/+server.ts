import { database } from '$lib/server/db/index.ts';
import { loadJob } from '$lib/server/services/jobs.ts';
import { text } from '$lib/texts/en.ts';
import { formatLength, pieceText, piecesSvg, planOpening } from '@hulvek/core';
import { error } from '@sveltejs/kit';

export const GET = async ({ params }) => {
  const stored = await loadJob(database(), params.job);
  const opening = stored?.openings.find((o) => o.opening.id === params.opening)?.opening;
  if (!stored || !opening) error(404, text.errors.noOpening);
  const { build } = planOpening(opening, stored.context);
  if (!build) error(409, text.errors.noPlan);
  const length = (mm: number) => formatLength(mm, stored.context.job.units);
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
