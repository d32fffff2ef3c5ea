/** The job's own walls, units or methods: which one is open, what a change of it would do, and the way back. */
import { itemVersionsAnswer, type ItemVersion } from '$lib/contract/answers.ts';
import { answerOf } from '$lib/contract/read.ts';
import { idle } from '$lib/device/idle.ts';
import { sentence } from '$lib/device/sentence.ts';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { planner } from '$lib/job/planner.ts';
import { offlineWords } from '$words/device.ts';
import { itemWords } from '$words/items.ts';
import {
  fieldChanges,
  gradeText,
  type Judgement,
  type JobContext,
  type MethodDocument,
  type SharedMade,
  type Unit,
  type Wall,
} from '@hulvek/core';

export interface ItemOf {
  readonly walls: Wall;
  readonly units: Unit;
  readonly methods: MethodDocument;
}
export type ItemKind = keyof ItemOf;
const NAMED_BY = { walls: 'wall', units: 'unit', methods: 'method' } as const;

/** What a change would do to the openings that go by it. */
export interface Effect {
  /** Marks of all of them. */
  readonly openings: readonly string[];
  /** Whose verdict would be another one, without heat, which is solved afterwards. */
  readonly verdicts: readonly { readonly mark: string; readonly before: string; readonly after: string }[];
  /** Looked at; fewer than all while it is being worked out, or where somebody went on. */
  readonly looked: number;
}

interface Pending<Item> {
  readonly was: Item;
  readonly next: Item;
  readonly effect: Effect;
}

export class ItemDesk<Kind extends ItemKind> {
  readonly store: JobStore;
  readonly kind: Kind;
  problem = $state('');
  said = $state('');
  /** A change that waits for a word, since openings go by it. */
  pending = $state.raw<Pending<ItemOf[Kind]> | null>(null);
  versions = $state.raw<readonly ItemVersion[]>([]);
  /** Whose versions are shown or asked for, and how often that was asked: the newest answer counts. */
  #versionsOf: string | null = null;
  #asked = 0;
  /** Counts what was kept here: forms begin again from it, and not from what others keep while somebody types. */
  round = $state(0);
  /** What was kept last, for the way back. */
  #last = $state.raw<{ was: ItemOf[Kind] | null; item: ItemOf[Kind] | null } | null>(null);

  constructor(store: JobStore, kind: Kind) {
    this.store = store;
    this.kind = kind;
  }

  get list(): readonly ItemOf[Kind][] {
    return this.#of(this.store.context);
  }

  get mayEdit(): boolean {
    return this.store.pack.rights.includes('plan');
  }

  get canUndo(): boolean {
    return this.#last !== null;
  }

  #of(context: JobContext): readonly ItemOf[Kind][] {
    return context[this.kind] as readonly ItemOf[Kind][];
  }

  find(id: string): ItemOf[Kind] | null {
    return this.list.find((item) => item.id === id) ?? null;
  }

  /** Openings that go by it, in the order of the job. */
  usedBy(id: string): { readonly id: string; readonly mark: string }[] {
    const named = NAMED_BY[this.kind];
    return [...this.store.views.values()].flatMap(({ opening }) =>
      opening[named] === id ? [{ id: opening.id, mark: opening.mark }] : [],
    );
  }

  /** Keeps a change at once where no opening goes by it or only its name is another; otherwise says what it would do. */
  async propose(was: ItemOf[Kind], next: ItemOf[Kind]): Promise<void> {
    this.problem = this.said = '';
    const changes = fieldChanges(was, next);
    if (changes.length === 0) {
      this.said = itemWords.nothing;
      return;
    }
    const used = this.usedBy(was.id);
    if (used.length === 0 || changes.every(({ path }) => path === 'name')) {
      await this.#put(was, next);
      return;
    }
    const openings = used.map(({ mark }) => mark);
    this.pending = { was, next, effect: { openings, verdicts: [], looked: 0 } };
    await this.store.planning();
    const before = this.store.context;
    const after = {
      ...before,
      [this.kind]: this.#of(before).map((item) => (item.id === next.id ? next : item)),
    } as JobContext;
    const sharedNow: SharedMade = new planner.SharedPlans();
    const sharedThen: SharedMade = new planner.SharedPlans();
    for (const { id, mark } of used) {
      await idle();
      const opening = this.store.views.get(id)?.opening;
      const pending: Pending<ItemOf[Kind]> | null = this.pending;
      if (!opening || pending?.next !== next) return;
      const judged = (context: JobContext, shared: SharedMade): Judgement => {
        const plan = planner.planOpening(opening, context, shared);
        return planner.judge(plan, { collides: false, heat: plan.build ? 'working' : 'left-out' });
      };
      const [now, then] = [judged(before, sharedNow), judged(after, sharedThen)].map(gradeText);
      const effect: Effect = pending.effect;
      const verdict = now === then ? [] : [{ mark, before: now ?? '', after: then ?? '' }];
      this.pending = {
        ...pending,
        effect: { ...effect, looked: effect.looked + 1, verdicts: [...effect.verdicts, ...verdict] },
      };
    }
  }

  async confirm(): Promise<void> {
    const { pending } = this;
    this.pending = null;
    if (pending) await this.#put(pending.was, pending.next);
  }

  cancel(): void {
    this.pending = null;
  }

  async add(item: ItemOf[Kind]): Promise<boolean> {
    return this.#put(null, item);
  }

  async remove(item: ItemOf[Kind]): Promise<boolean> {
    return this.#put(item, null);
  }

  /** A second one beside it, to be changed; it comes from nowhere any more. */
  async duplicate(item: ItemOf[Kind]): Promise<string | null> {
    const taken = new Set(this.list.map(({ id }) => String(id)));
    let id = `${item.id}-copy`;
    for (let n = 2; taken.has(id); n++) id = `${item.id}-copy-${n}`;
    const { origin: _from, ...rest } = item;
    const copy = { ...rest, id, name: itemWords.copyOf(item.name) } as ItemOf[Kind];
    return (await this.#put(null, copy)) ? id : null;
  }

  async undo(): Promise<void> {
    const last = this.#last;
    if (last && (await this.#put(last.item, last.was))) {
      this.#last = null;
      this.said = itemWords.undone;
    }
  }

  async #put(was: ItemOf[Kind] | null, item: ItemOf[Kind] | null): Promise<boolean> {
    this.said = '';
    // While it is on its way, the way back would begin from what is no more.
    const last = this.#last;
    this.#last = null;
    this.problem = await this.store.put('shelf', { kind: this.kind, was, item });
    if (this.problem !== '') {
      this.#last = last;
      return false;
    }
    this.#last = { was, item };
    this.round++;
    this.said = item ? itemWords.kept(item.name) : itemWords.removed(was?.name ?? '');
    // Asked for while this was on its way they may lack it.
    if (item && this.#versionsOf === item.id) await this.showVersions(item.id);
    return true;
  }

  hideVersions(): void {
    this.versions = [];
    this.#versionsOf = null;
    this.#asked++;
  }

  async showVersions(id: string): Promise<void> {
    this.#versionsOf = id;
    const asked = ++this.#asked;
    try {
      const query = new URLSearchParams({ kind: this.kind, id });
      const response = await fetch(`/api/jobs/${this.store.id}/shelf?${query}`);
      if (!response.ok) {
        this.problem = await sentence(response);
        return;
      }
      const { versions } = await answerOf(response, itemVersionsAnswer);
      if (asked !== this.#asked) return;
      this.versions = versions.toReversed();
      if (versions.length === 0) this.said = itemWords.neverChanged;
    } catch {
      this.problem = offlineWords.needsNetwork;
    }
  }
}
