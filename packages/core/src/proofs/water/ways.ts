/** The places water can be at and the ways between them, followed from where it is let go: no place it never comes to. */
import { noEdges } from './graph.ts';
import { failedAt, movesDown, type Edge } from './moves.ts';
import type { PlaneId } from '../../vocabulary/planes.ts';
import type { Moment } from '../../build/moment.ts';
import type { Cell, Column, Plane } from './plane.ts';

/** Places that are no cell of a plane. */
export const places = [
  'out',
  'structure',
  'room',
  'cavity-head',
  'cavity-left',
  'cavity-right',
  // The seam or seal between wall and frame, and the frame's edge outside of it.
  'joint-head',
  'joint-left',
  'joint-right',
  'frame-head',
  'frame-left',
  'frame-right',
  'buck-top',
  // On the back of the wall's layer, where that is held down below.
  'behind-layer',
] as const;
export type Place = (typeof places)[number];
export const placeNode = (place: Place): number => places.indexOf(place);

/** A cell with where it stands in its plane. */
export interface Spot {
  readonly plane: PlaneId;
  readonly column: Column;
  readonly cell: Cell;
  /** Position of its column, and of the cell from the top of that. */
  readonly i: number;
  readonly row: number;
}

/** Water in a gap of a cell: 0 lies under everything, the last one outside of all. */
export interface WaterNode extends Spot {
  readonly gap: number;
}

/** Links a node with everything water can do from there. */
export type Follow = (node: number, at: Spot, gap: number) => void;

export class Ways {
  readonly moment: Moment;
  readonly planes = new Map<PlaneId, Plane>();
  readonly edges = noEdges();
  /** Things whose bonds the edges name. */
  readonly bonds: string[] = [];
  readonly #spots: Spot[] = [];
  /** First node of every spot, and the spot of every node behind the places. */
  readonly #first: number[] = [];
  readonly #spotOf: number[] = [];
  readonly #spotAt = new Map<Cell, number>();
  readonly #bondAt = new Map<string, number>();
  /** By node: water on the back of a layer, and by column the node that is kept for it. */
  readonly #backs = new Map<number, WaterNode | Place>();
  readonly #backOf = new Map<Column, number>();
  readonly #waiting: number[] = [];
  /** By node: whether water comes there. Made once every plane is added. */
  #known = new Uint8Array(0);

  constructor(moment: Moment) {
    this.moment = moment;
  }

  add(id: PlaneId, plane: Plane): Plane {
    this.planes.set(id, plane);
    plane.columns.forEach((column, i) => {
      this.#backOf.set(column, places.length + this.#spotOf.length);
      this.#spotOf.push(-1);
      column.cells.forEach((cell, row) => {
        this.#spotAt.set(cell, this.#spots.length);
        this.#spots.push({ plane: id, column, cell, i, row });
        this.#first.push(places.length + this.#spotOf.length);
        for (let gap = 0; gap <= cell.stack.length; gap++) this.#spotOf.push(this.#spots.length - 1);
      });
    });
    return plane;
  }

  /** @throws Error for a cell that was not added */
  node(cell: Cell, gap: number): number {
    const first = this.#first[this.#spotAt.get(cell) ?? -1];
    if (first === undefined) throw new Error('a cell of another network');
    return first + gap;
  }
  outermost = (cell: Cell): number => this.node(cell, cell.stack.length);

  /** Water on the back of the layer over a column: a node of its own, since nothing else can do what it does. */
  behind(column: Column, seen: { readonly cell: Cell; readonly gap: number } | Place): number {
    const node = this.#backOf.get(column);
    if (node === undefined) throw new Error('a column of another network');
    if (typeof seen === 'string') this.#backs.set(node, seen);
    else {
      const at = this.describe(this.node(seen.cell, seen.gap));
      this.#backs.set(node, at);
    }
    return node;
  }

  describe = (node: number): WaterNode | Place => {
    const place = places[node] ?? this.#backs.get(node);
    if (place) return place;
    const i = this.#spotOf[node - places.length] ?? -1;
    const spot = this.#spots[i];
    if (!spot) throw new Error(`no place ${node}`);
    return { ...spot, gap: node - (this.#first[i] ?? 0) };
  };

  /** Follows the water from `starts` until nothing new is reached. */
  explore(starts: readonly number[], follow: Readonly<Record<PlaneId, Follow>>): void {
    for (const node of starts) this.#reach(node);
    for (let node = this.#waiting.pop(); node !== undefined; node = this.#waiting.pop()) {
      const i = this.#spotOf[node - places.length] ?? -1;
      const spot = this.#spots[i];
      if (spot) follow[spot.plane](node, spot, node - (this.#first[i] ?? 0));
    }
  }

  get count(): number {
    return places.length + this.#spotOf.length;
  }
  get reached(): Uint8Array {
    return this.#known;
  }

  #reach(node: number): void {
    if (this.#known.length === 0) this.#known = new Uint8Array(this.count);
    if (this.#known[node] === 1) return;
    this.#known[node] = 1;
    this.#waiting.push(node);
  }

  /** @param fails the thing whose bond must fail @param spills see `Edges` */
  link(from: number, to: number, fails: string | null = null, spills = false): void {
    const { edges } = this;
    edges.from.push(from);
    edges.to.push(to);
    edges.fails.push(fails === null ? -1 : this.#bond(fails));
    edges.spills.push(spills);
    this.#reach(to);
  }

  #bond(name: string): number {
    const known = this.#bondAt.get(name) ?? this.bonds.push(name) - 1;
    this.#bondAt.set(name, known);
    return known;
  }

  /** Every way over an edge, from a gap of one plane into another cell of the same or the next plane. */
  over(
    edge: Edge & { readonly from: Cell },
    at: { from: Plane; to: Plane; gap: number },
    spills = false,
  ): void {
    const from = this.node(edge.from, at.gap);
    const failed = at.from === at.to ? failedAt(at.to, edge.from, at.gap, edge.x) : null;
    movesDown(at.to, edge, at.gap, failed, (gap, fails) =>
      this.link(from, this.node(edge.to, gap), thingOf(at.to, fails), spills),
    );
  }
}

export const thingOf = (plane: Plane, face: number | null | undefined): string | null =>
  (face === null || face === undefined ? undefined : plane.faces[face]?.thing) ?? null;
