/** Pictures of openings in the order in which they are looked at: opening by opening, as they were taken. */
import type { Entry } from '@hulvek/core';

export const photoOrder = (
  parts: readonly { readonly entries: readonly Entry[] }[],
): { readonly id: string; readonly bytes: number }[] =>
  parts.flatMap(({ entries }) =>
    entries.flatMap(({ id, kind, photo }) => (kind === 'photo' && photo ? [{ id, bytes: photo.bytes }] : [])),
  );
