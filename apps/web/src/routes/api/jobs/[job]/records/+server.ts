import type { RecordAnswer } from '$lib/contract/answers.ts';
import { recordsBody } from '$lib/contract/records.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { takeRecords, type SentRecord } from '$lib/server/services/records.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { refusalsWords } from '$words/contract.ts';
import { json } from '@sveltejs/kit';

/** Takes records in the order in which they come, committed before they are answered. */
export const POST = async ({ params, request, locals }) => {
  const now = new Date();
  const { sentAt, records } = await readBody(request, recordsBody);
  const db = database();
  const sender = await senderIn(db, params.job, locals);
  const sent = records.map((one): SentRecord =>
    one.type === 'reading' ? one : { type: 'entry', record: { ...one.record, photo: null } },
  );
  const taken = await takeRecords(db, params.job, sent, sender, { sentAt, now });
  const answers = records.map(({ record: { id } }, i): RecordAnswer => {
    const one = taken[i];
    return one?.ok !== false ? { id, ok: true } : { id, ok: false, refusal: refusalsWords[one.refusal] };
  });
  return json({ answers });
};
