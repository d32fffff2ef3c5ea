/** The proof of water on the screen: which wall is looked at, which water is followed, what is tried out. */
import {
  courseOf,
  proveWater,
  sectionOf,
  sourceLines,
  waterVerdict,
  type Course,
  type Fix,
  type Lap,
  type SourceTrace,
  type Verdict,
  type WallChange,
  type WaterPart,
  type WaterProof,
} from '@hulvek/core';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
import { WallDesk } from '$lib/features/prove/wall-desk.svelte.ts';

/** Nearer than this it is drawn in the cut. */
const IN_CUT_mm = 40;

/** A source with the stretch of it that is followed. */
export interface Followed {
  readonly source: SourceTrace['source'];
  readonly part: WaterPart;
}

export class WaterDesk extends WallDesk {
  show = $state<'run' | 'wayIn'>('run');
  /** Stop of the course that is looked at. */
  at = $state(0);
  lap = $state<string | null>(null);
  #chosen = $state<string | null>(null);

  constructor(editor: OpeningEditor) {
    super(editor, ['water']);
  }

  /** Of the wall when it is finished; of the wall as it stands where that is what is looked at. */
  proof = $derived.by((): WaterProof | null => {
    const [tried, { water, exposed }] = [this.tried, this.plan];
    if (!tried) return null;
    return this.asPlanned ? water : proveWater(tried.build, exposed, { lost: tried.lost });
  });
  tonight = $derived.by((): WaterProof | null =>
    this.tried && !this.finished
      ? proveWater(this.tried.build, this.plan.exposed, { count: this.step, lost: this.tried.lost })
      : null,
  );
  /** What is followed in the drawing: the wall of the moment that is drawn. */
  traces = $derived.by(() => (this.tonight ?? this.proof)?.traces ?? []);

  verdict = $derived.by((): Verdict => {
    const { proof } = this;
    if (!proof || this.asPlanned) return this.plan.judgement.proofs.water.grade;
    return this.known(proof.verdict);
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
  verdictOf(part: WaterPart, source: SourceTrace['source']): Verdict {
    return this.build ? waterVerdict(part, source, this.build) : 'not-checkable';
  }

  course = $derived.by((): Course | null => {
    const [now, build] = [this.followed, this.build];
    if (!now || !build) return null;
    const way = this.show === 'wayIn' && now.part.wayIn.length > 0 ? now.part.wayIn : now.part.run;
    return courseOf(way, build);
  });
  /** How far beside the cut the water runs at its nearest, mm; `null` on the face and where it runs in the cut. */
  beside_mm = $derived.by((): number | null => {
    const { course, build, view } = this;
    if (!course || !build || view === 'face') return null;
    const { plane } = sectionOf(build, view);
    const axis = plane.axis === 'u' ? 0 : 1;
    const at = course.points.map((point) => point.at[axis] - plane.at);
    // A way that crosses the cut runs in it.
    if (at.some((a) => a <= 0) && at.some((a) => a >= 0)) return null;
    const nearest = Math.min(...at.map(Math.abs));
    return nearest > IN_CUT_mm ? nearest : null;
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

  override try(change: WallChange): boolean {
    const tried = super.try(change);
    if (tried) this.at = 0;
    return tried;
  }
  override applyFix(fix: Fix): void {
    this.at = 0;
    super.applyFix(fix);
  }
}

export const partKey = (source: string, part: WaterPart): string =>
  [source, part.outcome, part.k, part.wets, ...part.bonds, part.kOpening, ...part.firstLine].join(' ');
export const lapKey = ({ pair }: Lap): string => [pair.plane, ...pair.upper, '>', ...pair.lower].join(' ');
