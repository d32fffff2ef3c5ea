/** A climate that nobody entered stands in by choice, says so, and damp speaks for the side it comes from. */
import { describe, expect, it } from 'vitest';
import {
  climateIds,
  dampFrom,
  findingText,
  figuresIn,
  genericClimates,
  gradeText,
  planOpening,
  presetIds,
  type Job,
} from '../src/index.ts';
import { fullSite } from './support/full-site.ts';

/** A school on a site of which no weather is known. */
function bare(school: (typeof presetIds)[number], assumedClimate?: Job['assumedClimate']) {
  const { job, opening } = fullSite(school);
  const { wind: _wind, months: _months, climate: _climate, ...site } = job.job;
  const context = { ...job, job: { ...site, ...(assumedClimate && { assumedClimate }) } };
  return planOpening(opening, context);
}

describe('a generic climate', () => {
  it('is never taken unless it was chosen, and then every verdict that rests on it says so', () => {
    const without = bare('drained-head-flap').judgement;
    expect(without).toMatchObject({ grade: 'not-checkable', assumed: false });
    expect(without.missing).toEqual(['wind', 'months']);
    for (const climate of climateIds) {
      const { judgement } = bare('drained-head-flap', climate);
      expect(judgement.missing).toEqual([]);
      expect(judgement.assumed).toBe(true);
      expect(gradeText(judgement)).toMatch(/\(assumed climate\)$/);
    }
  });

  it('stands in for what is missing only: the job’s own data go before it, and nothing is assumed where all are there', () => {
    const { job, opening } = fullSite('drained-head-flap');
    const own = planOpening(opening, { ...job, job: { ...job.job, assumedClimate: 'hot-humid' } });
    expect(own.judgement.assumed).toBe(false);
    expect(own.exposed).toEqual(planOpening(opening, job).exposed);
  });

  it('has twelve months that a place could have: one summer, air neither dry nor over full, colder days than its months', () => {
    for (const id of climateIds) {
      const { months, climate } = genericClimates[id];
      expect(months).toHaveLength(12);
      const warm = months.map(({ outside_C }) => outside_C);
      const top = warm.indexOf(Math.max(...warm));
      // Up to its warmest month and down from it.
      warm.slice(1, top + 1).forEach((t, i) => expect(t, id).toBeGreaterThanOrEqual(warm[i] ?? 0));
      warm.slice(top + 1).forEach((t, i) => expect(t, id).toBeLessThanOrEqual(warm[top + i] ?? 0));
      for (const { humidity_percent } of months) {
        expect(humidity_percent).toBeGreaterThan(30);
        expect(humidity_percent).toBeLessThan(90);
      }
      expect(climate.outside_C, id).toBeLessThan(Math.min(...warm));
    }
  });
});

describe('damp', () => {
  // Source: physics of vapour pressure; which climates count as which is common practice, no source.
  it.each([
    ['cold-inland', 'room'],
    ['mild-coast', 'room'],
    ['hot-humid', 'weather'],
    ['mixed', 'room'],
    ['dry-mountain', 'room'],
  ] as const)('comes over the year, in %s, from the %s', (id, from) => {
    const { months, climate } = genericClimates[id];
    expect(dampFrom(months, climate).from).toBe(from);
  });

  it('no words advise a tighter room side where it comes from the weather', () => {
    for (const school of presetIds)
      for (const finding of bare(school, 'hot-humid').findings.filter(({ proof }) => proof === 'moisture')) {
        const { text } = findingText(finding, figuresIn('mm'));
        expect(text).not.toMatch(/tighter sheet on the room side|Damp from the room/);
      }
  });
});
