/** A job, and what of it plans are made with. */
import * as z from 'zod/mini';
import { id, name, note, words } from './fields.ts';
import { outlineSchema } from './outline.ts';
import { ratings } from '../vocabulary/ratings.ts';
import { climateIds, terrains, monthSources } from '../vocabulary/weather.ts';
import { movementClasses } from '../vocabulary/sealants.ts';
import { priceIds } from '../vocabulary/prices.ts';
import { calendarPlanSchema, calendarSchema } from './calendar.ts';
import { closedDaySchema, releaseSchema } from './day.ts';
import { houseTestSchema } from './fan-test.ts';
import { supplySchema } from './supply.ts';
import type { Wall } from './wall.ts';
import type { Unit } from './unit.ts';
import type { MethodDocument } from './method.ts';
import type { Material } from './material.ts';

export const jobSchema = z.strictObject({
  id: id('JobId'),
  name,
  note,
  units: z.enum(['mm', 'in']),
  /** What a new opening goes by until somebody says otherwise. */
  usual: z.optional(
    z.strictObject({
      wall: z.optional(id('WallId')),
      unit: z.optional(id('UnitId')),
      method: z.optional(id('MethodId')),
    }),
  ),
  /** Of the site, metres above the sea. */
  altitude_m: z.optional(z.number().check(z.gte(-400), z.lte(6000))),
  /** 3-second gust at 10 m in open country, and the ground the wind comes over. */
  wind: z.optional(
    z.strictObject({
      gust_ms: z.number().check(z.positive(), z.lte(120)),
      terrain: z.enum(terrains),
      /** Share of the pressure across the wall's layer behind its cladding. */
      layerShare: z.optional(z.number().check(z.gte(0), z.lte(1))),
    }),
  ),
  /** Room and weather that the coldest corner is judged in. */
  climate: z.optional(
    z
      .strictObject({
        inside_C: z.number().check(z.gte(5), z.lte(35)),
        humidity_percent: z.number().check(z.gte(5), z.lte(95)),
        outside_C: z.number().check(z.gte(-50), z.lte(20)),
      })
      .check(
        z.refine((climate) => climate.inside_C > climate.outside_C, {
          error: 'the room must be warmer than the weather it is judged in',
        }),
      ),
  ),
  /** What the local code or the project asks of a joint; the usual figures where it is left out. */
  heatLimits: z.optional(
    z.strictObject({
      fRsiLeast: z.optional(z.number().check(z.gte(0), z.lte(1))),
      /** W/(m K). */
      psiMost: z.optional(z.number().check(z.gte(0), z.lte(1))),
    }),
  ),
  /** The weather month by month, January first, and where it comes from. */
  months: z.optional(
    z.strictObject({
      source: z.enum(monthSources),
      note: words(200),
      rows: z
        .array(
          z.strictObject({
            outside_C: z.number().check(z.gte(-60), z.lte(50)),
            humidity_percent: z.number().check(z.gte(1), z.lte(100)),
          }),
        )
        .check(z.length(12, { error: 'twelve months are needed, January first' })),
    }),
  ),
  /** Stands in for weather that nobody has entered. */
  assumedClimate: z.optional(z.enum(climateIds)),
  /** What the joints live through; the usual figures where one is left out. */
  joints: z.optional(
    z.strictObject({
      installed_C: z.optional(z.number().check(z.gte(-30), z.lte(50))),
      coldest_C: z.optional(z.number().check(z.gte(-60), z.lte(30))),
      hottest_C: z.optional(z.number().check(z.gte(0), z.lte(100))),
      /** Share of its width that the sealant may open and close. */
      movement: z.optional(z.union(movementClasses.map((m) => z.literal(m)))),
    }),
  ),
  /** The money that prices are in, by its three letters (ISO 4217). */
  currency: z.optional(z.string().check(z.regex(/^[A-Z]{3}$/))),
  /** What material and work cost here. */
  prices: z.optional(z.partialRecord(z.enum(priceIds), z.number().check(z.gte(0), z.lte(100_000)))),
  /** How units may be carried on this site. */
  handling: z.optional(
    z.strictObject({
      person_kg: z.optional(z.number().check(z.gte(5), z.lte(40))),
      gust_ms: z.optional(z.number().check(z.gte(1), z.lte(30))),
    }),
  ),
  /** When the work is done, by whom and in which weather; and the plan that was taken. */
  calendar: z.optional(calendarSchema),
  calendarPlan: z.optional(calendarPlanSchema),
  /** Material: on the van, ordered, paid for. */
  supply: z.optional(supplySchema),
  /** Days that were closed. */
  days: z.optional(z.array(closedDaySchema).check(z.maxLength(2000))),
  /** When it was handed over, the last time last. */
  releases: z.optional(z.array(releaseSchema).check(z.maxLength(200))),
  /** The house under a fan. */
  houseTests: z.optional(z.array(houseTestSchema).check(z.maxLength(200))),
  /** What each façade asks of its glazing. */
  facades: z.optional(
    z
      .array(
        z.strictObject({
          name: words(60).check(z.trim()),
          /** Where it looks, degrees from north through east. */
          azimuth_deg: z.optional(z.number().check(z.gte(0), z.lt(360))),
          rating: z.optional(z.enum(ratings)),
          uMost: z.optional(z.number().check(z.positive(), z.lte(8))),
          shgcLeast: z.optional(z.number().check(z.gte(0), z.lte(1))),
          shgcMost: z.optional(z.number().check(z.gte(0), z.lte(1))),
        }),
      )
      .check(z.maxLength(60)),
  ),
  /** What is drawn behind the openings of a façade: outlines that somebody drew, and points that were surveyed. */
  outlines: z.optional(z.array(outlineSchema).check(z.maxLength(60))),
  /** Openings whose sills, heads or centre lines must line up. */
  lines: z.optional(
    z
      .array(
        z.strictObject({
          id: id('LineId'),
          name,
          kind: z.enum(['sills', 'heads', 'centres']),
          openings: z.array(id('OpeningId')).check(z.maxLength(200)),
        }),
      )
      .check(z.maxLength(200)),
  ),
});

export type Job = z.infer<typeof jobSchema>;

export type LineDocument = NonNullable<Job['lines']>[number];

/** What `planOpening` needs to know of the job besides the opening itself. */
export interface JobContext {
  readonly job: Job;
  readonly walls: readonly Wall[];
  readonly units: readonly Unit[];
  readonly methods: readonly MethodDocument[];
  readonly materials?: readonly Material[] | undefined;
}
