/** A house under a fan: what was read (`hulvek-fan-test` version 1), and a job's own tests. */
import * as z from 'zod/mini';
import { fanSafety, fanStages } from '../vocabulary/fan-tests.ts';
import { instant, name, words } from './fields.ts';

const pascal = z.number().check(z.gte(-1000), z.lte(1000));
const temperature = z.number().check(z.gte(-60), z.lte(60));

export const fanTestSchema = z.strictObject({
  format: z.literal('hulvek-fan-test'),
  version: z.literal(1),
  /** Air inside the part that is tested. */
  volume_m3: z.number().check(z.positive(), z.lte(10_000_000)),
  envelope_m2: z.optional(z.number().check(z.positive(), z.lte(10_000_000))),
  inside_C: temperature,
  outside_C: temperature,
  /** Of the air at the site, absolute. */
  pressure_Pa: z.number().check(z.gte(40_000), z.lte(120_000)),
  /** Across the envelope with the fan covered. */
  zero_before_Pa: z.array(pascal).check(z.maxLength(1000)),
  zero_after_Pa: z.array(pascal).check(z.maxLength(1000)),
  mode: z.enum(['depressurise', 'pressurise']),
  readings: z
    .array(z.strictObject({ pressure_Pa: pascal, flow_m3h: z.number().check(z.lte(10_000_000)) }))
    .check(z.maxLength(1000)),
});
export type FanTest = z.infer<typeof fanTestSchema>;

/** A test of a job: begun only when all of the safety list was seen to. */
export const houseTestSchema = z.strictObject({
  id: words(40).check(z.minLength(1)),
  name,
  stage: z.enum(fanStages),
  at: instant,
  person: name,
  account: z.optional(z.uuid()),
  safety: z.array(z.enum(fanSafety)).check(z.maxLength(fanSafety.length)),
  /** From the lowest leak to the highest, m, and the wind at the house. */
  height_m: z.optional(z.number().check(z.gte(0), z.lte(500))),
  wind_ms: z.optional(z.number().check(z.gte(0), z.lte(60))),
  /** Readings of a simulated gauge. */
  simulated: z.optional(z.literal(true)),
  note: words(2000),
  test: fanTestSchema,
});
export type HouseTest = z.infer<typeof houseTestSchema>;
