import type { RecordAnswer } from '$lib/pack.ts';
import { readBody } from '$lib/server/body.ts';
import { database } from '$lib/server/db/index.ts';
import { onServerTime, takeEntry, takeReading, type Taken } from '$lib/server/services/records.ts';
import { senderIn } from '$lib/server/services/sender.ts';
import { text } from '$lib/texts/en.ts';
import { entrySchema, readingSchema } from '@hulvek/core';
import { json } from '@sveltejs/kit';
import { z } from 'zod';

const at = z.iso.datetime({ offset: true });
const body = z.strictObject({
  /** The device's clock when it sent this. */
  sentAt: at,
  records: z
    .array(
      z.discriminatedUnion('type', [
        z.strictObject({
          type: z.literal('reading'),
          record: z.strictObject({ ...readingSchema.shape, at }).omit({ person: true }),
        }),
        z.strictObject({ type: z.literal('entry'), record: entrySchema.omit({ person: true, photo: true }) }),
      ]),
    )
    .min(1)
    .max(100),
});

/** Takes records one after the other, each committed before its answer; the same id again is answered the same way. */
export const POST = async ({ params, request, locals }) => {
  const now = new Date();
  const { sentAt, records } = await readBody(request, body);
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
        : { id: record.id, ok: false, refusal: text.refusals[taken.refusal] },
    );
  }
  return json({ answers });
};
