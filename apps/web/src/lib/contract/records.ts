/** Records on their way: what a device sends, and what it keeps until they are taken. */
import { entrySchema, instant, readingSchema } from '@hulvek/core';
import * as z from 'zod/mini';
import { meSchema } from './pack.ts';

/** Who made them is said by whoever is signed in. */
const servers = { person: true, account: true, brought: true, received: true, clock_s: true } as const;
const unsignedReading = z.omit(z.strictObject({ ...readingSchema.shape, at: instant }), servers);
const unsignedEntry = z.omit(entrySchema, servers);
/** What a picture is, only the server says. */
const entryWithoutPicture = z.omit(unsignedEntry, { photo: true });

/** A device that was away for long sends in parts of any size up to this. */
export const MOST_AT_ONCE = 500;

export const recordsBody = z.strictObject({
  /** The device's clock when it sent this. */
  sentAt: instant,
  records: z
    .array(
      z.discriminatedUnion('type', [
        z.strictObject({ type: z.literal('reading'), record: unsignedReading }),
        z.strictObject({ type: z.literal('entry'), record: entryWithoutPicture }),
      ]),
    )
    .check(z.minLength(1), z.maxLength(MOST_AT_ONCE)),
});

export const photoMeta = z.strictObject({ sentAt: instant, record: entryWithoutPicture });

const waiting = {
  /** Order of entry on this device. */
  seq: z.optional(z.int()),
  id: z.string(),
  job: z.string(),
  opening: z.string(),
  /** Whose entry it is: it is sent only while this person is signed in. */
  by: meSchema,
  /** Why the server would not take it; empty while it waits. */
  refusal: z.string(),
};

export const outboxItemSchema = z.discriminatedUnion('type', [
  z.object({
    ...waiting,
    type: z.literal('reading'),
    record: z.extend(unsignedReading, { at: z.nullable(instant) }),
  }),
  z.object({ ...waiting, type: z.literal('entry'), record: unsignedEntry }),
  z.object({ ...waiting, type: z.literal('photo'), record: unsignedEntry, picture: z.instanceof(Blob) }),
]);
export type OutboxItem = Readonly<z.infer<typeof outboxItemSchema>>;
