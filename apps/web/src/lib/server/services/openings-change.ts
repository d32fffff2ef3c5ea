/** The openings a job has: added, changed, removed and put back, all of a change or nothing. */
import {
  contentHash,
  sameMark,
  type JobContext,
  type OpeningDocument,
  type Unit,
  type Wall,
} from '@hulvek/core';
import { and, desc, eq, inArray, isNotNull, type SQL } from 'drizzle-orm';
import type { OpeningsChange, RemovedOpening } from '../../contract/openings-change.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { storedContext, storedOpening } from '../db/stored.ts';
import { jobs, openings, openingVersions } from '../db/schema/index.ts';
import { announceAll } from './changes.ts';
import { namesIn } from './names.ts';
import { insertOpenings, newestVersion, notInJob, versionRow } from './openings.ts';

export type OpeningsChanged =
  | { readonly ok: true; readonly versions: Readonly<Record<string, number>> }
  | {
      readonly ok: false;
      /** `moved`: somebody changed one meanwhile · `departures`: they are made on the opening's own page. */
      readonly because:
        'marks' | 'moved' | 'no-opening' | 'unit-there' | 'wall' | 'unit' | 'method' | 'departures';
      /** Marks of the openings it is about. */
      readonly marks: readonly string[];
    };

type Refused = Extract<OpeningsChanged, { ok: false }>;

interface Known {
  readonly document: OpeningDocument;
  readonly version: number;
  readonly removed: boolean;
}

/** What of a change is not there yet: a change that is sent again leaves nothing to do. */
interface ToDo {
  readonly units: readonly Unit[];
  readonly walls: readonly Wall[];
  readonly added: readonly OpeningDocument[];
  readonly changed: readonly { readonly document: OpeningDocument; readonly version: number }[];
  readonly removed: readonly string[];
  readonly restored: readonly string[];
}

const withChosen = (tx: Queries, where: SQL | undefined) =>
  tx
    .select({
      id: openings.id,
      version: openings.version,
      removedAt: openings.removedAt,
      userId: openings.removedBy,
      document: openingVersions.document,
    })
    .from(openings)
    .innerJoin(openingVersions, newestVersion)
    .where(where);

/**
 * Changes the openings of a job. The same change sent again changes nothing and is answered the same way, so that neither a
 * double press nor a lost answer makes anything twice.
 */
export async function changeOpenings(
  db: Database,
  job: string,
  change: OpeningsChange,
  user: string | null,
): Promise<OpeningsChanged | null> {
  return inTransaction(db, async (tx): Promise<OpeningsChanged | null> => {
    // Whoever changes which openings there are waits here: no mark is given twice.
    const [row] = await tx.select().from(jobs).where(eq(jobs.id, job)).for('update');
    if (!row) return null;
    const context = storedContext(row);
    const known = new Map(
      (await withChosen(tx, eq(openings.jobId, job))).map(({ id, version, removedAt, document }) => [
        id,
        { document: storedOpening(document), version, removed: removedAt !== null },
      ]),
    );
    const todo = leftToDo(change, known, context);
    if ('because' in todo) return todo;
    const refusal = refusedFor(todo, known, context);
    if (refusal) return refusal;
    await store(tx, job, todo, { context, userId: user });
    const versions = Object.fromEntries(todo.changed.map(({ document, version }) => [document.id, version]));
    return { ok: true, versions };
  });
}

const refuse = (because: Refused['because'], marks: readonly string[] = []): Refused => ({
  ok: false,
  because,
  marks,
});

function leftToDo(
  change: OpeningsChange,
  known: ReadonlyMap<string, Known>,
  { units, walls }: JobContext,
): ToDo | Refused {
  const unitNow = (id: string) => units.find((unit) => unit.id === id);
  const wallNow = (id: string) => walls.find((wall) => wall.id === id);
  for (const one of [...change.units, ...change.walls]) {
    const there = unitNow(one.id) ?? wallNow(one.id);
    if (there && contentHash(there) !== contentHash(one)) return refuse('unit-there', [one.name]);
  }
  for (const { id, mark, deviations } of change.add) {
    const there = known.get(id);
    if (there && there.document.mark !== mark) return refuse('moved', [mark]);
    if (deviations !== undefined) return refuse('departures', [mark]);
  }
  const changed: { document: OpeningDocument; version: number }[] = [];
  for (const { version, document } of change.change) {
    const stored = known.get(document.id);
    if (!stored || stored.removed) return refuse('no-opening', [document.mark]);
    if (contentHash(stored.document.deviations ?? []) !== contentHash(document.deviations ?? []))
      return refuse('departures', [document.mark]);
    if (contentHash(stored.document) === contentHash(document)) continue;
    if (stored.version !== version) return refuse('moved', [stored.document.mark]);
    changed.push({ document, version: version + 1 });
  }
  if ([...change.remove, ...change.restore].some((id) => !known.has(id))) return refuse('no-opening');
  return {
    units: change.units.filter(({ id }) => !unitNow(id)),
    walls: change.walls.filter(({ id }) => !wallNow(id)),
    added: change.add.filter(({ id }) => !known.has(id)),
    changed,
    removed: change.remove.filter((id) => known.get(id)?.removed === false),
    restored: change.restore.filter((id) => known.get(id)?.removed === true),
  };
}

/** What speaks against the job as it would then be. */
function refusedFor(todo: ToDo, known: ReadonlyMap<string, Known>, context: JobContext): Refused | null {
  const written = [...todo.added, ...todo.changed.map(({ document }) => document)];
  const next = new Map<string, string>();
  for (const [id, { document, removed }] of known)
    if (todo.restored.includes(id) || (!removed && !todo.removed.includes(id))) next.set(id, document.mark);
  for (const { id, mark } of written) next.set(id, mark);
  const marks = [...next.values()];
  const twice = marks.filter((mark, i) => marks.findIndex((other) => sameMark(other) === sameMark(mark)) < i);
  if (twice.length > 0) return refuse('marks', twice);
  const then = {
    ...context,
    units: [...context.units, ...todo.units],
    walls: [...context.walls, ...todo.walls],
  };
  for (const document of written) {
    const missing = notInJob(then, document);
    if (missing) return refuse(missing, [document.mark]);
  }
  return null;
}

async function store(
  tx: Queries,
  job: string,
  { units, walls, added, changed, removed, restored }: ToDo,
  { context, userId }: { context: JobContext; userId: string | null },
): Promise<void> {
  const here = (ids: readonly string[]) => and(eq(openings.jobId, job), inArray(openings.id, [...ids]));
  if (units.length + walls.length > 0)
    await tx
      .update(jobs)
      .set({ units: [...context.units, ...units], walls: [...context.walls, ...walls] })
      .where(eq(jobs.id, job));
  if (added.length > 0 && !(await insertOpenings(tx, job, added, { userId })))
    throw new Error('an opening was there under the lock of its job');
  for (const { document, version } of changed)
    await tx
      .update(openings)
      .set({ version })
      .where(here([document.id]));
  if (changed.length > 0)
    await tx
      .insert(openingVersions)
      .values(changed.map(({ document, version }) => versionRow(job, document, version, { userId })));
  if (removed.length > 0)
    await tx.update(openings).set({ removedAt: new Date(), removedBy: userId }).where(here(removed));
  if (restored.length > 0)
    await tx.update(openings).set({ removedAt: null, removedBy: null }).where(here(restored));
  // Which openings there are, and what they go by, is the job's own.
  const whole = units.length + walls.length + added.length + removed.length + restored.length > 0;
  const ids = changed.map(({ document }) => document.id);
  if (whole || ids.length > 0) await announceAll(tx, { job, openings: whole ? null : ids });
}

/** Openings that are out of sight, the last removed first. */
export async function removedOpenings(db: Queries, job: string): Promise<RemovedOpening[]> {
  const gone = and(eq(openings.jobId, job), isNotNull(openings.removedAt));
  const rows = await withChosen(db, gone).orderBy(desc(openings.removedAt));
  const names = await namesIn(db, job, rows);
  return rows.map(({ id, removedAt, document, userId }) => {
    const { mark, name } = storedOpening(document);
    return { id, mark, name, person: names.of({ userId }).person, at: removedAt?.toISOString() ?? '' };
  });
}
