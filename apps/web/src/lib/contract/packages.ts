/** Packages on their way in: sent in parts, looked at, then brought in or restored from. */
import * as z from 'zod/mini';

/** A season with its pictures. */
export const LARGEST_PACKAGE_bytes = 4 * 1024 * 1024 * 1024;
/** As much as goes over the line in one part. */
export const PART_bytes = 8 * 1024 * 1024;

export const packageBegun = z.object({
  name: z.string().check(z.minLength(1), z.maxLength(200)),
  size_bytes: z.int().check(z.positive(), z.maximum(LARGEST_PACKAGE_bytes)),
});
export const packageAnswer = z.object({ id: z.string() });

export const packageSteps = ['look', 'bring', 'restore'] as const;
export const packageStep = z.object({
  step: z.enum(packageSteps),
  /** Of the key that signed it, as somebody was told it. */
  fingerprint: z._default(z.string().check(z.maxLength(100)), ''),
});
export type PackageStep = z.infer<typeof packageStep>;

/** What was seen of a package. */
export const lookedAtSchema = z.object({
  package: z.string(),
  job: z.string(),
  name: z.string(),
  at: z.string(),
  entries: z.number(),
  pictures: z.number(),
  files: z.number(),
  /** Whether this installation signed it. */
  own: z.boolean(),
  /** Whether a job of that id that this person belongs to is here already. */
  there: z.boolean(),
  /** What does not fit, in lines; nothing of it is taken then. */
  problems: z.array(z.string()),
  /** Whether a job can be brought in from it, and whether an installation can be restored from it. */
  canBring: z.boolean(),
  canRestore: z.boolean(),
});
export type LookedAt = z.infer<typeof lookedAtSchema>;
export const packageTaskAnswer = z.object({ task: z.string() });
