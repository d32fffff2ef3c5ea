/** One thing that somebody did or saw on site. */
import * as z from 'zod/mini';
import { words, id, name, instant, note, versionNumber } from './fields.ts';
import { envelope } from './envelope.ts';
import { measuredWhats } from '../vocabulary/measured.ts';
import { pieceEdges } from '../vocabulary/piece-edges.ts';
import { sides } from '../vocabulary/sides.ts';

export const entryKinds = [
  'tick',
  'look',
  'override',
  'note',
  'photo',
  'undo',
  'built',
  'cut',
  'fault',
  'mended',
  'rechecked',
  'measured',
] as const;

/** What was built otherwise than planned. */
export const builtSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['bond-lost', 'left-out']), piece: words(60) }),
  z.strictObject({
    kind: z.literal('short'),
    piece: words(60),
    edge: z.enum(pieceEdges),
    mm: z.number().check(z.positive(), z.lte(2000)),
  }),
  z.strictObject({
    kind: z.literal('bond-open'),
    piece: words(60),
    from_mm: z.number().check(z.gte(0), z.lte(20_000)),
    to_mm: z.number().check(z.positive(), z.lte(20_000)),
    side: z.optional(z.enum(sides)),
  }),
  z.strictObject({ kind: z.enum(['sill-closed', 'left-in']), piece: words(60) }),
  z.strictObject({
    kind: z.literal('film'),
    piece: words(60),
    mm: z.number().check(z.positive(), z.lte(10)),
  }),
  z.strictObject({
    kind: z.literal('other-material'),
    piece: words(60),
    material: words(120),
    /** Where it is a stock of the job. */
    stock: z.optional(id('MaterialId')),
  }),
  z.strictObject({
    kind: z.literal('raised'),
    piece: words(60),
    mm: z.number().check(z.gte(-2000), z.lte(2000)),
  }),
]);

export const faultSeverities = ['stops', 'noted'] as const;

/** What an entry says besides words, by its kind. */
export const factsSchema = z.discriminatedUnion('kind', [
  /** A strip was cut; spoiled, where so much of it is left for others. */
  z.strictObject({
    kind: z.literal('cut'),
    piece: words(60),
    /** The strip, as the plan of cuts names it. */
    strip: words(200).check(z.minLength(1)),
    spoiled_mm: z.optional(z.number().check(z.gte(0), z.lte(500_000))),
  }),
  /** Something is wrong; it stops the step that would cover it, or is kept in mind. */
  z.strictObject({
    kind: z.literal('fault'),
    piece: words(60),
    severity: z.enum(faultSeverities),
    /** The step that would cover it, where there is one. */
    before: z.optional(words(60)),
    /** Who is to mend it, in words. */
    owner: z.optional(words(120)),
  }),
  /** A figure, in mm, °C or percent; with the reason why one outside its limits stays. */
  z.strictObject({
    kind: z.literal('measured'),
    what: z.enum(measuredWhats),
    place: words(60),
    value: z.number().check(z.gte(-1000), z.lte(100_000)),
    accepted: z.optional(words(400)),
  }),
  z.strictObject({ kind: z.literal('mended'), fault: z.uuid() }),
  /** Somebody looked again. */
  z.strictObject({ kind: z.literal('rechecked'), fault: z.uuid(), good: z.boolean() }),
]);

export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const;

/** What is known of a picture; the picture itself is kept beside the records, under the id of its entry. */
export const photoSchema = z.strictObject({
  sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/, '64 digits of a SHA-256')),
  type: z.enum(photoTypes),
  width_px: z.int().check(z.positive(), z.lte(20_000)),
  height_px: z.int().check(z.positive(), z.lte(20_000)),
  bytes: z.int().check(z.positive()),
});

/** One thing somebody did or saw on site. Entries are only ever added; `undo` names the entry it takes back. */
export const entrySchema = z.strictObject({
  id: z.uuid(),
  opening: id('OpeningId'),
  issue: versionNumber,
  kind: z.enum(entryKinds),
  step: words(60),
  undoes: z.nullable(z.uuid()),
  person: name,
  /** As the device said. */
  at: instant,
  note,
  photo: z.nullable(photoSchema),
  /** Only of the kind `built`. */
  built: z.optional(z.nullable(builtSchema)),
  /** Only of kinds that have them. */
  facts: z.optional(z.nullable(factsSchema)),
  ...envelope,
});

export type Photo = z.infer<typeof photoSchema>;

export type Entry = z.infer<typeof entrySchema>;
