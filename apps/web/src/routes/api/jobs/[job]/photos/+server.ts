import type { RecordAnswer } from '$lib/contract/answers.ts';
import { photoMeta } from '$lib/contract/records.ts';
import { checked, jsonField, readBytes } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { LARGEST_PICTURE_bytes, pictureOf } from '$lib/server/picture.ts';
import { takeRecords } from '$lib/server/services/records.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { refusalsWords } from '$words/contract.ts';
import { json } from '@sveltejs/kit';

/** The form round the picture. */
const MARGIN_bytes = 16 * 1024;

/** Takes an entry with its picture: both or neither. */
export const POST = async ({ params, request, locals }) => {
  // Before the body: a large picture must not seem to be sent later than it was.
  const now = new Date();
  const bytes = await readBytes(request, LARGEST_PICTURE_bytes + MARGIN_bytes);
  const type = request.headers.get('content-type') ?? '';
  const form = await new Response(new Uint8Array(bytes), { headers: { 'content-type': type } })
    .formData()
    .catch(() => new FormData());
  const { sentAt, record } = checked(jsonField(form, 'meta'), photoMeta);
  const file = form.get('picture');
  const picture = file instanceof Blob ? new Uint8Array(await file.arrayBuffer()) : new Uint8Array();
  const photo = pictureOf(picture);
  const db = database();
  const sender = senderIn(locals);
  const sent = photo && ({ type: 'entry', record: { ...record, photo }, picture } as const);
  const [taken] = sent
    ? await takeRecords(db, params.job, [sent], sender, { sentAt, now })
    : [{ ok: false, refusal: 'not-a-picture' } as const];
  const answer: RecordAnswer =
    taken?.ok !== false
      ? { id: record.id, ok: true }
      : { id: record.id, ok: false, refusal: refusalsWords[taken.refusal] };
  return json({ answers: [answer] });
};
