/** Somebody's own work of a job as a calendar file, and the link by which other programs read it. */
import { LOOK_SUFFIX, type CalendarPlan, type Job } from '@hulvek/core';
import { and, eq, isNull } from 'drizzle-orm';
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { taskTitle, workName } from '$words/task-title.ts';
import { feedWords } from '$words/contract.ts';
import { inTransaction, type Database, type Queries } from '../db/index.ts';
import { jobs, openings, openingVersions, tokens, users } from '../db/schema/index.ts';
import { storedJob, storedOpening } from '../db/stored.ts';
import { newestVersion } from './openings.ts';
import { roleIn } from './people.ts';
import { makeToken, readToken } from './tokens.ts';

/** A link holds so long. */
const FEED_days = 400;
/** What is told before a task begins, minutes. */
const ALARM_min = 30;

/** Makes somebody's link; the one they had before ends with it. */
export async function makeFeed(db: Database, job: string, user: string): Promise<string> {
  return inTransaction(db, async (tx) => {
    await endFeed(tx, job, user);
    return makeToken(tx, { kind: 'feed', job, user, madeBy: user, days: FEED_days });
  });
}

export async function endFeed(db: Queries, job: string, user: string): Promise<void> {
  await db
    .update(tokens)
    .set({ revokedAt: new Date() })
    .where(
      and(eq(tokens.kind, 'feed'), eq(tokens.jobId, job), eq(tokens.userId, user), isNull(tokens.revokedAt)),
    );
}

/** The calendar behind a link; an empty one where the link has ended or whoever it was for has left. */
export async function feedOf(db: Database, secret: string): Promise<string> {
  const token = await readToken(db, 'feed', secret);
  const belongs = token?.jobId && token.userId && (await roleIn(db, token.jobId, token.userId));
  return belongs && token.jobId && token.userId
    ? calendarOf(db, token.jobId, token.userId)
    : calendarFile([], '');
}

/** Somebody's own tasks of the plan that was taken. */
export async function calendarOf(db: Queries, job: string, user: string): Promise<string> {
  const [row] = await db.select({ document: jobs.document }).from(jobs).where(eq(jobs.id, job));
  const [who] = await db.select({ name: users.name }).from(users).where(eq(users.id, user));
  if (!row || !who) return calendarFile([], '');
  const document = storedJob(row.document);
  const rows = await db
    .select({ document: openingVersions.document })
    .from(openings)
    .innerJoin(openingVersions, newestVersion)
    .where(eq(openings.jobId, job));
  const marks = new Map(
    rows.map(({ document: one }) => storedOpening(one)).map(({ id, mark }) => [id as string, mark]),
  );
  return calendarFile(eventsOf(document, { id: user, name: who.name }, marks), document.name);
}

/** Who of a calendar's people an account is. */
export const personsOf = ({ calendar }: Pick<Job, 'calendar'>, who: { id: string; name: string }): string[] =>
  (calendar?.people ?? [])
    .filter(({ account, name }) => (account === undefined ? name === who.name : account === who.id))
    .map(({ id }) => id);

function eventsOf(
  job: Job,
  who: { id: string; name: string },
  marks: ReadonlyMap<string, string>,
): EventAttributes[] {
  const plan: CalendarPlan | undefined = job.calendarPlan;
  const own = new Set(personsOf(job, who));
  const stamp = plan ? utc(plan.at) : undefined;
  return (plan?.tasks ?? [])
    .filter(({ people }) => people.some((person) => own.has(person)))
    .map((task): EventAttributes => {
      const isLook = task.step.endsWith(LOOK_SUFFIX);
      const title = taskTitle(isLook ? task.step.slice(0, -LOOK_SUFFIX.length) : task.step);
      const mark = workName(job.calendar, task.opening, (opening) => marks.get(opening) ?? opening);
      return {
        uid: `${job.id}.${task.opening}.${task.step.replace('?', '.')}.${who.id}@hulvek`,
        sequence: task.changed ?? 0,
        status: task.gone ? 'CANCELLED' : 'CONFIRMED',
        title: `${mark}: ${isLook ? feedWords.look(title) : title}`,
        location: job.name,
        start: utc(task.from),
        end: utc(task.to),
        startInputType: 'utc',
        startOutputType: 'utc',
        endInputType: 'utc',
        endOutputType: 'utc',
        ...(stamp && { lastModified: stamp }),
        ...(!task.gone && {
          alarms: [
            {
              action: 'display',
              description: `${mark}: ${title}`,
              trigger: { minutes: ALARM_min, before: true },
            },
          ],
        }),
      };
    });
}

function utc(at: string): DateArray {
  const date = new Date(at);
  return [
    date.getUTCFullYear(),
    date.getUTCMonth() + 1,
    date.getUTCDate(),
    date.getUTCHours(),
    date.getUTCMinutes(),
  ];
}

function calendarFile(events: EventAttributes[], name: string): string {
  const { value, error } = createEvents(events, { productId: 'hulvek', method: 'PUBLISH', calName: name });
  if (error) throw error;
  return value ?? '';
}

export const calendarAnswer = (text: string, name?: string): Response =>
  new Response(text, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'cache-control': 'no-store',
      ...(name && { 'content-disposition': `attachment; filename="${name}"` }),
    },
  });
