/** Take-off, plans of cuts and fan tests from the command line: what they print, and how they end. */
import { exampleJob, writeJobFile } from '@hulvek/core';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { run } from '../src/run.ts';

const reading = (text: string) => () => text;
const solver = await loadHighs();

describe('hulvek cut', () => {
  const file = (more: object) =>
    JSON.stringify({
      format: 'hulvek-stock',
      version: 1,
      stock: [{ id: 'bar', length_mm: 1000, count: 1 }],
      pieces: [{ id: 'a', length_mm: 400, count: 2 }],
      ...more,
    });
  const cut = (text: string) => run(['cut', 'file', '--json'], reading(text), solver);

  it('prints the plan and ends well where all is cut', () => {
    const { exit, out } = cut(file({ kerf_mm: 5 }));
    expect(exit).toBe(0);
    expect(JSON.parse(out)).toEqual({
      bars: [{ stock: 'bar', pieces: ['a', 'a'], left_mm: 190 }],
      used: { bar: 1 },
      bound: 1,
      optimal: true,
      unplaced: [],
    });
  });

  it('ends with 1 where something is not cut, with 2 where the file is not sound', () => {
    const short = cut(file({ pieces: [{ id: 'a', length_mm: 400, count: 3 }] }));
    expect(short.exit).toBe(1);
    expect(JSON.parse(short.out)).toMatchObject({ unplaced: ['a'] });
    const wrong = cut(file({ stock: [{ id: 'bar', length_mm: 0 }] }));
    expect(wrong).toMatchObject({ exit: 2, out: '' });
    expect(wrong.err).toContain('stock[0].length_mm');
    expect(cut('{').exit).toBe(2);
    expect(run(['cut'], reading(''), solver).exit).toBe(2);
    expect(run(['cut', 'file', '--seconds', 'soon'], reading(file({})), solver).exit).toBe(2);
  });
});

describe('hulvek takeoff', () => {
  const job = writeJobFile(exampleJob('drained-head-flap'));

  it('prints what is to buy, as text, JSON and CSV', () => {
    const text = run(['takeoff', 'file'], reading(job));
    expect(text.exit).toBe(0);
    expect(text.out).toMatch(/flashing tape, 100.*4\.4.*1 roll/);
    const { lines } = JSON.parse(run(['takeoff', 'file', '--json'], reading(job)).out) as {
      lines: { id: string; amount: number; pieces: { length_mm: number }[] }[];
    };
    const tape = lines.find(({ id }) => id === 'flashing-tape/100');
    expect(tape?.amount).toBe(4440);
    expect(tape?.pieces.reduce((sum, piece) => sum + piece.length_mm, 0)).toBe(4440);
    const csv = run(['takeoff', 'file', '--csv'], reading(job)).out.split('\r\n');
    expect(csv[0]).toBe('article,name,opening,piece,count,length_mm,width_mm,volume_ml');
    expect(csv.length).toBeGreaterThan(10);
  });

  it('refuses two forms at once and what is no job file', () => {
    expect(run(['takeoff', 'file', '--json', '--csv'], reading(job)).exit).toBe(2);
    expect(run(['takeoff', 'file'], reading('{}')).exit).toBe(2);
  });
});

describe('hulvek leakage', () => {
  const test = {
    format: 'hulvek-fan-test',
    version: 1,
    volume_m3: 500,
    inside_C: 20,
    outside_C: 5,
    pressure_Pa: 101_325,
    zero_before_Pa: [-1],
    zero_after_Pa: [-1],
    mode: 'depressurise',
    readings: [-20, -30, -40, -50, -60].map((Pa) => ({ pressure_Pa: Pa - 1, flow_m3h: 100 * (-Pa) ** 0.65 })),
  };

  it('prints figures with their bands, and says what is weak', () => {
    const { exit, out } = run(['leakage', 'file', '--json'], reading(JSON.stringify(test)));
    expect(exit).toBe(0);
    const said = JSON.parse(out) as Record<string, number> & { warnings: string[] };
    expect(Object.keys(said)).toEqual([
      'C',
      'n',
      'r2',
      'C_low',
      'C_high',
      'n_low',
      'n_high',
      'q50_m3h',
      'q50_low',
      'q50_high',
      'ach50',
      'ela4_cm2',
      'warnings',
    ]);
    expect(said.n).toBeCloseTo(0.65, 6);
    expect(said.warnings).toEqual([]);
  });

  it('refuses a reading without flow, by its number, and what is no fan test', () => {
    const [first, ...rest] = test.readings;
    const wrong = { ...test, readings: [first, { ...rest[0], flow_m3h: 0 }, ...rest.slice(1)] };
    const { exit, err } = run(['leakage', 'file'], reading(JSON.stringify(wrong)));
    expect(exit).toBe(2);
    expect(err).toContain('reading 2');
    expect(run(['leakage', 'file'], reading('no')).exit).toBe(2);
  });
});
