/** Every entry of a job in one list: as it is told, the newest first, and found by person, day, kind and words. */
import {
  asTold,
  dayAndTime,
  standing,
  stepText,
  zoneOf,
  type Calendar,
  type Entry,
  type LengthUnit,
} from '@hulvek/core';
import { factsText } from '$lib/features/install/facts-text.ts';
import { entryKindsWords, installWords } from '$words/install.ts';

export interface LogRow {
  readonly entry: Entry;
  readonly opening: string;
  readonly mark: string;
  readonly day: string;
  readonly what: string;
  readonly undone: boolean;
  /** In small letters, to be searched. */
  readonly words: string;
}

export interface LogFilter {
  readonly person: string;
  readonly day: string;
  readonly kind: Entry['kind'] | '';
  readonly words: string;
}

export function logRows(
  parts: readonly { readonly opening: string; readonly mark: string; readonly entries: readonly Entry[] }[],
  job: { readonly calendar?: Calendar | undefined },
  units: LengthUnit,
): LogRow[] {
  const zone = zoneOf(job);
  /** Of many entries few have a minute of their own; days are asked for by the hour. */
  const days = new Map<string, string>();
  const dayOf = (at: string): string => {
    const hour = at.slice(0, 13);
    const known = days.get(hour) ?? dayAndTime(zone, at).day;
    days.set(hour, known);
    return known;
  };
  const titles = new Map<string, string>();
  const titleOf = (step: string): string => {
    const known = titles.get(step) ?? stepText(step).title;
    titles.set(step, known);
    return known;
  };
  const rows = parts.flatMap(({ opening, mark, entries }) => {
    const valid = new Set(standing(entries));
    return asTold(entries).flatMap((entry): LogRow[] => {
      if (entry.kind === 'undo') return [];
      const facts = factsText(entry, units);
      const title = `${titleOf(entry.step)}: ${entryKindsWords[entry.kind]}`;
      const undone = !valid.has(entry);
      const what = [title, facts, entry.note, undone ? installWords.undone : ''].filter(Boolean).join(' · ');
      return [
        {
          entry,
          opening,
          mark,
          day: dayOf(entry.at),
          what,
          undone,
          words: `${mark} ${what} ${entry.person}`.toLowerCase(),
        },
      ];
    });
  });
  return rows.sort((a, b) => (a.entry.at < b.entry.at ? 1 : a.entry.at > b.entry.at ? -1 : 0));
}

export function filteredLog(rows: readonly LogRow[], { person, day, kind, words }: LogFilter): LogRow[] {
  const searched = words.trim().toLowerCase();
  return rows.filter(
    (row) =>
      (person === '' || row.entry.person === person) &&
      (day === '' || row.day === day) &&
      (kind === '' || row.entry.kind === kind) &&
      (searched === '' || row.words.includes(searched)),
  );
}
