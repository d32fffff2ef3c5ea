/** Sends of many devices to one job, taken together: what comes while a transaction runs goes into the next one. */
import type { Database } from '../db/index.ts';
import { takeSends, type Send, type Taken } from './records.ts';

/** As many records go into one transaction at most, beyond those of its first send. */
const MOST_TOGETHER = 200;

interface Waiting {
  readonly send: Send;
  readonly answer: (taken: Taken[]) => void;
  readonly fail: (error: unknown) => void;
}

/** What waits for each job; a job that has none is not in it. */
const lines = new Map<string, Waiting[]>();

/** Takes what a device sent, beside whatever others send to the same job meanwhile. */
export function takeGathered(db: Database, job: string, send: Send): Promise<Taken[]> {
  return new Promise((answer, fail) => {
    const waiting: Waiting = { send, answer, fail };
    const line = lines.get(job);
    if (line) line.push(waiting);
    else {
      lines.set(job, [waiting]);
      void emptyLine(db, job);
    }
  });
}

async function emptyLine(db: Database, job: string): Promise<void> {
  for (;;) {
    const line = lines.get(job) ?? [];
    if (line.length === 0) {
      lines.delete(job);
      return;
    }
    await takeTogether(db, job, line.splice(0, together(line)));
  }
}

/** How many sends from the head of a line go together. */
function together(line: readonly Waiting[]): number {
  let records = 0;
  const past = line.findIndex(({ send }, i) => (records += send.sent.length) > MOST_TOGETHER && i > 0);
  return past === -1 ? line.length : past;
}

/** What fails of several is tried again one by one, so that nobody pays for what somebody else sent. */
async function takeTogether(db: Database, job: string, some: readonly Waiting[]): Promise<void> {
  try {
    const taken = await takeSends(
      db,
      job,
      some.map(({ send }) => send),
    );
    some.forEach(({ answer }, i) => answer(taken[i] ?? []));
  } catch (error) {
    if (some.length === 1) some[0]?.fail(error);
    else for (const one of some) await takeTogether(db, job, [one]);
  }
}
