/** What belongs to this browser rather than to a page: who is signed in, what waits to be sent, the job that is open. */
import { meSchema, type Me } from '$lib/contract/pack.ts';
import { inText } from '$lib/contract/read.ts';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { openJob, type Opened } from '$lib/job/open-job.ts';
import { Outbox } from './outbox.svelte.ts';

const ME = 'hulvek:me';

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
    else localStorage.removeItem(ME);
    this.#become(me);
  }

  remembered(): Me | null {
    this.#become(inText(meSchema, localStorage.getItem(ME)));
    return this.me;
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
