/** The heat of one plan beside others: its figures only, refined. */
import { cutIds, gravest, type CutId, type Plan, type SideHeat, type Verdict } from '@hulvek/core';
import { openHeatWorker, type HeatAnswer } from './heat-messages.ts';

export class HeatFigures {
  sides = $state.raw<Readonly<Partial<Record<CutId, SideHeat>>>>({});
  problem = $state<Extract<HeatAnswer, { kind: 'failed' }>['code'] | null>(null);
  #worker: Worker | null = null;
  #asked = 0;

  verdict = $derived.by((): Verdict => {
    const all = cutIds.flatMap((cut) => this.sides[cut]?.verdict ?? []);
    return all.length < cutIds.length || this.problem ? 'not-checkable' : gravest(all);
  });

  ask({ opening, job }: Plan): void {
    this.#worker ??= openHeatWorker(
      (answer) => this.#hear(answer),
      () => (this.problem = 'stopped'),
    );
    this.#asked += 1;
    this.#worker.postMessage({
      kind: 'look',
      id: this.#asked,
      opening: $state.snapshot(opening),
      context: $state.snapshot(job),
      cut: 'sill',
      window: null,
    });
  }

  #hear(answer: HeatAnswer): void {
    if (answer.id !== this.#asked || answer.kind === 'study' || answer.kind === 'proof') return;
    if (answer.kind === 'failed') {
      this.problem = answer.code;
      this.sides = {};
    } else {
      this.problem = null;
      this.sides = { ...this.sides, [answer.side.cut]: answer.side };
    }
  }

  close(): void {
    this.#worker?.terminate();
    this.#worker = null;
  }
}
