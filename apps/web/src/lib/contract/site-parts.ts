/** What of a job is changed part by part: its site, and lines that openings have in common. */
import { jobSchema, type Job } from '@hulvek/core';
import * as z from 'zod/mini';

export const siteParts = [
  'usual',
  'lines',
  'altitude_m',
  'facades',
  'outlines',
  'wind',
  'climate',
  'assumedClimate',
  'heatLimits',
  'months',
  'joints',
  'currency',
  'prices',
  'handling',
  'calendar',
  'calendarPlan',
  'supply',
  'houseTests',
  'days',
  'releases',
] as const;
export type SiteName = (typeof siteParts)[number];
export type SitePart = Partial<Pick<Job, SiteName>>;

const fields: Record<SiteName, true> = {
  usual: true,
  lines: true,
  altitude_m: true,
  facades: true,
  outlines: true,
  wind: true,
  climate: true,
  assumedClimate: true,
  heatLimits: true,
  months: true,
  joints: true,
  currency: true,
  prices: true,
  handling: true,
  calendar: true,
  calendarPlan: true,
  supply: true,
  houseTests: true,
  days: true,
  releases: true,
};
/** Any of the parts, and nothing else. */
export const sitePartSchema = z.pick(jobSchema, fields);

/** The places where parts do not read; none where they do. */
export const wrongPlaces = (change: unknown): readonly (readonly PropertyKey[])[] =>
  z.safeParse(sitePartSchema, change).error?.issues.map(({ path }) => path) ?? [];

/** The parts that a job has. */
export const sitePartsOf = (job: Job): SitePart => pickParts(job, siteParts);

/** Some of the parts that a job has: what somebody who changes just these must have known. */
export const pickParts = (job: Job, names: readonly SiteName[]): SitePart =>
  Object.fromEntries(names.flatMap((name) => (job[name] === undefined ? [] : [[name, job[name]]])));
