/** Whether two lines from wall to frame can be moved into each other without crossing a hole. */
import type { Line, Neighbours } from './lines.ts';

/**
 * The contacts where one section meets the next, as a surface: wherever three things touch each other pairwise, the
 * triangle between them is closed. Four things in a ring have a hole in their middle that no triangle fills, and air
 * goes through it.
 */
export class Filled {
  readonly #edges = new Map<string, number>();
  /** Sums of triangles, by their highest edge: a basis over the field of two elements. */
  readonly #basis = new Map<number, bigint>();
  readonly #graph: Neighbours;

  constructor(graph: Neighbours) {
    this.#graph = graph;
    for (const [a, next] of graph)
      for (const b of next) if (a < b) this.#edges.set(`${a} ${b}`, this.#edges.size);
    for (const [a, next] of graph)
      for (const b of next)
        for (const c of graph.get(b) ?? []) if (a < b && b < c && next.has(c)) this.#add([a, b, c]);
  }

  touch(a: string, b: string): boolean {
    return this.#graph.get(a)?.has(b) ?? false;
  }

  /** Whether the round along one line and back along the other is filled by triangles. Both end at the frame. */
  joins(a: Line, b: Line): boolean {
    const round = this.#round([...a, ...b.toReversed()]);
    return round !== null && this.#reduced(round) === 0n;
  }

  #bit(a: string, b: string): bigint | null {
    if (a === b) return 0n;
    const at = this.#edges.get(a < b ? `${a} ${b}` : `${b} ${a}`);
    return at === undefined ? null : 1n << BigInt(at);
  }

  /** Edges of a closed walk that are gone along an odd number of times; `null` where two things do not touch. */
  #round(walk: readonly string[]): bigint | null {
    let sum = 0n;
    for (const [i, thing] of walk.entries()) {
      const bit = this.#bit(thing, walk[(i + 1) % walk.length] ?? thing);
      if (bit === null) return null;
      sum ^= bit;
    }
    return sum;
  }

  #add(triangle: readonly string[]): void {
    const rest = this.#reduced(this.#round(triangle) ?? 0n);
    if (rest !== 0n) this.#basis.set(highest(rest), rest);
  }

  #reduced(sum: bigint): bigint {
    let rest = sum;
    while (rest !== 0n) {
      const known = this.#basis.get(highest(rest));
      if (known === undefined) return rest;
      rest ^= known;
    }
    return rest;
  }
}

const highest = (sum: bigint): number => sum.toString(2).length - 1;
