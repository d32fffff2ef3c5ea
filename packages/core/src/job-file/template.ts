/** A job begun from another one: its choices, and nothing that happened in it. */
import { asAsked } from '../documents/opening.ts';
import type { Job } from '../documents/job.ts';
import type { JobFile } from './job-file.ts';

export interface TemplateFor {
  readonly id: string;
  readonly name: string;
  /** Lengths of the new job. */
  readonly units: Job['units'];
  /** Whether its openings come along too, with their places and choices. */
  readonly openings: boolean;
}

/**
 * The file of a new job with the walls, units, methods, materials and conditions of `file`. Records, frozen plans, what was
 * delivered and what was decided for one opening alone stay where they are.
 */
export function templateOf(
  file: Omit<JobFile, 'records'>,
  { id, name, units, openings }: TemplateFor,
): JobFile {
  const {
    lines,
    facades,
    outlines,
    calendar: _calendar,
    calendarPlan: _plan,
    days: _days,
    releases: _releases,
    houseTests: _tests,
    ...job
  } = file.job;
  const places = openings
    ? { ...(lines && { lines }), ...(facades && { facades }), ...(outlines && { outlines }) }
    : {};
  return {
    ...file,
    job: { ...job, ...places, id: id as Job['id'], name, units, note: '' },
    openings: openings ? file.openings.map(asAsked) : [],
    records: { readings: [], issues: [], entries: [] },
  };
}
