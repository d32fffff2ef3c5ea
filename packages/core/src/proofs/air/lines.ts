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

/**
 * Returns the first members of two lines, counted from the wall, that are neither the same thing nor sealed to each other:
 * where somebody would have to look.
 */
export function firstApart(
  a: Line,
  b: Line,
  touch: (one: string, other: string) => boolean,
): readonly [string, string] {
  for (let i = 0; i < Math.max(a.length, b.length); i++) {
    const [one, other] = [a[Math.min(i, a.length - 1)] ?? '', b[Math.min(i, b.length - 1)] ?? ''];
    if (one !== other && !touch(one, other)) return [one, other];
  }
  return [a.at(-2) ?? '', b.at(-2) ?? ''];
}
