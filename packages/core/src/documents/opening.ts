/** What is measured and chosen for one opening, never what is computed from it. */
import { z } from 'zod';
import { id, words, side, name, instant, typedLength, positiveLength, placeLength, note } from './fields.ts';
import { numbersSchema, choicesSchema } from './method.ts';
import { surveySchema } from './survey.ts';

/** What is chosen for an opening. Its figures are readings, kept as they were taken. */
export const openingDocumentSchema = z.strictObject({
  id: id('OpeningId'),
  mark: words(16).trim().min(1),
  name: words(120).trim(),
  facade: words(60).trim(),
  wall: id('WallId').nullable(),
  unit: id('UnitId').nullable(),
  method: id('MethodId').nullable(),
  /** From which side the crew measures. */
  survey: z.strictObject({ from: side }),
  /** Numbers of the method changed for this opening only. */
  numbers: numbersSchema,
  /** Where this opening departs from the job's method. */
  choices: choicesSchema.optional(),
  /** Rules that somebody decided to break here, and why. */
  deviations: z
    .array(
      z.strictObject({
        rule: words(60).min(1),
        reason: words(500).trim().min(1, 'a reason is needed'),
        person: name,
        at: instant,
      }),
    )
    .max(100)
    .optional(),
  /** How high above ground, and what shelters it; what is left out is not known. */
  exposure: z
    .strictObject({
      height_m: z.number().min(0).max(300).optional(),
      zone: z.enum(['field', 'corner']).optional(),
      overhang: typedLength.refine((l) => l.mm >= 0, { error: 'must not be negative' }).optional(),
      /** From this opening's sill up to the soffit, of whichever storey. */
      toSoffit: positiveLength.optional(),
    })
    .optional(),
  /** Lower left corner of the rough opening on its façade, seen from outside: from its left end, and above its zero line. */
  position: z.strictObject({ u: placeLength, v: placeLength }).optional(),
  /** Where and how the unit that came for this opening is damaged; empty when it was looked at and found whole. */
  damage: note.optional(),
  /** What the label on the delivered unit says. */
  label: z
    .strictObject({
      uFactor: z.number().positive().max(8).optional(),
      shgc: z.number().min(0).max(1).optional(),
    })
    .optional(),
});

/** An opening with its survey as it stood at one moment: what a plan is made from. */
export const openingSchema = openingDocumentSchema.extend({ survey: surveySchema });

export type OpeningDocument = z.infer<typeof openingDocumentSchema>;

export type Opening = z.infer<typeof openingSchema>;

export type Deviation = NonNullable<OpeningDocument['deviations']>[number];
