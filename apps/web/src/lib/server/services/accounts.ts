/** Signing in and out. */
import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { and, eq, gt } from 'drizzle-orm';
import type { Database } from '../db/index.ts';
import { sessions, users } from '../db/schema/index.ts';

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

export const SESSION_DAYS = 30;
const DAY_ms = 86_400_000;

const digest = (token: string): string => createHash('sha256').update(token).digest('hex');
const clean = (email: string): string => email.trim().toLowerCase();

export async function createUser(
  db: Database,
  user: { email: string; name: string; password: string },
): Promise<void> {
  const passwordHash = await hash(user.password);
  await db
    .insert(users)
    .values({ email: clean(user.email), name: user.name, passwordHash })
    .onConflictDoNothing();
}

/** Checked against when no such account exists, so that both answers take the same time. */
let decoy: Promise<string> | undefined;

/** Returns a session token, or `null` when e-mail and password do not belong together. */
export async function signIn(db: Database, email: string, password: string): Promise<string | null> {
  const [user] = await db
    .select()
    .from(users)
    .where(eq(users.email, clean(email)));
  decoy ??= hash(randomBytes(16).toString('hex'));
  const right = await verify(user?.passwordHash ?? (await decoy), password);
  if (!user || !right) return null;
  const token = randomBytes(32).toString('base64url');
  await db.insert(sessions).values({
    tokenHash: digest(token),
    userId: user.id,
    expiresAt: new Date(Date.now() + SESSION_DAYS * DAY_ms),
  });
  return token;
}

export async function signOut(db: Database, token: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.tokenHash, digest(token)));
}

export async function personOf(db: Database, token: string): Promise<Person | null> {
  const [row] = await db
    .select({ id: users.id, name: users.name, email: users.email })
    .from(sessions)
    .innerJoin(users, eq(users.id, sessions.userId))
    .where(and(eq(sessions.tokenHash, digest(token)), gt(sessions.expiresAt, new Date())));
  return row ?? null;
}

/** Failed tries by key (address and e-mail); five within a quarter of an hour close the door for a while. */
const LIMIT = 5;
const WINDOW_ms = 15 * 60_000;
const failures = new Map<string, number[]>();

const recent = (key: string, now: number) => (failures.get(key) ?? []).filter((t) => now - t < WINDOW_ms);

export const tooManyTries = (key: string, now = Date.now()): boolean => recent(key, now).length >= LIMIT;

export function noteFailure(key: string, now = Date.now()): void {
  if (failures.size > 10_000) failures.clear();
  failures.set(key, [...recent(key, now), now]);
}

export const forgetFailures = (key: string): void => void failures.delete(key);
