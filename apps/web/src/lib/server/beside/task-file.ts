/** What comes of a task as it grows: kept in the database part by part, so that nobody holds it whole. */
import type { Queries } from '../db/index.ts';
import { taskFiles } from '../db/schema/index.ts';
import { toldProgress } from './progress.ts';

export class TaskFile {
  readonly #db: Queries;
  readonly #task: string;
  #waiting: Buffer[] = [];
  #part = 0;

  constructor(db: Queries, task: string) {
    this.#db = db;
    this.#task = task;
  }

  add(bytes: Buffer): void {
    this.#waiting.push(bytes);
  }

  /** Keeps what has come so far, and says how far it is. */
  async write(share: number): Promise<void> {
    const bytes = Buffer.concat(this.#waiting);
    this.#waiting = [];
    if (bytes.length > 0)
      await this.#db.insert(taskFiles).values({ taskId: this.#task, part: this.#part++, bytes });
    await toldProgress(this.#db, this.#task)(share);
  }
}
