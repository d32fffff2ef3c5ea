/** Who was given which right, got in or did not, took data out: kept as long as the database is. */
import { desc, eq } from 'drizzle-orm';
import type { AuditAction } from '../../contract/doors.ts';
import type { Queries } from '../db/index.ts';
import { audit } from '../db/schema/index.ts';
import { namesOf } from './names.ts';

interface Event {
  readonly action: AuditAction;
  readonly user: string | null;
  readonly job?: string;
  /** An id, a role: never a name or an address. */
  readonly about?: string;
}

export async function note(db: Queries, { action, user, job, about = '' }: Event): Promise<void> {
  await db.insert(audit).values({ action, userId: user, jobId: job ?? null, about });
}

/** What happened in a job, newest first, under the names that accounts bear now. */
export async function auditOf(
  db: Queries,
  job: string,
  most = 50,
): Promise<{ id: number; at: Date; action: AuditAction; person: string; about: string }[]> {
  const rows = await db.select().from(audit).where(eq(audit.jobId, job)).orderBy(desc(audit.id)).limit(most);
  const isId = /^[0-9a-f]{8}-[0-9a-f-]{27}$/;
  const names = await namesOf(
    db,
    rows.flatMap(({ userId, about }) => [userId, isId.test(about) ? about : null]),
  );
  return rows.map(({ id, at, action, userId, about }) => ({
    id,
    at,
    action,
    person: userId === null ? '' : names.account(userId),
    about: isId.test(about) ? names.account(about) : about,
  }));
}
