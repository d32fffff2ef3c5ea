/** Room and weather that joints are judged in, and what is asked of them. */
import type { Job } from '../documents/job.ts';
import { genericClimates } from './assumed.ts';
import { dampBelow, dewPoint } from '../quantities/psychrometrics.ts';

export interface HeatConditions {
  readonly inside_C: number;
  readonly humidity_percent: number;
  readonly outside_C: number;
  /** Below it vapour lets go of its water, °C. */
  readonly dew_C: number;
  /** Below it the air at the surface is damper than mould needs, °C. */
  readonly damp_C: number;
  /** What a surface must keep of the warmth between weather and room, and whether the job asks for just that. */
  readonly fRsiLeast: number;
  readonly fRsiAsked: boolean;
  /** W/(m K). */
  readonly psiMost: number;
  /** Whether the job says what climate it has; the usual one stands in where it does not. */
  readonly climateGiven: boolean;
}

/** Source: DIN 4108-2, from memory: 20 °C and 50 % inside, −5 °C outside. */
export const USUAL_CLIMATE = { inside_C: 20, humidity_percent: 50, outside_C: -5 } as const;
/** Humidity at a surface from which mould grows. Source: ISO 13788, from memory. */
export const MOULD_SHARE = 0.8;
/** A surface this little above the limit is worth a second look: common practice, no source. */
export const NEAR_FRSI = 0.02;
/** A joint that loses more is careless: common practice, no source. W/(m K). */
export const CARELESS_PSI = 0.1;

/**
 * Returns the conditions of a job. Unless it asks for a figure of its own, a surface must stay above the temperature at
 * which its air is damper than 80 %.
 */
export function conditionsOf({
  climate,
  heatLimits,
  assumedClimate,
}: Pick<Job, 'climate' | 'heatLimits' | 'assumedClimate'>): HeatConditions {
  const assumed = assumedClimate && genericClimates[assumedClimate].climate;
  const { inside_C, humidity_percent, outside_C } = climate ?? assumed ?? USUAL_CLIMATE;
  const dew_C = dewPoint(inside_C, humidity_percent);
  const damp_C = dampBelow(inside_C, humidity_percent, MOULD_SHARE);
  const asked = heatLimits?.fRsiLeast;
  return {
    inside_C,
    humidity_percent,
    outside_C,
    dew_C,
    damp_C,
    fRsiLeast: asked ?? Math.max(0, (damp_C - outside_C) / (inside_C - outside_C)),
    fRsiAsked: asked !== undefined,
    psiMost: heatLimits?.psiMost ?? CARELESS_PSI,
    climateGiven: climate !== undefined,
  };
}
