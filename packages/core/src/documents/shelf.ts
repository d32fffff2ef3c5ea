/** What stands on the shelf for all jobs, and what a newer version of it would change in a job's copy. */
import type * as z from 'zod/mini';
import { contentHash } from '../quantities/content-hash.ts';
import { materialSchema } from './material.ts';
import { methodSchema } from './method.ts';
import { unitSchema } from './unit.ts';
import { wallSchema } from './wall.ts';

export const shelfKinds = ['walls', 'units', 'methods', 'materials'] as const;
export type ShelfKind = (typeof shelfKinds)[number];

export const shelfSchemas = {
  walls: wallSchema,
  units: unitSchema,
  methods: methodSchema,
  materials: materialSchema,
} as const;

export type ShelfDocument = z.infer<(typeof shelfSchemas)[ShelfKind]>;

/** One version of an item; versions are only ever added. */
export interface ShelfItem {
  readonly kind: ShelfKind;
  readonly id: string;
  readonly version: number;
  readonly document: ShelfDocument;
  readonly person: string;
  /** Who put it there; left out for what came with the program. */
  readonly account?: string | undefined;
  readonly at: string;
}

export interface FieldChange {
  /** As `layers[1].thickness.typed`. */
  readonly path: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** Fields that say where a copy is from, not what it is. */
const ASIDE = new Set(['id', 'origin']);

/** Returns every value that differs between two documents, with its path; what a copy is called in its job aside. */
export function fieldChanges(before: unknown, after: unknown, path = ''): FieldChange[] {
  if (contentHash(before ?? null) === contentHash(after ?? null)) return [];
  if (isRecord(before) && isRecord(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys
      .filter((key) => path !== '' || !ASIDE.has(key))
      .flatMap((key) => fieldChanges(before[key], after[key], path === '' ? key : `${path}.${key}`));
  }
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length)
    return before.flatMap((item: unknown, i) => fieldChanges(item, after[i], `${path}[${i}]`));
  return [{ path, before, after }];
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A shelf item as a job's own copy; an older copy keeps its id, so that openings go on naming it. */
export function copyOf(item: ShelfItem, id: string = item.document.id): ShelfDocument {
  return { ...item.document, id, origin: { id: item.id, version: item.version } } as ShelfDocument;
}

/** A job's copy as it would stand on the shelf. */
export function forShelf(document: ShelfDocument, id: string): ShelfDocument {
  const { origin: _origin, ...rest } = document;
  return { ...rest, id } as ShelfDocument;
}
