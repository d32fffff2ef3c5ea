/** Practice of whoever sits here: what was answered, on this device and elsewhere, and what waits to be sent. */
import {
  practiceStateSchema,
  MOST_ANSWERS,
  type PracticeState,
  type SentAnswer,
} from '$lib/contract/practice.ts';
import { answerOf } from '$lib/contract/read.ts';
import { freshId } from '$lib/device/ids.ts';
import type { LengthUnit, PracticeAnswer, TaskNumber } from '@hulvek/core';
import { dropAnswers, keepAnswer, keepState, keptState, waitingAnswers } from './practice-store.ts';

const EMPTY: PracticeState = { answers: [], jobs: [], rounds: [] };
const SYSTEM = 'hulvek:practice-system';

export class PracticeDesk {
  state = $state.raw<PracticeState>(EMPTY);
  /** Answered here, and not sent yet. */
  waiting = $state.raw<readonly SentAnswer[]>([]);
  offline = $state(false);
  /** The device refused to write an answer down. */
  unkept = $state(false);
  system = $state<LengthUnit | null>(null);
  readonly #me: string;
  #sending: Promise<void> | null = null;

  constructor(me: string, reads: LengthUnit | null) {
    this.#me = me;
    const said = localStorage.getItem(SYSTEM);
    this.system = said === 'mm' || said === 'in' ? said : said === 'both' ? null : reads;
  }

  /** Every answer, wherever it was given. */
  readonly answers: readonly PracticeAnswer[] = $derived.by(() => {
    const all = new Map([...this.state.answers, ...this.waiting].map((one) => [one.id, one]));
    return [...all.values()].map(({ kind, level, right, at }) => ({
      kind,
      level,
      right,
      at_ms: Date.parse(at),
    }));
  });

  choose(system: LengthUnit | null): void {
    this.system = system;
    localStorage.setItem(SYSTEM, system ?? 'both');
  }

  /** What this device knows, then what the server knows. */
  async open(): Promise<void> {
    this.waiting = await waitingAnswers(this.#me).catch(() => []);
    this.state = (await keptState(this.#me).catch(() => null)) ?? this.state;
    await this.refresh();
  }

  async refresh(): Promise<void> {
    await this.send();
    try {
      const response = await fetch('/api/practice');
      if (!response.ok) return;
      this.state = await answerOf(response, practiceStateSchema);
      this.offline = false;
      await keepState(this.#me, $state.snapshot(this.state)).catch(() => undefined);
    } catch {
      this.offline = true;
    }
  }

  add({ kind, level, seed }: TaskNumber, right: boolean): void {
    const answer: SentAnswer = { id: freshId(), kind, level, seed, right, at: new Date().toISOString() };
    this.waiting = [...this.waiting, answer];
    void keepAnswer(this.#me, answer)
      .catch(() => (this.unkept = true))
      .then(() => this.send());
  }

  /** Sends what waits; once at a time. */
  async send(): Promise<void> {
    this.#sending ??= this.#run().finally(() => (this.#sending = null));
    await this.#sending;
  }

  async #run(): Promise<void> {
    while (this.waiting.length > 0) {
      const batch = this.waiting.slice(0, MOST_ANSWERS);
      try {
        const response = await fetch('/api/practice', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ answers: batch }),
        });
        if (!response.ok) return;
        this.offline = false;
      } catch {
        this.offline = true;
        return;
      }
      const sent = new Set(batch.map(({ id }) => id));
      await dropAnswers([...sent]).catch(() => undefined);
      this.state = { ...this.state, answers: [...this.state.answers, ...batch] };
      this.waiting = this.waiting.filter(({ id }) => !sent.has(id));
      await keepState(this.#me, $state.snapshot(this.state)).catch(() => undefined);
    }
  }

  async share(job: string, allowed: boolean): Promise<boolean> {
    try {
      const response = await fetch('/api/practice', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ job, allowed }),
      });
      if (!response.ok) return false;
    } catch {
      return false;
    }
    this.state = {
      ...this.state,
      jobs: this.state.jobs.map((one) => (one.id === job ? { ...one, allowed } : one)),
    };
    return true;
  }
}
