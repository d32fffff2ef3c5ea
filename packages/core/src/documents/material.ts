/** Stock as its maker describes it. */
import * as z from 'zod/mini';
import { id, name, origin, positiveLength, lengthWithin } from './fields.ts';
import { chemistries, contactFaces } from '../vocabulary/contacts.ts';
import { sheetMaterialIds } from '../vocabulary/materials.ts';

/** Stock as its maker describes it: a roll, a tube, a can. The maker's own sheet goes before all of it. */
export const materialSchema = z.strictObject({
  id: id('MaterialId'),
  name,
  origin,
  /** What pieces it is for. */
  kind: z.enum([...sheetMaterialIds, 'sealant', 'foam', 'band', 'rod', 'wool']),
  /** Rolls and boards. */
  width: z.optional(positiveLength),
  length: z.optional(
    lengthWithin(500_000).check(z.refine((l) => l.mm > 0, { error: 'must be more than nothing' })),
  ),
  /** Surface and air while it is worked, °C. */
  least_C: z.optional(z.number().check(z.gte(-40), z.lte(60))),
  most_C: z.optional(z.number().check(z.gte(-40), z.lte(80))),
  dampSubstrate: z.optional(z.boolean()),
  roller: z.optional(z.boolean()),
  primer: z.optional(z.enum(['never', 'porous', 'always'])),
  /** Before it is loaded or covered, hours. */
  rest_h: z.optional(z.number().check(z.gte(0), z.lte(720))),
  /** Equivalent air layer, m. */
  sd_m: z.optional(z.number().check(z.gte(0), z.lte(2000))),
  lambda_WmK: z.optional(z.number().check(z.positive(), z.lte(400))),
  /** What it sticks by. */
  chemistry: z.optional(z.enum(chemistries)),
  /** Faces that its maker does not allow, and those that he names as good with no more than he says. */
  banned: z.optional(z.array(z.enum(contactFaces)).check(z.maxLength(40))),
  allowed: z.optional(z.array(z.enum(contactFaces)).check(z.maxLength(40))),
  /** How long it may stay uncovered, days. */
  exposure_days: z.optional(z.int().check(z.positive(), z.lte(730))),
});

export type Material = z.infer<typeof materialSchema>;
