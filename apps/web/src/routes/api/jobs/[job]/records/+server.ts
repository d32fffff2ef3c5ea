import type { RecordAnswer } from '$lib/contract/answers.ts';
import { recordsBody } from '$lib/contract/records.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { takeGathered } from '$lib/server/services/gathered.ts';
import type { SentRecord } from '$lib/server/services/records.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { errorsWords, refusalsWords } from '$words/contract.ts';
import { json } from '@sveltejs/kit';

/** Takes records in the order in which they come, committed before they are answered. */
export const POST = async ({ params, request, locals }) => {
  const now = new Date();
  if (taking >= MOST_AT_ONCE)
    return new Response(errorsWords.later, { status: 503, headers: { 'retry-after': String(RETRY_s) } });
  taking += 1;
  try {
    return await take(params.job, request, locals, now);
  } finally {
    taking -= 1;
  }
};

/** More than this at once would only wait for each other: devices keep what they have and come again. */
const MOST_AT_ONCE = 100;
const RETRY_s = 1;
let taking = 0;

async function take(job: string, request: Request, locals: App.Locals, now: Date): Promise<Response> {
  const { sentAt, records } = await readBody(request, recordsBody);
  const db = database();
  const sender = senderIn(locals);
  const sent = records.map((one): SentRecord =>
    one.type === 'reading' ? one : { type: 'entry', record: { ...one.record, photo: null } },
  );
  const taken = await takeGathered(db, job, { sent, sender, clocks: { sentAt, now } });
  const answers = records.map(({ record: { id } }, i): RecordAnswer => {
    const one = taken[i];
    return one?.ok !== false ? { id, ok: true } : { id, ok: false, refusal: refusalsWords[one.refusal] };
  });
  return json({ answers });
}
