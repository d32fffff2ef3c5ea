/** One thing that somebody did or saw on site. */
import { z } from 'zod';
import { words, id, name, instant, note } from './fields.ts';
import { pieceEdges } from '../vocabulary/piece-edges.ts';

export const entryKinds = ['tick', 'look', 'override', 'note', 'photo', 'undo', 'built'] as const;

/** What was built otherwise than planned. */
export const builtSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['bond-lost', 'left-out']), piece: words(60) }),
  z.strictObject({
    kind: z.literal('short'),
    piece: words(60),
    edge: z.enum(pieceEdges),
    mm: z.number().positive().max(2000),
  }),
  z.strictObject({ kind: z.literal('raised'), piece: words(60), mm: z.number().min(-2000).max(2000) }),
]);

export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const;

/** What is known of a picture; the picture itself is kept beside the records, under the id of its entry. */
export const photoSchema = z.strictObject({
  sha256: z.string().regex(/^[0-9a-f]{64}$/, '64 digits of a SHA-256'),
  type: z.enum(photoTypes),
  width_px: z.int().positive().max(20_000),
  height_px: z.int().positive().max(20_000),
  bytes: z.int().positive(),
});

/** One thing somebody did or saw on site. Entries are only ever added; `undo` names the entry it takes back. */
export const entrySchema = z.strictObject({
  id: z.uuid(),
  opening: id('OpeningId'),
  issue: z.int().positive(),
  kind: z.enum(entryKinds),
  step: words(60),
  undoes: z.uuid().nullable(),
  person: name,
  at: instant,
  note,
  photo: photoSchema.nullable(),
  /** Only of the kind `built`. */
  built: builtSchema.nullable().optional(),
});

export type Photo = z.infer<typeof photoSchema>;

export type Entry = z.infer<typeof entrySchema>;
