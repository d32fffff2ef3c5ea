/** Stock as its maker describes it. */
import { z } from 'zod';
import { id, name, origin, positiveLength, lengthWithin } from './fields.ts';
import { sheetMaterialIds } from '../vocabulary/materials.ts';

/** Stock as its maker describes it: a roll, a tube, a can. The maker's own sheet goes before all of it. */
export const materialSchema = z.strictObject({
  id: id('MaterialId'),
  name,
  origin,
  /** What pieces it is for. */
  kind: z.enum([...sheetMaterialIds, 'sealant', 'foam', 'band', 'rod', 'wool']),
  /** Rolls and boards. */
  width: positiveLength.optional(),
  length: lengthWithin(500_000)
    .refine((l) => l.mm > 0, { error: 'must be more than nothing' })
    .optional(),
  /** Surface and air while it is worked, °C. */
  least_C: z.number().min(-40).max(60).optional(),
  most_C: z.number().min(-40).max(80).optional(),
  dampSubstrate: z.boolean().optional(),
  roller: z.boolean().optional(),
  primer: z.enum(['never', 'porous', 'always']).optional(),
  /** Before it is loaded or covered, hours. */
  rest_h: z.number().min(0).max(720).optional(),
  /** Equivalent air layer, m. */
  sd_m: z.number().min(0).max(2000).optional(),
  lambda_WmK: z.number().positive().max(400).optional(),
  /** How long it may stay uncovered, days. */
  exposure_days: z.int().positive().max(730).optional(),
});

export type Material = z.infer<typeof materialSchema>;
