/** By which way figures come into the cards on this device: typed, or from simulated instruments to try them out. */
import {
  fieldInstrumentFor,
  inventedFigure,
  seedOf,
  simulatedFieldInstrument,
  type Ask,
  type FieldAnswer,
  type FieldInstrument,
  type FieldInstrumentKind,
} from '@hulvek/core';

const KEY = 'hulvek:readings';
export type Way = 'typed' | 'simulated';

class Ways {
  way = $state<Way>('typed');
  #instruments = new Map<FieldInstrumentKind, FieldInstrument>();
  #asked: { readonly ask: Ask; readonly seed: string } | null = null;
  #readings = 0;

  constructor() {
    if (typeof localStorage !== 'undefined' && localStorage.getItem(KEY) === 'simulated')
      this.way = 'simulated';
  }

  choose(way: Way): void {
    this.way = way;
    localStorage.setItem(KEY, way);
  }

  async read(ask: Ask, seed: string): Promise<FieldAnswer> {
    this.#asked = { ask, seed };
    return this.#instrument(fieldInstrumentFor(ask.what)).read(ask.what);
  }

  async reconnect(): Promise<void> {
    for (const instrument of this.#instruments.values()) await instrument.reconnect();
  }

  #instrument(kind: FieldInstrumentKind): FieldInstrument {
    const known = this.#instruments.get(kind);
    if (known) return known;
    const made = simulatedFieldInstrument({
      kind,
      seed: seedOf(`${kind}${this.#readings++}`),
      truth: (what) =>
        this.#asked ? inventedFigure(what, seedOf(this.#asked.seed), this.#asked.ask) : Number.NaN,
    });
    this.#instruments.set(kind, made);
    return made;
  }
}

export const ways = new Ways();
