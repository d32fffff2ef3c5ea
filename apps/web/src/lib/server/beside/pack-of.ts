/** Parts of a job as they travel: read, held against their schemas and written down beside the server. */
import { openDatabase, type Database } from '../db/index.ts';
import { loadContext } from '../services/jobs.ts';
import { forDevice, loadParts } from '../services/openings.ts';

let known: Database | undefined;

export interface PackedJob {
  readonly context: Uint8Array;
  /** By opening. */
  readonly parts: readonly (readonly [string, Uint8Array])[];
}

const bytes = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));

/** @param openings those that are asked for */
export async function packOf(of: {
  url: string;
  job: string;
  openings: readonly string[];
}): Promise<PackedJob | null> {
  known ??= openDatabase(of.url).db;
  const context = await loadContext(known, of.job);
  if (!context) return null;
  const parts = of.openings.length > 0 ? await loadParts(known, of.job, of.openings) : [];
  return {
    context: bytes(context),
    parts: parts.map((part) => [part.document.id, bytes(forDevice(part))] as const),
  };
}
