/** Links by which those who come later read what they must not do, and say that they did. */
import { and, desc, eq } from 'drizzle-orm';
import { mustBe } from '../../contract/read.ts';
import { toldSchema, type linkKinds, type Told } from '../../contract/told.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { acknowledgements } from '../db/schema/index.ts';
import { makeToken, openTokens, readToken } from './tokens.ts';

/** A link holds so long. */
const TOLD_days = 120;
/** By one link so many may say that they read it. */
const MOST_SAID = 40;

type LinkKind = (typeof linkKinds)[number];

/** Makes a link for each of a list; their secrets are shown once, in its order. */
export const makeTold = (
  db: Database,
  { job, kind, list, madeBy }: { job: string; kind: LinkKind; list: readonly Told[]; madeBy: string },
): Promise<string[]> =>
  inTransaction(db, async (tx) => {
    const secrets: string[] = [];
    for (const tells of list)
      secrets.push(await makeToken(tx, { kind, job, madeBy, days: TOLD_days, tells }));
    return secrets;
  });

/** What a link tells, as long as it holds. Reading it changes nothing. */
export async function toldBy(db: Queries, kind: LinkKind, secret: string): Promise<Told | null> {
  const token = await readToken(db, kind, secret);
  return token?.tells ? mustBe(toldSchema, token.tells, 'what a link tells') : null;
}

/** Keeps that somebody said by a link to have read it. @returns whether the link held and had room */
export const sayRead = (db: Database, secret: string, name: string): Promise<boolean> =>
  inTransaction(db, async (tx) => {
    const token = await readToken(tx, 'notice', secret);
    if (!token?.jobId || !token.tells) return false;
    if ((await tx.$count(acknowledgements, eq(acknowledgements.tokenId, token.id))) >= MOST_SAID)
      return false;
    const { to } = mustBe(toldSchema, token.tells, 'what a link tells');
    await tx
      .insert(acknowledgements)
      .values({ jobId: token.jobId, tokenId: token.id, toWhom: to, said: name });
    return true;
  });

export async function toldIn(db: Queries, job: string) {
  const links = (await openTokens(db, job)).flatMap(({ id, kind, tells, expiresAt }) =>
    kind === 'notice' && tells
      ? [{ id, to: mustBe(toldSchema, tells, 'what a link tells').to, until: expiresAt.toISOString() }]
      : [],
  );
  const rows = await db
    .select()
    .from(acknowledgements)
    .where(and(eq(acknowledgements.jobId, job)))
    .orderBy(desc(acknowledgements.id))
    .limit(500);
  return {
    links,
    said: rows.map(({ toWhom, said, at }) => ({ to: toWhom, name: said, at: at.toISOString() })),
  };
}
