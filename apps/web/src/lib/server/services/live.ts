/**
 * The open pages of a job on this server: what changes is gathered for a moment, read once, written once, and sent to all of
 * them as the same bytes.
 */
import { inArray } from 'drizzle-orm';
import type { Heard } from '../../contract/answers.ts';
import { database, databaseUrl, type Queries } from '../db/index.ts';
import { entries, readings } from '../db/schema/index.ts';
import { storedEntry, storedReading } from '../db/stored.ts';
import { log } from '../log.ts';
import { changes, revisionOf, type NumberedChange } from './changes.ts';
import { namesIn } from './names.ts';

/** Pages are told this often at most, ms. */
const TOGETHER_ms = 250;

type Send = (bytes: Uint8Array) => void;

const line = (heard: Heard): Uint8Array => new TextEncoder().encode(`data: ${JSON.stringify(heard)}\n\n`);

class Room {
  readonly #job: string;
  readonly #pages = new Set<Send>();
  readonly #stop: () => void;
  #waiting: NumberedChange[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;
  #told = 0;
  #telling = false;

  constructor(job: string) {
    this.#job = job;
    this.#stop = changes.listen(databaseUrl(), job, (change) => {
      if (change === 'reconnected') void this.sayWhere();
      else this.#hear(change);
    });
  }

  get size(): number {
    return this.#pages.size;
  }

  enter(send: Send): void {
    this.#pages.add(send);
  }

  /** @returns whether nobody is left */
  leave(send: Send): boolean {
    this.#pages.delete(send);
    if (this.#pages.size > 0) return false;
    this.#stop();
    clearTimeout(this.#timer);
    return true;
  }

  /** Where the job stands now: whoever connects sees whether something happened before. */
  async sayWhere(to?: Send): Promise<void> {
    const bytes = line({ revision: await revisionOf(database(), this.#job) });
    for (const send of to ? [to] : this.#pages) send(bytes);
  }

  #hear(change: NumberedChange): void {
    this.#waiting.push(change);
    if (this.#timer !== undefined || this.#telling) return;
    const wait = Math.max(0, this.#told + TOGETHER_ms - Date.now());
    this.#timer = setTimeout(() => void this.#tell(), wait);
  }

  async #tell(): Promise<void> {
    this.#timer = undefined;
    this.#telling = true;
    const all = this.#waiting.sort((a, b) => a.revision - b.revision);
    this.#waiting = [];
    this.#told = Date.now();
    try {
      const bytes = line(await this.#heardOf(all));
      for (const send of this.#pages) send(bytes);
    } catch (error) {
      log.error({ job: this.#job, error }, 'pages were not told');
      await this.sayWhere().catch(() => undefined);
    } finally {
      this.#telling = false;
      const next = this.#waiting.pop();
      if (next) this.#hear(next);
    }
  }

  async #heardOf(all: readonly NumberedChange[]): Promise<Heard> {
    const [first, last] = [all[0]?.revision ?? 0, all.at(-1)?.revision ?? 0];
    const heard = { revision: last, from: first - 1 };
    // One that is missing between them was told as no notice: whoever hears it asks for what changed.
    if (last - first + 1 !== all.length) return { revision: last };
    const ids = all.flatMap(({ records }) => records);
    const whole = all.some((change) => change.openings === null);
    const others = [...new Set(all.flatMap((change) => change.openings ?? []))];
    return {
      ...heard,
      openings: whole ? null : others,
      ...(whole || ids.length === 0 ? {} : await recordsOf(database(), this.#job, ids)),
    };
  }
}

async function recordsOf(
  db: Queries,
  job: string,
  ids: readonly string[],
): Promise<Pick<Heard, 'entries' | 'readings'>> {
  const done = await db
    .select()
    .from(entries)
    .where(inArray(entries.id, [...ids]))
    .orderBy(entries.seq);
  const measured =
    done.length === ids.length
      ? []
      : await db
          .select()
          .from(readings)
          .where(inArray(readings.id, [...ids]))
          .orderBy(readings.seq);
  const names = await namesIn(db, job, [...done, ...measured]);
  return {
    entries: done.map((row) => storedEntry(row, names.of(row))),
    readings: measured.map((row) => storedReading(row, names.of(row))),
  };
}

const rooms = new Map<string, Room>();

/** Pages that are told of changes on this server. */
export const pagesOpen = (): number => [...rooms.values()].reduce((sum, room) => sum + room.size, 0);

/** Tells a page of every change of a job, until the returned function is called. */
export function follow(job: string, send: Send): () => void {
  const room = rooms.get(job) ?? new Room(job);
  rooms.set(job, room);
  room.enter(send);
  void room.sayWhere(send).catch(() => undefined);
  return () => {
    if (room.leave(send)) rooms.delete(job);
  };
}
