/** Links that let somebody do one thing: 128 random bits, kept as a digest, for one purpose, until a day, once. */
import { createHash, randomBytes } from 'node:crypto';
import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import type { TokenKind } from '../../contract/doors.ts';
import type { Role } from '../../contract/rights.ts';
import type { Queries } from '../db/index.ts';
import { tokens } from '../db/schema/index.ts';

export const digest = (secret: string): string => createHash('sha256').update(secret).digest('hex');

const SECRET_bytes = 16;
const DAY_ms = 86_400_000;

export interface TokenScope {
  readonly kind: TokenKind;
  readonly job?: string;
  readonly role?: Role;
  /** The account it is for. */
  readonly user?: string;
  readonly madeBy: string | null;
  readonly days: number;
  /** What it tells, where it tells something. */
  readonly tells?: unknown;
}

export type Token = typeof tokens.$inferSelect;

/** Returns the secret of a new link: it is shown once, and stands nowhere. */
export async function makeToken(db: Queries, scope: TokenScope, now = new Date()): Promise<string> {
  const secret = randomBytes(SECRET_bytes).toString('base64url');
  await db.insert(tokens).values({
    hash: digest(secret),
    kind: scope.kind,
    jobId: scope.job ?? null,
    role: scope.role ?? null,
    userId: scope.user ?? null,
    madeBy: scope.madeBy,
    tells: scope.tells ?? null,
    expiresAt: new Date(now.getTime() + scope.days * DAY_ms),
  });
  return secret;
}

const open = () => and(isNull(tokens.usedAt), isNull(tokens.revokedAt), gt(tokens.expiresAt, new Date()));
const named = (kind: TokenKind, secret: string) =>
  and(eq(tokens.hash, digest(secret)), eq(tokens.kind, kind), open());

/** The link as long as it holds; looking at it changes nothing. */
export async function readToken(db: Queries, kind: TokenKind, secret: string): Promise<Token | null> {
  const [row] = await db.select().from(tokens).where(named(kind, secret));
  return row ?? null;
}

/** Uses a link up; `null` where it holds no more. Of many who use it at once one does. */
export async function spendToken(tx: Queries, kind: TokenKind, secret: string): Promise<Token | null> {
  const [row] = await tx.update(tokens).set({ usedAt: new Date() }).where(named(kind, secret)).returning();
  return row ?? null;
}

/** Links of a job that still hold, newest first. */
export const openTokens = (db: Queries, job: string): Promise<Token[]> =>
  db
    .select()
    .from(tokens)
    .where(and(eq(tokens.jobId, job), open()))
    .orderBy(desc(tokens.madeAt));

/** @returns whether there was such a link in the job that still held */
export async function revokeToken(db: Queries, job: string, id: string): Promise<boolean> {
  const rows = await db
    .update(tokens)
    .set({ revokedAt: new Date() })
    .where(and(eq(tokens.jobId, job), eq(tokens.id, id), open()))
    .returning({ id: tokens.id });
  return rows.length > 0;
}
