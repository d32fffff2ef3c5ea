/** The drawing of one opening that is worked on: what is shown, what is dragged, what is chosen. */
import { detailWords } from '$words/detail.ts';
import {
  allCutsDrawing,
  asTyped,
  cutDrawing,
  cutIds,
  drawingSvg,
  faceDrawing,
  formatLength,
  parameters,
  parameterTexts,
  pieceText,
  wallThingText,
  piecesSvg,
  planOpening,
  scaleOf,
  snapped,
  type AxisId,
  type ChoicesDocument,
  type CutId,
  type Drawing,
  type DrawingLayer,
  type DrawingScale,
  type Fix,
  type Handle,
  type Opening,
  type ParameterId,
  type Plan,
  type RuleId,
} from '@hulvek/core';
import { SvelteSet } from 'svelte/reactivity';
import type { Download } from '$lib/device/download.ts';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

export const deskViews = ['face', 'inside', ...cutIds, 'all', 'pieces'] as const;
export type DeskView = (typeof deskViews)[number];

const isCutId = (view: DeskView): view is CutId => (cutIds as readonly string[]).includes(view);

export class DetailDesk {
  readonly editor: OpeningEditor;
  view = $state<DeskView>('face');
  chosenStep = $state<number | null>(null);
  scale = $state<DrawingScale>(5);
  readonly hidden = new SvelteSet<DrawingLayer>();
  /** The opening as it would be while something is dragged; stored when it is let go. */
  #preview = $state.raw<Opening | null>(null);

  constructor(editor: OpeningEditor) {
    this.editor = editor;
  }

  plan = $derived.by((): Plan =>
    this.#preview ? planOpening(this.#preview, this.editor.context) : this.editor.plan,
  );
  step = $derived.by(() => {
    const last = this.plan.build?.steps.length ?? 0;
    return Math.min(this.chosenStep ?? last, last);
  });

  get isCut(): boolean {
    return isCutId(this.view);
  }
  get label(): string {
    return detailWords.labels[this.view];
  }
  toggle(layer: DrawingLayer): void {
    if (!this.hidden.delete(layer)) this.hidden.add(layer);
  }

  draw(size: { width: number; height: number }, fixedScale?: number): Drawing {
    const { build } = this.plan;
    if (!build) throw new Error('nothing is built yet');
    const { units } = this.editor.context.job;
    const options = {
      ...size,
      ...(fixedScale !== undefined && { fixedScale }),
      step: this.step,
      figure: (mm: number) => formatLength(mm, units, 'figure'),
      hide: this.hidden,
    };
    const { view } = this;
    if (isCutId(view))
      return cutDrawing(build, { ...options, cut: view, name: pieceText, wallName: wallThingText });
    if (view === 'all') return allCutsDrawing(build, { ...options, title: (cut) => detailWords.views[cut] });
    const { dimensionNames } = detailWords;
    return faceDrawing(build, {
      ...options,
      dimensionNames,
      wallName: wallThingText,
      from: view === 'inside' ? 'inside' : 'outside',
    });
  }

  /** What a handle moves, and how much it is. */
  sayHandle({ parameter, piece }: Handle): string {
    const figure = formatLength(this.#figureOf(parameter), this.editor.store.reads);
    return detailWords.handle(pieceText(piece), parameterTexts[parameter], figure);
  }

  /** Where the unit stands when nobody gave a number is what the plan made of it. */
  #figureOf(parameter: ParameterId, plan: Plan = this.plan): number {
    const front = plan.build?.context.unit.front;
    return parameter === 'setback' && front !== undefined ? -front : plan.numbers[parameter];
  }

  #grown: { handle: Handle; from: number } | null = null;

  /** @param mm how far the number grew since the drag began */
  drag(handle: Handle, mm: number, fine: boolean): void {
    if (!this.editor.mayPlan) return;
    const { parameter } = handle;
    if (this.#grown?.handle.parameter !== parameter)
      this.#grown = { handle, from: this.#figureOf(parameter, this.editor.plan) };
    const units = this.editor.store.reads;
    const { least, most } = parameters[parameter];
    const value = snapped(this.#grown.from + mm, { units, fine, least, most });
    const { opening } = this.editor;
    const numbers = { ...opening.numbers, [parameter]: asTyped(value, units) };
    this.#preview = { ...opening, numbers };
  }

  drop(): void {
    const dragged = this.#preview;
    const parameter = this.#grown?.handle.parameter;
    this.#preview = null;
    this.#grown = null;
    const value = parameter && dragged?.numbers[parameter];
    if (!value) return;
    this.editor.change((opening) => ({ ...opening, numbers: { ...opening.numbers, [parameter]: value } }));
  }

  choose(kind: 'wall' | 'method', id: string): void {
    const value = id === '' ? null : id;
    this.editor.change((opening) => ({ ...opening, [kind]: value }) as Opening);
  }

  chooseAxis(axis: AxisId, choice: string | null): void {
    this.editor.change((opening) => withChoices(opening, { [axis]: choice ?? undefined }));
  }

  applyFix(fix: Fix): void {
    const units = this.editor.store.reads;
    this.editor.change((opening) => {
      const numbers = { ...opening.numbers };
      for (const [id, value] of Object.entries(fix.set) as [ParameterId, number][])
        numbers[id] =
          parameters[id].kind === 'angle' ? { typed: `${value}°`, deg: value } : asTyped(value, units);
      return withChoices({ ...opening, numbers }, fix.choose ?? {});
    });
  }

  /** Departs from a rule for a reason, in one's own name. */
  accept(rule: RuleId, reason: string): void {
    const { id: account, name: person } = this.editor.store.pack.me;
    const deviation = { rule, reason, person, account, at: new Date().toISOString() };
    this.editor.change((opening) => ({
      ...opening,
      deviations: [...(opening.deviations ?? []).filter((d) => d.rule !== rule), deviation],
    }));
  }

  #name(extension: string): string {
    const scale = this.view === 'pieces' || this.view === 'all' ? '' : `-1to${this.scale}`;
    return `${this.editor.opening.mark}-${this.view}${scale}.${extension}`;
  }

  /** The drawing to measure on; the four cuts together have no scale and come as they stand on the screen. */
  #forFile(): Drawing {
    const size = { width: 1047, height: 718 };
    return this.view === 'all' ? this.draw(size) : this.draw(size, scaleOf(this.scale));
  }

  svg(): Download {
    const { opening } = this.editor;
    const content =
      this.view === 'pieces'
        ? piecesSvg(this.plan.build?.pieces ?? [], ({ id, size }) => this.#pieceTitle(id, size))
        : drawingSvg(this.#forFile(), `${opening.mark} ${this.label}, 1:${this.scale}`);
    return { name: this.#name('svg'), type: 'image/svg+xml', content };
  }

  async dxf(): Promise<Download> {
    const { drawingDxf, piecesDxf } = await import('./dxf.ts');
    const content =
      this.view === 'pieces'
        ? piecesDxf(this.plan.build?.pieces ?? [], ({ id, size }) => this.#pieceTitle(id, size))
        : drawingDxf(this.#forFile());
    return { name: this.#name('dxf'), type: 'image/vnd.dxf', content };
  }

  #pieceTitle(id: string, size: { length_mm: number; width_mm: number }): string {
    const length = (mm: number) => formatLength(mm, this.editor.context.job.units);
    return `${this.editor.opening.mark} ${pieceText(id)}: ${length(size.length_mm)} × ${length(size.width_mm)}`;
  }
}

/** An opening with choices set, or taken back where they are undefined. */
function withChoices(opening: Opening, set: { readonly [Axis in AxisId]?: string | undefined }): Opening {
  const entries = Object.entries({ ...opening.choices, ...set }).filter(([, choice]) => choice !== undefined);
  const { choices: _before, ...rest } = opening;
  return entries.length === 0 ? rest : { ...rest, choices: Object.fromEntries(entries) as ChoicesDocument };
}
