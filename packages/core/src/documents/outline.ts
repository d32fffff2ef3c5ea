/** What is drawn behind the openings of a façade, mm from its left end and its zero line, seen from outside. */
import * as z from 'zod/mini';
import { words } from './fields.ts';

const mm = z.number().check(z.gte(-1_000_000), z.lte(1_000_000));
const point = z.tuple([mm, mm]);

export const outlineSchema = z.strictObject({
  facade: words(60).check(z.trim()),
  /** What the file was called. */
  file: words(200),
  lines: z.array(z.array(point).check(z.minLength(2), z.maxLength(4000))).check(z.maxLength(4000)),
  /** Surveyed points by name, with how far each lies before the plane. */
  points: z.optional(
    z.array(z.strictObject({ name: words(60), u: mm, v: mm, w: mm })).check(z.maxLength(5000)),
  ),
  /** Where the drawing's lower left corner stands. */
  at: point,
});
export type Outline = z.infer<typeof outlineSchema>;
