/** What belongs to this browser rather than to a page: who is signed in, what waits to be sent, the job that is open. */
import { meSchema, readsSchema, type Me } from '$lib/contract/pack.ts';
import { inText } from '$lib/contract/read.ts';
import type { LengthUnit } from '@hulvek/core';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { openJob, type Opened } from '$lib/job/open-job.ts';
import { Outbox } from './outbox.svelte.ts';

const ME = 'hulvek:me';
const WISH = 'hulvek:reads';

class Device {
  me = $state.raw<Me | null>(null);
  #open: JobStore | null = null;
  readonly outbox = new Outbox(
    () => this.me,
    (items) => this.#open?.absorb(items.filter((item) => item.job === this.#open?.id)),
  );

  constructor() {
    globalThis.addEventListener('online', () => void this.outbox.send());
    void this.outbox.start();
  }

  /** Who the server says is signed in; remembered for when there is no network to ask. */
  signedIn(me: Me | null): void {
    if (me) localStorage.setItem(ME, JSON.stringify(me));
    else {
      localStorage.removeItem(ME);
      localStorage.removeItem(WISH);
    }
    this.#become(me);
    const wish = inText(readsSchema, localStorage.getItem(WISH));
    if (wish) void this.read(wish);
  }

  remembered(): Me | null {
    this.#become(inText(meSchema, localStorage.getItem(ME)));
    return this.me;
  }

  /**
   * What whoever sits here reads figures in from now on. Without a network it holds on this device, and is said again
   * when the server next tells who is signed in.
   */
  async read(reads: LengthUnit): Promise<void> {
    const { me } = this;
    if (!me) return;
    localStorage.setItem(WISH, JSON.stringify(reads));
    this.me = { ...me, reads };
    localStorage.setItem(ME, JSON.stringify(this.me));
    try {
      const response = await fetch('/api/me', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ reads }),
      });
      if (response.ok) localStorage.removeItem(WISH);
    } catch {
      // Said again later.
    }
  }

  /** Only now is it known whose items may go: what was read from the device before this waits for it. */
  #become(me: Me | null): void {
    const changed = me?.id !== this.me?.id;
    this.me = me;
    if (me && changed) void this.outbox.send();
  }

  /** The job, anew when its address is first opened; otherwise refreshed where it stands. */
  async openJob(id: string, from: typeof fetch): Promise<Opened> {
    const open = this.#open;
    if (open?.id === id) {
      await open.refresh();
      return { ok: true, store: open };
    }
    const opened = await openJob(id, this.outbox, from);
    this.#open = opened.ok ? opened.store : null;
    return opened;
  }
}

let made: Device | undefined;

/** Only in the browser. */
export const device = (): Device => (made ??= new Device());
