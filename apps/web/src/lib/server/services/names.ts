/** Who an id stands for. Records hold ids; names are looked up whenever somebody reads them. */
import type { Deviation, Maker, OpeningDocument } from '@hulvek/core';
import { asc, eq, inArray, or, sql } from 'drizzle-orm';
import type { Queries } from '../db/index.ts';
import { brought, members, users } from '../db/schema/index.ts';
import { makerWords } from '$words/contract.ts';

/** Where a record says who made it. */
export interface MadeBy {
  readonly userId: string | null;
  readonly broughtId?: string | null;
}

export class Names {
  /** By account, told apart where two bear the same name. */
  readonly #accounts: ReadonlyMap<string, string>;
  readonly #brought: ReadonlyMap<string, typeof brought.$inferSelect>;

  constructor(
    accounts: readonly { id: string; name: string }[],
    cameIn: readonly (typeof brought.$inferSelect)[] = [],
  ) {
    this.#accounts = toldApart(accounts);
    this.#brought = new Map(cameIn.map((row) => [row.id, row]));
  }

  /** The name of an account, also of one that is no more. */
  account = (id: string): string => this.#accounts.get(id) ?? makerWords.erased;

  of({ userId, broughtId = null }: MadeBy): Maker {
    if (userId !== null) return { person: this.account(userId), account: userId };
    const row = broughtId === null ? undefined : this.#brought.get(broughtId);
    if (!row) return { person: makerWords.unknown };
    const by = row.userId === null ? makerWords.unknown : this.account(row.userId);
    return { person: row.name, brought: { by, from: row.file } };
  }

  /** Departures under the names that their accounts bear now. */
  named<Document extends Pick<OpeningDocument, 'deviations'>>(document: Document): Document {
    if (!document.deviations?.some(({ account }) => account !== undefined)) return document;
    const deviations = document.deviations.map((deviation) =>
      deviation.account === undefined ? deviation : { ...deviation, person: this.account(deviation.account) },
    );
    return { ...document, deviations };
  }
}

/** A document as it is stored: whoever has an account is in it by that alone. */
export function unnamed<Document extends Pick<OpeningDocument, 'deviations'>>(document: Document): Document {
  if (!document.deviations) return document;
  const bare = (deviation: Deviation): Deviation =>
    deviation.account === undefined ? deviation : { ...deviation, person: makerWords.account };
  return { ...document, deviations: document.deviations.map(bare) };
}

/** Two of one name get a number, the older account the first. */
export function toldApart(accounts: readonly { id: string; name: string }[]): Map<string, string> {
  const seen = new Map<string, number>();
  return new Map(
    accounts.map(({ id, name }) => {
      const key = name.trim().toLowerCase();
      const before = seen.get(key) ?? 0;
      seen.set(key, before + 1);
      return [id, before === 0 ? name : `${name} · ${before + 1}`];
    }),
  );
}

/** Everybody whom the records of a job may name: its members, those who were, and those whom files name. */
export async function namesIn(db: Queries, job: string, others: readonly MadeBy[] = []): Promise<Names> {
  const ids = [...new Set(others.flatMap(({ userId }) => userId ?? []))];
  const cameIn = await db.select().from(brought).where(eq(brought.jobId, job));
  const broughtBy = cameIn.flatMap(({ userId }) => userId ?? []);
  const member = sql`${users.id} in (select ${members.userId} from ${members} where ${members.jobId} = ${job})`;
  const known = [...ids, ...broughtBy];
  const accounts = await db
    .select({ id: users.id, name: users.name })
    .from(users)
    .where(known.length > 0 ? or(member, inArray(users.id, known)) : member)
    .orderBy(asc(users.createdAt), asc(users.id));
  return new Names(accounts, cameIn);
}

/** Names of accounts wherever they work together. */
export async function namesOf(db: Queries, ids: readonly (string | null)[]): Promise<Names> {
  const known = [...new Set(ids.flatMap((id) => id ?? []))];
  if (known.length === 0) return new Names([]);
  const accounts = await db
    .select({ id: users.id, name: users.name })
    .from(users)
    .where(inArray(users.id, known))
    .orderBy(asc(users.createdAt), asc(users.id));
  return new Names(accounts);
}
