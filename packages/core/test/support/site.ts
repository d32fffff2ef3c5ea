/** A school's example, planned and frozen, and entries at it: what the tests of the site begin with. */
import {
  contextOf,
  exampleJob,
  issueOf,
  openingsOf,
  planOpening,
  type Build,
  type Entry,
  type Issue,
  type Opening,
  type PresetId,
} from '../../src/index.ts';

export interface Planned {
  readonly opening: Opening;
  readonly build: Build;
  readonly issue: Issue;
}

const known = new Map<PresetId, Planned>();

export function planned(school: PresetId): Planned {
  const before = known.get(school);
  if (before) return before;
  const file = exampleJob(school);
  const [opening] = openingsOf(file);
  const plan = opening && planOpening(opening, contextOf(file));
  const issue = plan && issueOf(plan, { version: 1, person: 'Lead', at: '2026-11-01T06:00:00.000Z' });
  if (!opening || !plan?.build || !issue) throw new Error(`${school} cannot be built`);
  const made = { opening, build: plan.build, issue };
  known.set(school, made);
  return made;
}

let counted = 0;

/** Each a minute after the one before. */
export const entry = (kind: Entry['kind'], step: string, more: Partial<Entry> = {}): Entry => ({
  id: `00000000-0000-4000-8000-${String(++counted).padStart(12, '0')}`,
  opening: 'one' as Entry['opening'],
  issue: 1,
  kind,
  step,
  undoes: null,
  person: 'Installer',
  at: new Date(Date.parse('2026-11-02T07:00:00.000Z') + counted * 60_000).toISOString(),
  note: '',
  photo: null,
  ...more,
});
