/** Several openings of a job changed together: one step of undo for all of them. */
import type { Instrument, Opening } from '@hulvek/core';
import type { JobStore } from './job.svelte.ts';
import { OpeningEditor } from './opening.svelte.ts';

export class OpeningsEditor {
  readonly store: JobStore;
  readonly #editors = new Map<string, OpeningEditor>();
  /** Ids of the openings that each step changed. */
  #past = $state.raw<readonly (readonly string[])[]>([]);
  #future = $state.raw<readonly (readonly string[])[]>([]);

  constructor(store: JobStore) {
    this.store = store;
  }

  get canUndo(): boolean {
    return this.#past.length > 0;
  }
  get canRedo(): boolean {
    return this.#future.length > 0;
  }

  opening(id: string): Opening {
    return this.#editor(id).opening;
  }

  /** Changes every opening named; those that `edit` leaves as they are take no part. */
  change(ids: readonly string[], edit: (opening: Opening) => Opening, instrument: Instrument = 'tape'): void {
    const changed: string[] = [];
    this.store.outbox.together(() => {
      for (const id of ids) if (this.#editor(id).change(edit, instrument)) changed.push(id);
    });
    if (changed.length === 0) return;
    this.#past = [...this.#past, changed];
    this.#future = [];
  }

  undo(): void {
    const last = this.#past.at(-1);
    if (!last) return;
    this.#past = this.#past.slice(0, -1);
    this.#future = [...this.#future, last];
    this.store.outbox.together(() => last.forEach((id) => this.#editor(id).undo()));
  }

  redo(): void {
    const next = this.#future.at(-1);
    if (!next) return;
    this.#future = this.#future.slice(0, -1);
    this.#past = [...this.#past, next];
    this.store.outbox.together(() => next.forEach((id) => this.#editor(id).redo()));
  }

  /** Sends what is not yet on the server, now. */
  async flush(): Promise<void> {
    for (const editor of this.#editors.values()) await editor.flush();
  }

  #editor(id: string): OpeningEditor {
    const known = this.#editors.get(id);
    if (known) return known;
    const editor = new OpeningEditor(this.store, id);
    this.#editors.set(id, editor);
    return editor;
  }
}
