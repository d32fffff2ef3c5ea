/** Small jobs planned as well as a general-purpose solver of mixed-integer programs plans them. */
import { readFileSync } from 'node:fs';
import { finishBound, Grounds, modelOf, planWork } from '@hulvek/core';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { optimumOf } from './references/work-optimum.ts';
import { smallJob } from './support/work-jobs.ts';

const optima = Object.entries(
  JSON.parse(readFileSync(new URL('./fixtures/work-optima.json', import.meta.url), 'utf8')) as Record<
    string,
    [number, number, number, number]
  >,
).map(([seed, optimum]) => ({ seed: Number(seed), optimum }));

/** Looks that the search through all orders takes up to: it is not a matter of how fast the machine is. */
const LOOKS = 260;

describe('the best plan of a small job', () => {
  it('is that of the mixed-integer program in all two hundred, no bound is above it, and few are not proven', () => {
    expect(optima).toHaveLength(200);
    const wrong: unknown[] = [];
    let proven = 0;
    for (const { seed, optimum } of optima) {
      const model = modelOf(smallJob(seed));
      const best = planWork(model, { enough: (looks) => looks > LOOKS });
      const bound = finishBound(new Grounds(model), (i) => best.placed[i] !== null).minute;
      if (String(best.score) !== String(optimum)) wrong.push({ seed, is: best.score, optimum });
      if (bound > optimum[2]) wrong.push({ seed, bound, optimum });
      if (best.proven) proven++;
    }
    expect(wrong).toEqual([]);
    expect(proven).toBeGreaterThanOrEqual(196);
  }, 120_000);

  // Those that the solver is quick with: what it says is in the fixture for all.
  it.each([1, 2, 4, 6, 7, 8, 9, 11, 12, 13])(
    'of seed %i is solved again to the same by the mixed-integer program',
    async (seed) => {
      const highs = await loadHighs();
      expect(optimumOf(smallJob(seed), highs)).toEqual(optima.find((one) => one.seed === seed)?.optimum);
    },
    60_000,
  );
});
