/** Lines from the wall's air layer to the frame through things that are sealed to each other. */
import type { Contact } from './contacts.ts';

export type Line = readonly string[];
export type Neighbours = ReadonlyMap<string, ReadonlySet<string>>;

export function neighboursOf(contacts: readonly Contact[]): Neighbours {
  const map = new Map<string, Set<string>>();
  const add = (a: string, b: string) => map.set(a, (map.get(a) ?? new Set<string>()).add(b));
  for (const { a, b } of contacts) {
    add(a, b);
    add(b, a);
  }
  return map;
}

/** More lines than these through one section differ in nothing that matters. */
const MOST_LINES = 8;

/** Returns the lines without a detour: no two members touch unless they follow each other. Shortest first. */
export function linesThrough(graph: Neighbours, from: string, to: string): Line[] {
  const found: Line[] = [];
  const walk = (line: readonly string[]) => {
    if (found.length >= MOST_LINES * 4) return;
    const last = line.at(-1) ?? from;
    if (last === to) {
      found.push(line);
      return;
    }
    const before = line.slice(0, -1);
    for (const next of [...(graph.get(last) ?? [])].sort()) {
      if (line.includes(next) || before.some((thing) => graph.get(thing)?.has(next))) continue;
      walk([...line, next]);
    }
  };
  walk([from]);
  return found.sort((a, b) => a.length - b.length).slice(0, MOST_LINES);
}

/** Things that can be reached from one without lifting the pen. */
export function reached(graph: Neighbours, from: string): Set<string> {
  const seen = new Set([from]);
  for (const thing of seen) for (const next of graph.get(thing) ?? []) seen.add(next);
  return seen;
}

/** How far two lines of neighbouring sections go on into each other. */
export interface Join {
  readonly joined: boolean;
  /** The first members that do not meet; `null` where all do. */
  readonly apart: readonly [string, string] | null;
}

/**
 * Returns whether two lines are one line round a bend: rung by rung from the wall to the frame, members that are the
 * same thing or sealed to each other.
 */
export function joins(a: Line, b: Line, touch: (one: string, other: string) => boolean): Join {
  const width = b.length;
  const known = new Map<number, boolean>([[0, a[0] === b[0] || touch(a[0] ?? '', b[0] ?? '')]]);
  if (!known.get(0)) return { joined: false, apart: [a[0] ?? '', b[0] ?? ''] };
  let far = 0;
  for (let i = 0; i < a.length; i++)
    for (let j = 0; j < width; j++) {
      if (i + j === 0) continue;
      const [one, other] = [a[i] ?? '', b[j] ?? ''];
      const before =
        (i > 0 && known.get((i - 1) * width + j)) ||
        (j > 0 && known.get(i * width + j - 1)) ||
        // Both step on at once only where that closes a triangle: four things in a ring have a hole in their middle.
        (i > 0 && j > 0 && known.get((i - 1) * width + j - 1) && (a[i - 1] === b[j - 1] || one === other));
      if (!before || (one !== other && !touch(one, other))) continue;
      known.set(i * width + j, true);
      if (i + j > Math.floor(far / width) + (far % width)) far = i * width + j;
    }
  if (known.get(a.length * width - 1)) return { joined: true, apart: null };
  const [i, j] = [Math.floor(far / width), far % width];
  return {
    joined: false,
    apart: [a[Math.min(i + 1, a.length - 1)] ?? '', b[Math.min(j + 1, width - 1)] ?? ''],
  };
}
