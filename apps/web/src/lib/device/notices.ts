/**
 * What happened to the openings of whoever sits here: plans frozen anew, looks that wait, what others noted or took back.
 * Worked out from the jobs that this device keeps, so that it needs no network and no mail.
 */
import type { OpeningPart, Pack } from '$lib/contract/pack.ts';
import { mayLook } from '$lib/contract/rights.ts';
import { errandOf, LOOK_SUFFIX, progress, sheetOver, thawedIssue, type Entry } from '@hulvek/core';

export type NoticeKind =
  'frozen' | 'frozen-anew' | 'look' | 'note' | 'built' | 'fault' | 'override' | 'taken-back' | 'begins';

export interface Notice {
  readonly id: string;
  readonly kind: NoticeKind;
  readonly job: string;
  readonly jobName: string;
  readonly opening: string;
  readonly mark: string;
  readonly step: string | null;
  /** Who did it; empty for what only waits. */
  readonly by: string;
  readonly at: string;
}

/** Older than this nobody needs to be told, days. */
const DAYS = 21;
const MOST = 100;
const TOLD: Partial<Record<Entry['kind'], NoticeKind>> = {
  note: 'note',
  built: 'built',
  fault: 'fault',
  override: 'override',
};

/** Newest first. */
export function noticesOf(packs: readonly Pack[], now: string): readonly Notice[] {
  const since = new Date(Date.parse(now) - DAYS * 86_400_000).toISOString();
  return packs
    .flatMap((pack) => [
      ...pack.openings.flatMap((part) => ofOpening(pack, part, now)),
      ...beginning(pack, now),
    ])
    .filter(({ at }) => at >= since)
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, MOST);
}

/** This long before it begins somebody is told of his work, minutes. */
const BEGINS_min = 30;

/** One's own work that begins soon, by the plan that was taken. */
function beginning({ me, context, openings }: Pack, now: string): Notice[] {
  const { calendar, calendarPlan, id: job, name: jobName } = context.job;
  if (!calendar || !calendarPlan) return [];
  const own = new Set(
    calendar.people
      .filter(({ account, name }) => (account === undefined ? name === me.name : account === me.id))
      .map(({ id }) => id),
  );
  const marks = new Map(openings.map(({ document }) => [document.id as string, document.mark]));
  const soon = calendarPlan.tasks.filter(({ gone, people, from }) => {
    const wait = Date.parse(from) - Date.parse(now);
    return !gone && people.some((id) => own.has(id)) && wait > 0 && wait <= BEGINS_min * 60_000;
  });
  const [first] = soon.toSorted((a, b) => Date.parse(a.from) - Date.parse(b.from));
  if (!first) return [];
  const errand = errandOf(first.opening);
  const under = sheetOver(first.opening);
  const mark = calendar.errands?.find(({ id }) => id === errand)?.name ?? marks.get(under ?? first.opening);
  return [
    {
      id: `begins ${first.opening}/${first.step} ${first.from}`,
      kind: 'begins',
      job,
      jobName,
      opening: first.opening,
      mark: mark ?? first.opening,
      step: first.step.endsWith(LOOK_SUFFIX) ? first.step.slice(0, -LOOK_SUFFIX.length) : first.step,
      by: '',
      at: new Date(Date.parse(first.from) - BEGINS_min * 60_000).toISOString(),
    },
  ];
}

function ofOpening(pack: Pack, part: OpeningPart, now: string): Notice[] {
  const { me, role, lookRule, rights } = pack;
  const { document, issues, entries, readings } = part;
  const leads = role === 'owner' || role === 'lead';
  // Somebody's own are those where they measured, froze or worked; who leads has all of them.
  const own = leads || [...entries, ...readings, ...issues].some((record) => record.account === me.id);
  if (!own) return [];
  const base = {
    job: pack.context.job.id,
    jobName: pack.context.job.name,
    opening: document.id,
    mark: document.mark,
  };
  const frozen = issues
    .filter(({ account }) => account !== me.id)
    .map((issue): Notice => ({
      ...base,
      id: `${document.id} plan ${issue.version}`,
      kind: issue.version > 1 ? 'frozen-anew' : 'frozen',
      step: null,
      by: issue.person,
      at: issue.at,
    }));
  const mine = new Set(entries.filter(({ account }) => account === me.id).map(({ id }) => id));
  const told = entries.flatMap((entry): Notice[] => {
    if (entry.account === me.id) return [];
    const kind =
      entry.kind === 'undo' && entry.undoes !== null && mine.has(entry.undoes)
        ? 'taken-back'
        : TOLD[entry.kind];
    return kind ? [{ ...base, id: entry.id, kind, step: entry.step, by: entry.person, at: entry.at }] : [];
  });
  const issue = issues.at(-1);
  const steps = issue && thawedIssue(issue)?.build.steps;
  const looks =
    steps && rights.includes('look')
      ? progress(steps, issues, entries, now).flatMap((state): Notice[] =>
          state.status === 'waiting-look' && state.tick && mayLook(lookRule, role, me, state.tick)
            ? [
                {
                  ...base,
                  id: `look ${state.tick.id}`,
                  kind: 'look',
                  step: state.id,
                  by: state.tick.person,
                  at: state.tick.at,
                },
              ]
            : [],
        )
      : [];
  return [...frozen, ...told, ...looks];
}
