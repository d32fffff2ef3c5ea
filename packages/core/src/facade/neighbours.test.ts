import { describe, expect, it } from 'vitest';
import { planOpening } from '../plan/plan-opening.ts';
import { openings, openingWith, job, SQUARE } from '../../test/support/openings.ts';
import type { Opening } from '../documents/opening.ts';
import { collisions } from './neighbours.ts';
import { farthestReach, pieceReaches } from '../build/reach.ts';

const at = (id: string, u: number, v: number, facade = 'South'): Opening =>
  openingWith(SQUARE, {
    id: id as Opening['id'],
    facade,
    position: { u: { typed: String(u), mm: u }, v: { typed: String(v), mm: v } },
  });
const found = (...list: Opening[]) => collisions(list.map((opening) => planOpening(opening, job)));

describe('openings beside each other', () => {
  const reach = farthestReach(pieceReaches(planOpening(at('A', 0, 0), job)));

  it('strips reach past the opening on all four sides, farthest above', () => {
    expect(reach.left).toBeCloseTo(reach.right, 6);
    for (const side of [reach.left, reach.below]) expect(side).toBeGreaterThan(40);
    expect(reach.above).toBeGreaterThan(reach.left);
  });

  it('they meet when there is 0.1 mm less wall than both need, not when there is as much', () => {
    const needs = reach.right + reach.left;
    expect(found(at('A', 0, 0), at('B', 920 + needs, 0))).toEqual([]);
    const [first] = found(at('B', 920 + needs - 0.1, 0), at('A', 0, 0));
    expect(first).toMatchObject({ openings: ['A', 'B'], kind: 'strips-meet', side: 'right' });
    expect(first?.needs_mm).toBeCloseTo(needs, 6);
  });

  it('one above the other: the upper one’s sill strips and the lower one’s head strips count', () => {
    const needs = reach.above + reach.below;
    expect(found(at('A', 0, 0), at('B', 100, 1225.001 + needs))).toEqual([]);
    expect(found(at('A', 0, 0), at('B', 100, 1225 + needs - 1))[0]).toMatchObject({
      openings: ['A', 'B'],
      side: 'above',
    });
  });

  it('openings over each other are named as such; other façades and corners do not count', () => {
    expect(found(at('A', 0, 0), at('B', 500, 600))[0]?.kind).toBe('openings-overlap');
    expect(found(at('A', 0, 0), at('B', 500, 600, 'North'))).toEqual([]);
    expect(found(at('A', 0, 0), at('B', 930, 1300))).toEqual([]);
  });

  it('in the demo exactly N-01 and N-02 are too near', () =>
    expect(found(...openings).map((c) => c.openings)).toEqual([['skarv-n-01', 'skarv-n-02']]));
});
