/** Parts of a job as they travel: read, held against their schemas and written down beside the server. */
import { openDatabase, type Database } from '../db/index.ts';
import { loadContext } from '../services/jobs.ts';
import { forDevice, issuesByOpening } from '../services/frozen-plans.ts';
import { loadPartsWithoutPlans } from '../services/openings.ts';

let known: Database | undefined;

/** Something of an opening, written down. */
type Written = readonly (readonly [opening: string, bytes: Uint8Array])[];

export interface PackedJob {
  readonly context: Uint8Array;
  /** Openings without their frozen plans. */
  readonly parts: Written;
  /** Frozen plans of an opening. */
  readonly plans: Written;
}

const bytes = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));

/** @param parts the openings that are asked for @param plans those of which the frozen plans are asked for */
export async function packOf(of: {
  url: string;
  job: string;
  parts: readonly string[];
  plans: readonly string[];
}): Promise<PackedJob | null> {
  known ??= openDatabase(of.url).db;
  const context = await loadContext(known, of.job);
  if (!context) return null;
  const parts = of.parts.length > 0 ? await loadPartsWithoutPlans(known, of.job, of.parts) : [];
  const plans = of.plans.length > 0 ? await issuesByOpening(known, of.job, of.plans) : new Map<string, []>();
  return {
    context: bytes(context),
    parts: parts.map((part) => [part.document.id, bytes(part)] as const),
    plans: of.plans.map((id) => [id, bytes(forDevice(plans.get(id) ?? []))] as const),
  };
}
