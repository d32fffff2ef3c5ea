/** A job, and what of it plans are made with. */
import { z } from 'zod';
import { id, name, note, words } from './fields.ts';
import { terrains, monthSources } from '../vocabulary/weather.ts';
import { movementClasses } from '../vocabulary/sealants.ts';
import { priceIds } from '../vocabulary/prices.ts';
import type { Wall } from './wall.ts';
import type { Unit } from './unit.ts';
import type { MethodDocument } from './method.ts';
import type { Material } from './material.ts';

export const jobSchema = z.strictObject({
  id: id('JobId'),
  name,
  note,
  units: z.enum(['mm', 'in']),
  /** Of the site, metres above the sea. */
  altitude_m: z.number().min(-400).max(6000).optional(),
  /** 3-second gust at 10 m in open country, and the ground the wind comes over. */
  wind: z
    .strictObject({
      gust_ms: z.number().positive().max(120),
      terrain: z.enum(terrains),
      /** Share of the pressure across the wall's layer behind its cladding. */
      layerShare: z.number().min(0).max(1).optional(),
    })
    .optional(),
  /** Room and weather that the coldest corner is judged in. */
  climate: z
    .strictObject({
      inside_C: z.number().min(5).max(35),
      humidity_percent: z.number().min(5).max(95),
      outside_C: z.number().min(-50).max(20),
    })
    .refine((climate) => climate.inside_C > climate.outside_C, {
      error: 'the room must be warmer than the weather it is judged in',
    })
    .optional(),
  /** What the local code or the project asks of a joint; the usual figures where it is left out. */
  heatLimits: z
    .strictObject({
      fRsiLeast: z.number().min(0).max(1).optional(),
      /** W/(m K). */
      psiMost: z.number().min(0).max(1).optional(),
    })
    .optional(),
  /** The weather month by month, January first, and where it comes from. */
  months: z
    .strictObject({
      source: z.enum(monthSources),
      note: words(200),
      rows: z
        .array(
          z.strictObject({
            outside_C: z.number().min(-60).max(50),
            humidity_percent: z.number().min(1).max(100),
          }),
        )
        .length(12, { error: 'twelve months are needed, January first' }),
    })
    .optional(),
  /** What the joints live through; the usual figures where one is left out. */
  joints: z
    .strictObject({
      installed_C: z.number().min(-30).max(50).optional(),
      coldest_C: z.number().min(-60).max(30).optional(),
      hottest_C: z.number().min(0).max(100).optional(),
      /** Share of its width that the sealant may open and close. */
      movement: z.union(movementClasses.map((m) => z.literal(m))).optional(),
    })
    .optional(),
  /** What material and work cost here, in whatever money the job counts in. */
  prices: z.partialRecord(z.enum(priceIds), z.number().min(0).max(100_000)).optional(),
  /** How units may be carried on this site. */
  handling: z
    .strictObject({
      person_kg: z.number().min(5).max(40).optional(),
      gust_ms: z.number().min(1).max(30).optional(),
    })
    .optional(),
  /** What each façade asks of its glazing. */
  facades: z
    .array(
      z.strictObject({
        name: words(60).trim(),
        uMost: z.number().positive().max(8).optional(),
        shgcLeast: z.number().min(0).max(1).optional(),
        shgcMost: z.number().min(0).max(1).optional(),
      }),
    )
    .max(60)
    .optional(),
  /** Openings whose sills, heads or centre lines must line up. */
  lines: z
    .array(
      z.strictObject({
        id: id('LineId'),
        name,
        kind: z.enum(['sills', 'heads', 'centres']),
        openings: z.array(id('OpeningId')).max(200),
      }),
    )
    .max(200)
    .optional(),
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
