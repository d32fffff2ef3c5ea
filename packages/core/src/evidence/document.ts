/** A job's log with its receipts, as it is handed out: format `hulvek-log`, version 1. */
import * as z from 'zod/mini';
import { signedHeadSchema, type SignedHead } from '../documents/day.ts';
import { instant, words } from '../documents/fields.ts';
import { readBy } from '../documents/read.ts';

const hex = z.string().check(z.regex(/^[0-9a-f]{64}$/, '64 digits of a SHA-256'));

export const receiptSchema = z.strictObject({
  seq: z.int().check(z.positive()),
  entry: hex,
  received: instant,
  by: words(64),
  head: hex,
  salts: z.record(words(40), words(64)),
  /** What it is a receipt of: an entry by its id, or the key that signs from here on. */
  of: z.union([z.strictObject({ entry: z.uuid() }), z.strictObject({ key: words(60) })]),
});
export type Receipt = z.infer<typeof receiptSchema>;

/** An entry as it is handed out: some fields may be left out, and stand as what they were sealed to. */
const handedOut = z.looseObject({ id: z.uuid(), hidden: z.optional(z.record(words(40), hex)) });

export const logSchema = z.strictObject({
  format: z.literal('hulvek-log'),
  version: z.literal(1),
  job: words(64),
  name: z.optional(words(200)),
  /** Receipts up to this one were made in one go, for entries from before there were receipts. */
  firstBlock: z.int().check(z.nonnegative()),
  head: z.nullable(signedHeadSchema),
  receipts: z.array(receiptSchema).check(z.maxLength(1_000_000)),
  entries: z.array(handedOut).check(z.maxLength(1_000_000)),
  /** Names, where whoever handed it out chose to give them. */
  people: z.optional(z.record(words(64), words(200))),
});
export type LogFile = z.infer<typeof logSchema>;

/** A head that somebody kept: alone in a text, or that of a log. */
export function headIn(text: string): SignedHead | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return null;
  }
  const whole = readBy(logSchema, value);
  const alone = readBy(signedHeadSchema, value);
  return whole.ok ? whole.value.head : alone.ok ? alone.value : null;
}
