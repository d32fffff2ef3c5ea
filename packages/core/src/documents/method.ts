/** A method of a job: a school, and where the job departs from it. */
import * as z from 'zod/mini';
import { parameterIds, parameters, type ParameterId } from '../vocabulary/parameters.ts';
import { quantity, id, name, origin, positiveLength, words } from './fields.ts';
import { axisIds, axes, type AxisId } from '../vocabulary/axes.ts';
import { presetIds } from '../vocabulary/presets.ts';

export const numbersSchema = z.partialRecord(z.enum(parameterIds), quantity).check(
  z.superRefine((numbers, context) => {
    for (const [id, value] of Object.entries(numbers)) {
      const { kind, least, most } = parameters[id as ParameterId];
      const isLength = value !== undefined && 'mm' in value;
      const figure = value === undefined ? least : 'mm' in value ? value.mm : value.deg;
      if (isLength !== (kind === 'length')) {
        context.addIssue({
          code: 'custom',
          path: [id],
          message: `must be ${kind === 'length' ? 'a length' : 'an angle'}`,
        });
      } else if (figure < least || figure > most) {
        const unit = kind === 'length' ? 'mm' : '°';
        context.addIssue({
          code: 'custom',
          path: [id],
          message: `${figure} ${unit} is outside ${least} to ${most} ${unit}`,
        });
      }
    }
  }),
);

/** Choices on some of the axes; those left out are the school's. */
export const choicesSchema = z.strictObject(
  Object.fromEntries(axisIds.map((axis) => [axis, z.optional(z.enum(axes[axis]))])) as unknown as {
    [Axis in AxisId]: z.ZodMiniOptional<z.ZodMiniEnum<{ [Choice in (typeof axes)[Axis][number]]: Choice }>>;
  },
);

export const methodSchema = z.strictObject({
  id: id('MethodId'),
  name,
  origin,
  preset: z.enum(presetIds),
  /** Version of the preset this copy was taken from. */
  presetVersion: z.int().check(z.positive()),
  numbers: numbersSchema,
  /** Where the job departs from the school. */
  choices: z.optional(choicesSchema),
  /** A frame in the opening or before the wall that carries the unit. */
  buck: z.optional(
    z.strictObject({
      kind: z.enum(['lumber', 'foam']),
      /** Thickness of the part that stands in the opening; it is framed larger by this on each side. */
      leg: positiveLength,
      /** How far it stands out from the sheathing. */
      projection: positiveLength,
      /** Who says that it carries screws of its own: its maker, by name of the sheet that says so. */
      carriesScrews: z.optional(words(120).check(z.minLength(1))),
    }),
  ),
});

export type Numbers = z.infer<typeof numbersSchema>;

export type MethodDocument = z.infer<typeof methodSchema>;

export type ChoicesDocument = z.infer<typeof choicesSchema>;
