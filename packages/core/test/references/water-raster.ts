/**
 * Water let down a wall pixel by pixel: every pixel keeps its own pile of layers through the events. It shares nothing with
 * the tracing that it judges.
 */
import type { WallEvent } from '../../src/vocabulary/events.ts';
import type { Polygon } from '../../src/geometry/polygon.ts';

export const WIDE = 12;
export const HIGH = 40;
export const PIXEL = 1 / 4;

export interface Face {
  readonly id: string;
  readonly ring: Polygon;
}
export interface Thing {
  readonly id: string;
  readonly faces: readonly Face[];
  readonly hinges: readonly (readonly [string, string])[];
  /** From where to where its bond is open. */
  readonly open?: readonly [number, number];
}
export interface Scene {
  readonly things: readonly Thing[];
  readonly events: readonly WallEvent[];
}

// ---- The slow way: piles of layers on a raster. ----

export const inside = (ring: Polygon, x: number, y: number): boolean => {
  let odd = false;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length] ?? [0, 0];
    if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) odd = !odd;
  });
  return odd;
};

export interface Pixel {
  readonly pile: string[];
  /** Layers glued to what was right under them. */
  readonly glued: Set<string>;
}

export function pileAt({ things, events }: Scene, x: number, y: number): Pixel {
  const pile: string[] = [];
  const glued = new Set<string>();
  for (const { op, thing, faces } of events) {
    const own = things.find((t) => t.id === thing);
    const isOpen = own?.open !== undefined && own.open[0] < x && x < own.open[1];
    for (const face of own?.faces ?? []) {
      if ((faces && !faces.includes(face.id)) || !inside(face.ring, x, y)) continue;
      const key = `${thing}/${face.id}`;
      if (op === 'place' || op === 'return') pile.push(key);
      if (op === 'lift') {
        pile.splice(pile.indexOf(key), 1);
        for (const pair of glued) if (pair.startsWith(`${key}>`)) glued.delete(pair);
      }
      if (op === 'bond' && !isOpen) glued.add(`${key}>${pile[pile.indexOf(key) - 1] ?? 'wall'}`);
    }
  }
  return { pile, glued };
}

/** Whether the edges over `x` lie so close that the raster cannot tell them apart. */
export function tooClose({ things }: Scene, x: number): boolean {
  const heights = things
    .flatMap(({ faces }) =>
      faces.flatMap(({ ring }) => ring.map((p, i) => [p, ring[(i + 1) % ring.length] ?? p])),
    )
    .flatMap(([[ax, ay] = [0, 0], [bx, by] = [0, 0]]) =>
      ax > x !== bx > x ? [ay + ((x - ax) / (bx - ax)) * (by - ay)] : [],
    )
    .sort((a, b) => a - b);
  return heights.some((h, i) => {
    const gap = h - (heights[i - 1] ?? -1);
    return gap > 1e-6 && gap < 2 * PIXEL;
  });
}

const sameThing = ({ things }: Scene, a: string, b: string): boolean => {
  const [thing, face] = a.split('/');
  const [other, next] = b.split('/');
  if (thing !== other) return false;
  const hinges = things.find((t) => t.id === thing)?.hinges ?? [];
  return face === next || hinges.some((h) => h.includes(face ?? '') && h.includes(next ?? ''));
};
const stuck = ({ pile, glued }: Pixel, over: number): boolean =>
  glued.has(`${pile[over]}>${pile[over - 1] ?? 'wall'}`);

/**
 * Everything that water can do that lies on `on` layers of one pixel and comes to the next: on how many it lies there, and
 * whether a bond has to fail for it.
 */
function moves(scene: Scene, here: Pixel, next: Pixel, on: number): { at: number; fails: boolean }[] {
  const same = (a: string, b: string) => sameThing(scene, a, b);
  let carried = 0;
  for (const layer of here.pile.slice(0, on).reverse()) {
    carried = next.pile.findLastIndex((below) => same(layer, below)) + 1;
    if (carried > 0) break;
  }
  for (const cover of here.pile.slice(on)) {
    const goes = next.pile.findIndex((below) => same(cover, below));
    if (goes >= 0) carried = Math.min(carried, goes);
  }
  const found: { at: number; fails: boolean }[] = [];
  for (let at = carried; ; at++) {
    const over = next.pile[at];
    if (over === undefined || !stuck(next, at)) return [...found, { at, fails: false }];
    const cover = here.pile[on];
    const failedBefore = cover !== undefined && stuck(here, on) && same(cover, over);
    found.push({ at, fails: !failedBefore });
    if (here.pile.some((above) => same(above, over))) return found;
  }
}

/** The pixels of column `x`, from the top. */
const columnAt = (scene: Scene, x: number): Pixel[] =>
  Array.from({ length: HIGH / PIXEL }, (_, i) => pileAt(scene, x, HIGH - (i + 0.5) * PIXEL));

/** Fewest bonds that must fail before water that lies on `on` layers at a row wets the wall further down. */
function runsDown(scene: Scene, rows: readonly Pixel[]): (row: number, on: number) => number {
  const known = new Map<string, number>();
  const fewest = (row: number, on: number): number => {
    if (on === 0) return 0;
    const [here, next] = [rows[row], rows[row + 1]];
    if (!here || !next) return Infinity;
    const key = `${row} ${on}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const all = moves(scene, here, next, on).map(({ at, fails }) => fewest(row + 1, at) + (fails ? 1 : 0));
    const best = Math.min(...all);
    known.set(key, best);
    return best;
  };
  return fewest;
}

const orNever = (k: number): number | null => (k === Infinity ? null : k);

/** Fewest bonds that must fail before water let go at the top of column `x` wets the wall; `null` for never. */
export function slowly(scene: Scene, x: number): number | null {
  const rows = columnAt(scene, x);
  return orNever(runsDown(scene, rows)(0, rows[0]?.pile.length ?? 0));
}

/**
 * The same for water on the back of a layer, coming down to a head at height `head`: it leaves the layer for the first strip
 * that is stuck to the wall under it, and comes into the joint where there is none.
 */
export function slowlyBehind(scene: Scene, layer: string, x: number, head: number): number | null {
  const rows = columnAt(scene, x);
  const fewest = runsDown(scene, rows);
  for (const [row, pixel] of rows.entries()) {
    if (HIGH - (row + 0.5) * PIXEL < head) break;
    const over = pixel.pile.findIndex((key) => key.startsWith(`${layer}/`));
    const held = pixel.pile.findIndex((_, i) => i < over && stuck(pixel, i));
    if (held < 0) continue;
    const behindStrip = 1 + fewest(row, held);
    return orNever(stuck(pixel, over) ? behindStrip : Math.min(fewest(row, over), behindStrip));
  }
  return 0;
}

/** A sill seen from above: its outer edge at y = 0, y running inward. */
export interface Sill extends Scene {
  readonly deep: number;
  readonly fall: 'out' | 'level' | 'in';
  /** How far in something stands against water, and whether it stands in a bed that may come off. */
  readonly dam: { readonly at: number; readonly bedded: boolean } | null;
  /** Whether its edge is closed. */
  readonly shut: boolean;
  /** Of its left and right end: whole, open, or held by a bond. */
  readonly ends: readonly ['whole' | 'open' | 'bond', 'whole' | 'open' | 'bond'];
}

/**
 * Where water let go on the sill comes to with `broken` bonds at most: a flood from pixel to pixel, in every direction that
 * the fall allows.
 */
export function flooded(
  sill: Sill,
  from: { x: number; y: number },
): Record<'structure' | 'room' | 'out', number | null> {
  const [nx, ny] = [WIDE / SILL_PIXEL, sill.deep / SILL_PIXEL];
  const pixels = Array.from({ length: nx }, (_, i) =>
    Array.from({ length: ny }, (_, j) => pileAt(sill, (i + 0.5) * SILL_PIXEL, (j + 0.5) * SILL_PIXEL)),
  );
  const best = { structure: Infinity, room: Infinity, out: Infinity };
  const reach = (place: keyof typeof best, k: number) => (best[place] = Math.min(best[place], k));
  const done = new Map<string, number>();
  type Drop = { i: number; j: number; on: number };
  let [now, later]: [Drop[], Drop[]] = [[], []];
  const [i0, j0] = [Math.floor(from.x / SILL_PIXEL), Math.floor(from.y / SILL_PIXEL)];
  now.push({ i: i0, j: j0, on: pixels[i0]?.[j0]?.pile.length ?? 0 });
  for (let k = 0; now.length > 0; k++, [now, later] = [later, []]) {
    for (let drop = now.pop(); drop; drop = now.pop()) {
      const { i, j, on } = drop;
      if ((done.get(`${i} ${j} ${on}`) ?? Infinity) <= k) continue;
      done.set(`${i} ${j} ${on}`, k);
      const here = pixels[i]?.[j];
      if (!here) continue;
      if (on === 0) {
        reach('structure', k);
        continue;
      }
      const go = (di: number, dj: number, bond = false) => {
        const next = pixels[i + di]?.[j + dj];
        if (!next) return;
        if (bond) return void later.push({ i: i + di, j: j + dj, on: next.pile.length });
        for (const { at, fails } of moves(sill, here, next, on))
          (fails ? later : now).push({ i: i + di, j: j + dj, on: at });
      };
      if (sill.fall !== 'in') {
        if (j > 0) go(0, -1);
        else if (!sill.shut) reach('out', k);
      }
      if (sill.fall !== 'out' && j + 1 < ny) {
        const dammed = sill.dam?.at === (j + 1) * SILL_PIXEL;
        if (!dammed) go(0, 1);
        else if (sill.dam?.bedded) go(0, 1, true);
      }
      if (sill.fall === 'in' && j + 1 === ny) reach('room', k);
      go(-1, 0);
      go(1, 0);
      for (const [end, at] of [
        [sill.ends[0], 0],
        [sill.ends[1], nx - 1],
      ] as const)
        if (i === at && end !== 'whole') reach('structure', end === 'open' ? k : k + 1);
    }
  }
  return { structure: orNever(best.structure), room: orNever(best.room), out: orNever(best.out) };
}

export const SILL_PIXEL = 1 / 2;
