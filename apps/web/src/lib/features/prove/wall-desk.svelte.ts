/** A wall that is looked at in a proof: as planned or as built, at a step of the work, with what is tried out on it. */
import {
  asBuilt,
  askStock,
  cutDrawing,
  faceDrawing,
  formatLength,
  looksOpen,
  pieceText,
  planOpening,
  progress,
  unchanged,
  verdictOnSite,
  withChanges,
  type AsBuilt,
  type AskStock,
  type Build,
  type ChangedBuild,
  type ChangeRefused,
  type Drawing,
  type Finding,
  type Fix,
  type Look,
  type TriedFix,
  type Verdict,
  type Opening,
  type Plan,
  type WallChange,
} from '@hulvek/core';
import { DetailDesk } from '$lib/features/detail/detail-desk.svelte.ts';
import { triedFixes } from '$lib/features/findings/tried-fixes.svelte.ts';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

export const wallViews = ['face', 'head', 'left', 'right', 'sill'] as const;
export type WallView = (typeof wallViews)[number];

export class WallDesk {
  readonly editor: OpeningEditor;
  readonly desk: DetailDesk;
  readonly proofs: readonly Finding['proof'][];
  view = $state<WallView>('face');
  wall = $state<'planned' | 'built'>('planned');
  tries = $state.raw<readonly WallChange[]>([]);
  problem = $state<ChangeRefused | null>(null);
  /** The opening before the last fix, to be looked at beside what became of it. */
  #before = $state.raw<Opening | null>(null);
  showBefore = $state(false);

  /** @param proofs whose findings it lists */
  constructor(editor: OpeningEditor, proofs: readonly Finding['proof'][]) {
    this.editor = editor;
    this.proofs = proofs;
    this.desk = new DetailDesk(editor);
  }

  plan = $derived.by((): Plan =>
    this.#before && this.showBefore ? planOpening(this.#before, this.editor.context) : this.desk.plan,
  );
  get compares(): boolean {
    return this.#before !== null;
  }
  findings = $derived.by((): readonly Finding[] => this.#findingsOf(this.plan));
  /** Findings before and after the last fix. */
  mended = $derived.by(() => {
    if (!this.#before) return null;
    const graver = (plan: Plan) =>
      this.#findingsOf(plan).filter((f) => f.severity === 'fails' || f.severity === 'watch').length;
    const [was, is] = [graver(planOpening(this.#before, this.editor.context)), graver(this.editor.plan)];
    return { fixed: was - is, left: is };
  });
  #findingsOf(plan: Plan): Finding[] {
    return plan.findings.filter((f) => this.proofs.includes(f.proof));
  }

  /** What the job's stocks do in each other's place. */
  readonly #askStock: AskStock = (build, piece, stock) => {
    const { materials, job } = this.editor.context;
    return askStock({ materials, ...(job.supply && { adhesion: job.supply.adhesion }) })(build, piece, stock);
  };

  /** The wall that was cut, with what was done otherwise; before anything was, the planned one. */
  built = $derived.by((): AsBuilt | null => {
    const view = this.editor.store.view(this.editor.id);
    const issue = view?.issues.at(-1);
    const build = issue ? this.editor.store.frozenOf(issue)?.build : this.plan.build;
    return build ? asBuilt(build, view?.entries ?? [], this.#askStock) : null;
  });
  /** Looks that are due on the wall as built and that nobody has recorded. */
  unseen = $derived.by((): readonly Look[] => {
    if (this.wall !== 'built') return [];
    const view = this.editor.store.view(this.editor.id);
    const issues = view?.issues ?? [];
    const issue = issues.at(-1);
    const steps = issue ? (this.editor.store.frozenOf(issue)?.build.steps ?? []) : [];
    return looksOpen(progress(steps, issues, view?.entries ?? [], new Date().toISOString()));
  });
  /** Pieces of another material than the one that was computed. */
  strange = $derived.by((): readonly string[] => this.tried?.strange ?? []);
  /** What rests on a look that nobody has recorded, on another material, or on entries that do not fit is not known. */
  protected known(verdict: Verdict): Verdict {
    const left = this.wall === 'built' ? (this.built?.left ?? 0) : 0;
    return verdictOnSite(verdict, { looks: this.unseen.length, strange: this.strange.length, left });
  }
  /** Fixes of a finding that hold, planned when somebody asks. */
  tryFixes(finding: Finding): Promise<readonly TriedFix[] | null> {
    return triedFixes(this.plan, finding);
  }

  tried = $derived.by((): ChangedBuild | null => {
    const { build } = this.plan;
    const base = this.wall === 'built' ? this.built : build && unchanged(build);
    if (!base) return null;
    const next = withChanges(base.build, this.tries, base, this.#askStock);
    return next.ok ? next.value : base;
  });
  build = $derived.by((): Build | null => this.tried?.build ?? null);
  step = $derived.by((): number => {
    const last = this.build?.steps.length ?? 0;
    const usual = this.wall === 'built' ? (this.built?.count ?? last) : last;
    return Math.min(this.desk.chosenStep ?? usual, last);
  });
  get finished(): boolean {
    return this.step === (this.build?.steps.length ?? 0);
  }
  /** Whether nothing is tried and the wall is the planned one. */
  get asPlanned(): boolean {
    return this.wall === 'planned' && this.tries.length === 0;
  }

  draw(size: { width: number; height: number }): Drawing {
    const { build, view } = this;
    if (!build) throw new Error('nothing is built yet');
    const { units } = this.editor.context.job;
    const hide = new Set(['dimensions'] as const);
    const figure = (mm: number) => formatLength(mm, units, 'figure');
    const options = { ...size, step: this.step, figure, hide };
    return view === 'face'
      ? faceDrawing(build, options)
      : cutDrawing(build, { ...options, cut: view, name: pieceText });
  }

  try(change: WallChange): boolean {
    const base = this.tried;
    const result = base ? withChanges(base.build, [change], base, this.#askStock) : null;
    this.problem = result && !result.ok ? result.error : null;
    if (!result?.ok) return false;
    this.tries = [...this.tries, change];
    return true;
  }
  drop(change: WallChange): void {
    this.tries = this.tries.filter((other) => other !== change);
    this.problem = null;
  }
  clear(): void {
    this.tries = [];
    this.problem = null;
  }

  applyFix(fix: Fix): void {
    this.#before = this.editor.opening;
    this.showBefore = false;
    this.desk.applyFix(fix);
  }
  undo(): void {
    this.#before = null;
    this.showBefore = false;
    this.editor.undo();
  }
}
