/** Everything entered on this device that the server has not taken yet. Nothing leaves it but by being taken. */
import { dropItems, keepItems, waitingItems, type OutboxItem } from './database.ts';
import { recordAnswers } from '$lib/contract/answers.ts';
import type { Me } from '$lib/contract/pack.ts';
import { answerOf } from '$lib/contract/read.ts';
import { sentence } from './sentence.ts';

export type Line = 'idle' | 'sending' | 'no-network' | 'signed-out' | 'not-kept';

const AT_ONCE = 200;
const RETRY_ms = 4000;
/** Of what the server took, this many are remembered: answers without them may still be on their way. */
const MOST_TAKEN = 500;
type Taken = (items: readonly OutboxItem[]) => void;

export class Outbox {
  /** Oldest first. */
  items = $state.raw<readonly OutboxItem[]>([]);
  line = $state<Line>('idle');
  /** What the server took of late, oldest first, of any job. */
  taken: readonly OutboxItem[] = [];
  readonly #me: () => Me | null;
  readonly #taken: Taken;
  #running: Promise<void> | null = null;
  #held: OutboxItem[] | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #writing: Promise<unknown> = Promise.resolve();
  readonly #tabs = new BroadcastChannel('hulvek-outbox');

  /** @param taken called with the items the server took, before they leave the list */
  constructor(me: () => Me | null, taken: Taken) {
    this.#me = me;
    this.#taken = taken;
    this.#tabs.onmessage = () => void this.#read();
  }

  /** Who is signed in on this device. */
  get me(): Me | null {
    return this.#me();
  }

  /** Takes up what was left from before, and begins to send. */
  async start(): Promise<void> {
    await this.#read();
    void this.send();
  }

  /** Shows items at once, writes them down on the device, then sends them. */
  add(...items: readonly OutboxItem[]): void {
    if (this.#held) {
      this.#held.push(...items);
      return;
    }
    this.items = [...this.items, ...items];
    this.#writing = this.#writing.then(async () => {
      try {
        const places = await keepItems(items);
        const seqs = new Map(items.map((item, i) => [item.id, places[i]]));
        this.items = this.items.map((item) => {
          const seq = seqs.get(item.id);
          return seq === undefined ? item : { ...item, seq };
        });
        this.#tabs.postMessage('changed');
      } catch {
        // A full or forbidden store: it is still in memory and goes to the server from there.
        this.line = 'not-kept';
      }
      void this.send();
    });
  }

  /** Adds everything that `work` enters as one. */
  together(work: () => void): void {
    const outer = this.#held;
    const held: OutboxItem[] = [];
    this.#held = held;
    try {
      work();
    } finally {
      this.#held = outer;
    }
    if (held.length > 0) this.add(...held);
  }

  /** Tries again to send what was refused, unchanged and under the same id. */
  async retry(id: string): Promise<void> {
    await this.#rewrite(id, '');
    await this.send();
  }

  /** Takes out what was refused, because somebody decided so. */
  async discard(id: string): Promise<void> {
    await this.#remove([id]);
  }

  /** Resolves when everything that could be sent has been. */
  async send(): Promise<void> {
    clearTimeout(this.#timer);
    await this.#writing;
    // One tab at a time; without the lock (plain http) the ids still keep everything single.
    this.#running ??= (
      navigator.locks ? navigator.locks.request('hulvek-outbox', () => this.#run()) : this.#run()
    ).finally(() => (this.#running = null));
    await this.#running;
    if (this.line !== 'signed-out' && this.#next().length > 0 && this.line !== 'no-network')
      await this.send();
  }

  #next(): OutboxItem[] {
    const me = this.#me();
    const own = this.items.filter((item) => item.refusal === '' && item.by.id === me?.id);
    const [first] = own;
    if (!first) return [];
    if (first.type === 'photo') return [first];
    const end = own.findIndex((item) => item.job !== first.job || item.type === 'photo');
    return own.slice(0, Math.min(AT_ONCE, end < 0 ? own.length : end));
  }

  async #run(): Promise<void> {
    await this.#read();
    for (let batch = this.#next(); batch.length > 0; batch = this.#next()) {
      this.line = 'sending';
      if (!(await this.#sendBatch(batch))) return;
    }
    // Nothing of this person is left, whoever sent it: another tab may have.
    if (this.line !== 'not-kept') this.line = 'idle';
  }

  /** `false` when there is no point in going on now. */
  async #sendBatch(batch: readonly OutboxItem[]): Promise<boolean> {
    const [first] = batch;
    if (!first) return false;
    let response: Response;
    try {
      response = await post(first.job, batch);
    } catch {
      return this.#later();
    }
    if (response.status === 401) {
      this.line = 'signed-out';
      return false;
    }
    if (response.status >= 500 || response.status === 429)
      return this.#later(Number(response.headers.get('retry-after')) * 1000);
    if (!response.ok) {
      // One of them cannot be read: the rest must not wait for it.
      if (batch.length > 1) {
        for (const item of batch) if (!(await this.#sendBatch([item]))) return false;
      } else await this.#rewrite(first.id, await sentence(response));
      return true;
    }
    const { answers } = await answerOf(response, recordAnswers);
    const stored = new Set(answers.filter((answer) => answer.ok).map((answer) => answer.id));
    const taken = batch.filter((item) => stored.has(item.id));
    this.taken = [...this.taken, ...taken].slice(-MOST_TAKEN);
    this.#taken(taken);
    await this.#remove([...stored]);
    for (const answer of answers) if (!answer.ok) await this.#rewrite(answer.id, answer.refusal);
    return true;
  }

  /** @param wait_ms what the server asks for; others must not come back in the same moment */
  #later(wait_ms = 0): false {
    this.line = 'no-network';
    const wait = wait_ms > 0 ? wait_ms * (1 + Math.random()) : RETRY_ms;
    this.#timer = setTimeout(() => void this.send(), wait);
    return false;
  }

  async #rewrite(id: string, refusal: string): Promise<void> {
    this.items = this.items.map((item) => (item.id === id ? { ...item, refusal } : item));
    const item = this.items.find((i) => i.id === id);
    if (item?.seq !== undefined) await keepItems([item]);
    this.#tabs.postMessage('changed');
  }

  async #remove(ids: readonly string[]): Promise<void> {
    const gone = new Set(ids);
    const places = this.items.filter((item) => gone.has(item.id)).flatMap((item) => item.seq ?? []);
    this.items = this.items.filter((item) => !gone.has(item.id));
    await dropItems(places);
    this.#tabs.postMessage('changed');
  }

  async #read(): Promise<void> {
    const kept = await waitingItems().catch(() => []);
    const known = new Set(kept.map((item) => item.id));
    this.items = [...kept, ...this.items.filter((item) => item.seq === undefined && !known.has(item.id))];
  }
}

function post(job: string, batch: readonly OutboxItem[]): Promise<Response> {
  const sentAt = new Date().toISOString();
  const [first] = batch;
  if (first?.type === 'photo') {
    const form = new FormData();
    const { photo: _photo, ...record } = first.record;
    form.set('meta', JSON.stringify({ sentAt, record }));
    form.set('picture', first.picture);
    return fetch(`/api/jobs/${job}/photos`, { method: 'POST', body: form });
  }
  const records = batch.map(({ type, record }) => {
    // The server works out for itself what a picture is.
    const { photo: _photo, ...own } = { photo: null, ...record };
    return { type, record: own };
  });
  return fetch(`/api/jobs/${job}/records`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ sentAt, records }),
  });
}
