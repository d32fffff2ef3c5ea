/** The openings a job has, changed as a whole: each change is stored before it shows, and can be undone. */
import { openingsChanged, NO_CHANGE, type OpeningsChange } from '$lib/contract/openings-change.ts';
import { answerOf } from '$lib/contract/read.ts';
import { sentence } from '$lib/device/sentence.ts';
import { addWords, openingsWords } from '$words/openings.ts';
import { asAsked, type Opening, type OpeningDocument, type Unit, type Wall } from '@hulvek/core';
import type { JobStore } from './job.svelte.ts';
import { OpeningsEditor } from './openings.svelte.ts';

/** What takes a change back, knowing the versions it made. */
type Inverse = (versions: Readonly<Record<string, number>>) => OpeningsChange;

export class OpeningsSet {
  readonly store: JobStore;
  /** What is chosen for many of them at once goes the way of every choice: kept on the device, merged, saved. */
  readonly editor: OpeningsEditor;
  said = $state('');
  problem = $state('');
  busy = $state(false);
  /** Takes the last change back. */
  #back = $state.raw<(() => Promise<boolean>) | null>(null);

  constructor(store: JobStore) {
    this.store = store;
    this.editor = new OpeningsEditor(store);
  }

  get canUndo(): boolean {
    return this.#back !== null && !this.busy;
  }

  /** Ids of openings are made before they are sent: the same ones sent again add nothing. */
  async add(
    openings: readonly OpeningDocument[],
    more: {
      readonly units?: readonly Unit[];
      readonly walls?: readonly Wall[];
      readonly change?: readonly OpeningDocument[];
    } = {},
  ): Promise<boolean> {
    const changed = this.#toChange(more.change ?? []);
    const change = {
      ...NO_CHANGE,
      units: [...(more.units ?? [])],
      walls: [...(more.walls ?? [])],
      add: [...openings],
      change: changed,
    };
    const said = [
      ...(openings.length > 0 ? [openingsWords.added(openings.length)] : []),
      ...(changed.length > 0 ? [openingsWords.changed(changed.length)] : []),
    ].join(' ');
    const ids = openings.map(({ id }) => String(id));
    const back = this.#backTo(changed);
    return this.#do(change, said, (versions) => ({ ...NO_CHANGE, remove: ids, change: back(versions) }));
  }

  /** Changes what is chosen for some openings; those that `edit` leaves alone take no part. */
  async change(
    ids: readonly string[],
    edit: (document: OpeningDocument) => OpeningDocument,
  ): Promise<boolean> {
    const wanted = new Set(ids);
    const documents = this.store.pack.openings.flatMap(({ document }) => {
      const next = wanted.has(document.id) ? edit(document) : document;
      return next === document ? [] : [next];
    });
    if (documents.length === 0) return true;
    const changed = this.#toChange(documents);
    const back = this.#backTo(changed);
    return this.#do({ ...NO_CHANGE, change: changed }, openingsWords.changed(changed.length), (versions) => ({
      ...NO_CHANGE,
      change: back(versions),
    }));
  }

  remove(ids: readonly string[]): Promise<boolean> {
    return this.#do({ ...NO_CHANGE, remove: [...ids] }, openingsWords.removed(ids.length), () => ({
      ...NO_CHANGE,
      restore: [...ids],
    }));
  }

  restore(ids: readonly string[]): Promise<boolean> {
    return this.#do({ ...NO_CHANGE, restore: [...ids] }, openingsWords.putBack(ids.length), () => ({
      ...NO_CHANGE,
      remove: [...ids],
    }));
  }

  /** Chooses something for some openings. */
  apply(ids: readonly string[], edit: (opening: Opening) => Opening): void {
    this.problem = '';
    this.editor.change(ids, edit);
    this.said = openingsWords.changed(ids.length);
    this.#back = () => {
      this.editor.undo();
      return Promise.resolve(true);
    };
  }

  async undo(): Promise<void> {
    const back = this.#back;
    if (!back || !(await back())) return;
    this.#back = null;
    this.said = openingsWords.undone;
  }

  #toChange(documents: readonly OpeningDocument[]): OpeningsChange['change'] {
    const versions = new Map(this.store.pack.openings.map((part) => [part.document.id, part.version]));
    return documents.map((document) => ({ document, version: versions.get(document.id) ?? 1 }));
  }

  /** The documents as they are now, on top of whatever versions a change will make. */
  #backTo(
    changed: OpeningsChange['change'],
  ): (versions: Readonly<Record<string, number>>) => OpeningsChange['change'] {
    const was = this.store.pack.openings.filter(({ document }) =>
      changed.some((one) => one.document.id === document.id),
    );
    return (versions) =>
      was.map(({ document, version }) => ({ document, version: versions[document.id] ?? version }));
  }

  async #do(change: OpeningsChange, said: string, inverse?: Inverse): Promise<boolean> {
    // A second press while the first is under way.
    if (this.busy) return false;
    this.busy = true;
    this.problem = this.said = '';
    try {
      await this.editor.flush();
      const response = await fetch(`/api/jobs/${this.store.id}/openings`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(change),
      });
      if (!response.ok) {
        this.problem = await sentence(response);
        await this.store.refresh();
        return false;
      }
      const { versions } = await answerOf(response, openingsChanged);
      await this.store.refresh();
      const back = inverse?.(versions);
      this.#back = back ? () => this.#do(back, '') : null;
      this.said = said;
      return true;
    } catch {
      this.problem = addWords.needsNetwork;
      return false;
    } finally {
      this.busy = false;
    }
  }
}

/** What a new opening of this job begins with. */
export function newOpening(
  store: JobStore,
  id: string,
  fields: Partial<OpeningDocument> & Pick<OpeningDocument, 'mark'>,
): OpeningDocument {
  const { job, walls, methods } = store.context;
  return {
    id: id as Opening['id'],
    name: '',
    facade: '',
    wall: job.usual?.wall ?? walls[0]?.id ?? null,
    unit: job.usual?.unit ?? null,
    method: job.usual?.method ?? methods[0]?.id ?? null,
    survey: { from: 'outside' },
    numbers: {},
    ...fields,
  };
}

/** The same opening under another id and mark, with nothing that happened there. */
export function copyOfOpening(document: OpeningDocument, id: string, mark: string): OpeningDocument {
  const { position: _position, ...rest } = asAsked(document);
  return { ...rest, id: id as Opening['id'], mark };
}
