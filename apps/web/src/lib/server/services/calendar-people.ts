/** People whom a job itself names (calendar, orders, own tests), as accounts come from elsewhere and go. */
import type { Job } from '@hulvek/core';
import { inArray, or, sql } from 'drizzle-orm';
import { makerWords } from '$words/contract.ts';
import type { Queries } from '../db/index.ts';
import { jobs } from '../db/schema/index.ts';
import { storedJob } from '../db/stored.ts';

/** The job as a file of another server brings it: its accounts are not ours, names stay. */
export function withoutCalendarAccounts(job: Job): Job {
  const { calendar, calendarPlan } = job;
  return {
    ...job,
    ...(calendar && {
      calendar: { ...calendar, people: calendar.people.map(({ account: _account, ...person }) => person) },
    }),
    ...(calendarPlan && { calendarPlan: { ...calendarPlan, account: undefined } }),
    ...withMakers(job, ({ account: _account, ...record }) => record),
  };
}

interface Made {
  readonly person: string;
  readonly account?: string | undefined;
}

/** Orders, pulls of strips and tests of a job, each with its maker as `change` leaves him. */
function withMakers(
  { supply, houseTests, days, releases }: Job,
  change: <Record extends Made>(record: Record) => Omit<Record, 'account'> & Pick<Made, 'account'>,
): Pick<Job, 'supply' | 'houseTests' | 'days' | 'releases'> {
  return {
    ...(supply && {
      supply: {
        ...supply,
        orders: supply.orders.map((order) => ({ ...order, events: order.events.map(change) })),
        adhesion: supply.adhesion.map(change),
      },
    }),
    ...(houseTests && { houseTests: houseTests.map(change) }),
    ...(days && { days: days.map(change) }),
    ...(releases && { releases: releases.map(change) }),
  };
}

interface Who {
  readonly id: string;
  readonly name: string;
}

/** The job without somebody's name; the same one where it does not name them. */
export function withoutPerson(job: Job, who: Who): Job {
  const { calendar, calendarPlan } = job;
  const isMeant = ({ account, name }: { account?: string | undefined; name: string }) =>
    account === undefined ? name === who.name : account === who.id;
  const isIn = calendar?.people.some(isMeant) ?? false;
  const hasTaken = calendarPlan !== undefined && isMeant({ ...calendarPlan, name: calendarPlan.person });
  const made = [
    ...(job.supply?.orders.flatMap(({ events }) => events) ?? []),
    ...(job.supply?.adhesion ?? []),
    ...(job.houseTests ?? []),
    ...(job.releases ?? []),
    ...(job.days ?? []),
  ];
  const hasMade = made.some(({ person, account }) => isMeant({ account, name: person }));
  if (!isIn && !hasTaken && !hasMade) return job;
  return {
    ...job,
    ...(calendar && {
      calendar: {
        ...calendar,
        people: calendar.people.map(({ account, ...person }) =>
          isMeant({ account, name: person.name })
            ? { ...person, name: makerWords.erased }
            : { ...person, ...(account !== undefined && { account }) },
        ),
      },
    }),
    ...(calendarPlan &&
      hasTaken && { calendarPlan: { ...calendarPlan, person: makerWords.erased, account: undefined } }),
    ...withMakers(job, (record) =>
      isMeant({ account: record.account, name: record.person })
        ? { ...record, person: makerWords.erased, account: undefined }
        : record,
    ),
  };
}

/** Takes somebody's name out of all calendars that may bear it. */
export async function eraseFromCalendars(tx: Queries, who: Who, named: readonly string[]): Promise<void> {
  const rows = await tx
    .select({ id: jobs.id, document: jobs.document })
    .from(jobs)
    .where(or(sql`position(${who.id} in ${jobs.document}::text) > 0`, inArray(jobs.id, [...named, ''])))
    .for('update');
  for (const { id, document } of rows) {
    const was = storedJob(document);
    const is = withoutPerson(was, who);
    if (is !== was)
      await tx
        .update(jobs)
        .set({ document: is })
        .where(sql`${jobs.id} = ${id}`);
  }
}
