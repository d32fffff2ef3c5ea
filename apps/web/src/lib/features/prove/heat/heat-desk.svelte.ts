/** The proof of heat on the screen: which cut is looked at, what the worker answered, what is studied. */
import {
  conditionsOf,
  cutDrawing,
  cutIds,
  formatLength,
  gravest,
  pieceText,
  temperatureAt,
  type CutId,
  type Drawing,
  type Finding,
  type Fix,
  type HeatProof,
  type KnownHeat,
  type Opening,
  type PictureWindow,
  type SideHeat,
  type Study,
  type StudyId,
  type Variant,
  type Verdict,
} from '@hulvek/core';
import {
  openHeatWorker,
  type HeatAnswer,
  type HeatRequest,
  type Shown,
  type SolvedBox,
} from './heat-messages.ts';
import type { Download } from '$lib/device/download.ts';
import { DetailDesk } from '$lib/features/detail/detail-desk.svelte.ts';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

export interface SideAnswer {
  readonly side: SideHeat;
  readonly refined: boolean;
}
type Sides = Readonly<Partial<Record<CutId, SideAnswer>>>;

/** A point of the section that is asked about. */
export interface Probe {
  readonly at: readonly [number, number];
  readonly temperature_C: number;
  readonly box: SolvedBox | null;
}

/** The part of a section that is drawn and painted, mm round the opening's edge. */
const REACH_mm = 360;

export class HeatDesk {
  readonly editor: OpeningEditor;
  readonly desk: DetailDesk;
  cut = $state<CutId>('sill');
  sides = $state.raw<Sides>({});
  /** Figures before the last change, to be read beside those after it. */
  before = $state.raw<Sides | null>(null);
  shown = $state.raw<Shown | null>(null);
  proof = $state.raw<HeatProof | null>(null);
  findings = $state.raw<readonly Finding[]>([]);
  problem = $state<Extract<HeatAnswer, { kind: 'failed' }>['code'] | null>(null);
  probe = $state.raw<Probe | null>(null);
  showFlux = $state(false);
  showBoxes = $state(true);
  studied = $state<StudyId>('position');
  study = $state.raw<{ study: Study; done: number; total: number } | null>(null);

  #worker: Worker | null = null;
  #looked = 0;
  #asked = 0;
  #studyAsked = 0;
  /** The newest request waits until the worker has given its first answer to the one before. */
  #waiting: HeatRequest | null = null;
  #running = false;

  constructor(editor: OpeningEditor) {
    this.editor = editor;
    this.desk = new DetailDesk(editor);
  }

  get build() {
    return this.desk.plan.build;
  }
  /** Whether every side was refined. */
  settled = $derived.by(() => cutIds.every((cut) => this.sides[cut]?.refined));
  verdict = $derived.by((): Verdict => {
    const all = cutIds.flatMap((cut) => this.sides[cut]?.side.verdict ?? []);
    return all.length < cutIds.length || this.problem ? 'not-checkable' : gravest(all);
  });
  /** As the one verdict takes it. */
  known = $derived.by((): KnownHeat => {
    if (this.problem) return 'unsolved';
    return this.proof && this.settled ? { proof: this.proof, findings: this.findings } : 'working';
  });
  conditions = $derived.by(() => conditionsOf(this.editor.context.job));

  /** Asks about the opening as it is drawn now. */
  look(opening: Opening): void {
    const { build, cut } = this;
    if (!build) return;
    this.#looked += 1;
    this.#asked = this.#looked;
    this.#send({
      kind: 'look',
      id: this.#looked,
      opening,
      context: $state.snapshot(this.editor.context) as typeof this.editor.context,
      cut,
      window: this.#window(),
    });
  }

  #window(): PictureWindow {
    const { opening, unit } = this.build?.context ?? {};
    if (!opening || !unit) return { x: [0, 1], y: [0, 1] };
    const edge = { sill: 0, left: 0, head: opening.height, right: opening.width }[this.cut];
    const outer = Math.max(unit.front, 0, ...opening.layers.map((l) => l.w[1]));
    const inner = Math.min(unit.back, ...opening.layers.map((l) => l.w[0]));
    return { x: [-outer - 30, -inner + 30], y: [edge - REACH_mm, edge + REACH_mm] };
  }

  #send(request: HeatRequest): void {
    if (this.#running && request.kind === 'look') {
      this.#waiting = request;
      return;
    }
    if (request.kind === 'look') this.#running = true;
    this.#open().postMessage(request);
  }

  #open(): Worker {
    this.#worker ??= openHeatWorker(
      (answer) => this.#hear(answer),
      () => this.#lose(),
    );
    return this.#worker;
  }

  #lose(): void {
    this.close();
    this.#running = false;
    this.#waiting = null;
    this.problem = 'stopped';
  }

  close(): void {
    this.#worker?.terminate();
    this.#worker = null;
  }

  #hear(answer: HeatAnswer): void {
    if (answer.kind === 'study') {
      if (answer.id === this.#studyAsked) this.study = answer;
      return;
    }
    const first = this.#running;
    this.#running = false;
    if (first && this.#waiting) {
      const next = this.#waiting;
      this.#waiting = null;
      this.#send(next);
    }
    // An answer to what was asked a moment ago still shows where the hand was.
    if (answer.kind === 'side') {
      if (answer.id !== this.#asked && answer.refined) return;
      this.problem = null;
      this.sides = { ...this.sides, [answer.side.cut]: { side: answer.side, refined: answer.refined } };
      if (answer.shown && answer.side.cut === this.cut) this.shown = answer.shown;
      return;
    }
    if (answer.kind === 'failed' && answer.id === this.#studyAsked) return this.stopStudy();
    if (answer.id !== this.#asked) return;
    if (answer.kind === 'proof') {
      this.proof = answer.proof;
      this.findings = answer.findings;
    } else {
      this.problem = answer.code;
      this.sides = {};
      this.shown = null;
      this.proof = null;
      this.findings = [];
    }
  }

  choose(cut: CutId): void {
    if (cut === this.cut) return;
    this.cut = cut;
    this.shown = null;
    this.probe = null;
  }

  draw(size: { width: number; height: number }): Drawing {
    const { build, cut } = this;
    if (!build) throw new Error('nothing is built yet');
    const { units } = this.editor.context.job;
    return cutDrawing(build, {
      ...size,
      step: build.steps.length,
      figure: (mm) => formatLength(mm, units, 'figure'),
      hide: new Set(['dimensions'] as const),
      cut,
      name: pieceText,
    });
  }

  /** The section that is looked at, for the command line and for outside checks. */
  file(): Download | null {
    if (!this.shown) return null;
    const content = `${JSON.stringify(this.shown.section, null, 1)}\n`;
    return {
      name: `${this.editor.opening.mark}-${this.cut}.hulvek-section.json`,
      type: 'application/json',
      content,
    };
  }

  /** What stands at a point of the section, and how warm it is. */
  ask(at: readonly [number, number]): void {
    const { shown } = this;
    if (!shown) return;
    const within = ([a, b]: readonly [number, number], v: number) => v >= a && v <= b;
    const box = shown.boxes.findLast(({ x, y }) => within(x, at[0]) && within(y, at[1])) ?? null;
    const { read } = shown.picture;
    this.probe = { at, box, temperature_C: box ? temperatureAt(read, read.corners, at) : NaN };
  }

  drag(...args: Parameters<DetailDesk['drag']>): void {
    if (!this.#dragging) this.before = this.sides;
    this.#dragging = true;
    this.desk.drag(...args);
  }
  #dragging = false;
  drop(): void {
    this.#dragging = false;
    this.desk.drop();
  }

  applyFix(fix: Fix): void {
    this.before = this.sides;
    this.desk.applyFix(fix);
  }
  /** Takes a variant of a study over. */
  take({ set }: Variant): void {
    if (!set) return;
    this.applyFix({
      kind: 'design-changing',
      set: set.numbers ?? {},
      ...(set.choose && { choose: set.choose }),
    });
  }
  undo(): void {
    this.before = null;
    this.editor.undo();
  }

  startStudy(study: StudyId): void {
    this.studied = study;
    this.study = null;
    this.#looked += 1;
    this.#studyAsked = this.#looked;
    this.#open().postMessage({
      kind: 'study',
      id: this.#studyAsked,
      opening: this.editor.opening,
      context: $state.snapshot(this.editor.context),
      study,
    });
  }
  stopStudy(): void {
    this.#studyAsked = 0;
    this.study = null;
    this.#open().postMessage({ kind: 'stop' } satisfies HeatRequest);
  }
  get studying(): boolean {
    return this.#studyAsked !== 0 && (!this.study || this.study.done < this.study.total);
  }
}
