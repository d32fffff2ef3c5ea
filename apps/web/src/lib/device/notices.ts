/**
 * What happened to the openings of whoever sits here: plans frozen anew, looks that wait, what others noted or took back.
 * Worked out from the jobs that this device keeps, so that it needs no network and no mail.
 */
import type { OpeningPart, Pack } from '$lib/contract/pack.ts';
import { mayLook } from '$lib/contract/rights.ts';
import { progress, thawedIssue, type Entry } from '@hulvek/core';

export type NoticeKind =
  'frozen' | 'frozen-anew' | 'look' | 'note' | 'built' | 'fault' | 'override' | 'taken-back';

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
    .flatMap((pack) => pack.openings.flatMap((part) => ofOpening(pack, part, now)))
    .filter(({ at }) => at >= since)
    .sort((a, b) => b.at.localeCompare(a.at))
    .slice(0, MOST);
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
