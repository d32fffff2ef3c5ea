/** What of a job is changed part by part: its site, and lines that openings have in common. */
import type { Job } from '@hulvek/core';

export const siteParts = [
  'lines',
  'altitude_m',
  'facades',
  'wind',
  'climate',
  'heatLimits',
  'months',
  'joints',
  'prices',
  'handling',
] as const;
export type SitePart = Partial<Pick<Job, (typeof siteParts)[number]>>;

/** The parts that a job has. */
export const sitePartsOf = (job: Job): SitePart => pickParts(job, siteParts);

/** Some of the parts that a job has: what somebody who changes just these must have known. */
export const pickParts = (job: Job, names: readonly (typeof siteParts)[number][]): SitePart =>
  Object.fromEntries(names.flatMap((name) => (job[name] === undefined ? [] : [[name, job[name]]])));
