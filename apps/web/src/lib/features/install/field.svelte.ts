/** The work on one opening: what the frozen plan allows now, and what was entered, sent or not. */
import { freshId, made } from '$lib/device/ids.ts';
import { scaledPicture } from '$lib/device/picture.ts';
import { sealed } from './seal.ts';
import type { OutboxItem } from '$lib/device/database.ts';
import { may, mayLook, ENTRY_ACTION } from '$lib/contract/rights.ts';
import { refusalsWords } from '$words/contract.ts';
import { installWords } from '$words/install.ts';
import {
  asTold,
  contentHash,
  asksAt,
  conditionsAt,
  gapLedger,
  hiddenBy,
  isHeld,
  isOthers,
  odditiesOf,
  progress,
  refusal,
  sha256OfBytes,
  standing,
  stepNow,
  takenBy,
  toComeOut,
  type Conditions,
  type Entry,
  type Issue,
  type Opening,
  type Plan,
  type PlannedStep,
  type StepProgress,
} from '@hulvek/core';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { sentence } from '$lib/device/sentence.ts';

type NewEntry = Pick<Entry, 'kind' | 'step' | 'undoes' | 'note' | 'built' | 'facts'>;

export class FieldLog {
  readonly store: JobStore;
  readonly opening: Opening['id'];
  #clock = $state(Date.now());
  sending = $state(false);
  problem = $state('');

  constructor(store: JobStore, opening: Opening['id']) {
    this.store = store;
    this.opening = opening;
  }

  view = $derived.by(() => this.store.view(this.opening));
  issues = $derived.by((): readonly Issue[] => this.view?.issues ?? []);
  issue = $derived.by((): Issue | null => this.issues.at(-1) ?? null);
  entries = $derived.by((): readonly Entry[] => this.view?.entries ?? []);
  /** Now, and never before an entry that is there: the server's clock may run ahead of this one. */
  now = $derived.by((): string => {
    // A mark for the future is a wrong clock, not a later day.
    const latest = this.entries.reduce((last, entry) => {
      const received = entry.received === undefined ? Infinity : Date.parse(entry.received);
      return Math.max(last, Math.min(Date.parse(entry.at), received));
    }, 0);
    return new Date(Math.max(this.#clock, latest)).toISOString();
  });
  /** Ids of entries that wait on this device. Those on their way are left out: the mark would only flicker. */
  waiting = $derived.by(() => {
    const { line } = this.store.outbox;
    const onTheirWay = line === 'idle' || line === 'sending';
    return new Set(onTheirWay ? [] : this.store.waiting.map((item) => item.id));
  });
  /** The wall that was cut, as it was frozen. */
  frozen = $derived.by(() => this.issue && this.store.frozenOf(this.issue));
  steps = $derived.by(() => this.frozen?.build.steps ?? []);
  progress = $derived.by((): readonly StepProgress[] =>
    progress(this.steps, this.issues, this.entries, this.now),
  );

  /** Who has taken this opening, and whether that is somebody else. */
  taken = $derived.by(() => takenBy(this.entries, this.progress));
  isOthers = $derived.by(() => isOthers(this.taken, this.store.pack.me));
  stepNow = $derived.by(() => stepNow({ steps: this.steps }, this.progress));
  isFinished = $derived.by(() => this.progress.every(({ status }) => status === 'done'));

  /** What it is like at a step now; `null` where nothing of it asks for that. */
  conditionsAt(step: PlannedStep): Conditions | null {
    const build = this.frozen?.build;
    if (!build || !step.needs.some((need) => need === 'dry' || need === 'above-minimum-temperature'))
      return null;
    const { calendar } = this.store.context.job;
    const known = calendar && calendar.weather.source !== 'invented' ? calendar.weather.rows : [];
    const asks = asksAt(build, step, this.store.context.materials);
    return conditionsAt(asks, standing(this.entries), this.now, known);
  }

  /** What speaks on this device against ticking a step, besides the order: it would hide, or leave in, what somebody must decide on. */
  heldAt(step: PlannedStep): 'taken' | 'hides' | 'left-in' | null {
    const build = this.frozen?.build;
    if (!build) return null;
    if (this.isOthers) return 'taken';
    const hidden = hiddenBy(build, step.id, this.progress, this.store.context.materials);
    if (hidden.some(isHeld)) return 'hides';
    return this.leftIn(step) > 0 ? 'left-in' : null;
  }

  /** Shims that are to come out and by the ledger did not, when the opening is handed on. */
  leftIn(step: PlannedStep): number {
    const build = this.frozen?.build;
    if (!build || step.role !== 'release') return 0;
    const valid = standing(this.entries);
    const said = valid.some(
      ({ kind, step: at, facts }) => kind === 'deviation' && at === step.id && facts?.kind === 'deviation',
    );
    if (said) return 0;
    return toComeOut(build, gapLedger(valid)).reduce((n, row) => n + row.went_in - row.came_out, 0);
  }

  /** As it is told, oldest first, with what was taken back and what does not fit its time marked. */
  history = $derived.by(() => {
    const valid = new Set(standing(this.entries).map((entry) => entry.id));
    const ground = { issues: this.issues, among: this.entries };
    return asTold(this.entries)
      .filter((entry) => entry.kind !== 'undo')
      .map((entry) => ({
        entry,
        undone: !valid.has(entry.id),
        waiting: this.waiting.has(entry.id),
        odd: odditiesOf(entry, ground),
      }));
  });

  may(kind: Exclude<Entry['kind'], 'undo'>): boolean {
    return may(this.store.pack.role, ENTRY_ACTION[kind]);
  }

  /** Whether this person may be the one who looks at a step, by the rule of the job. */
  mayLookAt(state: StepProgress): boolean {
    const { role, lookRule, me } = this.store.pack;
    return this.may('look') && mayLook(lookRule, role, me, state.tick);
  }

  /** Whether anything that the frozen plan was made from is different today. */
  isChanged = $derived.by((): boolean => {
    const { issue, view } = this;
    if (!issue || !view) return false;
    const { opening } = view;
    const { walls, units, methods } = this.store.context;
    const today = {
      opening,
      wall: walls.find(({ id }) => id === opening.wall),
      unit: units.find(({ id }) => id === opening.unit),
      method: methods.find(({ id }) => id === opening.method),
    };
    const { opening: then, wall, unit, method } = issue;
    return contentHash(today) !== contentHash({ opening: then, wall, unit, method });
  });

  /** Steps whose content differs between the frozen plan and the plan of today. */
  changedSteps(current: Plan): number {
    const { issue } = this;
    if (!issue) return 0;
    const frozen = new Map(issue.steps.map((step) => [step.id, step.hash]));
    const today = current.build?.steps ?? [];
    const changed = today.filter((step) => frozen.get(step.id) !== step.hash).length;
    const gone = issue.steps.filter((step) => !today.some((t) => t.id === step.id)).length;
    return changed + gone;
  }

  /** Writes an entry down on this device; it is sent when there is a network. */
  add(entry: NewEntry): boolean {
    const item = this.#item(entry);
    if (!item) return false;
    this.store.outbox.add({ ...item, type: 'entry' });
    this.tickClock();
    return true;
  }

  /** @param fault the fault that it shows */
  async addPicture(step: string, file: Blob, note: string, fault?: string): Promise<boolean> {
    const picture = await scaledPicture(file);
    if (!picture) {
      this.problem = refusalsWords['not-a-picture'];
      return false;
    }
    const sha256 = sha256OfBytes(new Uint8Array(await picture.arrayBuffer()));
    const facts = { kind: 'picture' as const, sha256, ...(fault !== undefined && { fault }) };
    const item = this.#item({ kind: 'photo', step, undoes: null, note, facts });
    if (!item) return false;
    this.store.outbox.add({ ...item, type: 'photo', picture });
    this.tickClock();
    return true;
  }

  /** The picture of an entry while it is only on this device. */
  keptPicture(id: string): Blob | null {
    const item = this.store.waiting.find((i) => i.id === id);
    return item?.type === 'photo' ? item.picture : null;
  }

  /** Freezes the plan as stored on the server. */
  async freeze(despite?: Issue['despite']): Promise<void> {
    this.sending = true;
    this.problem = '';
    try {
      const response = await fetch(`/api/jobs/${this.store.id}/openings/${this.opening}/issues`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ after: this.issue?.version ?? 0, ...(despite && { despite }) }),
      });
      if (!response.ok) this.problem = await sentence(response);
      await this.store.refresh(this.opening);
    } catch {
      this.problem = installWords.freezeNeedsNetwork;
    } finally {
      this.sending = false;
    }
  }

  tickClock(): void {
    this.#clock = Date.now();
  }

  #item(entry: NewEntry): Omit<Extract<OutboxItem, { type: 'entry' }>, 'type'> | null {
    const { issue } = this;
    if (!issue) return null;
    this.problem = '';
    const because = refusal(entry, this.progress, this.steps);
    if (because) {
      this.problem = refusalsWords[because];
      return null;
    }
    const id = freshId();
    const at = new Date().toISOString();
    const said = { id, opening: this.opening, issue: issue.version, ...entry, at, photo: null, ...made() };
    const record = sealed(said);
    return { id, job: this.store.id, opening: this.opening, by: this.store.pack.me, refusal: '', record };
  }
}
