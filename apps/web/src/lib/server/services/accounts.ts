/** Signing in and out. */
import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { and, eq, gt, ne } from 'drizzle-orm';
import type { Database } from '../db/index.ts';
import { sessions, users } from '../db/schema/index.ts';

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

export const SESSION_DAYS = 30;
const DAY_ms = 86_400_000;

export const digest = (token: string): string => createHash('sha256').update(token).digest('hex');
const clean = (email: string): string => email.trim().toLowerCase();

/** Shortest password that is taken. */
export const LEAST_PASSWORD = 10;

/** Returns the account's id, or `null` when the e-mail has one already. */
export async function createUser(
  db: Database,
  user: { email: string; name: string; password: string },
): Promise<string | null> {
  const passwordHash = await hash(user.password);
  const [added] = await db
    .insert(users)
    .values({ email: clean(user.email), name: user.name, passwordHash })
    .onConflictDoNothing()
    .returning({ id: users.id });
  return added?.id ?? null;
}

export async function userByEmail(db: Database, email: string): Promise<string | null> {
  const [user] = await db
    .select({ id: users.id })
    .from(users)
    .where(eq(users.email, clean(email)));
  return user?.id ?? null;
}

/** Changes the password when the old one is right, and ends every other session. */
export async function changePassword(
  db: Database,
  change: { user: string; old: string; next: string; keep: string },
): Promise<boolean> {
  const [user] = await db.select().from(users).where(eq(users.id, change.user));
  if (!user || !(await verify(user.passwordHash, change.old))) return false;
  await db
    .update(users)
    .set({ passwordHash: await hash(change.next) })
    .where(eq(users.id, change.user));
  await db
    .delete(sessions)
    .where(and(eq(sessions.userId, change.user), ne(sessions.tokenHash, digest(change.keep))));
  return true;
}

export async function signOutEverywhere(db: Database, user: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.userId, user));
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
