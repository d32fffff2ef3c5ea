/** A pack and what the server answers of it: all, or what changed since. */
import { packChangesSchema, packSchema, type Pack, type PackChanges } from '$lib/contract/pack.ts';
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
