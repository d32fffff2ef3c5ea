/** Who belongs to a job, in which role, and the links that let somebody in. */
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { jobs, members, users } from '../db/schema/index.ts';
import { roles, type LookRule, type Role } from '../../contract/rights.ts';
import { createUser, setPassword } from './accounts.ts';
import { note } from './audit.ts';
import { toldApart } from './names.ts';
import { makeToken, readToken, spendToken } from './tokens.ts';

export interface Member {
  readonly userId: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
}

export async function roleIn(db: Database, job: string, user: string): Promise<Role | null> {
  const [row] = await db
    .select({ role: members.role })
    .from(members)
    .innerJoin(jobs, and(eq(jobs.id, members.jobId), isNull(jobs.deletedAt)))
    .where(and(eq(members.jobId, job), eq(members.userId, user)));
  return row?.role ?? null;
}

/** By name, each as records name them: two of one name are told apart. */
export async function listMembers(db: Database, job: string): Promise<Member[]> {
  const rows = await db
    .select({ userId: users.id, name: users.name, email: users.email, role: members.role })
    .from(members)
    .innerJoin(users, eq(users.id, members.userId))
    .where(eq(members.jobId, job))
    .orderBy(asc(users.createdAt), asc(users.id));
  const names = toldApart(rows.map(({ userId: id, name }) => ({ id, name })));
  return rows
    .map((row) => ({ ...row, name: names.get(row.userId) ?? row.name }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

export async function setMember(db: Database, job: string, user: string, role: Role): Promise<void> {
  await db
    .insert(members)
    .values({ jobId: job, userId: user, role })
    .onConflictDoUpdate({ target: [members.jobId, members.userId], set: { role } });
}

/** Changes or ends a membership; `false` when the job would be left without an owner. */
export async function changeMember(
  db: Database,
  job: string,
  user: string,
  role: Role | null,
  by: string | null = null,
): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    await tx.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, job)).for('update');
    const owners = await tx
      .select({ userId: members.userId })
      .from(members)
      .where(and(eq(members.jobId, job), eq(members.role, 'owner')));
    const lastOwner = owners.length === 1 && owners[0]?.userId === user;
    if (lastOwner && role !== 'owner') return false;
    const here = and(eq(members.jobId, job), eq(members.userId, user));
    if (role === null) await tx.delete(members).where(here);
    else await tx.update(members).set({ role }).where(here);
    if (role === null) await note(tx, { action: 'removed', user: by, job, about: user });
    else await note(tx, { action: 'role-given', user: by, job, about: user });
    return true;
  });
}

export async function lookRuleOf(db: Database, job: string): Promise<LookRule> {
  const [row] = await db.select({ rule: jobs.lookRule }).from(jobs).where(eq(jobs.id, job));
  return row?.rule ?? 'not-the-doer';
}

export async function setLookRule(db: Database, job: string, rule: LookRule): Promise<void> {
  await db.update(jobs).set({ lookRule: rule }).where(eq(jobs.id, job));
}

const INVITE_DAYS = 7;

/** Returns the secret of a link that lets one person in, once, within a week. */
export async function invite(db: Database, job: string, role: Role, madeBy: string | null): Promise<string> {
  const secret = await makeToken(db, { kind: 'invitation', job, role, madeBy, days: INVITE_DAYS });
  await note(db, { action: 'invited', user: madeBy, job, about: role });
  return secret;
}

export async function readInvite(
  db: Database,
  secret: string,
): Promise<{ job: string; jobName: string; role: Role } | null> {
  const token = await readToken(db, 'invitation', secret);
  if (!token?.jobId || !token.role) return null;
  const [row] = await db
    .select({ name: sql<string>`${jobs.document} ->> 'name'` })
    .from(jobs)
    .where(and(eq(jobs.id, token.jobId), isNull(jobs.deletedAt)));
  return row ? { job: token.jobId, jobName: row.name, role: token.role } : null;
}

/** What came of following a link: into which job, and whether it was needed for that. */
export type Joined = { readonly job: string; readonly spent: boolean };

/**
 * Makes `user` a member, or gives a member the greater of two roles, and uses the link up. Where somebody has that role
 * or a greater one already the link stays for whom it was meant.
 */
export async function useInvite(db: Database, secret: string, user: string): Promise<Joined | null> {
  return inTransaction(db, async (tx) => joinBy(tx, secret, user));
}

async function joinBy(tx: Queries, secret: string, user: string): Promise<Joined | null> {
  const token = await readToken(tx, 'invitation', secret);
  if (!token?.jobId || !token.role) return null;
  const { jobId: job, role } = token;
  const here = and(eq(members.jobId, job), eq(members.userId, user));
  const [now] = await tx.select({ role: members.role }).from(members).where(here).for('update');
  if (now && roles.indexOf(now.role) <= roles.indexOf(role)) return { job, spent: false };
  if (!(await spendToken(tx, 'invitation', secret))) return null;
  await tx
    .insert(members)
    .values({ jobId: job, userId: user, role })
    .onConflictDoUpdate({ target: [members.jobId, members.userId], set: { role } });
  await note(tx, { action: 'joined', user, job, about: role });
  return { job, spent: true };
}

/** Makes an account and lets it in by a link, both or neither: one link makes one account. */
export async function register(
  db: Database,
  secret: string,
  user: { email: string; name: string; password: string },
): Promise<{ ok: true; user: string; job: string } | { ok: false; because: 'gone' | 'taken' }> {
  return inTransaction(db, async (tx) => {
    const id = await createUser(tx, user);
    if (id === null) throw new Refused('taken');
    const joined = await joinBy(tx, secret, id);
    if (!joined?.spent) throw new Refused('gone');
    return { ok: true as const, user: id, job: joined.job };
  }).catch((error: unknown) => {
    if (error instanceof Refused) return { ok: false as const, because: error.because };
    throw error;
  });
}

/** Ends a registration; the transaction takes the account back. */
class Refused extends Error {
  readonly because: 'gone' | 'taken';
  constructor(because: 'gone' | 'taken') {
    super(because);
    this.because = because;
  }
}

const PASSWORD_DAYS = 2;

/**
 * Returns the secret of a link by which somebody sets a new password; `null` where whoever asks may not make it: only of
 * people who belong to no job but those that the asker owns, since it lets into all of them.
 */
export async function passwordLink(
  db: Database,
  of: { readonly user: string; readonly by: string; readonly job: string },
): Promise<string | null> {
  const [person] = await db.select().from(users).where(eq(users.id, of.user));
  const own = await db.select().from(members).where(eq(members.userId, of.by));
  const theirs = await db.select().from(members).where(eq(members.userId, of.user));
  const owned = new Set(own.flatMap(({ jobId, role }) => (role === 'owner' ? [jobId] : [])));
  const isHere = theirs.some(({ jobId }) => jobId === of.job);
  if (!person || person.keepsShelf || of.user === of.by) return null;
  if (!isHere || !owned.has(of.job) || !theirs.every(({ jobId }) => owned.has(jobId))) return null;
  await note(db, { action: 'password-link', user: of.by, job: of.job, about: of.user });
  return makeToken(db, {
    kind: 'password',
    job: of.job,
    user: of.user,
    madeBy: of.by,
    days: PASSWORD_DAYS,
  });
}

/** Sets a password by a link, which is used up; `null` where it holds no more. */
export async function passwordByLink(db: Database, secret: string, password: string): Promise<string | null> {
  return inTransaction(db, async (tx) => {
    const token = await spendToken(tx, 'password', secret);
    if (!token?.userId) return null;
    await setPassword(tx, token.userId, password);
    await note(tx, { action: 'password-changed', user: token.userId });
    return token.userId;
  });
}
