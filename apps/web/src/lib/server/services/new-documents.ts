/** New jobs and openings from what a form says. */
import { randomUUID } from 'node:crypto';
import {
  JOB_FORMAT,
  JOB_VERSION,
  jobFileSchema,
  presetTexts,
  type JobFile,
  type TypedLength,
} from '@hulvek/core';

export const freshId = (prefix: string): string => `${prefix}-${randomUUID().slice(0, 8)}`;
const mm = (value: number): TypedLength => ({ typed: `${value} mm`, mm: value });

/** A job with one usual wall and the one method, so that the first opening can be planned at once. */
export const newJob = ({ name, units }: { name: string; units: 'mm' | 'in' }): JobFile =>
  jobFileSchema.parse({
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job: { id: freshId('job'), name, note: '', units },
    walls: [
      {
        id: 'wall-1',
        name: 'Timber frame 140, board sheathing',
        layers: [
          { role: 'sheathing', material: 'wood-board', thickness: mm(12) },
          { role: 'framing', material: 'stud', thickness: mm(140) },
        ],
      },
    ],
    units: [],
    methods: [
      {
        id: 'method-1',
        name: presetTexts['drained-head-flap'].name,
        preset: 'drained-head-flap',
        presetVersion: 1,
        numbers: {},
      },
    ],
    openings: [],
    records: { readings: [], issues: [], entries: [] },
  });
