import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { couplingFromAbove } from '../../src/proofs/heat/elements.ts';
import { gridOf, indexOf, refined, type HeatGrid } from '../../src/proofs/heat/grid.ts';
import { multigrid } from '../../src/proofs/heat/multigrid.ts';
import type { Section } from '../../src/proofs/heat/section-file.ts';
import { solveSection } from '../../src/proofs/heat/section-solution.ts';
import { solveFast } from '../../src/proofs/heat/kernel.ts';
import { solve } from '../../src/proofs/heat/solve.ts';
import { couplingFromBelow, heatFlows, volumeSystem } from '../../src/proofs/heat/volumes.ts';
import { section } from '../support/sections.ts';

function solved(of: Section, grid: HeatGrid) {
  const system = volumeSystem(of, grid);
  const result = solve(system);
  if (!result.ok) throw new Error(result.error.code);
  return { grid, system, ...result.value, flows: heatFlows(system, result.value.temperature) };
}

/** Mean of the four cells that meet at a corner of the grid. */
function at({ grid, temperature }: ReturnType<typeof solved>, x: number, y: number): number {
  const [i, j] = [indexOf(grid.x, x), indexOf(grid.y, y)];
  const cells = [
    [i - 1, j - 1],
    [i, j - 1],
    [i - 1, j],
    [i, j],
  ].filter(([a = 0, b = 0]) => a >= 0 && b >= 0 && a < grid.nx && b < grid.ny);
  return cells.reduce((sum, [a = 0, b = 0]) => sum + (temperature[b * grid.nx + a] ?? 0), 0) / cells.length;
}

describe('conduction in a section', () => {
  // ISO 10211:2017, validation case 1, values from memory: half a square column, its top held at 20 °C, the other
  // sides at 0 °C, the plane of symmetry on the right; temperatures at 28 points an eighth of the height apart.
  it('meets the 28 temperatures of case 1 within a tenth of a degree', () => {
    const column = section({
      materials: { stone: { lambda: 1 } },
      boxes: [{ material: 'stone', x: [0, 400], y: [0, 800] }],
      environments: { warm: { temperature: 20, rs: 0 }, cold: { temperature: 0, rs: 0 } },
      surfaces: [
        { environment: 'warm', from: [0, 800], to: [400, 800] },
        { environment: 'cold', from: [0, 0], to: [0, 800] },
        { environment: 'cold', from: [0, 0], to: [400, 0] },
      ],
    });
    const lines = (n: number) => Float64Array.from({ length: n + 1 }, (_, i) => i * 10);
    const coarse = gridOf(column, { edge_mm: 400, growth: 1, widest_mm: 400 });
    const grid = refined(column, { ...coarse, x: lines(40), y: lines(80) });
    const field = solved(column, grid);
    const published = [
      [9.7, 13.4, 14.7, 15.1],
      [5.3, 8.6, 10.3, 10.8],
      [3.2, 5.6, 7.0, 7.5],
      [2.0, 3.6, 4.7, 5.0],
      [1.3, 2.3, 3.0, 3.2],
      [0.7, 1.4, 1.8, 1.9],
      [0.3, 0.6, 0.8, 0.9],
    ];
    published.forEach((row, j) =>
      row.forEach((expected, i) => {
        expect(Math.abs(at(field, (i + 1) * 100, 700 - j * 100) - expected)).toBeLessThan(0.1);
      }),
    );
  });

  it('lets through a layered wall what the sum of its resistances says, and loses nothing on the way', () => {
    // ISO 6946: R = 0.13 + 0.0125/0.25 + 0.14/0.035 + 0.012/0.13 + 0.04.
    const resistance = 0.13 + 0.0125 / 0.25 + 0.14 / 0.035 + 0.012 / 0.13 + 0.04;
    const wall = section({
      materials: { board: { lambda: 0.25 }, wool: { lambda: 0.035 }, wood: { lambda: 0.13 } },
      boxes: [
        { material: 'board', x: [0, 12.5], y: [0, 1000] },
        { material: 'wool', x: [12.5, 152.5], y: [0, 1000] },
        { material: 'wood', x: [152.5, 164.5], y: [0, 1000] },
      ],
      environments: { room: { temperature: 20, rs: 0.13 }, outside: { temperature: -5, rs: 0.04 } },
      surfaces: [
        { environment: 'room', from: [0, 0], to: [0, 1000] },
        { environment: 'outside', from: [164.5, 0], to: [164.5, 1000] },
      ],
    });
    const { flows } = solved(wall, gridOf(wall, { edge_mm: 5, growth: 1.5, widest_mm: 200 }));
    expect(flows.get('room')).toBeCloseTo(25 / resistance, 6);
    expect((flows.get('room') ?? 0) + (flows.get('outside') ?? 0)).toBeCloseTo(0, 6);
  });

  it('is bounded from both sides on random boxes, and the bounds close in on each finer grid', () => {
    const walls = fc
      .array(
        fc.record({
          lambda: fc.constantFrom(0.03, 0.13, 1, 50),
          x: fc.tuple(fc.nat(6), fc.integer({ min: 1, max: 4 })),
          y: fc.tuple(fc.nat(6), fc.integer({ min: 1, max: 4 })),
        }),
        { maxLength: 5 },
      )
      .map((boxes) =>
        section({
          materials: {
            wall: { lambda: 0.2 },
            ...Object.fromEntries(boxes.map(({ lambda }, i) => [`m${i}`, { lambda }])),
          },
          boxes: [
            { material: 'wall', x: [0, 200], y: [0, 200] },
            ...boxes.map(({ x, y }, i) => ({
              material: `m${i}`,
              x: [x[0] * 20, Math.min(200, (x[0] + x[1]) * 20)] as [number, number],
              y: [y[0] * 20, Math.min(200, (y[0] + y[1]) * 20)] as [number, number],
            })),
          ],
          environments: { room: { temperature: 20, rs: 0.13 }, outside: { temperature: 0, rs: 0.04 } },
          surfaces: [
            { environment: 'room', from: [0, 0], to: [0, 200] },
            { environment: 'outside', from: [200, 0], to: [200, 200] },
          ],
        }),
      );
    fc.assert(
      fc.property(walls, (of) => {
        let grid = gridOf(of, { edge_mm: 20, growth: 1, widest_mm: 20 });
        let before = Infinity;
        for (let level = 0; level < 3; level++) {
          const { system, temperature } = solved(of, grid);
          const below = couplingFromBelow(system, grid, temperature, [0, 20]);
          const above = couplingFromAbove(of, grid);
          if (!above.ok) throw new Error(above.error.code);
          const width = above.value.L2D - below;
          expect(width).toBeGreaterThan(-1e-9);
          expect(width).toBeLessThanOrEqual(before + 1e-9);
          before = width;
          grid = refined(of, grid);
        }
      }),
      { numRuns: 25, seed: 11 },
    );
  });

  it('multigrid gives the temperatures of plain sweeps, in hardly more rounds on a grid of sixteen times the cells', () => {
    // A metal pan that runs through a timber wall under a frame: conductivities four decades apart, cells long and thin.
    const sill = section({
      materials: {
        wood: { lambda: 0.13 },
        wool: { lambda: 0.035 },
        metal: { lambda: 230 },
        frame: { lambda: 0.2 },
      },
      boxes: [
        { material: 'wool', x: [0, 140], y: [0, 1000] },
        { material: 'wood', x: [0, 140], y: [960, 1000] },
        { material: 'wood', x: [-12, 0], y: [0, 1000] },
        { material: 'wool', x: [0, 60], y: [1000, 1010] },
        { material: 'frame', x: [-20, 60], y: [1010, 1080] },
        { material: 'metal', x: [-14, 140], y: [999, 1000] },
      ],
      environments: { room: { temperature: 20, rs: 0.13 }, outside: { temperature: 0, rs: 0.04 } },
      surfaces: [
        { environment: 'room', from: [140, 0], to: [140, 1000] },
        { environment: 'room', from: [60, 1000], to: [60, 1080] },
        { environment: 'outside', from: [-12, 0], to: [-12, 999] },
        { environment: 'outside', from: [-20, 1010], to: [-20, 1080] },
      ],
    });
    const coarse = gridOf(sill, { edge_mm: 4, growth: 1.3, widest_mm: 60 });
    const compiledRounds: number[] = [];
    const rounds = [coarse, refined(sill, refined(sill, coarse))].map((grid) => {
      const system = volumeSystem(sill, grid);
      const [plain, quick] = [solve(system), solve(system, multigrid(system))];
      if (!plain.ok || !quick.ok) throw new Error('not solved');
      plain.value.temperature.forEach((t, k) =>
        expect(Math.abs(t - (quick.value.temperature[k] ?? NaN))).toBeLessThan(1e-6),
      );
      expect(quick.value.iterations).toBeLessThan(plain.value.iterations / 4);
      const compiled = solveFast(system, { tolerance: 1e-10 });
      if (!compiled.ok) throw new Error('not solved');
      quick.value.temperature.forEach((t, k) =>
        expect(Math.abs(t - (compiled.value.temperature[k] ?? NaN))).toBeLessThan(1e-6),
      );
      compiledRounds.push(compiled.value.iterations);
      return quick.value.iterations;
    });
    expect((rounds[1] ?? Infinity) - (rounds[0] ?? 0)).toBeLessThanOrEqual(4);
    expect((compiledRounds[1] ?? Infinity) - (compiledRounds[0] ?? 0)).toBeLessThanOrEqual(2);
  });

  // ISO 10211:2017, validation case 2, geometry and values from memory: a wooden block on an aluminium angle in
  // insulation under a layer of concrete.
  it('meets the nine temperatures and the heat flow of case 2', () => {
    const angle = section({
      materials: {
        concrete: { lambda: 1.15 },
        wood: { lambda: 0.12 },
        insulation: { lambda: 0.029 },
        aluminium: { lambda: 230 },
      },
      boxes: [
        { material: 'insulation', x: [0, 500], y: [1.5, 41.5] },
        { material: 'concrete', x: [0, 500], y: [41.5, 47.5] },
        { material: 'wood', x: [0, 15], y: [36.5, 41.5] },
        { material: 'aluminium', x: [0, 15], y: [35, 36.5] },
        { material: 'aluminium', x: [0, 1.5], y: [1.5, 36.5] },
        { material: 'aluminium', x: [0, 500], y: [0, 1.5] },
      ],
      environments: { outside: { temperature: 0, rs: 0.06 }, room: { temperature: 20, rs: 0.11 } },
      surfaces: [
        { environment: 'outside', from: [0, 47.5], to: [500, 47.5] },
        { environment: 'room', from: [0, 0], to: [500, 0] },
      ],
      probes: [
        { id: 'A', at: [0, 47.5] },
        { id: 'B', at: [500, 47.5] },
        { id: 'C', at: [0, 41.5] },
        { id: 'D', at: [15, 41.5] },
        { id: 'E', at: [500, 41.5] },
        { id: 'F', at: [0, 36.5] },
        { id: 'G', at: [15, 36.5] },
        { id: 'H', at: [0, 0] },
        { id: 'I', at: [500, 0] },
      ],
    });
    const result = solveSection(angle);
    if (!result.ok) throw new Error(result.error.code);
    const { probes, heatFlow, L2D, balance } = result.value;
    const published = { A: 7.1, B: 0.8, C: 7.9, D: 6.3, E: 0.8, F: 16.4, G: 16.3, H: 16.8, I: 18.3 };
    for (const [id, expected] of Object.entries(published))
      expect(Math.abs((probes[id] ?? NaN) - expected), id).toBeLessThan(0.1);
    expect(Math.abs((heatFlow['room'] ?? NaN) - 9.5)).toBeLessThan(0.1);
    expect(Math.abs(balance)).toBeLessThan(1e-6);
    expect((L2D?.above ?? Infinity) - (L2D?.below ?? 0)).toBeLessThan(0.004);
  });
});
