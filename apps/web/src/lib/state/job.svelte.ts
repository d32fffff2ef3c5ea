/** One job as this device knows it: what the server last said, and on top of it what waits here to be sent. */
import { forgetPack, keepPack, keptPack, type OutboxItem } from '$lib/offline/database.ts';
import type { OpeningPart, Pack } from '$lib/pack.ts';
import { text } from '$lib/texts/en.ts';
import {
  openingOf,
  planOpening,
  type Entry,
  type JobContext,
  type Opening,
  type Plan,
  type Reading,
} from '@hulvek/core';
import { SvelteMap } from 'svelte/reactivity';
import { openingRow, type OpeningRow } from './opening-row.ts';
import { sentence, type Outbox } from './outbox.svelte.ts';

/** An opening with everything known of it here, sent or not. */
export interface OpeningView extends OpeningPart {
  readonly opening: Opening;
}

/** `denied` carries the server's sentence. */
export type Opened =
  | { readonly ok: true; readonly store: JobStore }
  | { readonly ok: false; readonly status: 401 | 403 | 404 | 503; readonly message: string };

/** What the server says of a job: where it stands, or what just changed. */
interface Heard {
  readonly revision: number;
  readonly opening?: string | null;
}

/** With a copy at hand, a network that takes longer is not waited for. */
const PATIENCE_ms = 3000;

export class JobStore {
  readonly id: string;
  readonly outbox: Outbox;
  pack = $state.raw() as Pack;
  /** Whether other people's changes are shown as they happen. */
  live = $state(false);
  #stream: EventSource | null = null;
  readonly #views = new Map<string, { part: OpeningPart; waiting: string; view: OpeningView }>();
  readonly #plans = new Map<string, { opening: Opening; context: JobContext; plan: Plan }>();
  /** Changes that are being edited and not yet saved, by opening: the rows show them too. */
  readonly drafts = new SvelteMap<string, Opening>();

  constructor(id: string, pack: Pack, outbox: Outbox) {
    this.id = id;
    this.pack = pack;
    this.outbox = outbox;
  }

  get context(): JobContext {
    return this.pack.context;
  }

  waiting = $derived.by(() => this.outbox.items.filter((item) => item.job === this.id));
  refused = $derived.by(() => this.waiting.filter((item) => item.refusal !== ''));

  views = $derived.by((): ReadonlyMap<string, OpeningView> => {
    const sound = this.waiting.filter((item) => item.refusal === '');
    return new Map(
      this.pack.openings.map((part) => {
        const id = part.document.id;
        return [
          id,
          this.#view(
            part,
            sound.filter((item) => item.opening === id),
          ),
        ];
      }),
    );
  });

  /** Every opening planned as it stands here, drafts included, in the order of the job. */
  plans = $derived.by((): readonly Plan[] =>
    [...this.views.values()].map((view) => this.planOf(this.drafts.get(view.document.id) ?? view.opening)),
  );

  rows = $derived.by((): readonly OpeningRow[] => {
    const now = new Date().toISOString();
    return this.plans.flatMap((plan) => {
      const view = this.views.get(plan.opening.id);
      return view ? [openingRow(plan, view, now)] : [];
    });
  });

  view(opening: string): OpeningView | null {
    return this.views.get(opening) ?? null;
  }

  /** The plan of an opening, worked out once for the same opening in the same job. */
  planOf(opening: Opening): Plan {
    const { context } = this;
    const known = this.#plans.get(opening.id);
    if (known && known.opening === opening && known.context === context) return known.plan;
    const plan = planOpening(opening, context);
    this.#plans.set(opening.id, { opening, context, plan });
    return plan;
  }

  /** Keeps an item that the server took, until the server itself tells of it. */
  absorb(item: OutboxItem): void {
    this.#replace(item.opening, (part) => withItem(part, item));
  }

  /** What the server now has as the choices of an opening. */
  saved(opening: string, stored: Pick<OpeningPart, 'document' | 'version'>): void {
    this.#replace(opening, (part) => (part.version < stored.version ? { ...part, ...stored } : part));
  }

  /** Asks the server for one opening, or for the whole job. Without a network everything stays as it is. */
  async refresh(opening: string | null = null): Promise<void> {
    try {
      const path = opening === null ? 'pack' : `openings/${opening}`;
      const response = await fetch(`/api/jobs/${this.id}/${path}`);
      if (!response.ok) return;
      const answer: unknown = await response.json();
      if (opening === null) this.#keep(answer as Pack);
      else this.#replace(opening, () => answer as OpeningPart);
    } catch {
      // The next change or the next visit asks again.
    }
  }

  /** Changes something of the job itself; a sentence when it was refused. It needs the server for the last word. */
  async put(what: 'shelf' | 'site', body: unknown): Promise<string> {
    try {
      const response = await fetch(`/api/jobs/${this.id}/${what}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      const refused = response.ok ? '' : await sentence(response);
      await this.refresh();
      return refused;
    } catch {
      return text.offline.needsNetwork;
    }
  }

  /** Follows what others do until `close`. */
  follow(): () => void {
    const stream = new EventSource(`/api/jobs/${this.id}/changes`);
    this.#stream = stream;
    stream.onopen = () => {
      this.live = true;
      void this.outbox.send();
    };
    stream.onerror = () => (this.live = false);
    stream.onmessage = ({ data }) => void this.#heard(JSON.parse(String(data)) as Heard);
    return () => {
      stream.close();
      if (this.#stream === stream) this.live = false;
    };
  }

  /** Takes up one change; asks for the whole job when others were missed before it. */
  async #heard({ revision, opening }: Heard): Promise<void> {
    const known = this.pack.revision;
    if (revision <= known) return;
    const next = revision === known + 1 && typeof opening === 'string';
    if (next) this.pack = { ...this.pack, revision };
    await this.refresh(next ? opening : null);
  }

  #keep(pack: Pack): void {
    this.pack = pack;
    void keepPack(this.id, pack).catch(() => undefined);
  }

  #replace(opening: string, change: (part: OpeningPart) => OpeningPart): void {
    if (!this.pack.openings.some((part) => part.document.id === opening)) return void this.refresh();
    this.#keep({
      ...this.pack,
      openings: this.pack.openings.map((part) => (part.document.id === opening ? change(part) : part)),
    });
  }

  #view(part: OpeningPart, items: readonly OutboxItem[]): OpeningView {
    const waiting = items.map((item) => item.id).join();
    const known = this.#views.get(part.document.id);
    if (known && known.part === part && known.waiting === waiting) return known.view;
    const whole = items.reduce(withItem, part);
    const view = { ...whole, opening: openingOf(whole.document, whole.readings) };
    this.#views.set(part.document.id, { part, waiting, view });
    return view;
  }
}

/** The opening as if the server had taken the item. */
function withItem(part: OpeningPart, item: OutboxItem): OpeningPart {
  const person = item.by.name;
  if (item.type === 'reading') {
    const reading: Reading = { ...item.record, person };
    const there = part.readings.some((r) => r.id === reading.id);
    return there ? part : { ...part, readings: [...part.readings, reading] };
  }
  const entry: Entry = { ...item.record, person };
  const there = part.entries.some((e) => e.id === entry.id);
  return there ? part : { ...part, entries: [...part.entries, entry] };
}

/** Opens a job: from the server when it answers soon, else from what this device kept. */
export async function openJob(id: string, outbox: Outbox, from: typeof fetch): Promise<Opened> {
  const kept = await keptPack(id).catch(() => null);
  const asked = askServer(id, outbox, from);
  if (!kept) return asked;
  const patience = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_ms));
  const answer = await Promise.race([asked, patience]);
  if (answer && (answer.ok || answer.status !== 503)) return answer;
  const store = new JobStore(id, kept, outbox);
  if (!answer) void asked.then((late) => late.ok && (store.pack = late.store.pack));
  return { ok: true, store };
}

async function askServer(id: string, outbox: Outbox, from: typeof fetch): Promise<Opened> {
  let response: Response;
  try {
    response = await from(`/api/jobs/${id}/pack`);
  } catch {
    return { ok: false, status: 503, message: text.offline.notHere };
  }
  if (response.ok) {
    const pack = (await response.json()) as Pack;
    await keepPack(id, pack).catch(() => undefined);
    return { ok: true, store: new JobStore(id, pack, outbox) };
  }
  const { status } = response;
  const message = await sentence(response);
  if (status === 403 || status === 404) await forgetPack(id).catch(() => undefined);
  if (status === 401 || status === 403 || status === 404) return { ok: false, status, message };
  return { ok: false, status: 503, message };
}
