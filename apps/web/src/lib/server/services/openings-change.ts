/** The openings a job has: added, changed, removed and put back, all of a change or nothing. */
import { contentHash, sameMark, unitSchema, type OpeningDocument } from '@hulvek/core';
import { and, asc, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import type { OpeningsChange, RemovedOpening } from '../../contract/openings-change.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { storedContext, storedOpening } from '../db/stored.ts';
import { jobs, openings, openingVersions } from '../db/schema/index.ts';
import { announceAll } from './changes.ts';
import { namesIn, unnamed } from './names.ts';

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

interface Known {
  readonly document: OpeningDocument;
  readonly version: number;
  readonly removed: boolean;
}

/** Every opening of a job, removed ones too, in its newest version. */
async function openingsOf(tx: Queries, job: string): Promise<Map<string, Known>> {
  const rows = await tx
    .select({
      id: openings.id,
      version: openings.version,
      removedAt: openings.removedAt,
      document: openingVersions.document,
    })
    .from(openings)
    .innerJoin(
      openingVersions,
      and(
        eq(openingVersions.jobId, openings.jobId),
        eq(openingVersions.openingId, openings.id),
        eq(openingVersions.version, openings.version),
      ),
    )
    .where(eq(openings.jobId, job))
    .orderBy(asc(openings.position));
  return new Map(
    rows.map(({ id, version, removedAt, document }) => [
      id,
      { document: storedOpening(document), version, removed: removedAt !== null },
    ]),
  );
}

/** Marks that more than one of the openings would bear. */
function marksTwice(documents: readonly OpeningDocument[]): string[] {
  const seen = new Set<string>();
  return documents.flatMap(({ mark }) => {
    const twice = seen.has(sameMark(mark));
    seen.add(sameMark(mark));
    return twice ? [mark] : [];
  });
}

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
    const [row] = await tx.select().from(jobs).where(eq(jobs.id, job)).for('update');
    if (!row) return null;
    const context = storedContext(row);
    const known = await openingsOf(tx, job);
    const refuse = (
      because: Extract<OpeningsChanged, { ok: false }>['because'],
      marks: readonly string[] = [],
    ): OpeningsChanged => ({ ok: false, because, marks });

    const units = change.units.filter((unit) => !context.units.some(({ id }) => id === unit.id));
    for (const unit of change.units) {
      const there = context.units.find(({ id }) => id === unit.id);
      if (there && contentHash(there) !== contentHash(unit)) return refuse('unit-there', [unit.name]);
    }
    const added = change.add.filter(({ id }) => !known.has(id));
    const again = change.add.filter((document) => known.has(document.id));
    if (again.some(({ id, mark }) => known.get(id)?.document.mark !== mark)) return refuse('moved');
    const changed: OpeningDocument[] = [];
    for (const { version, document } of change.change) {
      const stored = known.get(document.id);
      if (!stored || stored.removed) return refuse('no-opening', [document.mark]);
      if (contentHash(stored.document.deviations ?? []) !== contentHash(document.deviations ?? []))
        return refuse('departures', [document.mark]);
      if (contentHash(stored.document) === contentHash(document)) continue;
      if (stored.version !== version) return refuse('moved', [stored.document.mark]);
      changed.push(document);
    }
    if (added.some(({ deviations }) => deviations !== undefined)) return refuse('departures');
    const [removed, restored] = [change.remove, change.restore].map((ids, i) =>
      ids.filter((id) => known.get(id)?.removed === (i === 1)),
    ) as [string[], string[]];
    if ([...change.remove, ...change.restore].some((id) => !known.has(id))) return refuse('no-opening');

    const next = new Map([...known].filter(([, { removed }]) => !removed).map(([id, k]) => [id, k.document]));
    for (const id of removed) next.delete(id as OpeningDocument['id']);
    for (const id of restored) {
      const back = known.get(id);
      if (back) next.set(id, back.document);
    }
    for (const document of [...changed, ...added]) next.set(document.id, document);
    const twice = marksTwice([...next.values()]);
    if (twice.length > 0) return refuse('marks', twice);
    const has = (list: readonly { id: string }[], id: string | null) =>
      id === null || list.some((item) => item.id === id);
    for (const { mark, wall, unit, method } of [...changed, ...added]) {
      if (!has(context.walls, wall)) return refuse('wall', [mark]);
      if (!has([...context.units, ...units], unit)) return refuse('unit', [mark]);
      if (!has(context.methods, method)) return refuse('method', [mark]);
    }

    if (units.length > 0) {
      const all = [...context.units, ...units.map((unit) => unitSchema.parse(unit))];
      await tx.update(jobs).set({ units: all }).where(eq(jobs.id, job));
    }
    const versions: Record<string, number> = {};
    const rows: (typeof openingVersions.$inferInsert)[] = [];
    const by = { userId: user };
    if (added.length > 0) {
      const place = sql<number>`(select coalesce(max(position), -1) + 1 from openings where job_id = ${job})`;
      await tx
        .insert(openings)
        .values(
          added.map(({ id }, i) => ({ jobId: job, id, position: sql`${place} + ${sql.raw(String(i))}` })),
        );
      for (const document of added)
        rows.push({ jobId: job, openingId: document.id, version: 1, document: unnamed(document), ...by });
    }
    for (const document of changed) {
      const version = (known.get(document.id)?.version ?? 0) + 1;
      await tx
        .update(openings)
        .set({ version })
        .where(and(eq(openings.jobId, job), eq(openings.id, document.id)));
      rows.push({ jobId: job, openingId: document.id, version, document: unnamed(document), ...by });
      versions[document.id] = version;
    }
    if (rows.length > 0) await tx.insert(openingVersions).values(rows);
    const here = (list: readonly string[]) => and(eq(openings.jobId, job), inArray(openings.id, [...list]));
    if (removed.length > 0)
      await tx.update(openings).set({ removedAt: new Date(), removedBy: user }).where(here(removed));
    if (restored.length > 0)
      await tx.update(openings).set({ removedAt: null, removedBy: null }).where(here(restored));

    const list = [...added, ...changed].map(({ id }) => id as string).concat(restored);
    // Who is there at all, and what they go by, is the job's own.
    const whole = units.length + added.length + removed.length + restored.length > 0;
    if (whole || list.length > 0) await announceAll(tx, { job, openings: whole ? null : list });
    return { ok: true, versions };
  });
}

/** Openings that are out of sight, the last removed first. */
export async function removedOpenings(db: Queries, job: string): Promise<RemovedOpening[]> {
  const rows = await db
    .select({
      id: openings.id,
      at: openings.removedAt,
      userId: openings.removedBy,
      document: openingVersions.document,
    })
    .from(openings)
    .innerJoin(
      openingVersions,
      and(
        eq(openingVersions.jobId, openings.jobId),
        eq(openingVersions.openingId, openings.id),
        eq(openingVersions.version, openings.version),
      ),
    )
    .where(and(eq(openings.jobId, job), isNotNull(openings.removedAt)))
    .orderBy(sql`${openings.removedAt} desc`);
  const names = await namesIn(db, job, rows);
  return rows.map(({ id, at, document, ...by }) => {
    const { mark, name } = storedOpening(document);
    return { id, mark, name, person: names.of(by).person, at: at?.toISOString() ?? '' };
  });
}
