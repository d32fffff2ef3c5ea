/** The proof of water on the screen: which wall is looked at, which water is followed, what is tried out. */
import {
  asBuilt,
  courseOf,
  cutDrawing,
  faceDrawing,
  formatLength,
  pieceText,
  planOpening,
  proveWater,
  sourceLines,
  verdictOf,
  waterVerdict,
  withChanges,
  type AsBuilt,
  type Build,
  type ChangedBuild,
  type ChangeRefused,
  type Course,
  type Drawing,
  type Finding,
  type Fix,
  type Lap,
  type Opening,
  type Plan,
  type SourceTrace,
  type Verdict,
  type WallChange,
  type WaterPart,
  type WaterProof,
} from '@hulvek/core';
import { DetailDesk } from './detail-desk.svelte.ts';
import type { OpeningEditor } from './opening.svelte.ts';

export const waterViews = ['face', 'head', 'left', 'right', 'sill'] as const;
export type WaterView = (typeof waterViews)[number];

/** A source with the stretch of it that is followed. */
export interface Followed {
  readonly source: SourceTrace['source'];
  readonly part: WaterPart;
}

export class WaterDesk {
  readonly editor: OpeningEditor;
  readonly desk: DetailDesk;
  view = $state<WaterView>('face');
  wall = $state<'planned' | 'built'>('planned');
  show = $state<'run' | 'wayIn'>('run');
  /** Stop of the course that is looked at. */
  at = $state(0);
  tries = $state.raw<readonly WallChange[]>([]);
  problem = $state<ChangeRefused | null>(null);
  lap = $state<string | null>(null);
  #chosen = $state<string | null>(null);
  /** The opening before the last fix, to be looked at beside what became of it. */
  #before = $state.raw<Opening | null>(null);
  showBefore = $state(false);

  constructor(editor: OpeningEditor) {
    this.editor = editor;
    this.desk = new DetailDesk(editor);
  }

  plan = $derived.by((): Plan =>
    this.#before && this.showBefore ? planOpening(this.#before, this.editor.context) : this.desk.plan,
  );
  get compares(): boolean {
    return this.#before !== null;
  }
  /** Findings about water before and after the last fix. */
  mended = $derived.by(() => {
    if (!this.#before) return null;
    const graver = (plan: Plan) =>
      waterFindings(plan).filter((f) => f.severity === 'fails' || f.severity === 'watch').length;
    const [was, is] = [graver(planOpening(this.#before, this.editor.context)), graver(this.editor.plan)];
    return { fixed: was - is, left: is };
  });

  built = $derived.by((): AsBuilt | null => {
    const { build } = this.plan;
    const entries = this.editor.store.view(this.editor.id)?.entries ?? [];
    return build ? asBuilt(build, entries) : null;
  });
  #tried = $derived.by((): ChangedBuild | null => {
    const { build } = this.plan;
    const base = this.wall === 'built' ? this.built : build && { build, lost: [] };
    if (!base) return null;
    const next = withChanges(base.build, this.tries);
    if (!next.ok) return { build: base.build, lost: base.lost };
    return { build: next.value.build, lost: [...base.lost, ...next.value.lost] };
  });
  build = $derived.by((): Build | null => this.#tried?.build ?? null);
  step = $derived.by((): number => {
    const last = this.build?.steps.length ?? 0;
    const usual = this.wall === 'built' ? (this.built?.count ?? last) : last;
    return Math.min(this.desk.chosenStep ?? usual, last);
  });
  get finished(): boolean {
    return this.step === (this.build?.steps.length ?? 0);
  }

  /** Of the wall when it is finished; of the wall as it stands where that is what is looked at. */
  proof = $derived.by((): WaterProof | null => {
    const [tried, { water, exposed }] = [this.#tried, this.plan];
    if (!tried) return null;
    const asPlanned = this.wall === 'planned' && this.tries.length === 0;
    return asPlanned ? water : proveWater(tried.build, exposed, { lost: tried.lost });
  });
  tonight = $derived.by((): WaterProof | null =>
    this.#tried && !this.finished
      ? proveWater(this.#tried.build, this.plan.exposed, { count: this.step, lost: this.#tried.lost })
      : null,
  );
  /** What is followed in the drawing: the wall of the moment that is drawn. */
  traces = $derived.by(() => (this.tonight ?? this.proof)?.traces ?? []);

  findings = $derived.by((): readonly Finding[] => waterFindings(this.plan));
  verdict = $derived.by((): Verdict => {
    const [proof, own] = [this.proof, verdictOf(this.findings)];
    if (!proof || (this.wall === 'planned' && this.tries.length === 0)) return own;
    return proof.verdict;
  });

  followed = $derived.by((): Followed | null => {
    const all = this.traces.flatMap(({ source, parts }) => parts.map((part) => ({ source, part })));
    const chosen = all.find(({ source, part }) => partKey(source, part) === this.#chosen);
    const rank = ({ part }: Followed) => (part.outcome === 'structure' ? -1 : (part.k ?? 9));
    return chosen ?? all.toSorted((a, b) => rank(a) - rank(b))[0] ?? null;
  });
  isFollowed(source: SourceTrace['source'], part: WaterPart): boolean {
    const now = this.followed;
    return now !== null && partKey(now.source, now.part) === partKey(source, part);
  }
  follow(source: SourceTrace['source'], part: WaterPart): void {
    this.#chosen = partKey(source, part);
    this.at = 0;
    this.show = part.k === 0 || part.wayIn.length === 0 ? 'run' : this.show;
  }
  verdictOf(part: WaterPart): Verdict {
    return this.build ? waterVerdict(part, this.build) : 'not-checkable';
  }

  course = $derived.by((): Course | null => {
    const [now, build] = [this.followed, this.build];
    if (!now || !build) return null;
    const way = this.show === 'wayIn' && now.part.wayIn.length > 0 ? now.part.wayIn : now.part.run;
    return courseOf(way, build);
  });
  lines = $derived.by(() =>
    this.followed && this.build ? sourceLines(this.followed.source, this.followed.part, this.build) : [],
  );
  /** Whether the course shown ends where water must not come. */
  wets = $derived.by((): boolean => {
    const end = this.course?.stops.at(-1)?.where;
    return end === 'structure' || end === 'room';
  });

  lapShown = $derived.by((): Lap | null => this.proof?.laps.find((lap) => lapKey(lap) === this.lap) ?? null);

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
    const base = this.#tried;
    const result = base ? withChanges(base.build, [change]) : null;
    this.problem = result && !result.ok ? result.error : null;
    if (!result?.ok) return false;
    this.tries = [...this.tries, change];
    this.at = 0;
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
    this.at = 0;
    this.desk.applyFix(fix);
  }
  undo(): void {
    this.#before = null;
    this.showBefore = false;
    this.editor.undo();
  }
}

export const partKey = (source: string, { outcome, k, bonds, wets }: WaterPart): string =>
  [source, outcome, k, wets, ...bonds].join(' ');
export const lapKey = ({ pair }: Lap): string => [pair.plane, ...pair.upper, '>', ...pair.lower].join(' ');
const waterFindings = (plan: Plan): readonly Finding[] => plan.findings.filter((f) => f.proof === 'water');
