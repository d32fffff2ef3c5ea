/** A wall: its layers from the weather to the room. */
import * as z from 'zod/mini';
import { id, name, origin, positiveLength } from './fields.ts';
import { layerRoles, layerMaterials } from '../vocabulary/wall-layers.ts';

export const wallSchema = z.strictObject({
  id: id('WallId'),
  name,
  origin,
  /** From the weather to the room; w = 0 is the outer face of the sheathing. */
  layers: z
    .array(
      z.strictObject({
        role: z.enum(layerRoles),
        material: z.enum(layerMaterials),
        thickness: positiveLength,
      }),
    )
    .check(z.maxLength(12)),
  /** Equivalent air layer of the sheet between framing and lining, m; left out where there is none. */
  insideSheet_sd_m: z.optional(z.number().check(z.gte(0.01), z.lte(2000))),
});

export type Wall = z.infer<typeof wallSchema>;
