/** Ways to cut one bar: the one that is worth most, and all that are worth enough. */
import type { CutModel, Kind } from './model.ts';

/** How many of each kind, in the order of the model's kinds. */
export type Counts = readonly number[];

export interface Pattern {
  /** Place among the model's bars. */
  readonly bar: number;
  readonly counts: Counts;
}

export const weightOf = (kinds: readonly Kind[], counts: Counts): number =>
  counts.reduce((sum, n, i) => sum + n * (kinds[i]?.weight ?? 0), 0);

/** A share of a kind that is taken or left whole: any number up to the most is a sum of some of them. */
interface Lot {
  readonly kind: number;
  readonly count: number;
}

function lotsOf({ kinds }: CutModel, room: number): Lot[] {
  return kinds.flatMap(({ weight, ids }, kind) => {
    const lots: Lot[] = [];
    let left = Math.min(ids.length, Math.floor(room / weight));
    for (let count = 1; left > 0; count *= 2) {
      lots.push({ kind, count: Math.min(count, left) });
      left -= count;
    }
    return lots;
  });
}

/** Looks for the pattern of greatest worth on each bar, by dynamic programming over the room of the longest. */
export class Pricing {
  readonly #model: CutModel;
  readonly #lots: readonly Lot[];
  readonly #room: number;
  readonly #worth: Float64Array;
  readonly #taken: readonly Uint8Array[];

  constructor(model: CutModel) {
    this.#model = model;
    this.#room = Math.max(0, ...model.bars.map(({ room }) => room));
    this.#lots = lotsOf(model, this.#room);
    this.#worth = new Float64Array(this.#room + 1);
    this.#taken = this.#lots.map(() => new Uint8Array(this.#room + 1));
  }

  /** @returns for each bar its best pattern and what that is worth */
  best(worths: readonly number[]): { readonly worth: number; readonly counts: number[] }[] {
    const { kinds, bars } = this.#model;
    const room = this.#room;
    const worth = this.#worth.fill(0);
    for (const [l, { kind, count }] of this.#lots.entries()) {
      const taken = this.#taken[l];
      const weight = (kinds[kind]?.weight ?? 0) * count;
      const gain = (worths[kind] ?? 0) * count;
      if (!taken) continue;
      taken.fill(0);
      if (gain <= 0) continue;
      for (let at = room; at >= weight; at--) {
        const more = (worth[at - weight] as number) + gain;
        if (more > (worth[at] as number) + 1e-12) {
          worth[at] = more;
          taken[at] = 1;
        }
      }
    }
    return bars.map((bar) => {
      const counts = kinds.map(() => 0);
      let at = bar.room;
      for (let l = this.#lots.length - 1; l >= 0; l--) {
        const lot = this.#lots[l];
        if (!lot || this.#taken[l]?.[at] !== 1) continue;
        counts[lot.kind] = (counts[lot.kind] ?? 0) + lot.count;
        at -= (kinds[lot.kind]?.weight ?? 0) * lot.count;
      }
      return { worth: worth[bar.room] ?? 0, counts };
    });
  }
}

/**
 * Every pattern that nothing more fits on and that is worth at least so much, bar by bar; `null` where there are more
 * than are wanted.
 *
 * @param least what a pattern of each bar must be worth; bars that are left out have none
 */
export function patternsWorth(
  { kinds, bars }: CutModel,
  {
    worths,
    least,
    most,
    looks,
  }: {
    readonly worths: readonly number[];
    readonly least: readonly (number | null)[];
    readonly most: number;
    readonly looks: number;
  },
): Pattern[] | null {
  const order = kinds.map((_, i) => i).sort((a, b) => density(b) - density(a));
  function density(i: number): number {
    return (worths[i] ?? 0) / (kinds[i]?.weight ?? 1);
  }
  const found: Pattern[] = [];
  let left = looks;
  const counts = kinds.map(() => 0);

  /** Goes through counts of the kinds from one place on; false where there is too much. */
  const fill = (bar: number, at: number, room: number, worth: number, want: number): boolean => {
    if (--left < 0) return false;
    const kind = order[at];
    if (kind === undefined) {
      const full = kinds.every(({ weight, ids }, i) => (counts[i] ?? 0) >= ids.length || weight > room);
      if (full && worth >= want - 1e-7) found.push({ bar, counts: [...counts] });
      return found.length <= most;
    }
    if (worth + density(kind) * room < want - 1e-7) return true;
    const { weight, ids } = kinds[kind] as Kind;
    for (let n = Math.min(ids.length, Math.floor(room / weight)); n >= 0; n--) {
      counts[kind] = n;
      if (!fill(bar, at + 1, room - n * weight, worth + n * (worths[kind] ?? 0), want)) return false;
    }
    counts[kind] = 0;
    return true;
  };
  for (const [bar, { room }] of bars.entries()) {
    const want = least[bar];
    if (want !== null && want !== undefined && !fill(bar, 0, room, 0, want)) return null;
  }
  return found;
}
