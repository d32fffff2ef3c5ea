/** What crosses the line: by which a verdict is known to be of this opening, and what of a site does not read. */
import { contextOf, openingsOf, skarvPoint, type JobContext } from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { judgedSchema, judgeMark } from '../src/lib/contract/judged.ts';
import { sitePartsOf, siteParts, wrongPlaces } from '../src/lib/contract/site-parts.ts';

const file = skarvPoint();
const context = contextOf(file);
const [opening] = openingsOf(file);
if (!opening) throw new Error('the demo has no opening');
const markIn = (job: JobContext['job']) => judgeMark({ ...context, job })(opening);

describe('the mark of a verdict', () => {
  it.each([
    ['the name of the job', { name: 'another' }],
    ['its note', { note: 'another' }],
    ['the units shown', { units: 'in' as const }],
    ['prices', { prices: { 'corner-tape': 9 } as never }],
    ['lines of openings', { lines: [] }],
  ])('is the same whatever %s', (_, change) => {
    expect(markIn({ ...context.job, ...change })).toBe(markIn(context.job));
  });

  it.each([
    ['wind', { wind: { gust_ms: 51, terrain: 'open' as const } }],
    ['altitude', { altitude_m: 1234 }],
    ['the climate', { climate: { inside_C: 22, humidity_percent: 60, outside_C: -20 } }],
    ['limits of heat', { heatLimits: { psiMost: 0.01 } }],
    ['what hands may carry', { handling: { person_kg: 10 } }],
    ['what joints live through', { joints: { installed_C: -5 } }],
  ])('is another one with another %s', (_, change) => {
    expect(markIn({ ...context.job, ...change })).not.toBe(markIn(context.job));
  });

  it('is another one with another wall, unit, method, material, figure or choice', () => {
    const mark = judgeMark(context)(opening);
    const [wall, unit, method] = [context.walls[0], context.units[0], context.methods[0]];
    if (!wall || !unit || !method) throw new Error('the demo is not whole');
    const others = [
      judgeMark({ ...context, walls: [{ ...wall, layers: [] }] })(opening),
      judgeMark({ ...context, units: [{ ...unit, weight_kg: 77 }] })(opening),
      judgeMark({ ...context, methods: [{ ...method, preset: 'pocket' }] })(opening),
      judgeMark({ ...context, materials: [{ id: 'm' as never, name: 'm', kind: 'foam', lambda_WmK: 1 }] })(
        opening,
      ),
      judgeMark(context)({ ...opening, survey: { from: 'inside', values: {} } }),
      judgeMark(context)({ ...opening, choices: { pan: 'none' } as never }),
    ];
    expect(new Set([mark, ...others]).size).toBe(1 + others.length);
  });

  it('a verdict kept in a shape that is no longer known is not taken for one', () => {
    expect(judgedSchema.safeParse({ mark: 'm', judgement: { grade: 'fine' } }).success).toBe(false);
  });
});

describe('parts of a site', () => {
  it('those of the demo read, and nothing else of the job is among them', () => {
    const parts = sitePartsOf(context.job);
    expect(wrongPlaces(parts)).toEqual([]);
    expect(Object.keys(parts).every((part) => (siteParts as readonly string[]).includes(part))).toBe(true);
    expect(wrongPlaces({ ...parts, name: 'another' })).not.toEqual([]);
  });

  it.each([
    [{ climate: { inside_C: 10, humidity_percent: 50, outside_C: 15 } }, ['climate']],
    [{ climate: { inside_C: 20, humidity_percent: 120, outside_C: 0 } }, ['climate', 'humidity_percent']],
    [{ months: { source: 'hand', note: '', rows: [] } }, ['months', 'rows']],
    [{ wind: { gust_ms: -3, terrain: 'open' } }, ['wind', 'gust_ms']],
    [{ handling: { person_kg: 400 } }, ['handling', 'person_kg']],
  ])('%j does not read, and its place is named', (change, place) => {
    expect(wrongPlaces(change)).toContainEqual(place);
  });
});
