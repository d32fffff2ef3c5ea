import { gunzipSync, gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import {
  axisIds,
  cutList,
  exampleJob,
  filledIn,
  frozenBuild,
  issueOf,
  openingsOf,
  parameters,
  planOpening,
  presetIds,
  progress,
  proveAir,
  proveWater,
  read,
  type Entry,
  type Issue,
  type Plan,
  type PresetId,
} from '@hulvek/core';
import { addedAxes } from '../src/documents/added.ts';
import { plain } from './golden/record.ts';

const planned = (preset: PresetId): Plan => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  if (!opening) throw new Error(preset);
  return planOpening(opening, file);
};
const OF = { version: 1, person: 'Ines Kallas', at: '2026-11-23T07:30:00.000Z' };
const frozenOf = (plan: Plan): Issue => {
  const issue = issueOf(plan, OF);
  if (!issue) throw new Error('nothing is built');
  return issue;
};

/** 28 November 2026. Whatever comes later stands in `documents/added.ts`. */
const AXES_WHEN_FIRST_FROZEN: readonly string[] = [
  'waterLayer',
  'airLayer',
  'wrapEdge',
  'flapEdge',
  'sequence',
  'mount',
  'setFrom',
  'position',
  'buck',
  'sillDrain',
  'pan',
  'jambs',
  'bedding',
  'beadOn',
  'bottomFin',
  'tapeEdge',
  'outerJoint',
  'head',
  'windSkirt',
  'innerSeal',
  'gapFill',
  'shims',
  'guard',
  'trim',
];

describe('a frozen plan', () => {
  it.each(presetIds)(
    '%s comes back from its file to the last figure, and proves what it proved',
    (preset) => {
      const plan = planned(preset);
      const text = JSON.stringify(frozenOf(plan));
      const result = read('issue', JSON.parse(text));
      if (!result.ok) throw new Error(JSON.stringify(result.problems[0]));
      const kept = frozenBuild(result.value, plan.job.job);
      expect(plain(kept?.build)).toEqual(plain(plan.build));
      expect(plain(kept?.cuts)).toEqual(plain(cutList(plan.build?.pieces ?? [])));
      if (!kept) return;
      expect(plain(proveWater(kept.build, plan.exposed))).toEqual(plain(plan.water));
      expect(plain(proveAir(kept.build))).toEqual(plain(plan.air));
      // A device carries it, and a job has hundreds.
      expect(text.length).toBeLessThan(60_000);
      const packed = gzipSync(text);
      expect(packed.length).toBeLessThan(12_000);
      expect(gunzipSync(packed).toString()).toBe(text);
    },
  );

  it('speaks of the wall that was cut, whatever the program computes by then', () => {
    const issue = frozenOf(planned('drained-head-flap'));
    const [first] = issue.build?.cuts ?? [];
    if (!issue.build || !first) throw new Error('nothing is cut');
    const cuts = [{ ...first, length_mm: first.length_mm + 123 }, ...issue.build.cuts.slice(1)];
    const other: Issue = { ...issue, build: { ...issue.build, cuts } };
    expect(frozenBuild(other, planned('drained-head-flap').job.job)?.cuts[0]?.length_mm).toBe(
      first.length_mm + 123,
    );
  });

  it('from before an axis or a number was added is read with what its wall had then', () => {
    const issue = structuredClone(frozenOf(planned('drained-head-flap')));
    const { build } = issue;
    if (!build) throw new Error('no wall was kept');
    const numbers: Record<string, number> = { ...build.numbers };
    delete numbers.film;
    const result = read('issue', { ...issue, build: { ...build, numbers } });
    expect(result.ok && result.value.build?.numbers.film).toBe(parameters.film.initial);
    expect(result.ok && result.value.build?.choices).toEqual(build.choices);
  });

  it('from before waits had times holds back what it held back: by its rest, what waited as a process', () => {
    const issue = structuredClone(frozenOf(planned('fluid-recessed')));
    const today = issue.build?.steps ?? [];
    const older = {
      ...issue,
      build: {
        ...issue.build,
        version: 1,
        steps: today.map((step) => ({
          ...step,
          after: step.after.map(({ step: id, because }) => ({ step: id, because })),
        })),
      },
    };
    const result = read('issue', JSON.parse(JSON.stringify(older)));
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    const rests = new Map(today.map(({ id, rest_min }) => [id, rest_min]));
    const waits = result.value.build?.steps.flatMap((step) => step.after) ?? [];
    expect(waits.filter(({ least_min = 0 }) => least_min > 0).length).toBeGreaterThan(1);
    for (const { step, because, least_min = 0 } of waits)
      expect(least_min).toBe(because === 'process' ? rests.get(step) : 0);
  });

  it('knows for every axis added since walls are frozen what older walls had', () => {
    const added = axisIds.filter((axis) => !AXES_WHEN_FIRST_FROZEN.includes(axis));
    expect(added.filter((axis) => addedAxes[axis] === undefined)).toEqual([]);
  });

  it('from before walls were kept is filled in, and no tick is asked for again', () => {
    const plan = planned('drained-head-flap');
    const { build: _, ...bare } = frozenOf(plan);
    // An older program gave a step another fingerprint.
    const steps = bare.steps.map((step, i) => (i === 0 ? { ...step, hash: 'of-an-older-day' } : step));
    const old: Issue = { ...bare, steps };
    const filled = filledIn(old, plan.job.job);
    expect(filledIn(filled, plan.job.job)).toBe(filled);
    const [step] = filled.build?.steps ?? [];
    if (!step || !filled.build) throw new Error('not filled in');
    const tick: Entry = {
      id: '5ca20000-0000-4000-8000-000000000001',
      opening: plan.opening.id,
      issue: 1,
      kind: 'tick',
      step: step.id,
      undoes: null,
      person: 'Jonas Myhr',
      at: '2026-11-23T08:00:00.000Z',
      note: '',
      photo: null,
    };
    const [state] = progress(filled.build.steps, [filled], [tick], '2026-11-23T09:00:00.000Z');
    expect(state?.status).not.toBe('confirm');
    expect(state?.tick?.id).toBe(tick.id);
  });
});
