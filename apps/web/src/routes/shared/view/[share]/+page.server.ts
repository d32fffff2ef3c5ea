import { beside } from '$lib/server/beside/threads.ts';
import { database } from '$lib/server/db/index.ts';
import { loadContext } from '$lib/server/services/jobs.ts';
import { loadParts } from '$lib/server/services/openings.ts';
import { questionsOf } from '$lib/server/services/shares.ts';
import { askedIn, shareIn } from '$lib/server/shared.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

export const csr = false;

export const load = async ({ params, cookies }) => {
  const db = database();
  const share = await shareIn(params, cookies);
  const { id, job, scope, until } = share;
  const context = await loadContext(db, job);
  if (!context) error(404, errorsWords.noJob);
  const parts = await loadParts(db, job, scope.openings ?? undefined);
  const bare = parts.map(({ document, issues, entries }) => ({ document, issues, entries }));
  const at = new Date().toISOString();
  return {
    id,
    to: scope.to,
    until: until.toISOString(),
    shown: await beside('sharedJob', { parts: bare, context, scope, at }),
    questions: await questionsOf(db, share, null),
  };
};

export const actions = {
  default: async ({ params, cookies, request }) => askedIn(await shareIn(params, cookies), null, request),
};
