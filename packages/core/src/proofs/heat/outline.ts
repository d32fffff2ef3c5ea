/** Which side each outline of a cut faces: the weather, the room, or still air shut in between. */
import type { HeatBox } from './boxes.ts';
import type { Range } from '../../geometry/solid.ts';

/** What lies beyond a stretch of the outline. */
export type Beyond = 'outside' | 'room';

export interface Stretch {
  readonly beyond: Beyond;
  /** Whose surface it is. */
  readonly thing: string;
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
}

export interface Outline {
  /** Still air, one box or more for each closed space, with the space's own size. */
  readonly air: readonly (HeatBox & { readonly space: { readonly x: Range; readonly y: Range } })[];
  readonly stretches: readonly Stretch[];
}

const EMPTY = -1;
const AIR = -2;
const MARGIN_mm = 20;

/** Whose air an empty cell holds. */
type Label = 0 | 1 | 2 | 3;
const UNSEEN: Label = 0;
const OUTSIDE: Label = 1;
const ROOM: Label = 2;
const SHUT: Label = 3;

/**
 * Returns the closed spaces and the surfaces of a cut. Air reaches from the weather and from the room wherever nothing
 * stands and no sheet is in its way; what neither reaches is still.
 *
 * @param extent the range along y that is solved: its ends are planes of symmetry
 */
export function outlineOf(boxes: readonly HeatBox[], sheets: readonly HeatBox[], extent: Range): Outline {
  const all = [...boxes, ...sheets];
  const ends: Range = [
    Math.min(...all.map((b) => b.x[0])) - MARGIN_mm,
    Math.max(...all.map((b) => b.x[1])) + MARGIN_mm,
  ];
  const xs = lines([...ends, ...all.flatMap((b) => b.x)]);
  const ys = lines([...extent, ...all.flatMap((b) => b.y)]);
  const [nx, ny] = [xs.length - 1, ys.length - 1];
  const owner = new Int32Array(nx * ny).fill(EMPTY);
  const stopped = new Uint8Array(nx * ny);
  const paint = ({ x, y }: HeatBox, put: (k: number) => void) => {
    const [i0, i1, j0, j1] = [lineAt(xs, x[0]), lineAt(xs, x[1]), lineAt(ys, y[0]), lineAt(ys, y[1])];
    for (let j = j0; j < j1; j++) for (let i = i0; i < i1; i++) put(j * nx + i);
  };
  boxes.forEach((box, b) => paint(box, (k) => (owner[k] = b)));
  sheets.forEach((box) => paint(box, (k) => (stopped[k] = 1)));
  const label = labelled({ nx, ny, owner, stopped });
  for (let k = 0; k < nx * ny; k++) if (owner[k] === EMPTY && label[k] === SHUT) owner[k] = AIR;
  const air = spaces({ nx, ny, owner, xs, ys });
  return { air, stretches: stretchesOf({ nx, ny, owner, label, xs, ys, boxes }) };
}

const lines = (figures: readonly number[]): number[] => {
  const sorted = [...figures].sort((a, b) => a - b);
  return sorted.filter((x, i) => i === 0 || x - (sorted[i - 1] ?? 0) > 1e-6);
};

const lineAt = (list: readonly number[], figure: number): number => {
  const at = list.findIndex((x) => x > figure - 2e-6);
  return at < 0 ? list.length - 1 : at;
};

interface Cells {
  readonly nx: number;
  readonly ny: number;
  readonly owner: Int32Array;
}

const neighbours = (k: number, nx: number, ny: number): number[] => {
  const [i, j] = [k % nx, Math.floor(k / nx)];
  return [
    ...(i > 0 ? [k - 1] : []),
    ...(i + 1 < nx ? [k + 1] : []),
    ...(j > 0 ? [k - nx] : []),
    ...(j + 1 < ny ? [k + nx] : []),
  ];
};

/** Whose air every empty cell holds; a sheet's own cells go to the still side of it where there is one. */
function labelled({ nx, ny, owner, stopped }: Cells & { readonly stopped: Uint8Array }): Uint8Array {
  const label = new Uint8Array(nx * ny);
  const flood = (seeds: number[], as: Label) => {
    const open = seeds.filter((k) => owner[k] === EMPTY && stopped[k] === 0 && label[k] === UNSEEN);
    for (const k of open) label[k] = as;
    for (let k = open.pop(); k !== undefined; k = open.pop())
      for (const next of neighbours(k, nx, ny))
        if (owner[next] === EMPTY && stopped[next] === 0 && label[next] === UNSEEN) {
          label[next] = as;
          open.push(next);
        }
  };
  const column = (i: number) => Array.from({ length: ny }, (_, j) => j * nx + i);
  flood(column(0), OUTSIDE);
  flood(column(nx - 1), ROOM);
  for (let k = 0; k < nx * ny; k++)
    if (owner[k] === EMPTY && stopped[k] === 0 && label[k] === UNSEEN) label[k] = SHUT;
  // Cells under sheets take after their neighbours, still air first.
  for (let left = true; left;) {
    left = false;
    for (const wanted of [SHUT, ROOM, OUTSIDE]) {
      const found: number[] = [];
      for (let k = 0; k < nx * ny; k++)
        if (
          owner[k] === EMPTY &&
          label[k] === UNSEEN &&
          neighbours(k, nx, ny).some((n) => label[n] === wanted)
        )
          found.push(k);
      for (const k of found) label[k] = wanted;
      left ||= found.length > 0;
    }
  }
  for (let k = 0; k < nx * ny; k++) if (owner[k] === EMPTY && label[k] === UNSEEN) label[k] = SHUT;
  return label;
}

interface Lined extends Cells {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
}

/** Still air as boxes: connected cells are one space; each row of them, joined to equal rows above, is a box. */
function spaces({ nx, ny, owner, xs, ys }: Lined): Outline['air'] {
  const seen = new Uint8Array(nx * ny);
  return Array.from(owner.keys()).flatMap((first) => {
    if (owner[first] !== AIR || seen[first] === 1) return [];
    const cells = new Set([first]);
    seen[first] = 1;
    for (const k of cells)
      for (const next of neighbours(k, nx, ny))
        if (owner[next] === AIR && seen[next] === 0) {
          seen[next] = 1;
          cells.add(next);
        }
    const boxes: { i0: number; i1: number; j0: number; j1: number }[] = [];
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++) {
        if (!cells.has(j * nx + i) || (i > 0 && cells.has(j * nx + i - 1))) continue;
        let end = i + 1;
        while (end < nx && cells.has(j * nx + end)) end++;
        const under = boxes.find((b) => b.j1 === j && b.i0 === i && b.i1 === end);
        if (under) under.j1 = j + 1;
        else boxes.push({ i0: i, i1: end, j0: j, j1: j + 1 });
      }
    const at = (list: readonly number[], i: number) => list[i] ?? 0;
    const space = {
      x: [at(xs, Math.min(...boxes.map((b) => b.i0))), at(xs, Math.max(...boxes.map((b) => b.i1)))] as const,
      y: [at(ys, Math.min(...boxes.map((b) => b.j0))), at(ys, Math.max(...boxes.map((b) => b.j1)))] as const,
    };
    return boxes.map(({ i0, i1, j0, j1 }) => ({
      thing: 'still-air',
      material: 'air',
      x: [at(xs, i0), at(xs, i1)] as const,
      y: [at(ys, j0), at(ys, j1)] as const,
      space,
    }));
  });
}

function stretchesOf(
  o: Lined & { readonly label: Uint8Array; readonly boxes: readonly HeatBox[] },
): Stretch[] {
  const { nx, ny, owner, label, xs, ys, boxes } = o;
  const stretches: Stretch[] = [];
  const walk = (plumb: boolean) => {
    const [across, along] = plumb ? [nx, ny] : [ny, nx];
    for (let m = 1; m < across; m++) {
      let open: { key: string; beyond: Beyond; thing: string; start: number } | null = null;
      const close = (end: number) => {
        if (!open) return;
        const line = (plumb ? xs : ys)[m] ?? 0;
        const at = (t: number) => (plumb ? ys : xs)[t] ?? 0;
        const point = (t: number) => (plumb ? ([line, at(t)] as const) : ([at(t), line] as const));
        stretches.push({ beyond: open.beyond, thing: open.thing, from: point(open.start), to: point(end) });
        open = null;
      };
      for (let t = 0; t < along; t++) {
        const [a, b] = plumb ? [t * nx + m - 1, t * nx + m] : [(m - 1) * nx + t, m * nx + t];
        const [own, other] = [owner[a] ?? EMPTY, owner[b] ?? EMPTY];
        const solid = own === EMPTY ? other : own;
        const side = label[own === EMPTY ? a : b];
        const isEdge = (own === EMPTY) !== (other === EMPTY) && (side === OUTSIDE || side === ROOM);
        const thing = solid === AIR ? 'still-air' : (boxes[solid]?.thing ?? '');
        const beyond: Beyond = side === OUTSIDE ? 'outside' : 'room';
        const key = isEdge ? `${beyond} ${thing}` : '';
        const current = open as { key: string } | null;
        if (current && current.key !== key) close(t);
        if (isEdge && !open) open = { key, beyond, thing, start: t };
      }
      close(along);
    }
  };
  walk(true);
  walk(false);
  return stretches;
}
