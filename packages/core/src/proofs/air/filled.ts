/** Whether two lines from wall to frame can be moved into each other without crossing a hole. */
import type { Contact } from './contacts.ts';
import type { Line } from './lines.ts';

/**
 * The contacts where one section meets the next, as a surface: wherever three things touch each other pairwise, the
 * triangle between them is closed. Four things in a ring have a hole in their middle that no triangle fills, and air
 * goes through it.
 */
export class Filled {
  /** Things by their place in the table of edges. */
  readonly #things = new Map<string, number>();
  /** Edge between two things, by `a * n + b` for a below b; −1 where they do not touch. */
  readonly #edges: Int16Array;
  readonly #n: number;
  /** Sums of triangles, by their highest edge: a basis over the field of two elements, each a row of bits. */
  readonly #basis = new Map<number, Uint32Array>();
  readonly #words: number;

  /** @param beads things in one of them are sealed to each other */
  constructor(contacts: readonly Contact[], beads: readonly string[]) {
    for (const { a, b } of contacts) {
      this.#place(a);
      this.#place(b);
    }
    const n = this.#things.size;
    this.#n = n;
    this.#edges = new Int16Array(n * n).fill(NONE);
    let edges = 0;
    const touch = (a: number, b: number) => {
      const at = a < b ? a * n + b : b * n + a;
      if (a !== b && this.#edges[at] === NONE) this.#edges[at] = edges++;
    };
    for (const { a, b } of contacts) touch(this.#place(a), this.#place(b));
    for (const bead of beads) {
      const i = this.#things.get(bead);
      if (i === undefined) continue;
      const held = Array.from({ length: n }, (_, k) => k).filter((k) => this.#edge(i, k) !== NONE);
      held.forEach((a, k) => held.slice(k + 1).forEach((b) => touch(a, b)));
    }
    this.#words = (edges + 31) >>> 5;
    this.#fill();
  }

  /** A thing's place, the next free one for a new thing. */
  #place(thing: string): number {
    const known = this.#things.get(thing);
    if (known !== undefined) return known;
    this.#things.set(thing, this.#things.size);
    return this.#things.size - 1;
  }

  #edge(a: number, b: number): number {
    if (a === b) return NONE;
    return this.#edges[a < b ? a * this.#n + b : b * this.#n + a] ?? NONE;
  }

  #fill(): void {
    const n = this.#n;
    for (let a = 0; a < n; a++)
      for (let b = a + 1; b < n; b++) {
        const ab = this.#edge(a, b);
        if (ab === NONE) continue;
        for (let c = b + 1; c < n; c++) {
          const [bc, ac] = [this.#edge(b, c), this.#edge(a, c)];
          if (bc === NONE || ac === NONE) continue;
          const triangle = new Uint32Array(this.#words);
          for (const edge of [ab, bc, ac]) flip(triangle, edge);
          const top = this.#reduce(triangle);
          if (top >= 0) this.#basis.set(top, triangle);
        }
      }
  }

  touch(a: string, b: string): boolean {
    const [i, j] = [this.#things.get(a), this.#things.get(b)];
    return i !== undefined && j !== undefined && this.#edge(i, j) !== NONE;
  }

  /** Whether the round along one line and back along the other is filled by triangles. Both end at the frame. */
  joins(a: Line, b: Line): boolean {
    const walk = [...a, ...b.toReversed()];
    const sum = new Uint32Array(this.#words);
    for (let i = 0; i < walk.length; i++) {
      const [one, other] = [walk[i] ?? '', walk[(i + 1) % walk.length] ?? ''];
      if (one === other) continue;
      const [from, to] = [this.#things.get(one), this.#things.get(other)];
      const edge = from === undefined || to === undefined ? NONE : this.#edge(from, to);
      if (edge === NONE) return false;
      flip(sum, edge);
    }
    return this.#reduce(sum) < 0;
  }

  /** Takes away what the basis knows, in place. @returns the highest edge left over, −1 where nothing is */
  #reduce(sum: Uint32Array): number {
    for (let word = this.#words - 1; word >= 0;) {
      const bits = sum[word];
      if (!bits) {
        word--;
        continue;
      }
      const top = word * 32 + 31 - Math.clz32(bits);
      const known = this.#basis.get(top);
      if (!known) return top;
      for (let i = 0; i <= word; i++) sum[i] = (sum[i] ?? 0) ^ (known[i] ?? 0);
    }
    return -1;
  }
}

const NONE = -1;

const flip = (bits: Uint32Array, at: number): void => {
  const word = at >>> 5;
  bits[word] = (bits[word] ?? 0) ^ (1 << (at & 31));
};
