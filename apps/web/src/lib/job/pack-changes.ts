/** A pack and what the server answers of it: all, or what changed since. */
import {
  packChangesSchema,
  packSchema,
  type OpeningPart,
  type Pack,
  type PackChanges,
} from '$lib/contract/pack.ts';
import type { OutboxItem } from '$lib/device/database.ts';
import type { Entry, Reading } from '@hulvek/core';
import * as z from 'zod/mini';

export const answeredPack = z.union([packChangesSchema, packSchema]);

/** A pack brought up to date by what changed since. */
export function withChanges(pack: Pack, answer: Pack | PackChanges): Pack {
  if (!('since' in answer)) return answer;
  const { since, order, openings, ...rest } = answer;
  if (since > pack.revision) return pack;
  const parts = new Map(pack.openings.map((part) => [String(part.document.id), part]));
  for (const part of openings) {
    const id = String(part.document.id);
    parts.set(id, { ...part, issues: part.issues ?? parts.get(id)?.issues ?? [] });
  }
  return { ...rest, openings: order.flatMap((id) => parts.get(id) ?? []) };
}

/** Records of an opening with those that came: the server knows more of one than the device that made it. */
export function withRecords<Record extends { readonly id: string; readonly opening: string }>(
  had: readonly Record[],
  came: readonly Record[],
  opening: string,
): readonly Record[] {
  const own = new Map(came.filter((one) => one.opening === opening).map((one) => [one.id, one]));
  if (own.size === 0) return had;
  const known = had.map((one) => own.get(one.id) ?? one);
  const ids = new Set(had.map(({ id }) => id));
  return [...known, ...[...own.values()].filter(({ id }) => !ids.has(id))];
}

/** The opening as if the server had taken the item. */
export function withItem(part: OpeningPart, item: OutboxItem): OpeningPart {
  const { name: person, id: account } = item.by;
  if (item.type === 'reading') {
    const reading: Reading = { ...item.record, person, account };
    const there = part.readings.some((r) => r.id === reading.id);
    return there ? part : { ...part, readings: [...part.readings, reading] };
  }
  const entry: Entry = { ...item.record, person, account };
  const there = part.entries.some((e) => e.id === entry.id);
  return there ? part : { ...part, entries: [...part.entries, entry] };
}
