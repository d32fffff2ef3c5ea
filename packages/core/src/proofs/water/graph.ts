/** A directed graph whose edges cost nothing, or one bond; searched from where water must not come. */

export interface Edges {
  readonly from: number[];
  readonly to: number[];
  /** Bond that must fail, as a position in `bonds`; −1 for none. */
  readonly fails: number[];
  /** Water that cannot leave this way stays where it is and looks for another: such a way is no trap. */
  readonly spills: boolean[];
}

export const noEdges = (): Edges => ({ from: [], to: [], fails: [], spills: [] });

export interface Search {
  /** Fewest bonds that must fail from each node; `Infinity` where no way leads there. */
  readonly cost: Float64Array;
  /** Edge to take next on such a way; −1 at its end. */
  readonly next: Int32Array;
}

/**
 * Returns the cheapest ways from every node to one of `targets`: a search backwards in two queues, since an edge costs
 * nothing or one.
 *
 * @param use leaves out edges
 */
export function waysTo(
  targets: readonly number[],
  nodes: number,
  edges: Edges,
  into: EdgesInto,
  use: (edge: number) => boolean = () => true,
): Search {
  const cost = new Float64Array(nodes).fill(Infinity);
  const next = new Int32Array(nodes).fill(-1);
  let [now, later]: [number[], number[]] = [[...targets], []];
  for (const target of targets) cost[target] = 0;
  for (let level = 0; now.length > 0; level++, [now, later] = [later, []]) {
    for (let i = 0; i < now.length; i++) {
      const node = now[i] ?? 0;
      // Found meanwhile by a cheaper way.
      if ((cost[node] ?? 0) < level) continue;
      for (let at = into.first[node] ?? 0; at < (into.first[node + 1] ?? 0); at++) {
        const edge = into.edges[at] ?? 0;
        if (!use(edge)) continue;
        const before = edges.from[edge] ?? 0;
        const free = edges.fails[edge] === -1;
        const total = level + (free ? 0 : 1);
        if (total >= (cost[before] ?? Infinity)) continue;
        cost[before] = total;
        next[before] = edge;
        (free ? now : later).push(before);
      }
    }
  }
  return { cost, next };
}

/** Edges by the node they lead to: those into node n stand from `first[n]` up to `first[n + 1]`. */
export interface EdgesInto {
  readonly first: Int32Array;
  readonly edges: Int32Array;
}

export function edgesInto(nodes: number, { to }: Edges): EdgesInto {
  const first = new Int32Array(nodes + 1);
  for (const node of to) first[node + 1] = (first[node + 1] ?? 0) + 1;
  for (let node = 0; node < nodes; node++) first[node + 1] = (first[node + 1] ?? 0) + (first[node] ?? 0);
  const at = first.slice();
  const edges = new Int32Array(to.length);
  to.forEach((node, edge) => {
    const place = at[node] ?? 0;
    edges[place] = edge;
    at[node] = place + 1;
  });
  return { first, edges };
}
