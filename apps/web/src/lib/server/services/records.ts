/** Taking records from devices: each stored once, or refused with its reason, whatever order they arrive in. */
import { createHash } from 'node:crypto';
import {
  contentHash,
  faultsOf,
  frozenBuild,
  mustRead,
  progress,
  refusal,
  thawedIssue,
  type Entry,
  type Issue,
  type Maker,
  type PlannedStep,
  type Reading,
} from '@hulvek/core';
import { makerWords } from '$words/contract.ts';
import { and, eq, inArray } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { entries, photos, readings } from '../db/schema/index.ts';
import { storedEntry, storedReading } from '../db/stored.ts';
import { ENTRY_ACTION, may, mayLook, type LookRule, type Role } from '../../contract/rights.ts';
import type { Person } from './accounts.ts';
import type { Refused } from '../../contract/refused.ts';
import { announcement, revisionIn } from './changes.ts';
import { loadContext } from './jobs.ts';
import { loadIssues } from './frozen-plans.ts';
import {
  allEntries,
  doneAt,
  keepDone,
  lockOpenings,
  withEntries,
  type Done,
  type Held,
} from './held-openings.ts';
import { entryRow, readingRow, type OpeningPart } from './openings.ts';

export type Taken = { readonly ok: true } | { readonly ok: false; readonly refusal: Refused };

/** Who sends, and what the job says about them. */
export interface Sender {
  readonly person: Person;
  readonly role: Role;
  readonly lookRule: LookRule;
}

/** A record as it was sent, with the picture where it is of one. */
export type SentRecord =
  | { readonly type: 'reading'; readonly record: Omit<Reading, 'person'> }
  | { readonly type: 'entry'; readonly record: Omit<Entry, 'person'>; readonly picture?: Uint8Array };

/** Two clocks at one moment. */
export interface Clocks {
  /** What the device said when it sent. */
  readonly sentAt: string;
  readonly now: Date;
}

const TAKEN: Taken = { ok: true };
const refuse = (because: Refused): Taken => ({ ok: false, refusal: because });

/** As far as a clock may be off and still be written down, s. */
const MOST_OFF_s = 2_000_000_000;

/** By how much a device's clock is slow, s. */
export const slowBy = ({ sentAt, now }: Clocks): number =>
  Math.max(-MOST_OFF_s, Math.min(MOST_OFF_s, Math.round((now.getTime() - Date.parse(sentAt)) / 1000)));

/** What one device sent at a moment. */
export interface Send {
  readonly sent: readonly SentRecord[];
  readonly sender: Sender;
  readonly clocks: Clocks;
}

/**
 * Takes records one after the other, each judged by all that were taken before it, and commits them together: one that is
 * refused keeps none of the others out, and whatever was taken before is answered the same way again.
 */
export async function takeRecords(
  db: Database,
  job: string,
  sent: readonly SentRecord[],
  sender: Sender,
  clocks: Clocks,
): Promise<Taken[]> {
  const [answers = []] = await takeSends(db, job, [{ sent, sender, clocks }]);
  return answers;
}

/** The same for what several devices sent: one transaction for all of them. Answers stand in the order of the sends. */
export async function takeSends(db: Database, job: string, sends: readonly Send[]): Promise<Taken[][]> {
  try {
    return await new Taking(job, sends, false).run(db);
  } catch (error) {
    if (!(error instanceof SomeThere)) throw error;
    return new Taking(job, sends, true).run(db);
  }
}

/** Ends an attempt that took records for new ones of which some are stored. */
class SomeThere extends Error {}

/** One transaction that takes records. */
class Taking {
  readonly #job: string;
  readonly #sends: readonly Send[];
  readonly #all: readonly SentRecord[];
  readonly #careful: boolean;
  #known = new Map<string, Stored>();
  #held: ReadonlyMap<string, Held> = new Map();
  #done = new Map<string, Done>();
  readonly #taken: Entry[] = [];
  readonly #plans = new Map<string, Issue[]>();
  readonly #readings: (typeof readings.$inferInsert)[] = [];
  readonly #entries: (typeof entries.$inferInsert)[] = [];
  readonly #pictures: { id: string; bytes: Buffer }[] = [];

  /** @param careful looks first which of the records are stored; without it that shows when they are */
  constructor(job: string, sends: readonly Send[], careful: boolean) {
    this.#job = job;
    this.#sends = sends;
    this.#all = sends.flatMap(({ sent }) => sent);
    this.#careful = careful;
  }

  async run(db: Database): Promise<Taken[][]> {
    let revision: number | null = null;
    const answers = await inTransaction(db, async (tx, last) => {
      await this.#lookUp(tx);
      const answers: Taken[][] = [];
      for (const send of this.#sends) {
        const own: Taken[] = [];
        for (const one of send.sent) own.push(await this.#takeOne(tx, one, send));
        answers.push(own);
      }
      await this.#store(tx);
      const added = [...this.#readings, ...this.#entries].map(({ id, openingId }) => ({
        id,
        opening: openingId,
      }));
      if (added.length > 0)
        last({
          text: announcement({
            job: this.#job,
            openings: [],
            records: added,
            plans: this.#readings.length > 0,
          }),
          answered: (answer) => (revision = revisionIn(answer)),
        });
      return answers;
    });
    if (revision !== null)
      for (const [opening, done] of this.#done) keepDone(this.#job, opening, revision, done);
    return answers;
  }

  async #lookUp(tx: Queries): Promise<void> {
    const at = [...new Set(this.#all.map(({ record }) => record.opening as string))];
    this.#held = await lockOpenings(tx, this.#job, at);
    if (this.#careful) this.#known = await storedAlready(tx, this.#all);
    const begun = new Set(
      this.#all.flatMap(({ type, record }) => (type === 'entry' ? [record.opening as string] : [])),
    );
    const heldBegun = new Map([...this.#held].filter(([id]) => begun.has(id)));
    this.#done = await doneAt(tx, this.#job, heldBegun);
  }

  async #takeOne(tx: Queries, one: SentRecord, { sender, clocks }: Send): Promise<Taken> {
    const action = one.type === 'reading' ? 'measure' : ENTRY_ACTION[one.record.kind];
    if (!may(sender.role, action)) return refuse('not-allowed');
    const own = this.#held.get(one.record.opening);
    if (!own) return refuse('no-opening');
    const before = this.#known.get(one.record.id);
    if (before) {
      if (before.job !== this.#job) return refuse('other-job');
      return before.print === printOf(one) ? TAKEN : refuse('other-content');
    }
    const received = { received: clocks.now.toISOString(), clock_s: slowBy(clocks) };
    const maker: Maker = { person: makerWords.account, account: sender.person.id };
    const by = { userId: sender.person.id };
    if (one.type === 'reading')
      this.#readings.push({ ...readingRow(this.#job, { ...one.record, ...received, ...maker }), ...by });
    else {
      const entry: Entry = { ...one.record, ...received, ...maker };
      if ((entry.kind === 'photo') !== (one.picture !== undefined && entry.photo !== null))
        return refuse('not-a-picture');
      // A picture is the one that its device digested.
      if (entry.facts?.kind === 'picture' && entry.photo?.sha256 !== entry.facts.sha256)
        return refuse('not-a-picture');
      const issues =
        this.#plans.get(entry.opening) ?? (await loadIssues(tx, this.#job, entry.opening, own.plans));
      this.#plans.set(entry.opening, issues);
      const earlier = await this.#earlier(tx, entry);
      if ([...earlier, ...this.#taken].some(({ id }) => id === entry.id)) throw new SomeThere();
      const because = await against(tx, this.#job, entry, { issues, entries: earlier }, sender);
      if (because !== null) return refuse(because);
      this.#taken.push(entry);
      const done = this.#done.get(entry.opening);
      if (done) this.#done.set(entry.opening, withEntries(done, [entry]));
      this.#entries.push({ ...entryRow(this.#job, entry), ...by });
      if (one.picture) this.#pictures.push({ id: entry.id, bytes: Buffer.from(one.picture) });
    }
    if (this.#all.length > 1) this.#known.set(one.record.id, { job: this.#job, print: printOf(one) });
    return TAKEN;
  }

  /** What an entry is judged by: what moves steps, and where something is taken back everything there is. */
  async #earlier(tx: Queries, { kind, opening }: Entry): Promise<readonly Entry[]> {
    if (kind !== 'undo') return this.#done.get(opening)?.entries ?? [];
    return [
      ...(await allEntries(tx, this.#job, opening)),
      ...this.#taken.filter((entry) => entry.opening === opening),
    ];
  }

  async #store(tx: Queries): Promise<void> {
    if (this.#readings.length > 0) {
      const stored = await tx
        .insert(readings)
        .values(this.#readings)
        .onConflictDoNothing()
        .returning({ id: readings.id });
      if (stored.length < this.#readings.length) throw new SomeThere();
    }
    if (this.#entries.length > 0) {
      const stored = await tx
        .insert(entries)
        .values(this.#entries)
        .onConflictDoNothing()
        .returning({ id: entries.id });
      if (stored.length < this.#entries.length) throw new SomeThere();
    }
    if (this.#pictures.length > 0) await tx.insert(photos).values(this.#pictures);
  }
}

interface Stored {
  readonly job: string;
  readonly print: string;
}

/** What a record says, whoever says it: the same id may come again with the same content only. */
function printOf({ type, record }: SentRecord): string {
  const { received: _received, clock_s: _clock, account: _account, brought: _brought, ...said } = record;
  const content: Record<string, unknown> = { type, ...said };
  delete content.person;
  if (content.built === null) delete content.built;
  if (content.facts === null) delete content.facts;
  return contentHash({
    ...content,
    // Of a device that says nothing of itself the time was once set right by the server.
    at: record.at === null || record.device === undefined ? null : new Date(record.at).toISOString(),
  });
}

/** What is stored under the ids of records that were sent, by id. */
async function storedAlready(tx: Queries, sent: readonly SentRecord[]): Promise<Map<string, Stored>> {
  const ids = (wanted: SentRecord['type']) =>
    sent.flatMap(({ type, record }) => (type === wanted ? [record.id] : []));
  const found = new Map<string, Stored>();
  const [entryIds, readingIds] = [ids('entry'), ids('reading')];
  if (entryIds.length > 0)
    for (const row of await tx.select().from(entries).where(inArray(entries.id, entryIds)))
      found.set(row.id, { job: row.jobId, print: printOf({ type: 'entry', record: storedEntry(row) }) });
  if (readingIds.length > 0)
    for (const row of await tx.select().from(readings).where(inArray(readings.id, readingIds)))
      found.set(row.id, { job: row.jobId, print: printOf({ type: 'reading', record: storedReading(row) }) });
  return found;
}

/** What speaks against an entry. It is judged by the plan it was made on and at the time it was made. */
async function against(
  tx: Queries,
  job: string,
  entry: Entry,
  part: Pick<OpeningPart, 'issues' | 'entries'>,
  { role, person, lookRule }: Sender,
): Promise<Refused | null> {
  if (part.issues.length === 0) return 'not-started';
  const issues = part.issues.filter((issue) => issue.version <= entry.issue);
  const issue = issues.at(-1);
  if (issue?.version !== entry.issue) return 'unknown-step';
  const steps = await stepsOf(tx, job, issue);
  const states = progress(steps, issues, part.entries, entry);
  const state = states.find((s) => s.id === entry.step);
  if (entry.kind === 'look' && !mayLook(lookRule, role, person, state?.tick ?? null)) return 'not-the-looker';
  if (entry.kind === 'rechecked') {
    const { facts } = entry;
    const fault = faultsOf(state?.entries ?? []).find(
      (one) => facts?.kind === 'rechecked' && one.entry.id === facts.fault,
    );
    if (!mayLook(lookRule, role, person, fault?.mended ?? null)) return 'not-the-looker';
  }
  const undone = entry.kind === 'undo' ? state?.entries.find((e) => e.id === entry.undoes) : undefined;
  if (undone && !may(role, ENTRY_ACTION[undone.kind])) return 'not-allowed';
  return refusal(entry, states, steps);
}

/** The steps of a frozen plan; of one from before walls were kept they are planned again. */
async function stepsOf(tx: Queries, job: string, issue: Issue): Promise<readonly PlannedStep[]> {
  const known = thawed.get(issue);
  if (known) return known;
  const context = issue.build ? null : await loadContext(tx, job);
  const kept = issue.build ? thawedIssue(issue) : context && frozenBuild(issue, context.job);
  const steps = kept?.build.steps ?? [];
  thawed.set(issue, steps);
  return steps;
}

/** Frozen plans are kept from one record to the next, and so are their steps. */
const thawed = new WeakMap<Issue, readonly PlannedStep[]>();

export async function loadPhoto(
  db: Database,
  job: string,
  id: string,
): Promise<{ type: string; bytes: Buffer; opening: string } | null> {
  const [row] = await db
    .select({ bytes: photos.bytes, photo: entries.photo, opening: entries.openingId })
    .from(photos)
    .innerJoin(entries, eq(entries.id, photos.id))
    .where(and(eq(photos.id, id), eq(entries.jobId, job)));
  if (!row) return null;
  const { type } = mustRead('photo', row.photo, `picture ${id}`);
  return { type, bytes: row.bytes, opening: row.opening };
}

export const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
