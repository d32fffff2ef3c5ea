/** One opening being edited: its document, what follows from it, undo, and saving that loses nothing. */
import { planOpening, type JobContext, type Opening } from '@hulvek/core';

/** `waiting`: kept on this device because the server did not answer; `refused`: the server would not take it. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';

interface Stored {
  readonly opening: Opening;
  readonly version: number;
}

const SAVE_DELAY_ms = 400;
const RETRY_ms = 4000;

export class OpeningEditor {
  opening: Opening;
  readonly #job: () => JobContext;
  /** Whether this person may change the opening; without it every change is ignored. */
  readonly mayEdit: boolean;
  /** Whether more than the survey may be changed: unit, wall, method, numbers. */
  readonly mayPlan: boolean;
  save = $state<SaveState>('saved');
  /** What somebody else stored meanwhile, while the two are unresolved. */
  theirs = $state.raw<Stored | null>(null);
  refusal = $state('');
  #past = $state.raw<readonly Opening[]>([]);
  #future = $state.raw<readonly Opening[]>([]);
  #version: number;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #sending: Promise<void> | null = null;
  #changed = false;

  plan = $derived.by(() => planOpening(this.opening, this.context));

  /** @param job read anew whenever the page's data changes */
  constructor(job: () => JobContext, stored: Stored, may: { edit: boolean; plan: boolean }) {
    this.mayEdit = may.edit;
    this.mayPlan = may.plan;
    this.#job = job;
    this.opening = $state.raw(stored.opening);
    this.#version = stored.version;
  }

  get context(): JobContext {
    return this.#job();
  }

  get canUndo(): boolean {
    return this.#past.length > 0;
  }
  get canRedo(): boolean {
    return this.#future.length > 0;
  }

  /** Takes up what a closed page could not save. Call once, in the browser. */
  restore(): void {
    const kept = readKept(this.#key);
    if (!kept || !this.mayEdit) return;
    this.#past = [...this.#past, this.opening];
    this.opening = kept.opening;
    this.#version = kept.version;
    this.#touch(0);
  }

  change(edit: (opening: Opening) => Opening): void {
    if (!this.mayEdit) return;
    const next = edit(this.opening);
    if (next === this.opening) return;
    this.#past = [...this.#past, this.opening];
    this.#future = [];
    this.opening = next;
    this.#touch();
  }

  undo(): void {
    const last = this.#past.at(-1);
    if (!last) return;
    this.#past = this.#past.slice(0, -1);
    this.#future = [...this.#future, this.opening];
    this.opening = last;
    this.#touch();
  }

  redo(): void {
    const next = this.#future.at(-1);
    if (!next) return;
    this.#future = this.#future.slice(0, -1);
    this.#past = [...this.#past, this.opening];
    this.opening = next;
    this.#touch();
  }

  /** Ends a conflict: the chosen version goes on, the other stays one undo away. */
  resolve(choice: 'mine' | 'theirs'): void {
    const theirs = this.theirs;
    if (!theirs) return;
    this.theirs = null;
    this.#version = theirs.version;
    if (choice === 'mine') {
      this.#past = [...this.#past, theirs.opening];
      this.#touch(0);
    } else {
      this.#past = [...this.#past, this.opening];
      this.opening = theirs.opening;
      this.#changed = false;
      this.#forget();
      this.save = 'saved';
    }
  }

  /** Sends what is not yet on the server, now. */
  async flush(): Promise<void> {
    clearTimeout(this.#timer);
    while (this.#sending) await this.#sending;
    if (this.#changed && this.save !== 'conflict' && this.save !== 'refused') {
      this.#sending = this.#send();
      await this.#sending;
    }
  }

  get #key(): string {
    return `hulvek:opening:${this.context.job.id}:${this.opening.id}`;
  }

  #touch(delay = SAVE_DELAY_ms): void {
    this.#changed = true;
    localStorage.setItem(this.#key, JSON.stringify({ opening: this.opening, version: this.#version }));
    if (this.theirs) return;
    this.save = 'saving';
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), delay);
  }

  #forget(): void {
    localStorage.removeItem(this.#key);
  }

  async #send(): Promise<void> {
    const opening = this.opening;
    this.#changed = false;
    try {
      const response = await fetch(`/api/jobs/${this.context.job.id}/openings/${opening.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version: this.#version, opening }),
        keepalive: true,
      });
      if (response.ok) {
        this.#version = ((await response.json()) as { version: number }).version;
        if (this.#changed) this.#touch();
        else {
          this.#forget();
          this.save = 'saved';
        }
      } else if (response.status === 409) {
        this.#changed = true;
        this.theirs = (await response.json()) as Stored;
        this.save = 'conflict';
      } else {
        this.#changed = true;
        this.refusal = await refusalText(response);
        this.save = 'refused';
      }
    } catch {
      this.#changed = true;
      this.save = 'waiting';
      this.#timer = setTimeout(() => void this.flush(), RETRY_ms);
    } finally {
      this.#sending = null;
    }
  }
}

/** The sentence in an error answer of the server. */
export async function refusalText(response: Response): Promise<string> {
  const body = await response.text();
  try {
    return (JSON.parse(body) as { message?: string }).message ?? body;
  } catch {
    return body;
  }
}

function readKept(key: string): Stored | null {
  const kept = localStorage.getItem(key);
  if (!kept) return null;
  try {
    return JSON.parse(kept) as Stored;
  } catch {
    localStorage.removeItem(key);
    return null;
  }
}
