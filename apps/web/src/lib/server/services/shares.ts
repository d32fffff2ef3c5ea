/**
 * A job shared by link: what it shows is fixed when it is made. The link itself only opens a door; whoever goes through it
 * carries a cookie that is good for that one share and nothing else.
 */
import { and, asc, count, desc, eq, gt, isNull, max } from 'drizzle-orm';
import { mustBe } from '../../contract/read.ts';
import { shareScopeSchema, type Question, type Shares, type ShareScope } from '../../contract/shared.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { audit, jobs, questions, tokens } from '../db/schema/index.ts';
import { note } from './audit.ts';
import { digest, makeToken, openTokens, readToken } from './tokens.ts';

/** Questions by one link. */
const MOST_QUESTIONS = 60;

export interface Share {
  readonly id: string;
  readonly job: string;
  readonly scope: ShareScope;
  readonly until: Date;
}

/** Makes a link; its secret is shown once. */
export const makeShare = (
  db: Database,
  of: { readonly job: string; readonly madeBy: string; readonly scope: ShareScope; readonly days: number },
): Promise<string> =>
  inTransaction(db, async (tx) => {
    const { job, madeBy, scope, days } = of;
    const secret = await makeToken(tx, { kind: 'share', job, madeBy, days, tells: scope });
    const [row] = await tx
      .select({ id: tokens.id })
      .from(tokens)
      .where(eq(tokens.hash, digest(secret)));
    await note(tx, { action: 'shared', user: madeBy, job, about: row?.id ?? '' });
    return secret;
  });

const asShare = (token: typeof tokens.$inferSelect | null): Share | null =>
  token?.jobId && token.tells
    ? {
        id: token.id,
        job: token.jobId,
        scope: mustBe(shareScopeSchema, token.tells, 'what a share shows'),
        until: token.expiresAt,
      }
    : null;

/** What a link opens, as long as it holds. Looking at it is no visit: programs do that before people do. */
export const shareBy = async (db: Queries, secret: string): Promise<Share | null> =>
  asShare(await readToken(db, 'share', secret));

/** Somebody goes in by a link: that is a visit. */
export async function enterShare(db: Queries, secret: string): Promise<Share | null> {
  const share = await shareBy(db, secret);
  if (share) await note(db, { action: 'share-opened', user: null, job: share.job, about: share.id });
  return share;
}

/** The share of an address, for whoever carries its cookie. */
export async function shareAt(db: Queries, id: string, cookie: string | undefined): Promise<Share | null> {
  if (!cookie) return null;
  const [row] = await db
    .select({ token: tokens })
    .from(tokens)
    .innerJoin(jobs, and(eq(jobs.id, tokens.jobId), isNull(jobs.deletedAt)))
    .where(
      and(
        eq(tokens.hash, digest(cookie)),
        eq(tokens.kind, 'share'),
        isNull(tokens.revokedAt),
        gt(tokens.expiresAt, new Date()),
      ),
    );
  return row?.token.id === id ? asShare(row.token) : null;
}

/** @returns whether there was room for another question */
export const askQuestion = (
  db: Database,
  share: Share,
  of: { readonly opening: string | null; readonly text: string },
): Promise<boolean> =>
  inTransaction(db, async (tx) => {
    if ((await tx.$count(questions, eq(questions.tokenId, share.id))) >= MOST_QUESTIONS) return false;
    await tx.insert(questions).values({
      jobId: share.job,
      openingId: of.opening,
      tokenId: share.id,
      toWhom: share.scope.to,
      question: of.text,
    });
    return true;
  });

/** What was asked by one link, and answered. */
export async function questionsOf(db: Queries, share: Share, opening: string | null): Promise<Question[]> {
  const rows = await db
    .select()
    .from(questions)
    .where(
      and(
        eq(questions.tokenId, share.id),
        opening === null ? isNull(questions.openingId) : eq(questions.openingId, opening),
      ),
    )
    .orderBy(asc(questions.id));
  return rows.map(asQuestion);
}

const asQuestion = (row: typeof questions.$inferSelect): Question => ({
  id: row.id,
  opening: row.openingId,
  to: row.toWhom,
  question: row.question,
  at: row.at.toISOString(),
  answer: row.answer,
  answeredAt: row.answeredAt?.toISOString() ?? null,
});

/** @returns whether there was such a question in the job */
export async function answerQuestion(
  db: Queries,
  of: { readonly job: string; readonly question: number; readonly answer: string; readonly user: string },
): Promise<boolean> {
  const rows = await db
    .update(questions)
    .set({ answer: of.answer, answeredBy: of.user, answeredAt: new Date() })
    .where(and(eq(questions.jobId, of.job), eq(questions.id, of.question)))
    .returning({ id: questions.id });
  return rows.length > 0;
}

/** Links of a job that hold, how often each was opened, and what was asked. */
export async function sharesIn(db: Queries, job: string): Promise<Shares> {
  const visits = await db
    .select({ id: audit.about, n: count(), last: max(audit.at) })
    .from(audit)
    .where(and(eq(audit.jobId, job), eq(audit.action, 'share-opened')))
    .groupBy(audit.about);
  const of = new Map(visits.map(({ id, n, last }) => [id, { n, last }]));
  const links = (await openTokens(db, job)).flatMap((token) => {
    const share = token.kind === 'share' ? asShare(token) : null;
    if (!share) return [];
    const { n = 0, last = null } = of.get(share.id) ?? {};
    return [
      {
        id: share.id,
        to: share.scope.to,
        until: share.until.toISOString(),
        visits: n,
        last: last?.toISOString() ?? null,
      },
    ];
  });
  const asked = await db
    .select()
    .from(questions)
    .where(eq(questions.jobId, job))
    .orderBy(desc(questions.id))
    .limit(500);
  return { links, questions: asked.map(asQuestion) };
}
