/** What new openings are called and go by, and their ids while they are not stored. */
import { freshId } from '$lib/device/ids.ts';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { sameMark, type OpeningDocument } from '@hulvek/core';

interface Chosen {
  readonly unit?: string;
  readonly wall?: string;
  readonly method?: string;
}

export class NewChoice {
  readonly #store: JobStore;
  name = $state('');
  facade = $state('');
  /** What somebody chose here; the usual ones of the job until then. */
  #chosen = $state.raw<Chosen>({});
  readonly #ids = new Map<string, string>();

  constructor(store: JobStore) {
    this.#store = store;
  }

  unit = $derived.by(() => this.#chosen.unit ?? this.#store.context.job.usual?.unit ?? '');
  wall = $derived.by(
    () => this.#chosen.wall ?? this.#store.context.job.usual?.wall ?? this.#store.context.walls[0]?.id ?? '',
  );
  method = $derived.by(
    () =>
      this.#chosen.method ??
      this.#store.context.job.usual?.method ??
      this.#store.context.methods[0]?.id ??
      '',
  );

  choose(change: Chosen): void {
    this.#chosen = { ...this.#chosen, ...change };
  }

  /** What of an opening is chosen here. */
  get fields(): Pick<OpeningDocument, 'name' | 'facade' | 'unit' | 'wall' | 'method'> {
    return {
      name: this.name.trim(),
      facade: this.facade.trim(),
      unit: (this.unit || null) as OpeningDocument['unit'],
      wall: (this.wall || null) as OpeningDocument['wall'],
      method: (this.method || null) as OpeningDocument['method'],
    };
  }

  /** Ids belong to marks: pressed twice, or sent again after a lost answer, nothing is added twice. */
  idOf(mark: string): string {
    const id = this.#ids.get(sameMark(mark)) ?? `opening-${freshId().slice(0, 13)}`;
    this.#ids.set(sameMark(mark), id);
    return id;
  }

  /** All are stored: the same marks would be other openings. */
  stored(): void {
    this.#ids.clear();
  }
}
