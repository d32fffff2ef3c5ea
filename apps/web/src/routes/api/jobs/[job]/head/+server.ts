import type { headAnswer } from '$lib/contract/answers.ts';
import { database } from '$lib/server/db/index.ts';
import { note } from '$lib/server/services/audit.ts';
import { isOwnHead, recentHead, signedHead } from '$lib/server/services/evidence.ts';
import { json } from '@sveltejs/kit';
import type * as z from 'zod/mini';

/** The newest signed head of a job's log, and whether one that a device kept from before is of the same log. */
export const GET = async ({ params, locals, url }) => {
  const db = database();
  const [seq, known] = [Number(url.searchParams.get('seq') ?? 0), url.searchParams.get('head') ?? ''];
  const own =
    known === '' || (Number.isInteger(seq) && (await isOwnHead(db, params.job, { seq, head: known })));
  if (!own)
    await note(db, {
      action: 'other-log',
      user: locals.person?.id ?? null,
      job: params.job,
      about: known.slice(0, 64),
    });
  // Whoever closes a day asks for the head of this moment.
  const head = url.searchParams.has('now') ? signedHead : recentHead;
  const answer: z.infer<typeof headAnswer> = { head: await head(db, params.job), own };
  return json(answer, { headers: { 'cache-control': 'no-store' } });
};
