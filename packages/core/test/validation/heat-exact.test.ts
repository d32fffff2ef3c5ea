import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import psychrolib from 'psychrolib';
import { describe, expect, it } from 'vitest';
import { conditionsOf, dewPoint, saturationPressure, solveSection, type Section } from '@hulvek/core';
import { cornerTemperatures, solveField, temperatureAt } from '../../src/proofs/heat/field.ts';
import { streamFunction } from '../../src/proofs/heat/flux.ts';
import { gridOf } from '../../src/proofs/heat/grid.ts';
import { section } from '../support/sections.ts';

const solved = (of: Section, options = {}) => {
  const result = solveSection(of, options);
  if (!result.ok) throw new Error(result.error.code);
  return result.value;
};

describe('conduction against exact answers', () => {
  // A square plate, one side held at 100 °C, three at 0 °C: the series of Fourier, and by symmetry a quarter of it in
  // the middle. Source: any textbook of heat conduction, from memory.
  it('meets the series of a heated square', () => {
    const points = [
      [500, 500],
      [500, 750],
      [250, 250],
      [125, 625],
    ] as const;
    const series = (x: number, y: number) => {
      let sum = 0;
      for (let n = 1; n < 120; n += 2)
        sum +=
          ((4 / (n * Math.PI)) * Math.sin(n * Math.PI * x) * Math.sinh(n * Math.PI * y)) /
          Math.sinh(n * Math.PI);
      return 100 * sum;
    };
    expect(series(0.5, 0.5)).toBeCloseTo(25, 6);
    const square = section({
      materials: { plate: { lambda: 3 } },
      boxes: [{ material: 'plate', x: [0, 1000], y: [0, 1000] }],
      environments: { hot: { temperature: 100, rs: 0 }, cold: { temperature: 0, rs: 0 } },
      surfaces: [
        { environment: 'hot', from: [0, 1000], to: [1000, 1000] },
        { environment: 'cold', from: [0, 0], to: [1000, 0] },
        { environment: 'cold', from: [0, 0], to: [0, 1000] },
        { environment: 'cold', from: [1000, 0], to: [1000, 1000] },
      ],
    });
    const field = solveField(square, gridOf(square, { edge_mm: 10, growth: 1, widest_mm: 10 }));
    if (!field.ok) throw new Error(field.error.code);
    const corners = cornerTemperatures(field.value);
    for (const [x, y] of points)
      expect(
        Math.abs(temperatureAt(field.value.grid, corners, [x, y]) - series(x / 1000, y / 1000)),
        `${x} ${y}`,
      ).toBeLessThan(0.05);
  });

  // Two equal walls that meet at a corner, surfaces held: the corner square lets through as much as 1 − (2/π) ln 2 = 0.5587
  // of a straight one. Source: conformal mapping, from memory; textbooks of heat transfer round it to 0.54.
  it('bounds the exact coupling of a corner from both sides', () => {
    const [inner, t, lambda] = [600, 200, 0.8];
    const corner = section({
      materials: { wall: { lambda } },
      boxes: [
        { material: 'wall', x: [0, t], y: [0, t + inner] },
        { material: 'wall', x: [0, t + inner], y: [0, t] },
      ],
      environments: { warm: { temperature: 1, rs: 0 }, cold: { temperature: 0, rs: 0 } },
      surfaces: [
        { environment: 'warm', from: [t, t], to: [t, t + inner] },
        { environment: 'warm', from: [t, t], to: [t + inner, t] },
        { environment: 'cold', from: [0, 0], to: [0, t + inner] },
        { environment: 'cold', from: [0, 0], to: [t + inner, 0] },
      ],
    });
    const exact = lambda * ((2 * inner) / t + 1 - (2 / Math.PI) * Math.log(2));
    const { L2D, balance } = solved(corner, { close_WmK: 0.0005 });
    expect(L2D?.below).toBeLessThanOrEqual(exact + 2e-4);
    expect(L2D?.above).toBeGreaterThanOrEqual(exact - 2e-4);
    expect(Math.abs((L2D?.value ?? 0) - exact)).toBeLessThan(1e-3);
    expect(Math.abs(balance)).toBeLessThan(1e-6);
  });

  it('gives three environments their flows, in balance, and claims no coupling of two', () => {
    // A slab between two rooms above and the weather below: resistances in series and parallel, ISO 6946, from memory.
    const slab = section({
      materials: { slab: { lambda: 2 } },
      boxes: [
        { material: 'slab', x: [0, 1000], y: [0, 200] },
        { material: 'slab', x: [2000, 3000], y: [0, 200] },
      ],
      environments: {
        hall: { temperature: 12, rs: 0.17 },
        room: { temperature: 21, rs: 0.13 },
        weather: { temperature: -4, rs: 0.04 },
      },
      surfaces: [
        { environment: 'hall', from: [0, 200], to: [1000, 200] },
        { environment: 'room', from: [2000, 200], to: [3000, 200], rs: 0.25 },
        { environment: 'weather', from: [0, 0], to: [3000, 0] },
      ],
    });
    const { heatFlow, L2D, fRsi, balance } = solved(slab);
    expect(heatFlow['hall']).toBeCloseTo(16 / (0.17 + 0.1 + 0.04), 5);
    expect(heatFlow['room']).toBeCloseTo(25 / (0.25 + 0.1 + 0.04), 5);
    expect(Math.abs(balance)).toBeLessThan(1e-6);
    expect([L2D, fRsi]).toEqual([null, null]);
  });

  it('runs the whole heat between its outermost lines of flow', () => {
    const wall = section({
      materials: { wall: { lambda: 0.5 }, steel: { lambda: 50 } },
      boxes: [
        { material: 'wall', x: [0, 300], y: [0, 400] },
        { material: 'steel', x: [50, 250], y: [190, 200] },
      ],
      environments: { room: { temperature: 20, rs: 0.13 }, weather: { temperature: 0, rs: 0.04 } },
      surfaces: [
        { environment: 'weather', from: [0, 0], to: [0, 400] },
        { environment: 'room', from: [300, 0], to: [300, 400] },
      ],
    });
    const field = solveField(wall, gridOf(wall, { edge_mm: 5, growth: 1.4, widest_mm: 60 }));
    if (!field.ok) throw new Error(field.error.code);
    const stream = streamFunction(field.value);
    const through = Math.max(...stream) - Math.min(...stream);
    expect(through).toBeCloseTo(field.value.flows.get('room') ?? 0, 6);
    const corners = cornerTemperatures(field.value);
    expect(temperatureAt(field.value.grid, corners, [-1, 10])).toBeNaN();
  });

  it('is the solver that its source compiles to', () => {
    const compile = fileURLToPath(new URL('../../kernel/compile.mjs', import.meta.url));
    expect(() => execFileSync(process.execPath, [compile, '--check'], { stdio: 'pipe' })).not.toThrow();
  });
});

describe('what a surface is judged by', () => {
  psychrolib.SetUnitSystem(psychrolib.SI);
  const temperatures = [-30, -12, -5, 0.5, 4, 12.6, 20, 26, 38];

  // A psychrometric library from the registry, which follows ASHRAE Fundamentals.
  it('agrees with a psychrometric library on saturation and dew point over a grid', () => {
    for (const t of temperatures) {
      expect(saturationPressure(t) / psychrolib.GetSatVapPres(t), `${t} °C`).toBeCloseTo(1, 4);
      for (const humidity of [5, 20, 45, 50, 65, 80, 99])
        expect(
          Math.abs(dewPoint(t, humidity) - psychrolib.GetTDewPointFromRelHum(t, humidity / 100)),
          `${t} °C, ${humidity} %`,
        ).toBeLessThan(0.02);
    }
  });

  // DIN 4108-2, from memory: 20 °C, 50 %, −5 °C ask for f = 0.70 and 12.6 °C, with 0.25 m²K/W at the surface.
  it('asks for 0.70 and 12.6 °C at 20 °C and 50 % inside and −5 °C outside', () => {
    const usual = conditionsOf({});
    expect(usual.damp_C).toBeCloseTo(12.6, 1);
    expect(usual.fRsiLeast).toBeCloseTo(0.7, 1);
    // A wall that just has it: (0.25 + R + 0.04) with the surface at 0.7 of the way.
    const resistance = 0.25 / 0.3 - 0.25 - 0.04;
    const wall = section({
      materials: { wall: { lambda: 0.1 / resistance } },
      boxes: [{ material: 'wall', x: [0, 100], y: [0, 500] }],
      environments: { weather: { temperature: -5, rs: 0.04 }, room: { temperature: 20, rs: 0.25 } },
      surfaces: [
        { environment: 'weather', from: [0, 0], to: [0, 500] },
        { environment: 'room', from: [100, 0], to: [100, 500] },
      ],
    });
    const { fRsi, minSurfaceTemperature } = solved(wall);
    expect(fRsi).toBeCloseTo(0.7, 6);
    expect(minSurfaceTemperature['room']?.value).toBeCloseTo(12.5, 6);
    expect(conditionsOf({ heatLimits: { fRsiLeast: 0.75 } })).toMatchObject({
      fRsiLeast: 0.75,
      fRsiAsked: true,
    });
  });
});
