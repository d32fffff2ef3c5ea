/** A day of a job that its lead closed: what was said of it, and where the log stood. */
import * as z from 'zod/mini';
import { instant, name, words } from './fields.ts';

const hex = z.string().check(z.regex(/^[0-9a-f]{64}$/, '64 digits of a SHA-256'));

/** A head of a job's log, signed by the installation. */
export const signedHeadSchema = z.strictObject({
  job: words(64),
  seq: z.int().check(z.nonnegative()),
  head: hex,
  at: instant,
  /** Ed25519 over the head's text, base64. */
  signature: words(120),
  /** The public key, base64 of its 32 bytes. */
  key: words(60),
});
export type SignedHead = z.infer<typeof signedHeadSchema>;

export const closedDaySchema = z.strictObject({
  day: z.iso.date(),
  at: instant,
  person: name,
  account: z.optional(z.uuid()),
  note: words(2000),
  /** What the log was then: whoever holds a printed sheet holds it too. */
  head: z.nullable(signedHeadSchema),
});
/** A job that was handed over: by whom, what was still open then, and where the log stood. */
export const releaseSchema = z.strictObject({
  at: instant,
  person: name,
  account: z.optional(z.uuid()),
  /** Openings that were handed on by then, of how many; and what was still open at them. */
  openings: z.int().check(z.nonnegative()),
  of: z.int().check(z.nonnegative()),
  open: z.int().check(z.nonnegative()),
  /** Why although something was open; what whoever takes it over should know. */
  note: words(2000),
  head: z.nullable(signedHeadSchema),
});
export type Release = z.infer<typeof releaseSchema>;

export type ClosedDay = z.infer<typeof closedDaySchema>;
