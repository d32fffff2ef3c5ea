import type { RecordAnswer } from '$lib/contract/answers.ts';
import { recordsBody } from '$lib/contract/records.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { onServerTime, takeEntry, takeReading, type Taken } from '$lib/server/services/records.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { refusalsWords } from '$words/contract.ts';
import { json } from '@sveltejs/kit';

/** Takes records one after the other, each committed before its answer; the same id again is answered the same way. */
export const POST = async ({ params, request, locals }) => {
  const now = new Date();
  const { sentAt, records } = await readBody(request, recordsBody);
  const db = database();
  const sender = await senderIn(db, params.job, locals);
  const answers: RecordAnswer[] = [];
  for (const { type, record } of records) {
    const own = { person: sender.person.name, at: onServerTime(record.at, sentAt, now) };
    const taken: Taken =
      type === 'reading'
        ? await takeReading(db, params.job, { ...record, ...own }, sender)
        : await takeEntry(db, params.job, { ...record, ...own, photo: null }, sender);
    answers.push(
      taken.ok
        ? { id: record.id, ok: true }
        : { id: record.id, ok: false, refusal: refusalsWords[taken.refusal] },
    );
  }
  return json({ answers });
};
