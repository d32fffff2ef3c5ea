import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadPart } from '$lib/server/services/openings.ts';
import { questionsOf } from '$lib/server/services/shares.ts';
import { askedIn, isShown, shareIn } from '$lib/server/shared.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

export const csr = false;

export const load = async ({ params, cookies }) => {
  const db = database();
  const share = await shareIn(params, cookies);
  const { id, job, scope, until } = share;
  if (!isShown(share, params.opening)) error(404, errorsWords.notFound);
  const context = await loadContext(db, job);
  const part = await loadPart(db, job, params.opening);
  if (!context || !part) error(404, errorsWords.noOpening);
  const { document, issues, entries } = part;
  const at = new Date().toISOString();
  const shown = await beside('sharedOpening', { parts: [{ document, issues, entries }], context, scope, at });
  if (!shown) error(404, errorsWords.noOpening);
  return {
    id,
    opening: params.opening,
    to: scope.to,
    until: until.toISOString(),
    job: context.job.name,
    shown,
    questions: await questionsOf(db, share, params.opening),
  };
};

export const actions = {
  default: async ({ params, cookies, request }) => {
    const share = await shareIn(params, cookies);
    if (!isShown(share, params.opening)) error(404, errorsWords.notFound);
    return askedIn(share, params.opening, request);
  },
};
