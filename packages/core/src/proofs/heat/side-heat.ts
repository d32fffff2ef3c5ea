/** The figures of one side as they are kept and sent, and the task they come from. */
import * as z from 'zod/mini';
import { cutIds } from '../../vocabulary/sides.ts';
import type { HeatConditions } from '../../conditions/room.ts';
import type { Junction, NamedSection } from './junction.ts';
import { HEAT_METHOD, type SideHeat } from './proof.ts';
import { sectionSchema } from './section-file.ts';

const bounded = z.object({ value: z.number(), below: z.number(), above: z.number() });
const verdict = z.enum(['holds', 'watch', 'fails', 'not-checkable']);

export const sideHeatSchema: z.ZodMiniType<SideHeat> = z.object({
  cut: z.enum(cutIds),
  psi: bounded,
  L2D: bounded,
  unitL2D: bounded,
  wallU: z.number(),
  wall_m: z.number(),
  close: z.boolean(),
  coldest: z.nullable(
    z.object({
      temperature_C: z.number(),
      fRsi: z.number(),
      humidity_percent: z.number(),
      thing: z.string(),
      at: z.readonly(z.tuple([z.number(), z.number()])),
      change_K: z.nullable(z.number()),
    }),
  ),
  verdict,
  cells: z.number(),
});

const namedSection: z.ZodMiniType<NamedSection> = z.object({
  section: sectionSchema,
  boxThings: z.readonly(z.array(z.string())),
  surfaceThings: z.readonly(z.array(z.string())),
});

const junctionSchema: z.ZodMiniType<Junction> = z.object({
  cut: z.enum(cutIds),
  flow: namedSection,
  surface: namedSection,
  unit: namedSection,
  wallU: z.number(),
  wall_m: z.number(),
  leftOut: z.readonly(z.array(z.string())),
});

const conditionsSchema: z.ZodMiniType<HeatConditions> = z.object({
  inside_C: z.number(),
  humidity_percent: z.number(),
  outside_C: z.number(),
  dew_C: z.number(),
  damp_C: z.number(),
  fRsiLeast: z.number(),
  fRsiAsked: z.boolean(),
  psiMost: z.number(),
  climateGiven: z.boolean(),
});

/** A side to be solved, as plain data that may have come from another machine; see `sideContent`. */
export const sideTaskSchema = z.tuple([z.literal(HEAT_METHOD), junctionSchema, conditionsSchema]);
