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

/** Fewest bonds that must fail before water let go at the top of column `x` wets the wall; `null` for never. */
export function slowly(scene: Scene, x: number): number | null {
  const rows = Array.from({ length: HIGH / PIXEL }, (_, i) => pileAt(scene, x, HIGH - (i + 0.5) * PIXEL));
  const same = (a: string, b: string): boolean => {
    const [thing, face] = a.split('/');
    const [other, next] = b.split('/');
    if (thing !== other) return false;
    const hinges = scene.things.find((t) => t.id === thing)?.hinges ?? [];
    return face === next || hinges.some((h) => h.includes(face ?? '') && h.includes(next ?? ''));
  };
  const stuck = ({ pile, glued }: Pixel, over: number): boolean =>
    glued.has(`${pile[over]}>${pile[over - 1] ?? 'wall'}`);
  const known = new Map<string, number>();
  /** @param on how many layers of the row's pile lie under the water */
  const fewest = (row: number, on: number): number => {
    if (on === 0) return 0;
    const here = rows[row];
    const next = rows[row + 1];
    if (!here || !next) return Infinity;
    const key = `${row} ${on}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    let carried = 0;
    for (const layer of here.pile.slice(0, on).reverse()) {
      carried = next.pile.findLastIndex((below) => same(layer, below)) + 1;
      if (carried > 0) break;
    }
    for (const cover of here.pile.slice(on)) {
      const goes = next.pile.findIndex((below) => same(cover, below));
      if (goes >= 0) carried = Math.min(carried, goes);
    }
    let best = Infinity;
    for (let at = carried; ; at++) {
      const over = next.pile[at];
      if (over === undefined || !stuck(next, at)) {
        best = Math.min(best, fewest(row + 1, at));
        break;
      }
      const cover = here.pile[on];
      const failedBefore = cover !== undefined && stuck(here, on) && same(cover, over);
      best = Math.min(best, fewest(row + 1, at) + (failedBefore ? 0 : 1));
      if (here.pile.some((above) => same(above, over))) break;
    }
    known.set(key, best);
    return best;
  };
  const k = fewest(0, rows[0]?.pile.length ?? 0);
  return k === Infinity ? null : k;
}

// ---- The same through cells and levels. ----
