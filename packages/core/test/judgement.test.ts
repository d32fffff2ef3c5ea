import { describe, expect, it } from 'vitest';
import {
  gradeText,
  judge,
  judgedProofs,
  missingText,
  planOpening,
  presetIds,
  readingOrder,
  severities,
  type HeatProof,
  type Plan,
  type Verdict,
} from '@hulvek/core';
import { schoolCase, type Case } from './golden/cases.ts';

const planned = ({ opening, job }: Case): Plan => planOpening(opening, job);
/** A school in a wall that is lined, with a weight, on a site of which everything is known. */
function known(preset: (typeof presetIds)[number]): Case {
  const { name, opening, job } = schoolCase(preset);
  const lining = {
    role: 'interior-finish',
    material: 'drywall',
    thickness: { typed: '13', mm: 13 },
  } as const;
  return {
    name,
    opening,
    job: {
      ...job,
      walls: job.walls.map((wall) => ({
        ...wall,
        insideSheet_sd_m: 20,
        layers: [...wall.layers.filter(({ role }) => role !== 'interior-finish'), lining],
      })),
      units: job.units.map((unit) => ({
        ...unit,
        weight_kg: 45,
        limits: { ...unit.limits, fastener_N: 400 },
      })),
    },
  };
}
const heat = (verdict: Verdict) => ({ proof: { verdict } as HeatProof, findings: [] });

describe('one verdict', () => {
  it('nothing is missing where everything is known, and each thing left out is named, never held', () => {
    const whole = known('drained-head-flap');
    expect(planned(whole).judgement.missing).toEqual([]);
    const { job, opening } = whole;
    const { wind: _w, ...noWind } = job.job;
    const { months: _m, ...noMonths } = job.job;
    const cases: [string, Case][] = [
      ['wind', { ...whole, job: { ...job, job: noWind } }],
      ['months', { ...whole, job: { ...job, job: noMonths } }],
      [
        'height',
        {
          ...whole,
          opening: { ...opening, exposure: { ...opening.exposure, height_m: undefined } } as never,
        },
      ],
      [
        'shelter',
        {
          ...whole,
          opening: { ...opening, exposure: { ...opening.exposure, overhang: undefined } } as never,
        },
      ],
      ['weight', { ...whole, job: { ...job, units: job.units.map(({ weight_kg: _, ...unit }) => unit) } }],
      [
        'lining',
        {
          ...whole,
          job: {
            ...job,
            walls: job.walls.map((wall) => ({
              ...wall,
              layers: wall.layers.filter(({ role }) => role !== 'interior-finish'),
            })),
          },
        },
      ],
    ];
    for (const [what, one] of cases) {
      const { judgement } = planned(one);
      expect(judgement.missing, what).toEqual([what]);
      expect(judgement.grade, what).toBe('not-checkable');
      expect(judgement.checked, what).toBe(planned(whole).judgement.checked);
      for (const id of judgedProofs)
        if (judgement.proofs[id].missing.length > 0) expect(judgement.proofs[id].grade).not.toBe('holds');
      expect(missingText(judgement)).toMatch(/^Missing: the \w/);
    }
  });

  it('the gravest of all proofs counts, and what fails stays failing whatever is missing', () => {
    const plan = planned(known('drained-head-flap'));
    const grade = (verdict: Verdict) => judge(plan, { heat: heat(verdict) });
    expect(grade('fails').grade).toBe('fails');
    expect(grade('holds').grade).toBe(plan.judgement.grade);
    expect(judge(plan, { heat: 'unsolved' })).toMatchObject({ grade: 'not-checkable', missing: ['heat'] });
    expect(gradeText({ grade: 'not-checkable', checked: 'holds' })).toBe('Not checkable');
    expect(gradeText({ grade: 'not-checkable', checked: 'watch' })).toContain('Watch');
    const bare = planned(schoolCase('drained-head-flap'));
    expect(bare.judgement.missing.length).toBeGreaterThan(0);
    expect(judge(bare, { heat: heat('fails') })).toMatchObject({ grade: 'fails', checked: 'fails' });
    expect(judge(plan, { collides: true })).toMatchObject({
      grade: 'fails',
      proofs: { fit: { grade: 'fails' } },
    });
  });

  it('while heat is at work the grade is the one without it, and says that it works', () => {
    const plan = planned(known('drained-head-flap'));
    const { working, ...rest } = judge(plan, { heat: 'working' });
    expect(working).toBe(true);
    expect(rest.grade).toBe(plan.judgement.grade);
  });

  it.each(presetIds)('%s: the whole is never better than any of its proofs', (preset) => {
    const { judgement } = planned(known(preset));
    const rank: readonly Verdict[] = ['fails', 'not-checkable', 'watch', 'holds'];
    for (const id of judgedProofs) {
      if (id === 'heat') continue;
      expect(rank.indexOf(judgement.grade), id).toBeLessThanOrEqual(rank.indexOf(judgement.proofs[id].grade));
    }
    expect(gradeText(judgement)).not.toBe('');
  });

  it('findings are read gravest first, and none of them twice', () => {
    for (const preset of presetIds) {
      const { findings } = planned(schoolCase(preset));
      const ranks = findings.map(({ severity }) => severities.indexOf(severity));
      expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
      expect(readingOrder([...findings, ...findings])).toEqual(findings);
    }
  });
});
