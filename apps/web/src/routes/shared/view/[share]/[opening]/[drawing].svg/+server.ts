import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadPart } from '$lib/server/services/openings.ts';
import { isShown, shareIn } from '$lib/server/shared.ts';
import { errorsWords } from '$words/contract.ts';
import { cutIds } from '@hulvek/core';
import { error } from '@sveltejs/kit';
import * as z from 'zod/mini';

const view = z.enum(['face', ...cutIds]);

export const GET = async ({ params, cookies }) => {
  const db = database();
  const share = await shareIn(params, cookies);
  const wanted = view.safeParse(params.drawing);
  if (!wanted.success || !isShown(share, params.opening)) error(404, errorsWords.notFound);
  const context = await loadContext(db, share.job);
  const part = await loadPart(db, share.job, params.opening);
  if (!context || !part) error(404, errorsWords.noOpening);
  const { document, issues, entries } = part;
  const svg = await beside('sharedDrawing', {
    part: { document, issues, entries },
    context,
    view: wanted.data,
  });
  if (svg === null) error(404, errorsWords.noPlan);
  return new Response(svg, {
    headers: { 'content-type': 'image/svg+xml; charset=utf-8', 'cache-control': 'private, no-store' },
  });
};
