/** Taking records from devices: each stored once, or refused with its reason, whatever order they arrive in. */
import { createHash } from 'node:crypto';
import {
  filledIn,
  mustRead,
  progress,
  refusal,
  type Entry,
  type JobContext,
  type Reading,
} from '@hulvek/core';
import { and, eq, gt, lt, max } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { entries, openings, photos, readings } from '../db/schema/index.ts';
import { ENTRY_ACTION, may, mayLook, type LookRule, type Role } from '../../contract/rights.ts';
import type { Person } from './accounts.ts';
import type { Refused } from '../../contract/refused.ts';
import { announce } from './changes.ts';
import { entryRow, loadEntries, loadIssues, readingRow, type OpeningPart } from './openings.ts';

export type Taken = { readonly ok: true } | { readonly ok: false; readonly refusal: Refused };

/** Who sends, and what the job says about them. */
export interface Sender {
  readonly person: Person;
  readonly role: Role;
  readonly context: JobContext;
  readonly lookRule: LookRule;
}

/** No store keeps years before Christ, however wrong two clocks are. */
const EARLIEST_ms = Date.UTC(1900, 0);

/** A device's clock may be wrong: its times count from the moment it said it was when it sent. */
export function onServerTime(at: string, sentAt: string, now: Date): string {
  const shifted = Date.parse(at) + now.getTime() - Date.parse(sentAt);
  return new Date(Math.max(Math.min(shifted, now.getTime()), EARLIEST_ms)).toISOString();
}

const TAKEN: Taken = { ok: true };
const refuse = (because: Refused): Taken => ({ ok: false, refusal: because });

export async function takeReading(
  db: Database,
  job: string,
  reading: Reading,
  sender: Pick<Sender, 'person' | 'role'>,
): Promise<Taken> {
  if (!may(sender.role, 'measure')) return refuse('not-allowed');
  return inTransaction(db, async (tx) => {
    if (!(await lockOpening(tx, job, reading.opening))) return refuse('no-opening');
    const known = await storedIn(tx, readings, reading.id);
    if (known !== null) return known === job ? TAKEN : refuse('other-job');
    await tx.insert(readings).values({ ...readingRow(job, reading), userId: sender.person.id });
    await announce(tx, { job, opening: reading.opening });
    return TAKEN;
  });
}

/** Stores an entry, with its picture if it has one, when what is stored before it allows it. */
export async function takeEntry(
  db: Database,
  job: string,
  entry: Entry,
  sender: Sender,
  picture: Uint8Array | null = null,
): Promise<Taken> {
  if (!may(sender.role, ENTRY_ACTION[entry.kind])) return refuse('not-allowed');
  if ((entry.kind === 'photo') !== (picture !== null && entry.photo !== null)) return refuse('not-a-picture');
  return inTransaction(db, async (tx) => {
    if (!(await lockOpening(tx, job, entry.opening))) return refuse('no-opening');
    const known = await storedIn(tx, entries, entry.id);
    if (known !== null) return known === job ? TAKEN : refuse('other-job');
    const own = { ...entry, at: await inSendingOrder(tx, job, entry, sender.person.id) };
    const ground = {
      issues: await loadIssues(tx, job, entry.opening),
      entries: await loadEntries(tx, job, entry.opening),
    };
    const because = against(own, ground, sender);
    if (because !== null) return refuse(because);
    await tx.insert(entries).values({ ...entryRow(job, own), userId: sender.person.id });
    if (picture) await tx.insert(photos).values({ id: entry.id, bytes: Buffer.from(picture) });
    await announce(tx, { job, opening: entry.opening });
    return TAKEN;
  });
}

/** Clocks of devices are corrected by the moment they send at, which a slow line shifts by this at most. */
const SHIFTED_ms = 30_000;

/**
 * The moment of an entry, no earlier than that of one which the same person sent before it and which seems only a
 * little later: the order of sending decides, not how long the line took.
 */
async function inSendingOrder(tx: Queries, job: string, entry: Entry, user: string): Promise<string> {
  const at = new Date(entry.at);
  const [last] = await tx
    .select({ at: max(entries.at) })
    .from(entries)
    .where(
      and(
        eq(entries.jobId, job),
        eq(entries.openingId, entry.opening),
        eq(entries.userId, user),
        gt(entries.at, at),
        lt(entries.at, new Date(at.getTime() + SHIFTED_ms)),
      ),
    );
  return (last?.at ?? at).toISOString();
}

/** What speaks against an entry. It is judged by the plan it was made on and at the time it was made. */
function against(
  entry: Entry,
  part: Pick<OpeningPart, 'issues' | 'entries'>,
  { role, person, context, lookRule }: Sender,
): Refused | null {
  if (part.issues.length === 0) return 'not-started';
  const issues = part.issues.filter((issue) => issue.version <= entry.issue);
  const issue = issues.at(-1);
  if (issue?.version !== entry.issue) return 'unknown-step';
  const steps = filledIn(issue, context.job).build?.steps ?? [];
  const states = progress(steps, issues, part.entries, entry.at);
  const state = states.find((s) => s.id === entry.step);
  if (entry.kind === 'look' && !mayLook(lookRule, role, person.name, state?.tick?.person ?? null))
    return 'not-the-looker';
  const undone = entry.kind === 'undo' ? state?.entries.find((e) => e.id === entry.undoes) : undefined;
  if (undone && !may(role, ENTRY_ACTION[undone.kind])) return 'not-allowed';
  return refusal(entry, states, steps);
}

/** One record of an opening is taken at a time, so that each is judged by all that were taken before it. */
async function lockOpening(tx: Queries, job: string, opening: string): Promise<boolean> {
  const rows = await tx
    .select({ id: openings.id })
    .from(openings)
    .where(and(eq(openings.jobId, job), eq(openings.id, opening)))
    .for('update');
  return rows.length > 0;
}

/** The job in which a record of this id is stored. */
async function storedIn(
  tx: Queries,
  table: typeof entries | typeof readings,
  id: string,
): Promise<string | null> {
  const [row] = await tx.select({ jobId: table.jobId }).from(table).where(eq(table.id, id));
  return row?.jobId ?? null;
}

export async function loadPhoto(
  db: Database,
  job: string,
  id: string,
): Promise<{ type: string; bytes: Buffer } | null> {
  const [row] = await db
    .select({ bytes: photos.bytes, photo: entries.photo })
    .from(photos)
    .innerJoin(entries, eq(entries.id, photos.id))
    .where(and(eq(photos.id, id), eq(entries.jobId, job)));
  return row ? { type: mustRead('photo', row.photo, `picture ${id}`).type, bytes: row.bytes } : null;
}

export const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
