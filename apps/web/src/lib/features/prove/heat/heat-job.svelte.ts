/** The heat of a whole job: asked of the server, followed while it is solved, read opening by opening. */
import { heatMark } from '$lib/contract/heat-mark.ts';
import { runAnswer, type RunSide, type RunView } from '$lib/contract/heat.ts';
import { answerOf } from '$lib/contract/read.ts';
import { heatText } from '$words/prove-heat.ts';
import { cutIds, heatProof, type HeatProof, type Plan } from '@hulvek/core';
import type { JobStore } from '$lib/job/job.svelte.ts';

export interface HeatRow {
  readonly plan: Plan;
  /** What is solved of its four sides. */
  readonly sides: readonly RunSide[];
  /** Once all four are there. */
  readonly proof: HeatProof | null;
  readonly problem: RunSide['problem'];
  /** The opening or its job changed since. */
  readonly isOld: boolean;
}

const POLL_ms = 700;
/** Nothing solved for so long while something waits: nobody is at work. */
const PATIENCE_ms = 15_000;

export class HeatJob {
  readonly store: JobStore;
  run = $state.raw<RunView | null>(null);
  problem = $state('');
  /** Whether something waits and nothing happens. */
  isStuck = $state(false);
  #moved = { at: 0, what: '' };
  #timer: ReturnType<typeof setTimeout> | undefined;
  #closed = false;

  constructor(store: JobStore) {
    this.store = store;
  }

  atWork = $derived.by(() => this.run?.state === 'planning' || this.run?.state === 'solving');
  progress = $derived.by(() => {
    const sides = this.run?.sides ?? [];
    return { done: sides.filter((s) => s.side !== null || s.problem !== null).length, total: sides.length };
  });

  rows = $derived.by((): readonly HeatRow[] => {
    const mark = heatMark(this.store.context);
    return this.store.plans.map((plan) => {
      const sides = (this.run?.sides ?? []).filter((s) => s.opening === plan.opening.id);
      const solved = cutIds.flatMap((cut) => {
        const found = sides.find((s) => s.cut === cut);
        return found?.side ? [{ side: found.side, leftOut: found.leftOut }] : [];
      });
      const { unit, job } = plan;
      const whole = solved.length === cutIds.length && unit !== null;
      return {
        plan,
        sides,
        proof: whole ? heatProof({ unit, job }, solved) : null,
        problem: sides.find((s) => s.problem !== null)?.problem ?? null,
        isOld: sides.length > 0 && sides[0]?.mark !== mark(plan.opening),
      };
    });
  });

  totals = $derived.by(() => {
    const proofs = this.rows.flatMap((row) => row.proof ?? []);
    const sum = (of: (proof: HeatProof) => number) => proofs.reduce((all, proof) => all + of(proof), 0);
    return { openings: proofs.length, loss_W: sum((p) => p.loss_W), jointLoss_W: sum((p) => p.jointLoss_W) };
  });

  async #ask(method: 'GET' | 'POST' | 'DELETE'): Promise<void> {
    clearTimeout(this.#timer);
    try {
      const response = await fetch(`/api/jobs/${this.store.id}/heat`, { method });
      if (!response.ok) throw new Error(await response.text());
      this.run = await answerOf(response, runAnswer);
      this.problem = '';
      this.#watch();
    } catch {
      this.problem = heatText.job.unreachable;
    }
    if (!this.#closed && (this.atWork || this.problem !== ''))
      this.#timer = setTimeout(() => void this.look(), POLL_ms);
  }
  #watch(): void {
    const what = `${this.run?.id} ${this.run?.state} ${this.progress.done}`;
    const now = performance.now();
    if (what !== this.#moved.what) this.#moved = { at: now, what };
    this.isStuck = this.atWork && now - this.#moved.at > PATIENCE_ms;
  }
  look = (): Promise<void> => this.#ask('GET');
  start = (): Promise<void> => this.#ask('POST');
  cancel = (): Promise<void> => this.#ask('DELETE');
  close(): void {
    this.#closed = true;
    clearTimeout(this.#timer);
  }
}
