/** The order of the work at one opening: its line in time, every evening of it, and moves that are tried before they are kept. */
import { idle } from '$lib/device/idle.ts';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
import {
  eveningAfter,
  moved,
  OWN_ORDER,
  progress,
  timelineOf,
  tryMove,
  type Build,
  type Evening,
  type StepMove,
} from '@hulvek/core';

export interface Trial {
  readonly id: string;
  readonly to: number;
  readonly order: readonly string[];
  readonly move: StepMove;
}

export class OrderDesk {
  readonly editor: OpeningEditor;
  trial = $state.raw<Trial | null>(null);
  evenings = $state.raw<readonly (Evening | null)[]>([]);
  #round = 0;

  constructor(editor: OpeningEditor) {
    this.editor = editor;
  }

  build = $derived.by((): Build | null => this.editor.plan.build);
  timeline = $derived.by(() => this.build && timelineOf(this.build.steps));
  isOwn = $derived.by(() => (this.editor.opening.order ?? []).length > 0);
  reason = $derived.by(
    () => this.editor.opening.deviations?.findLast(({ rule }) => rule === OWN_ORDER) ?? null,
  );

  /** Works out every evening, one after the other while the page rests; a newer order ends an older round. */
  async lookAtEvenings(): Promise<void> {
    const { build } = this;
    const round = ++this.#round;
    if (!build) {
      this.evenings = [];
      return;
    }
    const { exposed } = this.editor.plan;
    this.evenings = Array.from({ length: build.steps.length + 1 }, () => null);
    for (let count = 0; count <= build.steps.length; count++) {
      await idle();
      if (round !== this.#round) return;
      const evening = eveningAfter(build, exposed, count);
      this.evenings = this.evenings.with(count, evening);
    }
  }

  /** The evening of today, by the frozen plan and what is ticked; nothing where no plan is frozen. */
  tonight = $derived.by((): { evening: Evening; build: Build } | null => {
    const { view, store, plan } = this.editor;
    const issue = view.issues.at(-1);
    const frozen = issue ? store.frozenOf(issue) : null;
    if (!frozen) return null;
    const { build } = frozen;
    const states = progress(build.steps, view.issues, view.entries, new Date().toISOString());
    // Steps that were done out of their order count from where all before them are done.
    const open = states.findIndex(({ tick }) => tick === null);
    const done = open < 0 ? states.length : open;
    return { evening: eveningAfter(build, plan.exposed, done), build };
  });

  /** Evenings that are worked out by now. */
  get known(): readonly Evening[] {
    return this.evenings.filter((evening) => evening !== null);
  }

  /** Work between two evenings, minutes. */
  minutesBetween(from: number, to: number): number {
    return (this.build?.steps ?? []).slice(from, to).reduce((sum, step) => sum + step.work_min, 0);
  }

  /** One place on, from where it stands or from where it is tried. */
  move(id: string, by: 1 | -1): void {
    const from =
      this.trial?.id === id ? this.trial.to : (this.build?.steps.findIndex((step) => step.id === id) ?? -1);
    this.try(id, from + by);
  }

  /** Tries a step at another place; back at its own nothing is tried. */
  try(id: string, to: number): void {
    const { build } = this;
    if (!build || !this.editor.mayPlan) return;
    const from = build.steps.findIndex((step) => step.id === id);
    if (from < 0 || to < 0 || to >= build.steps.length) return;
    if (to === from) {
      this.trial = null;
      return;
    }
    this.trial = {
      id,
      to,
      order: moved(build.steps, from, to).map((step) => step.id),
      move: tryMove(build, this.editor.plan.exposed, from, to),
    };
  }

  /** Whether the trial goes against anything that a name and a reason have to stand for. */
  get asksReason(): boolean {
    const { trial } = this;
    return trial !== null && (trial.move.breaches.length > 0 || trial.move.water?.worse === true);
  }

  keep(reason: string): void {
    const { trial } = this;
    if (!trial?.move.water) return;
    const { id: account, name: person } = this.editor.store.pack.me;
    const said = reason.trim();
    this.editor.change((opening) => {
      const others = (opening.deviations ?? []).filter(({ rule }) => rule !== OWN_ORDER);
      const own = opening.deviations?.findLast(({ rule }) => rule === OWN_ORDER);
      const deviation =
        said === '' ? own : { rule: OWN_ORDER, reason: said, person, account, at: new Date().toISOString() };
      return {
        ...opening,
        order: [...trial.order],
        ...((others.length > 0 || deviation) && {
          deviations: [...others, ...(deviation ? [deviation] : [])],
        }),
      };
    });
    this.trial = null;
  }

  putBack(): void {
    this.trial = null;
  }

  /** The method's own order again. */
  usual(): void {
    this.trial = null;
    this.editor.change((opening) => {
      const { order: _order, deviations = [], ...rest } = opening;
      const others = deviations.filter(({ rule }) => rule !== OWN_ORDER);
      return { ...rest, ...(others.length > 0 && { deviations: others }) };
    });
  }
}
