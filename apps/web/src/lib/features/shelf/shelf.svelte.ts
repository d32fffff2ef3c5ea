/** The shelf beside a job: what the job has copies of, what is newer there, what could be taken. */
import { offlineWords } from '$words/device.ts';
import { shelfAnswer, shelfItemAnswer, shelfVersionsAnswer } from '$lib/contract/answers.ts';
import { answerOf } from '$lib/contract/read.ts';
import { shelfWords } from '$words/shelf.ts';
import {
  copyOf,
  fieldChanges,
  forShelf,
  shelfKinds,
  type FieldChange,
  type ShelfDocument,
  type ShelfItem,
  type ShelfKind,
} from '@hulvek/core';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { sentence } from '$lib/device/sentence.ts';

export interface JobCopy {
  readonly kind: ShelfKind;
  readonly document: ShelfDocument;
  /** The shelf item it was taken from, in its newest version; `null` where there is none. */
  readonly item: ShelfItem | null;
  /** Newer on the shelf than the copy. */
  readonly newer: boolean;
  /** What taking the newest version would change. */
  readonly changes: readonly FieldChange[];
}

export class ShelfDesk {
  readonly store: JobStore;
  /** `null` until the server answered; it needs the network. */
  items = $state.raw<readonly ShelfItem[] | null>(null);
  problem = $state('');
  said = $state('');
  /** Who writes on the shelf of all jobs, and whether this person does. */
  keepers = $state.raw<readonly string[]>([]);
  mayKeep = $state(false);
  /** Versions of the item whose history is open, newest first. */
  history = $state.raw<readonly ShelfItem[]>([]);

  constructor(store: JobStore) {
    this.store = store;
  }

  get mayEdit(): boolean {
    return this.store.pack.rights.includes('plan');
  }

  async load(): Promise<void> {
    try {
      const response = await fetch('/api/shelf');
      if (!response.ok) throw new Error(await sentence(response));
      const { items, keepers, mayKeep } = await answerOf(response, shelfAnswer);
      this.items = items;
      this.keepers = keepers;
      this.mayKeep = mayKeep;
    } catch {
      this.problem = offlineWords.needsNetwork;
    }
  }

  #own(kind: ShelfKind): readonly ShelfDocument[] {
    return this.store.context[kind] ?? [];
  }

  copies = $derived.by((): readonly JobCopy[] =>
    shelfKinds.flatMap((kind) =>
      this.#own(kind).map((document): JobCopy => {
        const { origin } = document;
        const item = this.items?.find((i) => i.kind === kind && i.id === origin?.id) ?? null;
        const newer = item !== null && origin !== undefined && item.version > origin.version;
        return {
          kind,
          document,
          item,
          newer,
          changes: newer ? fieldChanges(document, item.document) : [],
        };
      }),
    ),
  );

  /** Items on the shelf that the job has no copy of. */
  offered = $derived.by(() =>
    (this.items ?? []).filter(
      (item) => !this.#own(item.kind).some((document) => document.origin?.id === item.id),
    ),
  );

  async #put(kind: ShelfKind, was: ShelfDocument | null, item: ShelfDocument): Promise<boolean> {
    this.problem = await this.store.put('shelf', { kind, was, item });
    return this.problem === '';
  }

  /** Copies an item of the shelf into the job; a name already taken there gets a number. */
  async take(item: ShelfItem): Promise<void> {
    const taken = new Set(this.#own(item.kind).map((d) => String(d.id)));
    let id = item.id;
    for (let n = 2; taken.has(id); n++) id = `${item.id}-${n}`;
    await this.#put(item.kind, null, copyOf(item, id));
  }

  /** Brings a copy to the newest version. */
  async update({ kind, document, item }: JobCopy): Promise<void> {
    if (item) await this.#put(kind, document, copyOf(item, document.id));
  }

  async change(kind: ShelfKind, was: ShelfDocument, next: ShelfDocument): Promise<boolean> {
    return this.#put(kind, was, next);
  }

  /** A second one beside it, to be changed; it comes from nowhere any more. */
  async duplicate({ kind, document }: JobCopy): Promise<void> {
    const taken = new Set(this.#own(kind).map((d) => String(d.id)));
    let id = `${document.id}-copy`;
    for (let n = 2; taken.has(id); n++) id = `${document.id}-copy-${n}`;
    const copy = { ...forShelf(document, id), name: shelfWords.copyName(document.name) } as ShelfDocument;
    await this.#put(kind, null, copy);
  }

  /** Opens the history of an item, or closes the one that is open. */
  async showHistory({ kind, id }: Pick<ShelfItem, 'kind' | 'id'>): Promise<void> {
    const [open] = this.history;
    this.history = [];
    if (open?.kind === kind && open.id === id) return;
    try {
      const response = await fetch(`/api/shelf/${kind}/${encodeURIComponent(id)}`);
      if (!response.ok) this.problem = await sentence(response);
      else this.history = (await answerOf(response, shelfVersionsAnswer)).items;
    } catch {
      this.problem = offlineWords.needsNetwork;
    }
  }

  /** Lets somebody else write on the shelf too. */
  async makeKeeper(email: string): Promise<void> {
    this.problem = this.said = '';
    try {
      const response = await fetch('/api/shelf/keepers', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email }),
      });
      if (!response.ok) this.problem = await sentence(response);
      else {
        this.said = shelfWords.keeperMade(email);
        await this.load();
      }
    } catch {
      this.problem = offlineWords.needsNetwork;
    }
  }

  /** Makes the job's copy the next version on the shelf, or the first. */
  async keep({ kind, document, item }: JobCopy): Promise<void> {
    const id = document.origin?.id ?? document.id;
    const after = item?.version ?? this.items?.find((i) => i.kind === kind && i.id === id)?.version ?? 0;
    try {
      const response = await fetch('/api/shelf', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ kind, after, document: forShelf(document, id) }),
      });
      if (!response.ok) {
        this.problem = await sentence(response);
        return;
      }
      const { item: kept } = await answerOf(response, shelfItemAnswer);
      await this.#put(kind, document, { ...document, origin: { id: kept.id, version: kept.version } });
      await this.load();
    } catch {
      this.problem = offlineWords.needsNetwork;
    }
  }
}
