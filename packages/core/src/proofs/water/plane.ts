/**
 * A face of the wall cut into columns and cells in which nothing begins, ends or crosses: what lies there is the same
 * everywhere in a cell, so nothing has to be sampled.
 */
import { edgesOf, type Polygon } from '../../geometry/polygon.ts';
import { GRID_mm, type Point2 } from '../../geometry/vector.ts';
import type { Range } from '../../geometry/solid.ts';

/** A face of a sheet lying on a plane; in a plane's list the later ones lie over the earlier. */
export interface PlaneFace {
  readonly thing: string;
  readonly face: string;
  /** Outline with y against the fall of the plane: water runs towards smaller y. */
  readonly ring: Polygon;
  /** Moment of its last `place` or `return`. */
  readonly order: number;
  /** Moment its bond was made, `null` for none: it seals to what lay under it then. */
  readonly bondedAt: number | null;
  /** Where the bond is a bead and not an area: the stretches of x it runs over. */
  readonly beads?: readonly Range[];
  /** Positions in the plane's list of faces that this one goes on into. */
  readonly joins: readonly number[];
  /** Where it leads over a fold at its lower edge. */
  readonly leadsTo: 'out' | 'buck-top' | null;
}

/**
 * What stands under the sheets: `framing` is hurt by water, `solid` is not, `void` is the joint round the frame,
 * `frame` the unit itself, `outside` is no longer this wall's concern.
 */
export type HostKind = 'framing' | 'solid' | 'void' | 'frame' | 'outside';

export interface Host {
  readonly name: string;
  readonly kind: HostKind;
  readonly x: Range;
  readonly y: Range;
}

export interface PlaneSpec {
  readonly faces: readonly PlaneFace[];
  /** Later ones paint over earlier ones; the first one reaches everywhere. */
  readonly hosts: readonly Host[];
  /** Further places where something changes. */
  readonly marks: { readonly x: readonly number[]; readonly y: readonly number[] };
  /** Cut at every height in every column: what also runs sideways enters no more of a cell than it comes to. */
  readonly gridded?: true;
  /** The part of the plane that is looked at. */
  readonly within: { readonly x: Range; readonly y: Range };
}

export interface Cell {
  /** From its lower to its upper edge; where these lean, about the middle of its column. */
  readonly y: Range;
  readonly host: Host;
  /** Faces that lie here, innermost first, as positions in the plane's list. */
  readonly stack: readonly number[];
}

export interface Column {
  readonly x: Range;
  /** From the top down. */
  readonly cells: readonly Cell[];
}

export interface Plane extends PlaneSpec {
  readonly columns: readonly Column[];
  /** Whether a face is, or goes on into, another one of this plane. */
  readonly goesOn: (above: number, below: number) => boolean;
}

/** A kilometre each way, mm: no end at all. */
export const EVERYWHERE: Range = [-1e6, 1e6];

/** Two figures closer than this are one: twice the grid, since a corner may be rounded either way. */
const SAME_mm = 2 * GRID_mm;

/** A stretch of the outline of a face that is not plumb. */
interface Side {
  readonly face: number;
  readonly from: Point2;
  readonly to: Point2;
}

export function arrange(spec: PlaneSpec): Plane {
  const { faces, hosts, marks, within } = spec;
  const outlines = faces.map((face) => edgesOf(face.ring));
  const sides = outlines.flatMap((edges, face) =>
    edges.flatMap(([a, b]): Side[] =>
      a[0] === b[0] ? [] : [a[0] < b[0] ? { face, from: a, to: b } : { face, from: b, to: a }],
    ),
  );
  const xs = distinct(
    [
      ...marks.x,
      ...outlines.flat().map(([[x]]) => x),
      ...faces.flatMap((face) => face.beads?.flat() ?? []),
      ...crossings(sides),
      ...hosts.slice(1).flatMap((host) => host.x),
    ],
    within.x,
  );
  const heights = spec.gridded
    ? [...marks.y, ...outlines.flat().map(([[, y]]) => y), ...hosts.slice(1).flatMap((host) => host.y)]
    : marks.y;
  const columns: Column[] = [];
  xs.slice(1).forEach((to, i) => {
    const x: Range = [xs[i] ?? to, to];
    const column = { x, cells: cellsOf(x, sides, spec, heights) };
    const last = columns.at(-1);
    if (last && !marks.x.includes(x[0]) && alike(last, column, faces))
      columns[columns.length - 1] = { ...last, x: [last.x[0], to] };
    else columns.push(column);
  });
  const n = faces.length;
  const joins = new Uint8Array(n * n);
  faces.forEach((face, i) => {
    for (const j of [i, ...face.joins]) joins[i * n + j] = 1;
  });
  return { ...spec, columns, goesOn: (above, below) => joins[above * n + below] === 1 };
}

/** Whether the same lies in two columns that touch, so that water behaves alike in both: the rim of a stretched corner. */
function alike(a: Column, b: Column, faces: readonly PlaneFace[]): boolean {
  return (
    a.cells.length === b.cells.length &&
    a.cells.every(({ host, stack }, i) => {
      const other = b.cells[i];
      return (
        other?.host === host &&
        other.stack.length === stack.length &&
        stack.every((face, j) => face === other.stack[j] && faces[face]?.beads === undefined)
      );
    })
  );
}

function cellsOf(x: Range, sides: readonly Side[], spec: PlaneSpec, marks: readonly number[]): Cell[] {
  const middle = (x[0] + x[1]) / 2;
  const spans = spansAt(middle, sides);
  const hosts = spec.hosts.filter((host) => host.x[0] < middle && host.x[1] > middle);
  const heights = [...marks];
  for (const { low, high } of spans) heights.push(low, high);
  for (const { y } of hosts) heights.push(...y);
  const ys = distinct(heights, spec.within.y);
  const cells: Cell[] = [];
  for (let i = ys.length - 1; i > 0; i--) {
    const y: Range = [ys[i - 1] ?? 0, ys[i] ?? 0];
    const at = (y[0] + y[1]) / 2;
    const host = hosts.findLast((h) => h.y[0] < at && h.y[1] > at);
    if (!host) throw new Error(`nothing stands at ${middle}, ${at}`);
    const stack: number[] = [];
    for (const { face, low, high } of spans) if (low < at && at < high) stack.push(face);
    cells.push({ y, host, stack });
  }
  return cells;
}

interface Span {
  readonly face: number;
  readonly low: number;
  readonly high: number;
}

/** From where to where every face reaches at an x, faces in the order of the list. */
function spansAt(x: number, sides: readonly Side[]): Span[] {
  const spans: Span[] = [];
  let [face, ys]: [number, number[]] = [-1, []];
  const close = () => {
    ys.sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i += 2) spans.push({ face, low: ys[i - 1] ?? 0, high: ys[i] ?? 0 });
  };
  for (const side of sides) {
    if (side.face !== face) {
      close();
      [face, ys] = [side.face, []];
    }
    if (side.from[0] < x && x < side.to[0]) ys.push(heightOf(side, x));
  }
  close();
  return spans;
}

const steepness = ({ from, to }: Side): number => (to[1] - from[1]) / (to[0] - from[0]);
const heightOf = (side: Side, x: number): number => side.from[1] + (x - side.from[0]) * steepness(side);

/** Where leaning edges cross others; level and plumb ones only meet at their ends, which are there already. */
function crossings(sides: readonly Side[]): number[] {
  const xs: number[] = [];
  for (const a of sides) {
    if (a.from[1] === a.to[1]) continue;
    for (const b of sides) {
      const from = Math.max(a.from[0], b.from[0]);
      const to = Math.min(a.to[0], b.to[0]);
      const lean = steepness(a) - steepness(b);
      if (from >= to || lean === 0) continue;
      const x = from + (heightOf(b, from) - heightOf(a, from)) / lean;
      if (x > from && x < to) xs.push(x);
    }
  }
  return xs;
}

/** Sorted, with those that are the same left out, within a range and with its ends where something reaches them. */
function distinct(figures: readonly number[], [from, to]: Range): number[] {
  const all = new Float64Array(figures.length + 2);
  let n = 0;
  for (const figure of figures)
    if (figure >= from && figure <= to && figure > EVERYWHERE[0] && figure < EVERYWHERE[1]) all[n++] = figure;
  if (from > EVERYWHERE[0]) all[n++] = from;
  if (to < EVERYWHERE[1]) all[n++] = to;
  const sorted = all.subarray(0, n).sort();
  const kept: number[] = [];
  let last = -Infinity;
  for (const figure of sorted)
    if (figure - last > SAME_mm) {
      kept.push(figure);
      last = figure;
    }
  return kept;
}
