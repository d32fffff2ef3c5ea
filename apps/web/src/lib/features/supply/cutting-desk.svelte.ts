/** Plans of cuts, made beside the page one after the other; and what of them is cut. */
import { FieldLog } from '$lib/features/install/field.svelte.ts';
import { cuttingWords } from '$words/supply.ts';
import { contentHash, stripsOf, type CutPlan, type Strip, type Supply, type TakeoffLine } from '@hulvek/core';
import type { CutAsk, CutTold } from './cutting-messages.ts';
import type { SupplyDesk } from './supply-desk.svelte.ts';

/** Seconds for one material. */
const PATIENCE_s = 4;

export class CuttingDesk {
  readonly desk: SupplyDesk;
  #worker: Worker | null = null;
  #asked = 0;
  plans = $state.raw<ReadonlyMap<string, CutPlan>>(new Map());
  /** The material that is being planned. */
  at = $state<string | null>(null);
  problem = $state('');
  stopped = $state(false);
  /** By article: what its plan was made from. */
  readonly #made = new Map<string, string>();

  constructor(desk: SupplyDesk) {
    this.desk = desk;
  }

  /** Rolls, bars and boards: what is cut. */
  lines = $derived.by(() =>
    this.desk.all.filter(({ article: { form } }) => form === 'roll' || form === 'bar' || form === 'board'),
  );

  /** What is there, with what is left of spoiled strips. */
  supply = $derived.by((): Supply => {
    const { supply, cut } = this.desk;
    const article = new Map(
      this.lines.flatMap((line) => stripsOf(line).map(({ id }) => [id, line.article.id])),
    );
    const more = cut.spoiled.flatMap(({ strip, length_mm }, i): Supply['van'] => {
      const of = article.get(strip);
      return of === undefined || length_mm <= 0
        ? []
        : [{ id: `spoiled-${i}`, article: of, amount: 1, length_mm }];
    });
    return { ...supply, van: [...supply.van, ...more] };
  });

  #markOf(line: TakeoffLine): string {
    const { van } = this.supply;
    return contentHash([
      line.needs.map(({ opening, piece, length_mm, width_mm, count }) => [
        opening,
        piece,
        length_mm,
        width_mm,
        count,
      ]),
      line.terms.lengths_mm,
      van.filter(({ article }) => article === line.article.id),
    ]);
  }

  /** Plans what is not planned as it stands, the first in the work first. */
  next(): void {
    if (this.at !== null || this.stopped) return;
    const line = this.lines.find((one) => this.#made.get(one.article.id) !== this.#markOf(one));
    if (!line) return;
    this.at = line.article.id;
    const id = ++this.#asked;
    const mark = this.#markOf(line);
    this.#worker ??= this.#open();
    const ask: CutAsk = {
      id,
      line: $state.snapshot(line) as TakeoffLine,
      supply: $state.snapshot(this.supply) as Supply,
      done: new Set(),
      seconds: PATIENCE_s,
    };
    this.#worker.onmessage = ({ data }: MessageEvent<CutTold>) => {
      if (data.id !== this.#asked) return;
      this.at = null;
      this.#made.set(line.article.id, mark);
      if (data.failed) this.problem = cuttingWords.failed;
      else this.plans = new Map([...this.plans, [line.article.id, data.plan]]);
      this.next();
    };
    this.#worker.postMessage(ask);
  }

  #open(): Worker {
    const worker = new Worker(new URL('./cutting.worker.ts', import.meta.url), { type: 'module' });
    worker.onerror = () => {
      this.problem = cuttingWords.failed;
      this.end();
    };
    return worker;
  }

  /** A solver that is at it cannot be asked to stop: its worker is ended, and what was planned stands. */
  end(): void {
    this.#worker?.terminate();
    this.#worker = null;
    this.#asked++;
    this.at = null;
    this.stopped = true;
  }

  again(): void {
    this.stopped = false;
    this.problem = '';
    this.next();
  }

  close(): void {
    this.#worker?.terminate();
    this.#worker = null;
  }

  isCut = (strip: string): boolean => this.desk.cut.done.has(strip);

  #logOf(strip: Strip): FieldLog {
    return new FieldLog(this.desk.store, strip.need.opening as ConstructorParameters<typeof FieldLog>[1]);
  }

  /** Notes that a strip was cut, or spoiled with so much of it left. */
  note(strip: Strip, spoiled_mm?: number): void {
    const { step, piece } = strip.need;
    const log = this.#logOf(strip);
    this.problem = '';
    if (!log.issue) {
      this.problem = cuttingWords.notFrozen;
      return;
    }
    const facts = {
      kind: 'cut' as const,
      piece: piece ?? '',
      strip: strip.id,
      ...(spoiled_mm !== undefined && { spoiled_mm }),
    };
    if (!log.add({ kind: 'cut', step: step ?? '', undoes: null, note: '', facts }))
      this.problem = log.problem;
  }

  takeBack(strip: Strip): void {
    const entry = this.desk.cut.done.get(strip.id);
    if (!entry) return;
    const log = this.#logOf(strip);
    if (!log.add({ kind: 'undo', step: strip.need.step ?? '', undoes: entry.entry, note: '' }))
      this.problem = log.problem;
  }
}
