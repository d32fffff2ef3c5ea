/**
 * The tracing of water against a slow one that shares no code with it: a raster on which every pixel keeps its own
 * pile of layers through the events, and water is let down pixel by pixel.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { replay, type WallEvent } from '@hulvek/core';
import type { Polygon } from '../src/geometry/polygon.ts';
import { edgesInto, waysTo } from '../src/proofs/water/graph.ts';
import { onWall } from '../src/proofs/water/on-wall.ts';
import type { Moment } from '../src/build/moment.ts';
import { arrange, type Host, type PlaneFace } from '../src/proofs/water/plane.ts';
import { placeNode, Ways, type Follow } from '../src/proofs/water/ways.ts';
import { count, runs } from './support/count.ts';

const WIDE = 12;
const HIGH = 40;
const PIXEL = 1 / 4;

interface Face {
  readonly id: string;
  readonly ring: Polygon;
}
interface Thing {
  readonly id: string;
  readonly faces: readonly Face[];
  readonly hinges: readonly (readonly [string, string])[];
}
interface Scene {
  readonly things: readonly Thing[];
  readonly events: readonly WallEvent[];
}

// ---- The slow way: piles of layers on a raster. ----

const inside = (ring: Polygon, x: number, y: number): boolean => {
  let odd = false;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length] ?? [0, 0];
    if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) odd = !odd;
  });
  return odd;
};

interface Pixel {
  readonly pile: string[];
  /** Layers glued to what was right under them. */
  readonly glued: Set<string>;
}

function pileAt({ things, events }: Scene, x: number, y: number): Pixel {
  const pile: string[] = [];
  const glued = new Set<string>();
  for (const { op, thing, faces } of events) {
    for (const face of things.find((t) => t.id === thing)?.faces ?? []) {
      if ((faces && !faces.includes(face.id)) || !inside(face.ring, x, y)) continue;
      const key = `${thing}/${face.id}`;
      if (op === 'place' || op === 'return') pile.push(key);
      if (op === 'lift') {
        pile.splice(pile.indexOf(key), 1);
        for (const pair of glued) if (pair.startsWith(`${key}>`)) glued.delete(pair);
      }
      if (op === 'bond') glued.add(`${key}>${pile[pile.indexOf(key) - 1] ?? 'wall'}`);
    }
  }
  return { pile, glued };
}

/** Whether the edges over `x` lie so close that the raster cannot tell them apart. */
function tooClose({ things }: Scene, x: number): boolean {
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
function slowly(scene: Scene, x: number): number | null {
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

function exactly({ things, events }: Scene): (x: number) => number | null {
  const state = replay(new Map(things.map((t) => [t.id, t.faces.map((f) => f.id)])), events);
  const list = things
    .flatMap((thing) =>
      thing.faces.flatMap((face) => {
        const now = state.faces.get(`${thing.id}/${face.id}`);
        const bond = state.contacts.findLast((c) => c.thing === thing.id && c.face === face.id);
        return now?.state === 'in place'
          ? [{ thing, face, order: now.order, bondedAt: bond?.at ?? null }]
          : [];
      }),
    )
    .sort((a, b) => a.order - b.order);
  const faces = list.map(({ thing, face, order, bondedAt }, i): PlaneFace => ({
    thing: thing.id,
    face: face.id,
    ring: face.ring,
    order,
    bondedAt,
    joins: list.flatMap((other, j) =>
      i !== j &&
      other.thing === thing &&
      thing.hinges.some((h) => h.includes(face.id) && h.includes(other.face.id))
        ? [j]
        : [],
    ),
    leadsTo: null,
  }));
  const wall: Host = { name: 'wall', kind: 'framing', x: [-1e6, 1e6], y: [-1e6, 1e6] };
  const within = { x: [0, WIDE], y: [0, HIGH] } as const;
  const plane = arrange({ faces, hosts: [wall], marks: { x: [], y: [] }, within });
  const ways = new Ways({ build: { pieces: [] } } as unknown as Moment);
  ways.add('wall', plane);
  const nowhere: Follow = () => undefined;
  const tops = plane.columns.map(({ cells }) => (cells[0] ? ways.outermost(cells[0]) : 0));
  ways.explore(tops, {
    wall: onWall(ways, plane),
    'inner-plane': nowhere,
    'sill-reveal': nowhere,
    'left-reveal': nowhere,
    'right-reveal': nowhere,
  });
  const { cost } = waysTo(
    [placeNode('structure')],
    ways.count,
    ways.edges,
    edgesInto(ways.count, ways.edges),
  );
  return (x) => {
    const k = cost[tops[plane.columns.findIndex((c) => c.x[0] < x && x < c.x[1])] ?? 0] ?? Infinity;
    return k === Infinity ? null : k;
  };
}

// ---- Random walls. ----

const rect = (x0: number, x1: number, y0: number, y1: number): Polygon => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];
const strip = (id: string, ring: Polygon): Thing => ({ id, faces: [{ id: 'face', ring }], hinges: [] });

/** Two courses that lap, in any order; the upper one is slit at 45° above a cut-out, its flap up for a while. */
const courses = (slit: number): Thing[] => {
  const [l, r, top] = [MIDDLE - 1, MIDDLE + 1, 24 + slit];
  const [from, to] = [l - slit, r + slit];
  const faces: Face[] = [
    {
      id: 'above',
      ring: [
        [0, top],
        [from, top],
        [to, top],
        [WIDE, top],
        [WIDE, HIGH],
        [0, HIGH],
      ],
    },
    {
      id: 'left',
      ring: [
        [0, 16],
        [l, 16],
        [l, 24],
        [from, top],
        [0, top],
      ],
    },
    {
      id: 'flap',
      ring: [
        [l, 24],
        [r, 24],
        [to, top],
        [from, top],
      ],
    },
    {
      id: 'right',
      ring: [
        [r, 16],
        [WIDE, 16],
        [WIDE, top],
        [to, top],
        [r, 24],
      ],
    },
  ];
  const hinges = ['left', 'flap', 'right'].map((face) => ['above', face] as const);
  return [{ id: 'upper', faces, hinges }, strip('lower', rect(0, WIDE, 0, 20))];
};
const MIDDLE = 6;

const scenes = fc
  .record({
    slit: fc.integer({ min: 1, max: 4 }),
    lowerFirst: fc.boolean(),
    returned: fc.integer({ min: 0, max: 5 }),
    strips: fc.array(
      fc.record({
        x0: fc.integer({ min: 0, max: 9 }),
        wide: fc.integer({ min: 2, max: 12 }),
        y0: fc.integer({ min: 1, max: 34 }),
        high: fc.integer({ min: 2, max: 14 }),
        lean: fc.integer({ min: -4, max: 4 }),
        bonded: fc.nat(3).map((n) => n > 0),
      }),
      { minLength: 1, maxLength: 5 },
    ),
  })
  .map(({ slit, lowerFirst, returned, strips }): Scene => {
    const things = [
      ...courses(slit),
      ...strips.map(({ x0, wide, y0, high, lean }, i) => {
        const [a, b] = [Math.max(0, x0), Math.min(WIDE, x0 + wide)];
        const top = Math.min(HIGH - 1, y0 + high);
        const up = (y: number) => Math.min(HIGH - 1, Math.max(1, y + lean));
        return strip(`strip-${i}`, [
          [a, y0],
          [b, up(y0)],
          [b, Math.max(up(y0) + 1, up(top))],
          [a, top],
        ]);
      }),
    ];
    const upper: WallEvent[] = [
      { step: 's', op: 'place', thing: 'upper' },
      { step: 's', op: 'lift', thing: 'upper', faces: ['flap'] },
    ];
    const lower: WallEvent = { step: 's', op: 'place', thing: 'lower' };
    const events: WallEvent[] = lowerFirst ? [lower, ...upper] : [...upper, lower];
    const back: WallEvent = { step: 's', op: 'return', thing: 'upper', faces: ['flap'] };
    strips.forEach(({ bonded }, i) => {
      if (i === returned) events.push(back);
      events.push({ step: 's', op: 'place', thing: `strip-${i}` });
      if (bonded) events.push({ step: 's', op: 'bond', thing: `strip-${i}` });
    });
    if (returned >= strips.length) events.push(back);
    return { things, events };
  });

describe('water let down through cells and levels', () => {
  it('needs as many bonds to fail as on a raster that replays the same events pixel by pixel', () => {
    const seen = new Map<number | null, number>();
    fc.assert(
      fc.property(scenes, (scene) => {
        const exact = exactly(scene);
        for (let i = 0; i < WIDE; i++) {
          const x = i + 0.26;
          if (tooClose(scene, x)) continue;
          const k = slowly(scene, x);
          seen.set(k, (seen.get(k) ?? 0) + 1);
          expect(exact(x), `column ${x}`).toBe(k);
        }
      }),
      { ...runs(300, 60), seed: 20261123 },
    );
    // The random walls are not all alike: dry ones, wet ones, and ones held by one bond and by more.
    for (const k of [null, 0, 1, 2]) expect(seen.get(k) ?? 0, `k = ${k}`).toBeGreaterThan(count(10, 1));
  });
});
