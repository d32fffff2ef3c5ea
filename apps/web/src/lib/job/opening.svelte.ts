/** One opening being edited: its document, what follows from it, undo, and saving that loses nothing. */
import { freshId, made } from '$lib/device/ids.ts';
import {
  changedFields,
  contentHash,
  mergeOpenings,
  openingOf,
  readingsTowards,
  type Instrument,
  type JobContext,
  type Judgement,
  type NewReading,
  type Opening,
  type OpeningDocument,
} from '@hulvek/core';
import { keptDraftSchema, savedAnswer, storedSchema, type Stored } from '$lib/contract/answers.ts';
import { answerOf, inText } from '$lib/contract/read.ts';
import type { JobStore, OpeningView } from './job.svelte.ts';
import { sentence } from '$lib/device/sentence.ts';

/** `waiting`: kept on this device because the server did not answer; `refused`: the server would not take it. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';

interface Kept extends Stored {
  readonly base: OpeningDocument;
}

/** One step of undo: an opening before and after. */
interface Change {
  readonly from: Opening;
  readonly to: Opening;
}

const SAVE_DELAY_ms = 400;
const RETRY_ms = 4000;

export class OpeningEditor {
  readonly store: JobStore;
  readonly id: string;
  /** What somebody else stored meanwhile, while the two are unresolved. */
  theirs = $state.raw<Stored | null>(null);
  refusal = $state('');
  #sendState = $state<SaveState>('saved');
  #past = $state.raw<readonly Change[]>([]);
  #future = $state.raw<readonly Change[]>([]);
  /** As it was seen last. */
  #last: OpeningView;
  /** What the draft started from. */
  #base: Stored;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #sending: Promise<void> | null = null;

  constructor(store: JobStore, id: string) {
    this.store = store;
    this.id = id;
    const view = store.view(id);
    if (!view) throw new Error(`there is no opening ${id} in job ${store.id}`);
    this.#last = view;
    this.#base = { document: view.document, version: view.version };
  }

  /** Whether somebody has removed it from the job; what is shown is as it was. */
  removed = $derived.by(() => this.store.view(this.id) === null);
  view = $derived.by((): OpeningView => {
    const view = this.store.view(this.id);
    if (view) this.#last = view;
    return view ?? this.#last;
  });
  opening = $derived.by((): Opening => this.view.opening);
  /** Only on pages that asked for planning. */
  plan = $derived.by(() => this.store.planOf(this.opening));
  /** The one verdict; only on pages that asked for planning. */
  judgement = $derived.by((): Judgement => this.store.judgeHere(this.opening));
  /** Readings and choices of this opening that are on this device only. */
  waiting = $derived.by(() => this.store.waiting.filter((item) => item.opening === this.id).length);

  save = $derived.by((): SaveState => {
    if (this.theirs) return 'conflict';
    if (this.#sendState === 'refused') return 'refused';
    const { line } = this.store.outbox;
    const unsent = this.waiting > 0;
    if (this.#sendState === 'waiting' || (unsent && line === 'no-network')) return 'waiting';
    if (this.draft || (unsent && line === 'sending')) return 'saving';
    return unsent ? 'waiting' : 'saved';
  });

  /** Choices not yet saved; `undefined` when everything is. */
  get draft(): OpeningDocument | undefined {
    return this.store.drafts.get(this.id);
  }
  get context(): JobContext {
    return this.store.context;
  }
  /** Whether this person may change the survey; without it every change is ignored. */
  get mayEdit(): boolean {
    return this.store.pack.rights.includes('measure');
  }
  /** Whether more than the survey may be changed: unit, wall, method, numbers. */
  get mayPlan(): boolean {
    return this.store.pack.rights.includes('plan');
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
    this.#base = { document: kept.base, version: kept.version };
    this.#setDraft(kept.document, 0);
  }

  /** Whether anything was changed. */
  change(edit: (opening: Opening) => Opening, instrument: Instrument = 'tape'): boolean {
    if (!this.mayEdit) return false;
    const from = this.opening;
    const to = edit(from);
    if (to === from) return false;
    this.#apply(to, instrument);
    this.#past = [...this.#past, { from, to }];
    this.#future = [];
    return true;
  }

  /** Takes the last change back and leaves what others changed since as it is. */
  undo(): void {
    const last = this.#past.at(-1);
    if (!last) return;
    this.#past = this.#past.slice(0, -1);
    this.#future = [...this.#future, last];
    this.#apply(mergeOpenings({ base: last.to, mine: last.from, theirs: this.opening }).merged);
  }

  redo(): void {
    const next = this.#future.at(-1);
    if (!next) return;
    this.#future = this.#future.slice(0, -1);
    this.#past = [...this.#past, next];
    this.#apply(mergeOpenings({ base: next.from, mine: next.to, theirs: this.opening }).merged);
  }

  /** Keeps one of several readings that stand at a point: a new reading of the same figure that replaces them all. */
  keepReading(reading: NewReading): void {
    if (this.mayEdit) this.#addReadings([reading], 'tape');
  }

  /** Ends a conflict: the chosen version goes on, the other stays one undo away. */
  resolve(choice: 'mine' | 'theirs'): void {
    const { theirs } = this;
    if (!theirs || !this.draft) return;
    const mine = this.opening;
    const their = openingOf(theirs.document, this.view.readings);
    this.theirs = null;
    this.#base = theirs;
    if (choice === 'mine') {
      this.#past = [...this.#past, { from: their, to: mine }];
      this.#setDraft(this.draft, 0);
    } else {
      this.#past = [...this.#past, { from: mine, to: their }];
      this.#settle();
    }
  }

  /** Sends what is not yet on the server, now. */
  async flush(): Promise<void> {
    clearTimeout(this.#timer);
    while (this.#sending) await this.#sending;
    if (this.draft && !this.theirs && this.#sendState !== 'refused') {
      this.#sending = this.#send(this.draft);
      await this.#sending;
    }
    await this.store.outbox.send();
  }

  get #key(): string {
    return `hulvek:opening:${this.store.id}:${this.id}`;
  }

  #apply(to: Opening, instrument: Instrument = 'tape'): void {
    this.#addReadings(readingsTowards(to.survey, this.view.readings), instrument);
    const { survey, ...rest } = to;
    const document: OpeningDocument = { ...rest, survey: { from: survey.from } };
    const now = this.draft ?? this.view.document;
    if (contentHash(document) !== contentHash(now)) this.#setDraft(document);
  }

  #addReadings(readings: readonly NewReading[], instrument: Instrument): void {
    const at = new Date().toISOString();
    const opening = this.opening.id;
    const items = readings.map((reading) => {
      const id = freshId();
      const record = { id, opening, ...reading, instrument, at, ...made() };
      return {
        id,
        job: this.store.id,
        opening,
        by: this.store.pack.me,
        refusal: '',
        type: 'reading' as const,
        record,
      };
    });
    if (items.length > 0) this.store.outbox.add(...items);
  }

  #setDraft(document: OpeningDocument, delay = SAVE_DELAY_ms): void {
    if (!this.draft) {
      const { document: stored, version } = this.view;
      this.#base = this.#base.version > version ? this.#base : { document: stored, version };
    }
    this.store.drafts.set(this.id, document);
    const kept: Kept = { document, version: this.#base.version, base: this.#base.document };
    localStorage.setItem(this.#key, JSON.stringify(kept));
    if (this.theirs) return;
    this.#sendState = 'saving';
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), delay);
  }

  /** Nothing of this opening is left to be saved. */
  #settle(): void {
    localStorage.removeItem(this.#key);
    this.store.drafts.delete(this.id);
    this.#sendState = 'saved';
  }

  async #send(document: OpeningDocument): Promise<void> {
    const { version } = this.#base;
    try {
      const response = await fetch(`/api/jobs/${this.store.id}/openings/${this.id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version, document }),
        keepalive: true,
      });
      if (response.ok) {
        this.#saved(document, (await answerOf(response, savedAnswer)).version);
      } else if (response.status === 409) {
        this.#meet(document, await answerOf(response, storedSchema));
      } else if (response.status >= 500 || response.status === 401) {
        this.#later();
      } else {
        this.refusal = await sentence(response);
        this.#sendState = 'refused';
      }
    } catch {
      this.#later();
    } finally {
      this.#sending = null;
    }
  }

  #saved(document: OpeningDocument, version: number): void {
    this.#base = { document, version };
    this.store.saved(this.id, this.#base);
    if (this.draft === document) this.#settle();
    else if (this.draft) this.#setDraft(this.draft);
  }

  /** Somebody else saved first: changes of other fields go together, changes of the same one are shown. */
  #meet(mine: OpeningDocument, theirs: Stored): void {
    const whole = (document: OpeningDocument) => openingOf(document, []);
    const { merged, clashes } = mergeOpenings({
      base: whole(this.#base.document),
      mine: whole(this.draft ?? mine),
      theirs: whole(theirs.document),
    });
    this.store.saved(this.id, theirs);
    if (clashes.length > 0) {
      this.theirs = theirs;
      return;
    }
    this.#base = theirs;
    const { survey, ...rest } = merged;
    this.#setDraft({ ...rest, survey: { from: survey.from } }, 0);
  }

  #later(): void {
    this.#sendState = 'waiting';
    this.#timer = setTimeout(() => void this.flush(), RETRY_ms);
  }

  /** What differs between mine and theirs. */
  differences = $derived.by((): readonly string[] => {
    if (!this.theirs) return [];
    return changedFields(this.opening, openingOf(this.theirs.document, this.view.readings));
  });
}

function readKept(key: string): Kept | null {
  const kept = inText(keptDraftSchema, localStorage.getItem(key));
  // Cut off: nothing can be taken from it.
  if (!kept) localStorage.removeItem(key);
  return kept;
}
