/** Fields that documents share: ids, words, lengths as typed, moments. */
import * as z from 'zod/mini';
import { parseLength } from '../quantities/parse-length.ts';

export const id = <Brand extends string>(what: Brand) =>
  z
    .string()
    .check(z.regex(/^[A-Za-z0-9][A-Za-z0-9_.:-]{0,63}$/, 'letters, digits, - _ . : only, 64 at most'))
    .brand(what);

/** Whether any store can keep a text: no NUL, no half of a surrogate pair. */
export const storable = (text: string): boolean => !/\0|\p{Surrogate}/u.test(text);

/** Text of so many characters at most, that any store can keep. */
export const words = (longest: number) =>
  z
    .string()
    .check(z.maxLength(longest), z.refine(storable, { error: 'holds characters that cannot be stored' }));

export const name = words(120).check(z.trim(), z.minLength(1, 'a name is needed'));

export const note = words(2000);

/** A moment as any clock may say it, a wrong one too; years that a store cannot keep are no moments. */
export const instant = z.iso.datetime({ offset: true }).check(
  z.refine((text) => text >= '1900' && text < '9999', {
    error: 'is no moment between the years 1900 and 9998; set the clock and enter it again',
  }),
);

/** Versions are counted from 1, and a store counts no further than this. */
const MOST_VERSIONS = 1_000_000_000;
/** How often something was saved before; 0 is what was never saved. */
export const versionsBefore = z.int().check(z.nonnegative(), z.lte(MOST_VERSIONS));
export const versionNumber = versionsBefore.check(z.positive());

/** Largest disagreement between typed text and stored value: half of the coarser writing step, 1/32 in. */
const TYPED_AGREEMENT_mm = 25.4 / 32;

/** A length: the text as typed and the millimetres it stands for. The two must agree in one of the job units. */
export const lengthWithin = (most_mm: number) =>
  z
    .strictObject({
      typed: words(40).check(z.minLength(1)),
      mm: z.number().check(z.gte(-most_mm), z.lte(most_mm)),
    })
    .check(
      z.superRefine((length, context) => {
        const readings = (['mm', 'in'] as const).map((unit) => parseLength(length.typed, unit));
        const agrees = readings.some((r) => r.ok && Math.abs(r.value.mm - length.mm) <= TYPED_AGREEMENT_mm);
        if (!agrees) {
          context.addIssue({
            code: 'custom',
            path: ['typed'],
            message: `"${length.typed}" does not read as ${length.mm} mm; correct one of the two`,
          });
        }
      }),
    );

export const typedLength = lengthWithin(20_000);

/** Along a façade, which may be longer than anything that is cut. */
export const placeLength = lengthWithin(200_000);

export const positiveLength = typedLength.check(
  z.refine((length) => length.mm > 0, {
    error: 'must be more than nothing',
  }),
);

export const side = z.enum(['outside', 'inside']);

/** Which shelf item, in which version, a job's copy was taken from. */
export const origin = z.optional(
  z.strictObject({ id: words(64).check(z.minLength(1)), version: versionNumber }),
);

export const quantity = z.union([
  typedLength,
  z.strictObject({ typed: words(40).check(z.minLength(1)), deg: z.number() }),
]);

export type TypedLengthDocument = z.infer<typeof typedLength>;

export type Quantity = z.infer<typeof quantity>;
