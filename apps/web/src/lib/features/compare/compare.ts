/** Other methods on the same opening: the job's own, and every school. */
import { compareWords } from '$words/compare.ts';
import {
  planOpening,
  presetIds,
  presets,
  presetTexts,
  type JobContext,
  type MethodDocument,
  type Opening,
  type Plan,
} from '@hulvek/core';

export interface Candidate {
  readonly id: string;
  readonly name: string;
  readonly group: 'here' | 'job' | 'school';
}

const SCHOOL = 'school:';

export const candidates = (opening: Opening, context: JobContext): Candidate[] => [
  { id: 'here', name: compareWords.here, group: 'here' },
  ...context.methods
    .filter((method) => method.id !== opening.method)
    .map(({ id, name }): Candidate => ({ id: `job:${id}`, name, group: 'job' })),
  ...presetIds.map((id): Candidate => ({
    id: `${SCHOOL}${id}`,
    name: presetTexts[id].name,
    group: 'school',
  })),
];

/** The opening planned by another method: without what was changed for this opening alone. */
export function candidatePlan(id: string, opening: Opening, context: JobContext): Plan {
  if (id === 'here') return planOpening(opening, context);
  const { choices: _choices, deviations: _deviations, ...rest } = opening;
  const bare: Opening = { ...rest, numbers: {} };
  if (!id.startsWith(SCHOOL))
    return planOpening({ ...bare, method: id.slice('job:'.length) as Opening['method'] }, context);
  const preset = presetIds.find((p) => p === id.slice(SCHOOL.length)) ?? presetIds[0];
  const method: MethodDocument = {
    id: 'compared' as MethodDocument['id'],
    name: presetTexts[preset].name,
    preset,
    presetVersion: presets[preset].version,
    numbers: {},
  };
  return planOpening({ ...bare, method: method.id }, { ...context, methods: [method] });
}
