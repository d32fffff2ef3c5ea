/** Field entries of one opening: what the frozen plan allows now, and sending an entry so that it is stored once. */
import {
  planOpening,
  progress,
  standing,
  type Entry,
  type Issue,
  type JobContext,
  type Plan,
  type StepProgress,
} from '@hulvek/core';
import { refusalText } from './opening.svelte.ts';

export interface FieldData {
  readonly issues: readonly Issue[];
  readonly entries: readonly Entry[];
}

type NewEntry = Pick<Entry, 'kind' | 'step' | 'undoes' | 'note'>;

export class FieldLog {
  readonly #data: () => FieldData;
  readonly #job: () => JobContext;
  readonly #opening: string;
  /** Entries taken by the server since the page was loaded. */
  #added = $state.raw<readonly Entry[]>([]);
  /** The entry whose answer is awaited or failed, kept with its id so that a retry stores nothing new. */
  #pending: { id: string; entry: NewEntry } | null = null;
  now = $state(new Date().toISOString());
  sending = $state(false);
  problem = $state('');

  constructor(opening: string, job: () => JobContext, data: () => FieldData) {
    this.#opening = opening;
    this.#job = job;
    this.#data = data;
  }

  issue = $derived.by((): Issue | null => this.#data().issues.at(-1) ?? null);

  entries = $derived.by((): readonly Entry[] => {
    const stored = this.#data().entries;
    const known = new Set(stored.map((entry) => entry.id));
    return [...stored, ...this.#added.filter((entry) => !known.has(entry.id))];
  });

  /** The plan as it was frozen, worked out again from its own inputs. */
  plan = $derived.by((): Plan | null => {
    const { issue } = this;
    if (!issue) return null;
    const { job } = this.#job();
    return planOpening(issue.opening, {
      job,
      walls: [issue.wall],
      units: [issue.unit],
      methods: [issue.method],
    });
  });

  steps = $derived.by(() => this.plan?.build?.steps ?? []);

  progress = $derived.by((): readonly StepProgress[] =>
    progress(this.steps, this.#data().issues, this.entries, this.now),
  );

  /** Oldest first, with those taken back marked. */
  history = $derived.by(() => {
    const valid = new Set(standing(this.entries).map((entry) => entry.id));
    return this.entries
      .filter((entry) => entry.kind !== 'undo')
      .map((entry) => ({ entry, undone: !valid.has(entry.id) }));
  });

  /** Steps whose content differs between the frozen plan and the plan of today; `null` when nothing changed. */
  changedSteps(current: Plan): number | null {
    const { issue } = this;
    if (!issue || JSON.stringify(planInputs(current)) === JSON.stringify(issueInputs(issue))) return null;
    const frozen = new Map(issue.steps.map((step) => [step.id, step.hash]));
    const today = current.build?.steps ?? [];
    const changed = today.filter((step) => frozen.get(step.id) !== step.hash).length;
    const gone = issue.steps.filter((step) => !today.some((t) => t.id === step.id)).length;
    return changed + gone;
  }

  async add(entry: NewEntry): Promise<boolean> {
    const { issue } = this;
    if (!issue || this.sending) return false;
    const same = this.#pending && JSON.stringify(this.#pending.entry) === JSON.stringify(entry);
    this.#pending = same ? this.#pending : { id: freshId(), entry };
    const id = this.#pending?.id ?? freshId();
    const done = await this.#post('entries', { ...entry, id, issue: issue.version });
    if (!done) return false;
    this.#added = [...this.#added, done as Entry];
    this.#pending = null;
    this.tickClock();
    return true;
  }

  /** Freezes the plan as stored on the server; the page must be loaded anew afterwards. */
  freeze = async (): Promise<boolean> =>
    (await this.#post('issues', { after: this.issue?.version ?? 0 })) !== null;

  tickClock(): void {
    this.now = new Date(
      Math.max(Date.now(), ...this.entries.map((entry) => Date.parse(entry.at))),
    ).toISOString();
  }

  async #post(what: 'entries' | 'issues', body: unknown): Promise<unknown> {
    this.sending = true;
    this.problem = '';
    try {
      const response = await fetch(`/api/jobs/${this.#job().job.id}/openings/${this.#opening}/${what}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      if (response.ok) return await response.json();
      this.problem = await refusalText(response);
      this.#pending = null;
    } catch {
      this.problem = 'not-sent';
    } finally {
      this.sending = false;
    }
    return null;
  }
}

const planInputs = ({ opening, wall, unit, method }: Pick<Plan, 'opening' | 'wall' | 'unit' | 'method'>) =>
  sorted({ opening, wall, unit, method });
const issueInputs = ({ opening, wall, unit, method }: Issue) => sorted({ opening, wall, unit, method });

/** Same content, same text: the database does not keep the order of keys. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, sorted(v)]),
  );
}

/** A version-4 UUID; `crypto.randomUUID` is missing on plain http in the site network. */
function freshId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
