/**
 * The tracing of water against a slow one that shares no code with it: a raster on which every pixel keeps its own
 * pile of layers through the events, and water is let down pixel by pixel.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { damOf } from '../src/proofs/water/dam.ts';
import { replay, type WallEvent } from '@hulvek/core';
import type { Polygon } from '../src/geometry/polygon.ts';
import { BODY, type WallState } from '../src/build/replay.ts';
import type { Moment } from '../src/build/moment.ts';
import { UNIT } from '../src/methods/names.ts';
import { edgesInto, waysTo } from '../src/proofs/water/graph.ts';
import { onSill } from '../src/proofs/water/on-sill.ts';
import { onWall } from '../src/proofs/water/on-wall.ts';
import { arrange, type Host, type PlaneFace } from '../src/proofs/water/plane.ts';
import { startsOf } from '../src/proofs/water/sources.ts';
import { placeNode, Ways, type Follow, type Place } from '../src/proofs/water/ways.ts';
import { planeIds, type PlaneId } from '../src/vocabulary/planes.ts';
import { count, runs } from './support/count.ts';
import {
  WIDE,
  HIGH,
  flooded,
  slowly,
  slowlyBehind,
  tooClose,
  type Face,
  type Scene,
  type Sill,
  type Thing,
} from './references/water-raster.ts';

// ---- The same through cells and levels. ----

/** Everything in place after the events, as the tracing takes it. */
function facesAfter({ things }: Scene, state: WallState): PlaneFace[] {
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
  return list.map(({ thing, face, order, bondedAt }, i): PlaneFace => ({
    thing: thing.id,
    face: face.id,
    ring: face.ring,
    order,
    bondedAt,
    ...(thing.open && {
      beads: [[-1, thing.open[0]] as const, [thing.open[1], WIDE + 1] as const],
    }),
    joins: list.flatMap((other, j) =>
      i !== j &&
      other.thing === thing &&
      thing.hinges.some((h) => h.includes(face.id) && h.includes(other.face.id))
        ? [j]
        : [],
    ),
    leadsTo: null,
  }));
}

/** A moment of a wall made of nothing but these things, with what else the tracing asks of one. */
function momentWith(scene: Scene, build: Readonly<Record<string, unknown>>): Moment {
  const others = (build.pieces as readonly { id: string }[]).filter(
    ({ id }) => !scene.things.some((thing) => thing.id === id),
  );
  const state = replay(
    new Map<string, readonly string[]>([
      ...scene.things.map((t): [string, string[]] => [t.id, t.faces.map((f) => f.id)]),
      ...[...others, { id: UNIT }].map(({ id }): [string, string[]] => [id, [BODY]]),
    ]),
    [...scene.events, { step: 's', op: 'place', thing: UNIT }],
  );
  return { build, state, sheets: new Map(), lost: new Set() } as unknown as Moment;
}

const nowhere: Follow = () => undefined;
const NOWHERE = Object.fromEntries(planeIds.map((id) => [id, nowhere])) as Record<PlaneId, Follow>;

const costTo = (ways: Ways, targets: readonly Place[]): Float64Array =>
  waysTo(targets.map(placeNode), ways.count, ways.edges, edgesInto(ways.count, ways.edges)).cost;
const orNever = (k: number | undefined): number | null => (k === undefined || k === Infinity ? null : k);

/** A wall under a unit whose top is at `HEAD`: what runs down it, and what comes down behind its upper course. */
function exactly(scene: Scene): { down: (x: number) => number | null; behind: (x: number) => number | null } {
  const moment = momentWith(scene, {
    pieces: [{ id: 'upper', roles: ['wrap'], form: 'sheet', sheet: { faces: [] } }],
    wall: { layers: [] },
    context: {
      choices: { waterLayer: 'mechanical-wrap', sequence: 'wrap-first' },
      opening: { buck: null },
      unit: { left: -1, width: WIDE + 2, bottom: 0, height: HEAD },
    },
  });
  const wall: Host = { name: 'wall', kind: 'framing', x: [-1e6, 1e6], y: [-1e6, 1e6] };
  const within = { x: [0, WIDE], y: [0, HIGH] } as const;
  const plane = arrange({
    faces: facesAfter(scene, moment.state),
    hosts: [wall],
    marks: { x: [], y: [HEAD] },
    within,
  });
  const ways = new Ways(moment);
  ways.add('wall', plane);
  const tops = plane.columns.map(({ cells }) => (cells[0] ? ways.outermost(cells[0]) : 0));
  const behind = startsOf('behind-layer', ways);
  if (behind === 'unknown') throw new Error('the wall is known');
  ways.explore([...tops, ...behind.map(({ node }) => node)], {
    ...NOWHERE,
    wall: onWall(ways, plane),
  });
  const [wet, inside] = [costTo(ways, ['structure']), costTo(ways, ['structure', 'cavity-head'])];
  return {
    down: (x) => orNever(wet[tops[plane.columns.findIndex((c) => c.x[0] < x && x < c.x[1])] ?? 0]),
    behind: (x) => orNever(inside[behind.find(({ span }) => span[0] < x && x < span[1])?.node ?? 0]),
  };
}
const HEAD = 20;

const FALL_deg = { out: 5, level: 0, in: -5 } as const;

/** The sill of a wall that consists of it. */
function exactlyOn(sill: Sill, from: { x: number; y: number }): ReturnType<typeof flooded> {
  const slope = FALL_deg[sill.fall];
  const { dam } = sill;
  const plumb = Math.cos((slope * Math.PI) / 180);
  const pieces = [
    ...(dam?.bedded
      ? [{ id: 'dam', roles: ['dam'], form: 'solid', solids: [{ profile: [[-dam.at * plumb, 0]] }] }]
      : []),
    ...(dam && !dam.bedded
      ? [
          {
            id: 'leg',
            roles: ['pan'],
            form: 'sheet',
            sheet: { faces: [{ id: BODY, surface: 'sill-rear' }] },
          },
        ]
      : []),
    ...(['left', 'right'] as const).map((side) => ({
      id: `patch-${side}`,
      roles: ['corner-patch'],
      form: 'sheet',
      side,
      sheet: { faces: [] },
    })),
  ];
  const events = [
    ...sill.events,
    ...pieces.map(({ id }) => ({ step: 's', op: 'place', thing: id }) as const),
  ];
  const moment = momentWith(
    { ...sill, events },
    {
      pieces,
      flaws: sill.shut ? [{ kind: 'sill-closed' }] : [],
      context: {
        choices: { bedding: 'drained', waterLayer: 'sheathing' },
        // Water stands a millimetre before the leg at the pan's end.
        numbers: { slope, panInset: dam ? -(dam.at + 1) * plumb : 0, boardFront: -100 },
        opening: { depth: 0 },
      },
    },
  );
  const host: Host = { name: 'sill', kind: 'framing', x: [-1e6, 1e6], y: [-1e6, 1e6] };
  const stop = damOf(moment);
  const plane = arrange({
    faces: facesAfter(sill, moment.state),
    hosts: [host],
    marks: { x: [], y: stop ? [stop.depth] : [] },
    gridded: true,
    within: { x: [0, WIDE], y: [0, sill.deep] },
  });
  const ways = new Ways(moment);
  ways.add('sill-reveal', plane);
  const cell = plane.columns
    .find(({ x }) => x[0] < from.x && from.x < x[1])
    ?.cells.find(({ y }) => y[0] < from.y && from.y < y[1]);
  if (!cell) throw new Error('not on the sill');
  const start = ways.outermost(cell);
  const STATES = { whole: 'one-piece', open: 'void', bond: 'patched' } as const;
  const corners = (['left', 'right'] as const).map((side, i) => ({
    id: `sill-${side}` as const,
    state: STATES[sill.ends[i] ?? 'whole'],
    pieces: [`patch-${side}`],
  }));
  ways.explore([start], {
    ...NOWHERE,
    'sill-reveal': onSill(ways, plane, null, { corners, overSill: null }),
  });
  const to = (place: Place) => orNever(costTo(ways, [place])[start]);
  return { structure: to('structure'), room: to('room'), out: to('out') };
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

const sills = fc
  .record({
    deep: fc.integer({ min: 8, max: 16 }),
    fall: fc.constantFrom('out', 'level', 'in'),
    dam: fc.option(fc.record({ at: fc.integer({ min: 2, max: 7 }), bedded: fc.boolean() }), { freq: 2 }),
    shut: fc.boolean(),
    ends: fc.tuple(
      fc.constantFrom('whole', 'whole', 'open', 'bond'),
      fc.constantFrom('whole', 'whole', 'open', 'bond'),
    ),
    // The pan first, over most of the sill; then whatever is stuck over it.
    pan: fc.record({ from: fc.nat(3), to: fc.integer({ min: 4, max: 16 }), bonded: fc.boolean() }),
    strips: fc.array(
      fc.record({
        x0: fc.nat(10),
        wide: fc.integer({ min: 1, max: 12 }),
        y0: fc.nat(12),
        deep: fc.integer({ min: 1, max: 10 }),
        bonded: fc.boolean(),
      }),
      { maxLength: 4 },
    ),
    from: fc.record({ x: fc.nat(WIDE - 1), y: fc.nat(7) }),
  })
  .map(({ pan, strips, from, ...sill }): { sill: Sill; from: { x: number; y: number } } => {
    const things = [
      strip('pan', rect(0, WIDE, pan.from, Math.max(pan.to, pan.from + 1))),
      ...strips.map(({ x0, wide, y0, deep }, i) =>
        strip(`strip-${i}`, rect(x0, Math.min(WIDE, x0 + wide), y0, y0 + deep)),
      ),
    ];
    const bonded = [pan.bonded, ...strips.map((s) => s.bonded)];
    const events = things.flatMap(({ id }, i): WallEvent[] => [
      { step: 's', op: 'place', thing: id },
      ...(bonded[i] ? [{ step: 's', op: 'bond', thing: id } as const] : []),
    ]);
    return { sill: { ...sill, things, events }, from: { x: from.x + 0.3, y: from.y + 0.3 } };
  });

describe('water let down through cells and levels', () => {
  it('needs as many bonds to fail as on a raster that replays the same events pixel by pixel, before and behind the layer', () => {
    const seen = { down: new Map<number | null, number>(), behind: new Map<number | null, number>() };
    fc.assert(
      fc.property(scenes, (scene) => {
        const exact = exactly(scene);
        for (let i = 0; i < WIDE; i++) {
          const x = i + 0.26;
          if (tooClose(scene, x)) continue;
          const slow = { down: slowly(scene, x), behind: slowlyBehind(scene, 'upper', x, HEAD) };
          for (const way of ['down', 'behind'] as const) {
            seen[way].set(slow[way], (seen[way].get(slow[way]) ?? 0) + 1);
            expect(exact[way](x), `${way} at ${x}`).toBe(slow[way]);
          }
        }
      }),
      { ...runs(1000, 80), seed: 20261123 },
    );
    // The random walls are not all alike: dry ones, wet ones, and ones held by one bond and by more.
    for (const k of [null, 0, 1, 2]) expect(seen.down.get(k) ?? 0, `k = ${k}`).toBeGreaterThan(count(10, 1));
    for (const k of [0, 1]) expect(seen.behind.get(k) ?? 0, `k = ${k}`).toBeGreaterThan(count(10, 1));
  });

  it('comes as far on a sill as a flood from pixel to pixel: over its fall, to its dam, its ends and its edge', () => {
    const seen = {
      structure: new Set<number | null>(),
      room: new Set<number | null>(),
      out: new Set<number | null>(),
    };
    fc.assert(
      fc.property(sills, ({ sill, from }) => {
        const slow = flooded(sill, from);
        expect(exactlyOn(sill, from)).toEqual(slow);
        for (const place of ['structure', 'room', 'out'] as const) seen[place].add(slow[place]);
      }),
      { ...runs(1000, 120), seed: 20261128 },
    );
    const some = { structure: [null, 0, 1], room: [null, 0, 1], out: [null, 0] } as const;
    for (const place of ['structure', 'room', 'out'] as const)
      expect([...seen[place]], place).toEqual(expect.arrayContaining([...some[place]]));
  });
});
