/** What of a job is changed part by part: its site, and lines that openings have in common. */
import type { Job } from '@hulvek/core';

export const siteParts = ['lines', 'altitude_m', 'facades', 'wind', 'climate', 'heatLimits'] as const;
export type SitePart = Partial<Pick<Job, (typeof siteParts)[number]>>;

/** The parts that a job has. */
export const sitePartsOf = (job: Job): SitePart =>
  Object.fromEntries(siteParts.flatMap((name) => (job[name] === undefined ? [] : [[name, job[name]]])));
