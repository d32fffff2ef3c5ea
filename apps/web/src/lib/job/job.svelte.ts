/** One job as this device knows it: what the server last said, and on top of it what waits here to be sent. */
import { offlineWords } from '$words/device.ts';
import { keepPack, type OutboxItem } from '$lib/device/database.ts';
import { headAnswer, heardSchema, partAnswer, type Heard } from '$lib/contract/answers.ts';
import type { OpeningPart, Pack } from '$lib/contract/pack.ts';
import { answerOf, inText } from '$lib/contract/read.ts';
import { judgeMark } from '$lib/contract/judged.ts';
import type { Planner } from './planner.ts';
import {
  openingOf,
  signedHeadSchema,
  type Build,
  type Collision,
  type Entry,
  type Issue,
  type JobContext,
  type Judgement,
  type LengthUnit,
  type Opening,
  type OpeningDocument,
  type Plan,
  thawedIssue,
  type SharedMade,
  type Reading,
  type SignedHead,
  type ThawedBuild,
} from '@hulvek/core';
import { SvelteMap } from 'svelte/reactivity';
import { idle } from '$lib/device/idle.ts';
import { answeredPack, withChanges, withItem, withRecords } from './pack-changes.ts';
import { openingRow, type OpeningName, type OpeningRow } from './opening-row.ts';
import type { Outbox } from '$lib/device/outbox.svelte.ts';
import { sentence } from '$lib/device/sentence.ts';

/** An opening with everything known of it here, sent or not; `document` is what the server has. */
export interface OpeningView extends OpeningPart {
  /** As it stands here: with the draft, where there is one. */
  readonly opening: Opening;
}

interface JudgedHere {
  readonly opening: Opening;
  readonly context: JobContext;
  readonly judgement: Judgement;
}

/** Changes that follow each other at once are asked for together. */
const TOGETHER_ms = 150;
/** An answer that was lost is asked for again after this long, ms, and twice as long each time after. */
const AGAIN_ms = 2000;
const LONGEST_AGAIN_ms = 60_000;
/** After what was entered is taken, the head of the log is asked for this much later, ms. */
const HEAD_ms = 4000;
/** Pages that hear the same ask within this time, ms. */
const SPREAD_ms = 400;
/** More than these are asked for as the whole job. */
const FEW_OPENINGS = 4;

export class JobStore {
  readonly id: string;
  readonly outbox: Outbox;
  pack = $state.raw() as Pack;
  #heardUpTo = 0;
  /** Revision of the newest answer shown, by opening. */
  readonly #shown = new Map<string, number>();
  /** Openings to ask for; `null` stands for the whole job. */
  readonly #changed = new Set<string | null>();
  #asking: ReturnType<typeof setTimeout> | undefined;
  #again_ms = AGAIN_ms;
  #keeping: ReturnType<typeof setTimeout> | undefined;
  readonly #views = new Map<
    string,
    { part: OpeningPart; waiting: string; draft: OpeningDocument | undefined; view: OpeningView }
  >();
  readonly #plans = new Map<string, { opening: Opening; context: JobContext; plan: Plan }>();
  /** Verdicts without heat, of openings that differ here from what the server judged. */
  readonly #judgedHere = new SvelteMap<string, JudgedHere>();
  readonly #marks = new WeakMap<Opening, string>();
  /** Of openings that are alike one is worked out for all. What is tried out is planned elsewhere, and empties nothing. */
  #shared: SharedMade | null = null;
  #judging = false;
  /** Plans on this device; `null` until a page that needs one was opened. */
  #planner = $state.raw<Planner | null>(null);
  /** Choices that are being made and not yet saved, by opening: everything on this device goes by them. */
  readonly drafts = new SvelteMap<string, OpeningDocument>();
  /** The head that this device kept, where the server's log does not have it. */
  otherLog = $state.raw<SignedHead | null>(null);
  #heading: ReturnType<typeof setTimeout> | undefined;

  constructor(id: string, pack: Pack, outbox: Outbox) {
    this.id = id;
    this.outbox = outbox;
    this.pack = this.#withTaken(pack);
  }

  get context(): JobContext {
    return this.pack.context;
  }

  /**
   * What whoever sits here reads and types figures in. Drawings are dimensioned, and sizes to frame, order and cut are
   * rounded, in the job's own unit, so that all read one size.
   */
  get reads(): LengthUnit {
    return this.outbox.me?.reads ?? this.context.job.units;
  }

  waiting = $derived.by(() => this.outbox.items.filter((item) => item.job === this.id));
  refused = $derived.by(() => this.waiting.filter((item) => item.refusal !== ''));

  views = $derived.by((): ReadonlyMap<string, OpeningView> => {
    const sound = new Map<string, OutboxItem[]>();
    for (const item of this.waiting) {
      if (item.refusal !== '') continue;
      const own = sound.get(item.opening);
      if (own) own.push(item);
      else sound.set(item.opening, [item]);
    }
    return new Map(
      this.pack.openings.map((part) => {
        const id = part.document.id;
        return [id, this.#view(part, sound.get(id) ?? [])];
      }),
    );
  });

  /** Whether plans can be made on this device by now. */
  get canPlan(): boolean {
    return this.#planner !== null;
  }

  /**
   * The wall that work goes by. A device may have kept a frozen plan from before walls were kept: that one is planned
   * again, once `planning` is done.
   */
  frozenOf(issue: Issue): ThawedBuild | null {
    return thawedIssue(issue) ?? this.#planner?.frozenBuild(issue, this.context.job) ?? null;
  }

  /** Fetches what plans are made with, once. */
  async planning(): Promise<void> {
    this.#planner ??= (await import('./planner.ts')).planner;
  }

  /** Every opening planned as it stands here, drafts included, in the order of the job. Only after `planning`. */
  plans = $derived.by((): readonly Plan[] =>
    [...this.views.values()].map((view) => this.planOf(view.opening)),
  );

  /** What every page that names openings shows of them. */
  names = $derived.by((): readonly OpeningName[] =>
    [...this.views.values()].map(({ opening }) => ({
      id: opening.id,
      mark: opening.mark,
      name: opening.name,
      judgement: this.judgementOf(opening.id),
    })),
  );

  /** Only after `planning`. */
  rows = $derived.by((): readonly OpeningRow[] => {
    const now = new Date().toISOString();
    return this.plans.flatMap((plan) => {
      const view = this.views.get(plan.opening.id);
      return view
        ? [
            openingRow(
              plan,
              {
                ...view,
                judgement: this.judgementOf(view.opening.id),
                steps: this.#stepsOf(view),
                reads: this.reads,
              },
              now,
            ),
          ]
        : [];
    });
  });

  #stepsOf({ issues }: OpeningView): Build['steps'] | null {
    const issue = issues.at(-1);
    return (issue && this.frozenOf(issue)?.build.steps) ?? null;
  }

  /** Openings of one façade that are too near each other. Only after `planning`. */
  collisions = $derived.by((): readonly Collision[] => this.#planner?.collisions(this.plans) ?? []);

  /** Those of one opening, looked for on its own façade only; none known before `planning`. */
  collisionsOf(id: string): readonly Collision[] {
    const own = this.views.get(id)?.opening;
    if (own?.position === undefined || !this.#planner) return [];
    const beside = [...this.views.values()].filter(
      ({ opening }) => opening.position !== undefined && opening.facade === own.facade,
    );
    const found = this.#planner.collisions(beside.map(({ opening }) => this.planOf(opening)));
    return found.filter((c) => c.openings.includes(id));
  }

  #mark = $derived.by(() => judgeMark(this.context));

  /** The verdict the server keeps of an opening exactly as it stands here. */
  #judgedThere({ opening, judged }: OpeningView): Judgement | null {
    if (!judged) return null;
    const mark = this.#marks.get(opening) ?? this.#mark(opening);
    this.#marks.set(opening, mark);
    return judged.mark === mark ? judged.judgement : null;
  }

  /** The one verdict of an opening; `null` for the moment until somebody has judged it as it stands. */
  judgementOf(id: string): Judgement | null {
    const view = this.views.get(id);
    if (!view) return null;
    const here = this.#judgedHere.get(id);
    const isNow = here && here.opening === view.opening && here.context === this.context;
    return this.#judgedThere(view) ?? (isNow ? here.judgement : null);
  }

  /** Judges an opening on this device, without heat, unless it is judged as it stands. Only after `planning`. */
  judgeHere(opening: Opening): Judgement {
    const view = this.views.get(opening.id);
    const there = view?.opening === opening ? this.#judgedThere(view) : null;
    if (there) return there;
    const plan = this.planOf(opening);
    const collides = opening.position !== undefined && this.collisionsOf(opening.id).length > 0;
    return this.#needPlanner().judge(plan, { collides, heat: plan.build ? 'working' : 'left-out' });
  }

  /** Judges whatever nobody has judged as it stands, one opening at a time while the page rests. */
  async judgeRest(): Promise<void> {
    if (this.#judging) return;
    this.#judging = true;
    try {
      for (;;) {
        const next = [...this.views.values()].find(({ opening }) => this.judgementOf(opening.id) === null);
        if (!next) return;
        try {
          await this.planning();
        } catch {
          // Without a network, on a device that never had it: the verdicts come with the server's next answer.
          return;
        }
        await idle();
        const { opening } = next;
        const { context } = this;
        if (this.views.get(opening.id)?.opening !== opening) continue;
        this.#judgedHere.set(opening.id, { opening, context, judgement: this.judgeHere(opening) });
      }
    } finally {
      this.#judging = false;
    }
  }

  #needPlanner(): Planner {
    if (!this.#planner) throw new Error(`job ${this.id} is planned on a page that did not ask for planning`);
    return this.#planner;
  }

  view(opening: string): OpeningView | null {
    return this.views.get(opening) ?? null;
  }

  /** The plan of an opening, worked out once for the same opening in the same job. */
  planOf(opening: Opening): Plan {
    const { context } = this;
    const known = this.#plans.get(opening.id);
    if (known && known.opening === opening && known.context === context) return known.plan;
    const planner = this.#needPlanner();
    this.#shared ??= new planner.SharedPlans();
    const plan = planner.planOpening(opening, context, this.#shared);
    this.#plans.set(opening.id, { opening, context, plan });
    return plan;
  }

  /** Keeps items that the server took, until the server itself tells of them. */
  absorb(items: readonly OutboxItem[]): void {
    if (items.length === 0) return;
    const openings = this.pack.openings.map((part) =>
      items.filter((item) => item.opening === part.document.id).reduce(withItem, part),
    );
    this.#keep({ ...this.pack, openings });
    clearTimeout(this.#heading);
    this.#heading = setTimeout(() => void this.checkHead(), HEAD_ms);
    // What a picture is, only the server says.
    for (const item of items) if (item.type === 'photo') void this.refresh(item.opening);
  }

  /** What the server now has as the choices of an opening. */
  saved(opening: string, stored: Pick<OpeningPart, 'document' | 'version'>): void {
    this.#replace(opening, (part) => (part.version < stored.version ? { ...part, ...stored } : part));
  }

  /** Asks the server for one opening, or for the whole job; `false` without an answer: everything stays as it is. */
  async refresh(opening: string | null = null): Promise<boolean> {
    try {
      const path = opening === null ? `pack?since=${this.pack.revision}` : `openings/${opening}`;
      const response = await fetch(`/api/jobs/${this.id}/${path}`);
      if (!response.ok) return false;
      if (opening === null) this.takePack(withChanges(this.pack, await answerOf(response, answeredPack)));
      else this.#takePart(opening, await answerOf(response, partAnswer));
      return true;
    } catch {
      return false;
    }
  }

  /**
   * Asks where the job's log stands, and keeps the signed head that is told. A head from before that is none of this log's
   * means that the log was cut off, or is another one.
   */
  async checkHead(): Promise<void> {
    const key = `hulvek:head:${this.id}`;
    const kept = inText(signedHeadSchema, localStorage.getItem(key));
    try {
      const asked = kept ? `?seq=${kept.seq}&head=${kept.head}` : '';
      const response = await fetch(`/api/jobs/${this.id}/head${asked}`);
      if (!response.ok) return;
      const { head, own } = await answerOf(response, headAnswer);
      this.otherLog = own ? null : kept;
      // Of several servers one may tell a head that is some seconds older.
      if (own && head && head.seq >= (kept?.seq ?? 0)) localStorage.setItem(key, JSON.stringify(head));
    } catch {
      // Without a network there is nothing to compare with.
    }
  }

  /** Takes the log that the server has for the job's own from now on, because somebody decided so. */
  acceptLog(): void {
    localStorage.removeItem(`hulvek:head:${this.id}`);
    this.otherLog = null;
    void this.checkHead();
  }

  /** Changes something of the job itself; a sentence when it was refused. It needs the server for the last word. */
  async put(what: 'shelf' | 'site', body: unknown): Promise<string> {
    try {
      const response = await fetch(`/api/jobs/${this.id}/${what}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      const refused = response.ok ? '' : await sentence(response);
      await this.refresh();
      return refused;
    } catch {
      return offlineWords.needsNetwork;
    }
  }

  /** Follows what others do, until the function it returns is called. */
  follow(): () => void {
    const stream = new EventSource(`/api/jobs/${this.id}/changes`);
    // The line is there: what waits can go.
    stream.onopen = () => void this.outbox.send();
    stream.onmessage = ({ data }) => this.#heard(inText(heardSchema, String(data)));
    return () => {
      stream.close();
      clearTimeout(this.#asking);
    };
  }

  /** Notes one change, to be asked for together with those that follow at once. */
  #heard(heard: Heard | null): void {
    if (!heard) return;
    const { revision, from, openings = null, entries = [], readings = [] } = heard;
    const known = Math.max(this.pack.revision, this.#heardUpTo);
    if (revision <= known) return;
    // What was missed before it, or what is the whole job, asks for all that changed.
    const follows = from !== undefined && from <= known && openings !== null;
    this.#heardUpTo = revision;
    if (follows) {
      this.#takeRecords(entries, readings);
      for (const opening of openings) this.#changed.add(opening);
    } else this.#changed.add(null);
    if (this.#changed.size === 0) {
      if (known <= this.pack.revision) this.#keep({ ...this.pack, revision });
      return;
    }
    clearTimeout(this.#asking);
    // Many pages hear the same: they do not all ask in one moment.
    const wait = TOGETHER_ms + Math.random() * SPREAD_ms;
    this.#asking = setTimeout(() => void this.#askForChanges(), wait);
  }

  /** Records of others as they came; what is here already stays. */
  #takeRecords(entries: readonly Entry[], readings: readonly Reading[]): void {
    const touched = new Set<string>([...entries, ...readings].map((record) => record.opening));
    if (touched.size === 0) return;
    const openings = this.pack.openings.map((part) => {
      const { id } = part.document;
      return touched.has(id)
        ? {
            ...part,
            entries: withRecords(part.entries, entries, id),
            readings: withRecords(part.readings, readings, id),
          }
        : part;
    });
    this.#keep({ ...this.pack, openings });
  }

  async #askForChanges(): Promise<void> {
    const changed = [...this.#changed];
    const upTo = this.#heardUpTo;
    this.#changed.clear();
    const whole = changed.includes(null) || changed.length > FEW_OPENINGS;
    let answered = true;
    for (const opening of whole ? [null] : changed) answered = (await this.refresh(opening)) && answered;
    if (!answered) {
      // What is heard next looks like a gap, and asks for everything; when nothing is, it is asked for all the same.
      this.#heardUpTo = this.pack.revision;
      this.#changed.add(null);
      clearTimeout(this.#asking);
      this.#asking = setTimeout(() => void this.#askForChanges(), this.#again_ms);
      this.#again_ms = Math.min(2 * this.#again_ms, LONGEST_AGAIN_ms);
      return;
    }
    this.#again_ms = AGAIN_ms;
    if (upTo > this.pack.revision) this.pack = { ...this.pack, revision: upTo };
  }

  /** An answer that was overtaken by a newer one is not shown: what was there would go and come again. */
  takePack(pack: Pack): void {
    if (pack.revision >= this.pack.revision) this.#keep(this.#withTaken(pack));
  }

  #takePart(opening: string, { revision, part }: { revision: number; part: OpeningPart }): void {
    if (revision < Math.max(this.pack.revision, this.#shown.get(opening) ?? 0)) return;
    this.#shown.set(opening, revision);
    this.#replace(opening, () => this.#withTakenOf(part));
  }

  /** What the server took just now may be missing from an answer that was already on its way. */
  #withTaken(pack: Pack): Pack {
    if (!this.outbox.taken.some((item) => item.job === this.id)) return pack;
    return { ...pack, openings: pack.openings.map((part) => this.#withTakenOf(part)) };
  }

  #withTakenOf(part: OpeningPart): OpeningPart {
    const own = ({ job, opening }: OutboxItem) => job === this.id && opening === part.document.id;
    return this.outbox.taken.filter(own).reduce(withItem, part);
  }

  #keep(pack: Pack): void {
    this.pack = pack;
    // Written down once for many changes in a row; the server has them all.
    clearTimeout(this.#keeping);
    this.#keeping = setTimeout(() => void keepPack(this.id, this.pack).catch(() => undefined), TOGETHER_ms);
  }

  #replace(opening: string, change: (part: OpeningPart) => OpeningPart): void {
    if (!this.pack.openings.some((part) => part.document.id === opening)) return void this.refresh();
    this.#keep({
      ...this.pack,
      openings: this.pack.openings.map((part) => (part.document.id === opening ? change(part) : part)),
    });
  }

  #view(part: OpeningPart, items: readonly OutboxItem[]): OpeningView {
    const waiting = items.map((item) => item.id).join();
    const draft = this.drafts.get(part.document.id);
    const known = this.#views.get(part.document.id);
    if (known && known.part === part && known.waiting === waiting && known.draft === draft) return known.view;
    const whole = items.reduce(withItem, part);
    const view = { ...whole, opening: openingOf(draft ?? whole.document, whole.readings) };
    this.#views.set(part.document.id, { part, waiting, draft, view });
    return view;
  }
}
