/** Accounts: made, signed in and out, their passwords, sessions and data. */
import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { LengthUnit } from '@hulvek/core';
import { and, desc, eq, gt, isNull, lt, ne, sql } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import type { LookRule, Role } from '../../contract/rights.ts';
import {
  entries,
  jobs,
  members,
  openingVersions,
  planIssues,
  practiceAnswers,
  readings,
  sessions,
  users,
} from '../db/schema/index.ts';
import { eraseFromCalendars } from './calendar-people.ts';
import { announceAll } from './changes.ts';
import { digest } from './tokens.ts';

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  /** May write on the shelf that all jobs take from. */
  readonly keepsShelf: boolean;
  /** What this person reads figures in; null goes by each job. */
  readonly reads: LengthUnit | null;
}

export const SESSION_DAYS = 30;
const DAY_ms = 86_400_000;

const clean = (email: string): string => email.trim().toLowerCase();

/** Shortest password that is taken. */
export const LEAST_PASSWORD = 10;

/** Returns the account's id, or `null` when the e-mail has one already. */
export async function createUser(
  db: Queries,
  user: { email: string; name: string; password: string; keepsShelf?: boolean },
): Promise<string | null> {
  const passwordHash = await hash(user.password);
  const { name, keepsShelf = false } = user;
  const [added] = await db
    .insert(users)
    .values({ email: clean(user.email), name, passwordHash, keepsShelf })
    .onConflictDoNothing()
    .returning({ id: users.id });
  return added?.id ?? null;
}

/** What somebody reads figures in from now on; null goes by each job. */
export const setReads = (db: Queries, user: string, reads: LengthUnit | null) =>
  db.update(users).set({ reads }).where(eq(users.id, user));

export async function userByEmail(db: Queries, email: string): Promise<string | null> {
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
export async function signIn(
  db: Database,
  email: string,
  password: string,
  agent = '',
): Promise<string | null> {
  const [user] = await db
    .select()
    .from(users)
    .where(eq(users.email, clean(email)));
  decoy ??= hash(randomBytes(16).toString('hex'));
  const right = await verify(user?.passwordHash ?? (await decoy), password);
  if (!user || !right) return null;
  return openSession(db, user.id, agent);
}

/** Longest part of a browser's name that is kept. */
const AGENT_MOST = 200;

export async function openSession(db: Queries, user: string, agent = ''): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await db.insert(sessions).values({
    tokenHash: digest(token),
    userId: user,
    expiresAt: new Date(Date.now() + SESSION_DAYS * DAY_ms),
    agent: agent.replaceAll(/[^\x20-\x7e]/g, '').slice(0, AGENT_MOST),
  });
  return token;
}

export interface Session {
  readonly id: string;
  readonly createdAt: Date;
  readonly agent: string;
  /** Whether it is the one that asks. */
  readonly own: boolean;
}

/** Where somebody is signed in, newest first. */
export async function sessionsOf(db: Database, user: string, token: string): Promise<Session[]> {
  const rows = await db
    .select()
    .from(sessions)
    .where(and(eq(sessions.userId, user), gt(sessions.expiresAt, new Date())))
    .orderBy(desc(sessions.createdAt));
  const own = digest(token);
  return rows.map(({ id, createdAt, agent, tokenHash }) => ({
    id,
    createdAt,
    agent,
    own: tokenHash === own,
  }));
}

export async function endSession(db: Database, user: string, id: string): Promise<void> {
  await db.delete(sessions).where(and(eq(sessions.userId, user), eq(sessions.id, id)));
}

export async function purgeSessions(db: Database): Promise<void> {
  await db.delete(sessions).where(lt(sessions.expiresAt, new Date()));
}

/** Sets a password without the old one, because a link said so; every session ends. */
export async function setPassword(tx: Queries, user: string, password: string): Promise<void> {
  await tx
    .update(users)
    .set({ passwordHash: await hash(password) })
    .where(eq(users.id, user));
  await tx.delete(sessions).where(eq(sessions.userId, user));
}

/** Everything that is kept of somebody: the account, where it belongs, what it recorded. */
export async function dataOf(db: Database, user: string): Promise<unknown> {
  const [account] = await db
    .select({ id: users.id, name: users.name, email: users.email, since: users.createdAt })
    .from(users)
    .where(eq(users.id, user));
  const jobs = await db
    .select({ job: members.jobId, role: members.role })
    .from(members)
    .where(eq(members.userId, user));
  const open = await sessionsOf(db, user, '');
  return {
    account,
    jobs,
    sessions: open.map(({ createdAt, agent }) => ({ createdAt, agent })),
    entries: await db.select().from(entries).where(eq(entries.userId, user)),
    readings: await db.select().from(readings).where(eq(readings.userId, user)),
    practice: await db.select().from(practiceAnswers).where(eq(practiceAnswers.userId, user)),
  };
}

/** Jobs in which something bears the name of an account. */
async function jobsNaming(tx: Queries, user: string): Promise<string[]> {
  const named = new Set<string>();
  for (const table of [members, entries, readings, planIssues, openingVersions])
    for (const { job } of await tx
      .selectDistinct({ job: table.jobId })
      .from(table)
      .where(eq(table.userId, user)))
      named.add(job);
  return [...named].sort();
}

export type Erased = 'erased' | 'wrong-password' | 'only-owner';

/** Ends an account for good: its name and address go, what it recorded stays under its id. */
export async function eraseAccount(db: Database, user: string, password: string): Promise<Erased> {
  const [row] = await db.select().from(users).where(eq(users.id, user));
  if (!row || !(await verify(row.passwordHash, password))) return 'wrong-password';
  return inTransaction(db, async (tx) => {
    const owned = await tx
      .select({ job: members.jobId })
      .from(members)
      .where(and(eq(members.userId, user), eq(members.role, 'owner')))
      .for('update');
    for (const { job } of owned) {
      const others = await tx.$count(
        members,
        and(eq(members.jobId, job), ne(members.userId, user), eq(members.role, 'owner')),
      );
      if (others === 0) return 'only-owner';
    }
    const named = await jobsNaming(tx, user);
    await eraseFromCalendars(tx, { id: user, name: row.name }, named);
    await tx.delete(users).where(eq(users.id, user));
    // Whatever was written down with the name, here or on a device, is read anew.
    for (const job of named) await announceAll(tx, { job, openings: null, frozen: true });
    return 'erased';
  });
}

export async function signOut(db: Database, token: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.tokenHash, digest(token)));
}

/** Asked by every request: written down once for each database, and planned once on each connection. */
const personQueries = new WeakMap<Database, ReturnType<typeof preparePersonQuery>>();

const preparePersonQuery = (db: Database) =>
  db
    .select({
      id: users.id,
      name: users.name,
      email: users.email,
      keepsShelf: users.keepsShelf,
      reads: users.reads,
      role: members.role,
      lookRule: jobs.lookRule,
    })
    .from(sessions)
    .innerJoin(users, eq(users.id, sessions.userId))
    .leftJoin(jobs, and(eq(jobs.id, sql.placeholder('job')), isNull(jobs.deletedAt)))
    .leftJoin(members, and(eq(members.jobId, jobs.id), eq(members.userId, users.id)))
    .where(
      and(eq(sessions.tokenHash, sql.placeholder('token')), gt(sessions.expiresAt, sql.placeholder('now'))),
    )
    .prepare('person_in_job');

function personQuery(db: Database): ReturnType<typeof preparePersonQuery> {
  const known = personQueries.get(db);
  if (known) return known;
  const made = preparePersonQuery(db);
  personQueries.set(db, made);
  return made;
}

/** Whoever is signed in, with what the job says of them: one question, since every request asks it. */
export async function personIn(
  db: Database,
  token: string,
  job: string,
): Promise<{ person: Person; role: Role | null; lookRule: LookRule | null } | null> {
  const [row] = await personQuery(db).execute({ token: digest(token), job, now: new Date() });
  if (!row) return null;
  const { role, lookRule, ...person } = row;
  return { person, role, lookRule };
}

export async function personOf(db: Database, token: string): Promise<Person | null> {
  const [row] = await db
    .select({
      id: users.id,
      name: users.name,
      email: users.email,
      keepsShelf: users.keepsShelf,
      reads: users.reads,
    })
    .from(sessions)
    .innerJoin(users, eq(users.id, sessions.userId))
    .where(and(eq(sessions.tokenHash, digest(token)), gt(sessions.expiresAt, new Date())));
  return row ?? null;
}

/** Whether nobody else has an account here: of an installation that was just made. */
export const isOnlyAccount = async (db: Queries): Promise<boolean> => (await db.$count(users)) === 1;
