/**
 * The shingle rule as one function: where water that runs between two layers goes when it comes to an edge.
 *
 * Water lies in a gap of a stack: gap 0 under everything, gap i on the outer side of the i-th layer, the last gap
 * outside of all. It runs on its own layer while that goes on, drops to the next lower one where it ends, goes behind
 * what begins over it and stays outside of that only while a bond seals the edge.
 */
import type { Range } from '../../geometry/solid.ts';
import type { Cell, Plane, PlaneFace } from './plane.ts';

type Faces = Pick<Plane, 'faces'>;

/** Two cells with an edge between them; where a fold lies there they are of two planes. */
export interface Edge {
  readonly from: Pick<Cell, 'stack'>;
  readonly to: Cell;
  readonly x: Range;
  /** Whether a face of `from` goes on as a face of `to`. */
  readonly goesOn: (above: number, below: number) => boolean;
  /** Faces of `to` whose upper edge is not here although `from` knows nothing of them. */
  readonly covering?: readonly number[];
}

/**
 * Takes a way: the gap it leads to, and the face whose bond must fail for it as its position in the plane's list, `null`
 * for none.
 */
export type TakeMove = (gap: number, fails: number | null) => void;

const faceAt = (plane: Faces, { stack }: Pick<Cell, 'stack'>, i: number): PlaneFace | undefined =>
  plane.faces[stack[i] ?? -1];

/** Whether a gap is closed by the face that lies over it. */
export function closes(plane: Faces, cell: Pick<Cell, 'stack' | 'host'>, gap: number, x: Range): boolean {
  const over = faceAt(plane, cell, gap);
  if (!over || over.bondedAt === null) return false;
  const middle = (x[0] + x[1]) / 2;
  if (over.beads && !over.beads.some(([from, to]) => from < middle && middle < to)) return false;
  const under = faceAt(plane, cell, gap - 1);
  return under ? under.order < over.bondedAt : cell.host.kind === 'framing' || cell.host.kind === 'solid';
}

/** The face whose bond has failed already where water is in a closed gap. */
export const failedAt = (plane: Faces, cell: Cell, gap: number, x: Range): number | null =>
  closes(plane, cell, gap, x) ? (cell.stack[gap] ?? null) : null;

/** Names every way from a gap of `edge.from`. @param plane the one that `edge.to` belongs to */
export function movesDown(
  plane: Faces,
  edge: Edge,
  gap: number,
  failed: number | null,
  take: TakeMove,
): void {
  const { to, goesOn } = edge;
  for (let at = landing(edge, gap); ; at++) {
    const over = to.stack[at];
    if (over === undefined || !closes(plane, to, at, edge.x)) return take(at, null);
    take(at, failed !== null && goesOn(failed, over) ? null : over);
    // Only at its upper edge can water get over a face and stay outside of it.
    if (!begins(edge, over)) return;
  }
}

function begins({ from, goesOn, covering }: Edge, face: number): boolean {
  for (const above of from.stack) if (goesOn(above, face)) return false;
  return !covering?.includes(face);
}

/** The gap on the outer side of the layer that carries the water on, but never outside of what covers it. */
function landing({ from, to, goesOn }: Edge, gap: number): number {
  const { stack } = to;
  let at = 0;
  for (let i = gap - 1; i >= 0 && at === 0; i--)
    for (let j = stack.length - 1; j >= 0 && at === 0; j--)
      if (goesOn(from.stack[i] ?? -1, stack[j] ?? -1)) at = j + 1;
  for (let i = gap; i < from.stack.length; i++)
    for (let j = 0; j < at; j++) if (goesOn(from.stack[i] ?? -1, stack[j] ?? -1)) at = j;
  return at;
}
