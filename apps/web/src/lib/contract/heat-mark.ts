/** Whether the figures of a run still speak of an opening as it is now. */
import { contentHash, type JobContext, type Opening } from '@hulvek/core';

/** Returns fingerprints of openings in a job: they differ as soon as anything differs that heat could hang on. */
export function heatMark({
  job,
  walls,
  units,
  methods,
  materials,
}: JobContext): (opening: Opening) => string {
  const { climate, heatLimits } = job;
  const shared = contentHash([climate, heatLimits, walls, units, methods, materials ?? []]);
  return (opening) => `${contentHash(opening)}-${shared}`;
}
