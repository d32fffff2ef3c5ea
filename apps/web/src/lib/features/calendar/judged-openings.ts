/** The openings of a job as a calendar plans them: the wall each is worked by, what is done, and every evening of it. */
import {
  eveningsOf,
  exposedTo,
  planOpening,
  progress,
  SharedPlans,
  thawedIssue,
  type Entry,
  type Evening,
  type Issue,
  type JobContext,
  type JudgedOpening,
  type Opening,
  type SharedMade,
} from '@hulvek/core';

/** An opening as the page knows it. */
export interface CalendarPart {
  readonly opening: Opening;
  readonly issues: readonly Issue[];
  readonly entries: readonly Entry[];
}

/** Evenings by the content of what they are of: they cost a water proof each. */
const known = new Map<string, readonly Evening[]>();
const MOST_KNOWN = 4000;

/** Openings that can be built; `missing` are those of which too little is known. */
export function judgedOpenings(
  context: JobContext,
  parts: readonly CalendarPart[],
  now: string,
): { readonly openings: readonly JudgedOpening[]; readonly missing: readonly string[] } {
  const shared: SharedMade = new SharedPlans();
  const missing: string[] = [];
  const people = context.job.calendar?.people ?? [];
  const personOf = ({ account: by, person }: Entry) =>
    people.find(({ account, name }) => (account === undefined ? name === person : account === by))?.id;
  const openings = parts.flatMap(({ opening, issues, entries }): JudgedOpening[] => {
    const issue = issues.at(-1);
    const frozen = issue ? thawedIssue(issue) : null;
    const plan = frozen ? null : planOpening(opening, context, shared);
    const build = frozen?.build ?? plan?.build ?? null;
    if (!build) {
      missing.push(opening.id);
      return [];
    }
    const states = issue ? progress(build.steps, issues, entries, now) : [];
    const done = new Map(
      states.flatMap(({ id, tick, look }) =>
        tick ? [[id, { at: tick.at, looked: look !== null, by: personOf(tick) }] as const] : [],
      ),
    );
    const exposed = exposedTo({ opening, job: context, unit: build.unit });
    const key = JSON.stringify([
      build.steps.map(({ hash }) => hash),
      build.context.opening,
      build.wall,
      build.unit.id,
      exposed.asked_Pa,
    ]);
    const evenings = known.get(key) ?? eveningsOf(build, exposed);
    if (known.size > MOST_KNOWN) known.clear();
    known.set(key, evenings);
    return [{ id: opening.id, mark: opening.mark, facade: opening.facade, build, done, evenings }];
  });
  return { openings, missing };
}

/** Where façades look, as far as somebody said. */
export const azimuthsOf = ({ job }: JobContext): ReadonlyMap<string, number> =>
  new Map(
    (job.facades ?? []).flatMap(({ name, azimuth_deg }) =>
      azimuth_deg === undefined ? [] : [[name, azimuth_deg] as const],
    ),
  );
