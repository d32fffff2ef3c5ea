/** What is known of a record besides what it records: who made it, on which device, when by whose clock. */
import * as z from 'zod/mini';
import { instant, words } from './fields.ts';

/** What the device says of each record that it makes. */
export const deviceSays = {
  device: z.optional(z.uuid()),
  /** The device's own counter: what it made in which order, whatever its clock said. */
  count: z.optional(z.int().check(z.nonnegative(), z.lte(2_000_000_000))),
  /** SHA-256 of the record that the device made before; empty until records are signed. */
  previous: z.optional(z.string().check(z.regex(/^([0-9a-f]{64})?$/, 'nothing, or 64 digits of a SHA-256'))),
  /** By field; empty until records are signed. */
  salts: z.optional(z.record(words(40), words(64))),
  /** Version of the program that made it. */
  app: z.optional(words(40)),
} as const;

/** What the server says of it. */
export const serverSays = {
  /** The account that made it; left out for what came in with a file. */
  account: z.optional(z.uuid()),
  /** Of a record that came in with a file: who brought it, and the file. */
  brought: z.optional(z.strictObject({ by: words(130), from: words(200) })),
  /** When the server took it. */
  received: z.optional(instant),
  /** By how much the device's clock was slow when it sent this, s. */
  clock_s: z.optional(z.int()),
} as const;

export const envelope = { ...deviceSays, ...serverSays } as const;

/** Who made a record, for whoever shows it and whoever compares. */
export interface Maker {
  readonly person: string;
  readonly account?: string | undefined;
  readonly brought?: { readonly by: string; readonly from: string } | undefined;
}
