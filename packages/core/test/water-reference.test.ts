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
import {
  WIDE,
  HIGH,
  type Face,
  type Thing,
  type Scene,
  tooClose,
  slowly,
} from './references/water-raster.ts';

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
    ...(thing.open && { beads: [[-1, thing.open[0]] as const, [thing.open[1], WIDE + 1] as const] }),
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
  const bare = { pieces: [], context: { choices: { waterLayer: 'existing' } } };
  const ways = new Ways({ build: bare } as unknown as Moment);
  ways.add('wall', plane);
  const nowhere: Follow = () => undefined;
  const tops = plane.columns.map(({ cells }) => (cells[0] ? ways.outermost(cells[0]) : 0));
  ways.explore(tops, {
    wall: onWall(ways, plane),
    'inner-plane': nowhere,
    'sill-reveal': nowhere,
    'left-reveal': nowhere,
    'right-reveal': nowhere,
    'across-left': nowhere,
    'across-right': nowhere,
    'across-sill': nowhere,
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
        open: fc.option(
          fc.record({ from: fc.integer({ min: 0, max: 10 }), wide: fc.integer({ min: 1, max: 5 }) }),
          {
            freq: 1,
          },
        ),
      }),
      { minLength: 1, maxLength: 5 },
    ),
  })
  .map(({ slit, lowerFirst, returned, strips }): Scene => {
    const things = [
      ...courses(slit),
      ...strips.map(({ x0, wide, y0, high, lean, open }, i): Thing => {
        const [a, b] = [Math.max(0, x0), Math.min(WIDE, x0 + wide)];
        const top = Math.min(HIGH - 1, y0 + high);
        const up = (y: number) => Math.min(HIGH - 1, Math.max(1, y + lean));
        const whole = strip(`strip-${i}`, [
          [a, y0],
          [b, up(y0)],
          [b, Math.max(up(y0) + 1, up(top))],
          [a, top],
        ]);
        return open ? { ...whole, open: [open.from, open.from + open.wide] } : whole;
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
      { ...runs(1000, 80), seed: 20261123 },
    );
    // The random walls are not all alike: dry ones, wet ones, and ones held by one bond and by more.
    for (const k of [null, 0, 1, 2]) expect(seen.get(k) ?? 0, `k = ${k}`).toBeGreaterThan(count(10, 1));
  });
});
