/**
 * All jobs that somebody works on, kept on this device for days without a network; what was freed by hand stays away until
 * it is kept again.
 */
import { myJobsAnswer, type MyJob } from '$lib/contract/answers.ts';
import { packSchema } from '$lib/contract/pack.ts';
import { answerOf } from '$lib/contract/read.ts';
import { answeredPack, withChanges } from '$lib/job/pack-changes.ts';
import { forgetPack, keepPack, keptPack } from './database.ts';
import { idle } from './idle.ts';

export interface KeptJob extends MyJob {
  /** Bytes on this device; `null` where it is not kept. */
  readonly bytes: number | null;
  /** When the server put it together. */
  readonly at: string | null;
}

const FREED = 'hulvek:freed';
const freed = (): ReadonlySet<string> =>
  new Set((localStorage.getItem(FREED) ?? '').split(' ').filter(Boolean));
function free(id: string, away: boolean): void {
  const now = new Set(freed());
  if (away) now.add(id);
  else now.delete(id);
  localStorage.setItem(FREED, [...now].join(' '));
}

export const myJobs = async (from: typeof fetch = fetch): Promise<readonly MyJob[]> =>
  (await answerOf(await from('/api/jobs'), myJobsAnswer)).jobs;

/** Brings what this device has of a job up to date. */
async function keep(job: MyJob): Promise<void> {
  const kept = await keptPack(job.id).catch(() => null);
  if (kept && kept.revision >= job.revision) return;
  const response = await fetch(`/api/jobs/${job.id}/pack${kept ? `?since=${kept.revision}` : ''}`);
  if (!response.ok) return;
  await keepPack(
    job.id,
    kept ? withChanges(kept, await answerOf(response, answeredPack)) : await answerOf(response, packSchema),
  );
}

let running = false;

/** Keeps every job that was not freed, one after the other while the page rests. Without a network it does nothing. */
export async function keepMyJobs(): Promise<void> {
  if (running) return;
  running = true;
  try {
    const away = freed();
    for (const job of await myJobs()) {
      if (away.has(job.id)) continue;
      await idle();
      await keep(job);
    }
  } catch {
    // No network, or no room: the account page says what is kept.
  } finally {
    running = false;
  }
}

/** What is kept of the jobs of whoever is signed in, and how large it is. */
export async function whatIsKept(): Promise<readonly KeptJob[]> {
  const jobs = await myJobs();
  const kept: KeptJob[] = [];
  for (const job of jobs) {
    const pack = await keptPack(job.id).catch(() => null);
    kept.push({
      ...job,
      bytes: pack ? new Blob([JSON.stringify(pack)]).size : null,
      at: pack?.at ?? null,
    });
  }
  return kept;
}

export async function keepJob(job: MyJob): Promise<void> {
  free(job.id, false);
  await keep(job);
}

export async function freeJob(job: MyJob): Promise<void> {
  free(job.id, true);
  await forgetPack(job.id);
}

export interface Room {
  readonly used: number;
  readonly of: number;
  /** So little is left that what is entered could soon not be kept. */
  readonly scarce: boolean;
}
const SCARCE_bytes = 60e6;

/** How much room the browser gives; `null` where it does not say. */
export async function roomHere(): Promise<Room | null> {
  // Absent on plain http.
  const storage = (navigator as Partial<Navigator>).storage as StorageManager | undefined;
  const { usage, quota } = (await storage?.estimate().catch(() => ({}) as StorageEstimate)) ?? {};
  return usage === undefined || quota === undefined
    ? null
    : { used: usage, of: quota, scarce: quota - usage < SCARCE_bytes };
}

/** Asks the browser not to clear what is kept when room gets scarce. */
export async function keepForGood(): Promise<boolean> {
  const storage = (navigator as Partial<Navigator>).storage as StorageManager | undefined;
  return (await storage?.persist().catch(() => false)) ?? false;
}
