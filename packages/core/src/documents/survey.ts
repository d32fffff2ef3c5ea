/** Figures read at an opening, and the survey as it stands at one moment. */
import { type SurveyPointId, surveyPoints, surveyPointIds } from '../vocabulary/survey-points.ts';
import * as z from 'zod/mini';
import { envelope } from './envelope.ts';
import { side, typedLength, id, name, instant } from './fields.ts';

function outOfRange(point: SurveyPointId, mm: number): string | null {
  const { least_mm, most_mm } = surveyPoints[point];
  return mm < least_mm || mm > most_mm
    ? `${mm} mm is outside ${least_mm} to ${most_mm} mm; check the unit`
    : null;
}

/** A survey as it stands at one moment; see `survey/readings.ts` for where it comes from. */
export const surveySchema = z.strictObject({
  from: side,
  values: z.partialRecord(z.enum(surveyPointIds), typedLength).check(
    z.superRefine((values, context) => {
      for (const [point, length] of Object.entries(values)) {
        const message = length && outOfRange(point as SurveyPointId, length.mm);
        if (message) context.addIssue({ code: 'custom', path: [point, 'mm'], message });
      }
    }),
  ),
  /** Points where two people read different figures without knowing of each other. */
  disputed: z.optional(z.array(z.enum(surveyPointIds)).check(z.maxLength(surveyPointIds.length))),
});

/** What a reading was taken with. */
export const instruments = [
  'tape',
  'distance-meter',
  'levelling-laser',
  'digital-level',
  'total-station',
  'drawing',
] as const;

/** One figure read at one point. Readings are only ever added; a later one names those it replaces. */
export const readingSchema = z
  .strictObject({
    id: z.uuid(),
    opening: id('OpeningId'),
    /** Left and right as seen from `from`. */
    point: z.enum(surveyPointIds),
    from: side,
    /** `null` takes a figure out. */
    value: z.nullable(typedLength),
    replaces: z.array(z.uuid()).check(z.maxLength(100)),
    instrument: z.enum(instruments),
    person: name,
    /** `null` where nobody wrote down when. */
    at: z.nullable(instant),
    ...envelope,
  })
  .check(
    z.superRefine(({ point, value }, context) => {
      const message = value && outOfRange(point, value.mm);
      if (message) context.addIssue({ code: 'custom', path: ['value', 'mm'], message });
    }),
  );

export type Survey = z.infer<typeof surveySchema>;

export type Reading = z.infer<typeof readingSchema>;

export type Instrument = Reading['instrument'];
