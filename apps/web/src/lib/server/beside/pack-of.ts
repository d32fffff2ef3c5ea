/** A job's pack as it travels, or the openings of it that are asked for. */
import { openDatabase, type Database } from '../db/index.ts';
import { loadContext } from '../services/jobs.ts';
import { forDevice, loadParts } from '../services/openings.ts';

let known: Database | undefined;

export interface PackedJob {
  readonly context: Uint8Array;
  /** By opening, in the order of the job. */
  readonly parts: readonly (readonly [string, Uint8Array])[];
}

const bytes = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));

/** @param opening only this one; the context comes along in any case */
export async function packOf(of: { url: string; job: string; opening?: string }): Promise<PackedJob | null> {
  known ??= openDatabase(of.url).db;
  const context = await loadContext(known, of.job);
  if (!context) return null;
  const parts = await loadParts(known, of.job, of.opening);
  return {
    context: bytes(context),
    parts: parts.map((part) => [part.document.id, bytes(forDevice(part))] as const),
  };
}
