/** One job as this device knows it: what the server last said, and on top of it what waits here to be sent. */
import { forgetPack, keepPack, keptPack, type OutboxItem } from '$lib/offline/database.ts';
import { heardSchema, partAnswer, type Heard } from '$lib/contract/answers.ts';
import { packSchema, type OpeningPart, type Pack } from '$lib/contract/pack.ts';
import { answerOf, inText } from '$lib/contract/read.ts';
import { text } from '$lib/texts/en.ts';
import {
  collisions,
  judge,
  openingOf,
  planOpening,
  type Collision,
  type Entry,
  type JobContext,
  type Opening,
  type OpeningDocument,
  type Plan,
  type Reading,
} from '@hulvek/core';
import { SvelteMap } from 'svelte/reactivity';
import { openingRow, type OpeningRow } from './opening-row.ts';
import { sentence, type Outbox } from './outbox.svelte.ts';

/** An opening with everything known of it here, sent or not; `document` is what the server has. */
export interface OpeningView extends OpeningPart {
  /** As it stands here: with the draft, where there is one. */
  readonly opening: Opening;
}

/** `denied` carries the server's sentence. */
export type Opened =
  | { readonly ok: true; readonly store: JobStore }
  | { readonly ok: false; readonly status: 401 | 403 | 404 | 503; readonly message: string };

/** Changes that follow each other at once are asked for together. */
const TOGETHER_ms = 150;
/** Items taken by the server, remembered until answers without them have all arrived. */
const MOST_ABSORBED = 500;
/** More than these are asked for as the whole job. */
const FEW_OPENINGS = 4;

/** With a copy at hand, a network that takes longer is not waited for. */
const PATIENCE_ms = 3000;

export class JobStore {
  readonly id: string;
  readonly outbox: Outbox;
  pack = $state.raw() as Pack;
  #heardUpTo = 0;
  /** Revision of the newest answer shown, by opening. */
  readonly #shown = new Map<string, number>();
  #absorbed: readonly OutboxItem[] = [];
  /** Openings to ask for; `null` stands for the whole job. */
  readonly #changed = new Set<string | null>();
  #asking: ReturnType<typeof setTimeout> | undefined;
  #keeping: ReturnType<typeof setTimeout> | undefined;
  readonly #views = new Map<
    string,
    { part: OpeningPart; waiting: string; draft: OpeningDocument | undefined; view: OpeningView }
  >();
  readonly #plans = new Map<string, { opening: Opening; context: JobContext; plan: Plan }>();
  /** Choices that are being made and not yet saved, by opening: everything on this device goes by them. */
  readonly drafts = new SvelteMap<string, OpeningDocument>();

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
    const sound = new Map<string, OutboxItem[]>();
    for (const item of this.waiting) {
      if (item.refusal !== '') continue;
      const own = sound.get(item.opening);
      if (own) own.push(item);
      else sound.set(item.opening, [item]);
    }
    return new Map(
      this.pack.openings.map((part) => {
        const id = part.document.id;
        return [id, this.#view(part, sound.get(id) ?? [])];
      }),
    );
  });

  /** Every opening planned as it stands here, drafts included, in the order of the job. */
  plans = $derived.by((): readonly Plan[] =>
    [...this.views.values()].map((view) => this.planOf(view.opening)),
  );

  rows = $derived.by((): readonly OpeningRow[] => {
    const now = new Date().toISOString();
    return this.plans.flatMap((plan) => {
      const view = this.views.get(plan.opening.id);
      if (!view) return [];
      const row = openingRow(plan, view, now);
      // Strips that meet are seen only when openings are looked at together.
      const collides = this.collisionsOf(row.id).length > 0;
      return collides ? [{ ...row, judgement: judge(plan, { collides }) }] : [row];
    });
  });

  /** Openings of one façade that are too near each other. */
  collisions = $derived.by((): readonly Collision[] => collisions(this.plans));

  collisionsOf(opening: string): readonly Collision[] {
    return this.collisions.filter((c) => c.openings.includes(opening));
  }

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

  /** Keeps items that the server took, until the server itself tells of them. */
  absorb(items: readonly OutboxItem[]): void {
    if (items.length === 0) return;
    this.#absorbed = [...this.#absorbed, ...items].slice(-MOST_ABSORBED);
    const openings = this.pack.openings.map((part) =>
      items.filter((item) => item.opening === part.document.id).reduce(withItem, part),
    );
    this.#keep({ ...this.pack, openings });
    // What a picture is, only the server says.
    for (const item of items) if (item.type === 'photo') void this.refresh(item.opening);
  }

  /** What the server now has as the choices of an opening. */
  saved(opening: string, stored: Pick<OpeningPart, 'document' | 'version'>): void {
    this.#replace(opening, (part) => (part.version < stored.version ? { ...part, ...stored } : part));
  }

  /** Asks the server for one opening, or for the whole job; `false` without an answer: everything stays as it is. */
  async refresh(opening: string | null = null): Promise<boolean> {
    try {
      const path = opening === null ? 'pack' : `openings/${opening}`;
      const response = await fetch(`/api/jobs/${this.id}/${path}`);
      if (!response.ok) return false;
      if (opening === null) this.#takePack(await answerOf(response, packSchema));
      else this.#takePart(opening, await answerOf(response, partAnswer));
      return true;
    } catch {
      return false;
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

  /** Follows what others do, until the function it returns is called. */
  follow(): () => void {
    const stream = new EventSource(`/api/jobs/${this.id}/changes`);
    // The line is there: what waits can go.
    stream.onopen = () => void this.outbox.send();
    stream.onmessage = ({ data }) => this.#heard(inText(heardSchema, String(data)));
    return () => stream.close();
  }

  /** Notes one change, to be asked for together with those that follow at once. */
  #heard(heard: Heard | null): void {
    if (!heard) return;
    const { revision, opening } = heard;
    const known = Math.max(this.pack.revision, this.#heardUpTo);
    if (revision <= known) return;
    // What was missed before it, or what is not one opening, asks for the whole job.
    const whole = revision !== known + 1 || typeof opening !== 'string';
    this.#heardUpTo = revision;
    this.#changed.add(whole ? null : opening);
    clearTimeout(this.#asking);
    this.#asking = setTimeout(() => void this.#askForChanges(), TOGETHER_ms);
  }

  async #askForChanges(): Promise<void> {
    const changed = [...this.#changed];
    const upTo = this.#heardUpTo;
    this.#changed.clear();
    const whole = changed.includes(null) || changed.length > FEW_OPENINGS;
    let answered = true;
    for (const opening of whole ? [null] : changed) answered = (await this.refresh(opening)) && answered;
    if (!answered) {
      // The next thing heard then looks like a gap, and asks for everything.
      this.#heardUpTo = this.pack.revision;
    } else if (upTo > this.pack.revision) this.pack = { ...this.pack, revision: upTo };
  }

  /** An answer that was overtaken by a newer one is not shown: what was there would go and come again. */
  #takePack(pack: Pack): void {
    if (pack.revision < this.pack.revision) return;
    this.#keep({ ...pack, openings: pack.openings.map((part) => this.#withAbsorbed(part)) });
  }

  #takePart(opening: string, { revision, part }: { revision: number; part: OpeningPart }): void {
    if (revision < Math.max(this.pack.revision, this.#shown.get(opening) ?? 0)) return;
    this.#shown.set(opening, revision);
    this.#replace(opening, () => this.#withAbsorbed(part));
  }

  /** What the server took just now may be missing from an answer that was already on its way. */
  #withAbsorbed(part: OpeningPart): OpeningPart {
    return this.#absorbed.filter((item) => item.opening === part.document.id).reduce(withItem, part);
  }

  #keep(pack: Pack): void {
    this.pack = pack;
    // Written down once for many changes in a row; the server has them all.
    clearTimeout(this.#keeping);
    this.#keeping = setTimeout(() => void keepPack(this.id, this.pack).catch(() => undefined), TOGETHER_ms);
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
    const draft = this.drafts.get(part.document.id);
    const known = this.#views.get(part.document.id);
    if (known && known.part === part && known.waiting === waiting && known.draft === draft) return known.view;
    const whole = items.reduce(withItem, part);
    const view = { ...whole, opening: openingOf(draft ?? whole.document, whole.readings) };
    this.#views.set(part.document.id, { part, waiting, draft, view });
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
    const pack = await answerOf(response, packSchema);
    await keepPack(id, pack).catch(() => undefined);
    return { ok: true, store: new JobStore(id, pack, outbox) };
  }
  const { status } = response;
  const message = await sentence(response);
  if (status === 403 || status === 404) await forgetPack(id).catch(() => undefined);
  if (status === 401 || status === 403 || status === 404) return { ok: false, status, message };
  return { ok: false, status: 503, message };
}
