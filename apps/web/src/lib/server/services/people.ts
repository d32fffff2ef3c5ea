/** Who belongs to a job, in which role, and the links that let somebody in. */
import { randomBytes } from 'node:crypto';
import { and, asc, eq, gt, isNull, sql } from 'drizzle-orm';
import { inTransaction, type Database } from '../db/index.ts';
import { invites, jobs, members, users } from '../db/schema/index.ts';
import type { LookRule, Role } from '$lib/contract/rights.ts';
import { digest } from './accounts.ts';

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
    .where(and(eq(members.jobId, job), eq(members.userId, user)));
  return row?.role ?? null;
}

export const listMembers = (db: Database, job: string): Promise<Member[]> =>
  db
    .select({ userId: users.id, name: users.name, email: users.email, role: members.role })
    .from(members)
    .innerJoin(users, eq(users.id, members.userId))
    .where(eq(members.jobId, job))
    .orderBy(asc(users.name));

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
const DAY_ms = 86_400_000;

/** Returns the token of a link that lets one person in, once, within a week. */
export async function invite(db: Database, job: string, role: Role, now = new Date()): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  const expiresAt = new Date(now.getTime() + INVITE_DAYS * DAY_ms);
  await db.insert(invites).values({ tokenHash: digest(token), jobId: job, role, expiresAt });
  return token;
}

export async function readInvite(
  db: Database,
  token: string,
): Promise<{ job: string; jobName: string; role: Role } | null> {
  const [row] = await db
    .select({ job: invites.jobId, jobName: sql<string>`${jobs.document} ->> 'name'`, role: invites.role })
    .from(invites)
    .innerJoin(jobs, eq(jobs.id, invites.jobId))
    .where(open(token));
  return row ?? null;
}

const open = (token: string) =>
  and(eq(invites.tokenHash, digest(token)), isNull(invites.usedAt), gt(invites.expiresAt, new Date()));

/** Uses the link up and makes `user` a member; an existing role is never lowered by a link. */
export async function useInvite(db: Database, token: string, user: string): Promise<string | null> {
  return inTransaction(db, async (tx) => {
    const [used] = await tx.update(invites).set({ usedAt: new Date() }).where(open(token)).returning();
    if (!used) return null;
    await tx
      .insert(members)
      .values({ jobId: used.jobId, userId: user, role: used.role })
      .onConflictDoNothing();
    return used.jobId;
  });
}
