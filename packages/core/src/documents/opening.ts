/** What is measured and chosen for one opening, never what is computed from it. */
import * as z from 'zod/mini';
import { id, words, side, name, instant, typedLength, positiveLength, placeLength, note } from './fields.ts';
import { ratings } from '../vocabulary/ratings.ts';
import { numbersSchema, choicesSchema } from './method.ts';
import { surveySchema } from './survey.ts';

/** What is chosen for an opening. Its figures are readings, kept as they were taken. */
export const openingDocumentSchema = z.strictObject({
  id: id('OpeningId'),
  mark: words(16).check(z.trim(), z.minLength(1)),
  name: words(120).check(z.trim()),
  facade: words(60).check(z.trim()),
  wall: z.nullable(id('WallId')),
  unit: z.nullable(id('UnitId')),
  method: z.nullable(id('MethodId')),
  /** From which side the crew measures. */
  survey: z.strictObject({ from: side }),
  /** Numbers of the method changed for this opening only. */
  numbers: numbersSchema,
  /** Where this opening departs from the job's method. */
  choices: z.optional(choicesSchema),
  /** Rules that somebody decided to break here, and why. */
  deviations: z.optional(
    z
      .array(
        z.strictObject({
          rule: words(60).check(z.minLength(1)),
          reason: words(500).check(z.trim(), z.minLength(1, 'a reason is needed')),
          person: name,
          account: z.optional(z.uuid()),
          at: instant,
        }),
      )
      .check(z.maxLength(100)),
  ),
  /** The steps in this opening's own order; those that are not named come where the method has them. */
  order: z.optional(z.array(words(60).check(z.minLength(1))).check(z.maxLength(100))),
  /** How high above ground, and what shelters it; what is left out is not known. */
  exposure: z.optional(
    z.strictObject({
      height_m: z.optional(z.number().check(z.gte(0), z.lte(300))),
      zone: z.optional(z.enum(['field', 'corner'])),
      overhang: z.optional(typedLength.check(z.refine((l) => l.mm >= 0, { error: 'must not be negative' }))),
      /** From this opening's sill up to the soffit, of whichever storey. */
      toSoffit: z.optional(positiveLength),
    }),
  ),
  /** Of the rough sill above the finished floor, as it is asked for. */
  sill: z.optional(placeLength),
  /** The GlobalId that it has in a building model: by this it is found there again. */
  ifc: z.optional(z.string().check(z.regex(/^[0-3][0-9A-Za-z_$]{21}$/, 'a GlobalId of a building model'))),
  /** Lower left corner of the rough opening on its façade, seen from outside: from its left end, and above its zero line. */
  position: z.optional(z.strictObject({ u: placeLength, v: placeLength })),
  /** Where and how the unit that came for this opening is damaged; empty when it was looked at and found whole. */
  damage: z.optional(note),
  /** What the label on the delivered unit says. */
  label: z.optional(
    z.strictObject({
      rating: z.optional(z.enum(ratings)),
      uFactor: z.optional(z.number().check(z.positive(), z.lte(8))),
      shgc: z.optional(z.number().check(z.gte(0), z.lte(1))),
    }),
  ),
});

/** What an opening is asked to be, without anything that happened at it or was decided for it alone. */
export function asAsked(document: OpeningDocument): OpeningDocument {
  const { deviations: _d, order: _o, damage: _b, label: _l, ifc: _i, ...asked } = document;
  return asked;
}

/** Under which rule the reason of an opening's own order is kept among its deviations. */
export const OWN_ORDER = 'order';

/** An opening with its survey as it stood at one moment: what a plan is made from. */
export const openingSchema = z.extend(openingDocumentSchema, { survey: surveySchema });

export type OpeningDocument = z.infer<typeof openingDocumentSchema>;

export type Opening = z.infer<typeof openingSchema>;

export type Deviation = NonNullable<OpeningDocument['deviations']>[number];
