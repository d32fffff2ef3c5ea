/** Practice as the database keeps it: answers by whoever gave them, leave to see skills, rounds of a job. */
import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { PracticeState, Round, RoundBody, SentAnswer } from '../../contract/practice.ts';
import { roundTaskSchema } from '../../contract/practice.ts';
import { mustBe } from '../../contract/read.ts';
import type { Database, Queries } from '../db/index.ts';
import {
  jobs,
  members,
  practiceAnswers,
  practiceRounds,
  practiceSharing,
  users,
} from '../db/schema/index.ts';
import * as z from 'zod/mini';

/** So many of somebody's answers are told: older ones say nothing of today. */
const MOST_TOLD = 3000;
const MOST_ROUNDS = 200;

const tasksSchema = z.array(roundTaskSchema);

export async function answersOf(db: Queries, user: string): Promise<SentAnswer[]> {
  const rows = await db
    .select()
    .from(practiceAnswers)
    .where(eq(practiceAnswers.userId, user))
    .orderBy(desc(practiceAnswers.at))
    .limit(MOST_TOLD);
  return rows.map(({ id, kind, level, seed, isRight, at }) => ({
    id,
    kind,
    level: level as SentAnswer['level'],
    seed,
    right: isRight,
    at: at.toISOString(),
  }));
}

/** Keeps answers; what is there already stays as it is. */
export async function takeAnswers(db: Database, user: string, answers: readonly SentAnswer[]): Promise<void> {
  if (answers.length === 0) return;
  await db
    .insert(practiceAnswers)
    .values(
      answers.map(({ id, kind, level, seed, right, at }) => ({
        id,
        userId: user,
        kind,
        level,
        seed,
        isRight: right,
        at: new Date(at),
      })),
    )
    .onConflictDoNothing();
}

async function roundsIn(db: Queries, list: readonly string[]): Promise<Round[]> {
  if (list.length === 0) return [];
  const rows = await db
    .select({ round: practiceRounds, document: jobs.document, by: users.name })
    .from(practiceRounds)
    .innerJoin(jobs, eq(jobs.id, practiceRounds.jobId))
    .leftJoin(users, eq(users.id, practiceRounds.madeBy))
    .where(inArray(practiceRounds.jobId, [...list]))
    .orderBy(desc(practiceRounds.madeAt))
    .limit(MOST_ROUNDS);
  return rows.map(({ round: { id, jobId, title, tasks, madeAt }, document, by }) => ({
    id,
    job: jobId,
    jobName: nameIn(document),
    title,
    tasks: mustBe(tasksSchema, tasks, 'the tasks of a round'),
    by,
    at: madeAt.toISOString(),
  }));
}

const nameSchema = z.object({ name: z.string() });
const nameIn = (document: unknown): string => mustBe(nameSchema, document, 'the name of a job').name;

export async function practiceOf(db: Database, user: string): Promise<PracticeState> {
  const own = await db
    .select({ id: members.jobId, document: jobs.document, sharing: practiceSharing.userId })
    .from(members)
    .innerJoin(jobs, eq(jobs.id, members.jobId))
    .leftJoin(
      practiceSharing,
      and(eq(practiceSharing.jobId, members.jobId), eq(practiceSharing.userId, members.userId)),
    )
    .where(and(eq(members.userId, user), isNull(jobs.deletedAt)))
    .orderBy(asc(members.jobId));
  return {
    answers: await answersOf(db, user),
    jobs: own.map(({ id, document, sharing }) => ({ id, name: nameIn(document), allowed: sharing !== null })),
    rounds: await roundsIn(
      db,
      own.map(({ id }) => id),
    ),
  };
}

/** Lets the leads of a job see the skills, or no more. @returns whether somebody is in that job */
export async function setSharing(
  db: Database,
  { user, job, allowed }: { user: string; job: string; allowed: boolean },
): Promise<boolean> {
  const own = and(eq(practiceSharing.jobId, job), eq(practiceSharing.userId, user));
  if (!allowed) {
    await db.delete(practiceSharing).where(own);
    return true;
  }
  const is = await db.$count(members, and(eq(members.jobId, job), eq(members.userId, user)));
  if (is === 0) return false;
  await db.insert(practiceSharing).values({ jobId: job, userId: user }).onConflictDoNothing();
  return true;
}

export const roundsOf = (db: Database, job: string): Promise<Round[]> => roundsIn(db, [job]);

/** Those who let the leads of a job see their skills, with their answers; and how many others are in it. */
export async function sharersOf(
  db: Database,
  job: string,
): Promise<{ people: { name: string; answers: SentAnswer[] }[]; others: number }> {
  const rows = await db
    .select({ id: users.id, name: users.name })
    .from(practiceSharing)
    .innerJoin(users, eq(users.id, practiceSharing.userId))
    .where(eq(practiceSharing.jobId, job))
    .orderBy(asc(users.name));
  const people = await Promise.all(
    rows.map(async ({ id, name }) => ({ name, answers: await answersOf(db, id) })),
  );
  return { people, others: (await db.$count(members, eq(members.jobId, job))) - people.length };
}

export async function makeRound(
  db: Database,
  { job, madeBy, title, tasks }: RoundBody & { job: string; madeBy: string },
): Promise<string> {
  const [row] = await db
    .insert(practiceRounds)
    .values({ jobId: job, madeBy, title, tasks: [...tasks] })
    .returning({ id: practiceRounds.id });
  if (!row) throw new Error('a round was not kept');
  return row.id;
}

export async function endRound(db: Database, job: string, id: string): Promise<boolean> {
  const rows = await db
    .delete(practiceRounds)
    .where(and(eq(practiceRounds.jobId, job), eq(practiceRounds.id, id)))
    .returning({ id: practiceRounds.id });
  return rows.length > 0;
}
