/** What is handed over: the dossier of an opening read off its log, and labels against what façades ask. */
import {
  coveringStep,
  dossierOf,
  exampleJob,
  labelSchedule,
  labelStateOf,
  presetIds,
  sprayStages,
  type Entry,
  type LabelsOf,
  type SprayStage,
} from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { entry, planned } from './support/site.ts';

const NOW = '2026-12-24T07:00:00.000Z';

describe('the dossier of an opening', () => {
  it.each(presetIds)(
    'of %s names everything that is not done, then everything nobody looked at, then nothing',
    (school) => {
      const { build, issue } = planned(school);
      const issues = [issue];
      const ticks = build.steps.map(({ id }) => entry('tick', id));
      const of = (entries: readonly Entry[]) => dossierOf({ build, issues, entries, now: NOW });
      expect(of([])?.open).toEqual(build.steps.map(({ id }) => ({ kind: 'step', step: id })));
      const unseen = of(ticks)?.open ?? [];
      expect(unseen.every(({ kind }) => kind === 'look')).toBe(true);
      expect(unseen.length).toBeGreaterThanOrEqual(build.steps.filter(({ holdPoint }) => holdPoint).length);
      const looks = build.steps.map(({ id }) => entry('look', id, { person: 'Other' }));
      expect(of([...ticks, ...looks])?.open).toEqual([]);
      // Hidden is what a step covered that is done, in the order of covering.
      const hidden = of(ticks)?.hidden ?? [];
      expect(hidden.map(({ piece }) => piece).sort()).toEqual(
        build.pieces
          .filter(({ id }) => coveringStep(build, id) !== null)
          .map(({ id }) => id)
          .sort(),
      );
      const places = hidden.map(({ coveredBy }) => build.steps.findIndex(({ id }) => id === coveredBy));
      expect(places).toEqual([...places].sort((a, b) => a - b));
    },
  );

  it('keeps a fault, a leak without a dry test, a figure outside and a shim left in open', () => {
    const { build, issue } = planned('drained-head-flap');
    const issues = [issue];
    const ticks = build.steps.map(({ id }) => entry('tick', id));
    const looks = build.steps.map(({ id }) => entry('look', id, { person: 'Other' }));
    const pan = build.steps.find(({ places }) => places.some((id) => /pan/.test(id)))?.id ?? '';
    const kinds = (more: readonly Entry[]) =>
      dossierOf({ build, issues, entries: [...ticks, ...looks, ...more], now: NOW })?.open.map(
        ({ kind }) => kind,
      );
    const fault = entry('fault', pan, {
      note: 'hole',
      facts: { kind: 'fault', piece: 'pan', severity: 'noted' },
    });
    expect(kinds([fault])).toEqual(['fault']);
    const cold = (accepted?: string) =>
      entry('measured', pan, {
        facts: { kind: 'measured', what: 'surface', place: '', value: -20, ...(accepted && { accepted }) },
      });
    expect(kinds([cold()])).toEqual(['figure']);
    expect(kinds([cold('warmed')])).toEqual([]);
    const test = entry('test', pan, { facts: { kind: 'test', of: 'spray', checked: [] } });
    const wet = entry('test', pan, {
      facts: { kind: 'wet', test: test.id, zone: 'sill-left', stage: 'sill' },
    });
    expect(kinds([test, wet])).toEqual(['leak']);
    // A new test that did not run says nothing; one that wetted the same and all above it, whole and dry, does.
    const again = entry('test', pan, {
      facts: { kind: 'test', of: 'spray', checked: [], flow_lmin: 7, area_m2: 2 },
    });
    expect(kinds([test, wet, again])).toEqual(['leak']);
    const ran = (stage: SprayStage, minutes = 15) =>
      entry('test', pan, { facts: { kind: 'stage', test: again.id, stage, minutes } });
    const stages = sprayStages.map((stage) => ran(stage));
    expect(kinds([test, wet, again, ...stages.slice(0, 3)])).toEqual(['leak']);
    expect(kinds([test, wet, again, ...stages.slice(0, 3), ran('above', 10)])).toEqual(['leak']);
    expect(kinds([test, wet, again, ...stages])).toEqual([]);
    expect(dossierOf({ build, issues: [], entries: [], now: NOW })).toBeNull();
  });
});

describe('labels of a façade', () => {
  const opening = (label?: LabelsOf['openings'][number]['label']) => ({
    id: 'o' as LabelsOf['openings'][number]['id'],
    mark: 'S-1',
    facade: 'South',
    unit: 'u' as LabelsOf['openings'][number]['unit'],
    ...(label && { label }),
  });
  const [unit] = exampleJob('drained-head-flap').units;
  const units = unit ? [{ ...unit, id: 'u' as typeof unit.id }] : [];
  const facades = [{ name: 'South', rating: 'iso' as const, uMost: 1.1, shgcLeast: 0.45, shgcMost: 0.6 }];
  const stateOf = (label?: LabelsOf['openings'][number]['label']) => {
    const [row] = labelSchedule({ job: { facades }, openings: [opening(label)], units });
    return row && [row.u, row.g, labelStateOf(row)];
  };

  it.each([
    [{ rating: 'iso', uFactor: 1.1, shgc: 0.45 }, 'meets', 'meets', 'meets'],
    [{ rating: 'iso', uFactor: 1.11, shgc: 0.6 }, 'misses', 'meets', 'misses'],
    [{ rating: 'iso', uFactor: 1.1, shgc: 0.61 }, 'meets', 'misses', 'misses'],
    [{ rating: 'iso', uFactor: 1.1, shgc: 0.44 }, 'meets', 'misses', 'misses'],
    [{ rating: 'iso', uFactor: 1.1 }, 'meets', 'missing', 'missing'],
    // Two procedures give two figures for one unit: they are never compared.
    [{ rating: 'north-american', uFactor: 0.9, shgc: 0.5 }, 'procedures', 'procedures', 'procedures'],
    [undefined, 'no-label', 'no-label', 'no-label'],
  ] as const)('%j: U %s, g %s', (label, u, g, state) => expect(stateOf(label)).toEqual([u, g, state]));

  it('nothing is said of a façade that asks nothing', () => {
    const [row] = labelSchedule({ job: {}, openings: [opening()], units });
    expect(row && labelStateOf(row)).toBe('not-asked');
  });
});
