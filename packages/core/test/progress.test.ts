import { describe, expect, it } from 'vitest';
import {
  exampleJob,
  openingsOf,
  planOpening,
  progress,
  refusal,
  skarvPoint,
  standing,
  type Entry,
  type Issue,
  type PlannedStep,
  type PresetId,
} from '@hulvek/core';
import { planWith, SQUARE } from './support/openings.ts';

const steps: readonly PlannedStep[] = planWith(SQUARE).build?.steps ?? [];
const [demoIssue] = skarvPoint().records.issues;
if (!demoIssue) throw new Error('the demo has no frozen plan');
const issue: Issue = { ...demoIssue, version: 1, steps: steps.map(({ id, hash }) => ({ id, hash })) };

const planOf = (preset: PresetId): readonly PlannedStep[] => {
  const file = exampleJob(preset);
  return openingsOf(file).flatMap((opening) => planOpening(opening, file).build?.steps ?? []);
};

let counter = 0;
const entry = (kind: Entry['kind'], step: string, minute: number, more: Partial<Entry> = {}): Entry => ({
  id: `00000000-0000-4000-8000-${String(++counter).padStart(12, '0')}`,
  opening: issue.opening.id,
  issue: 1,
  kind,
  step,
  undoes: null,
  person: 'Ines Kallas',
  at: new Date(Date.UTC(2026, 10, 16, 8, minute)).toISOString(),
  note: '',
  photo: null,
  ...more,
});
const ticksUpTo = (last: string): Entry[] => {
  const until = steps.findIndex((s) => s.id === last);
  return steps
    .slice(0, until + 1)
    .flatMap((s, i) => [
      entry('tick', s.id, i),
      ...(s.holdPoint && s.id !== last ? [entry('look', s.id, i)] : []),
    ]);
};
const at = (minute: number) => new Date(Date.UTC(2026, 10, 16, 8, minute)).toISOString();
const stateOf = (id: string, entries: readonly Entry[], now = at(55), issues = [issue]) =>
  progress(steps, issues, entries, now).find((s) => s.id === id);

describe('what may be done now', () => {
  it('at the start only the check of the opening is open', () =>
    expect(
      progress(steps, [issue], [], at(0))
        .filter((s) => s.status === 'open')
        .map((s) => s.id),
    ).toEqual(['check-opening']));

  it('a tick made before what it waits for was ticked again is no rest: only time that is asked for holds back', () => {
    const done = ticksUpTo('dry-fit').filter(({ step }) => step !== 'dry-fit');
    const late = entry('tick', 'dry-fit', 50);
    expect(stateOf('bead', [...done, late], at(45))?.blockedBy).toEqual([]);
  });

  it('a unit is to be home before its bead skins over, and a hand stays on it until it is fast', () => {
    const hurry = (id: string, entries: Entry[]) => stateOf(id, entries)?.due;
    const beaded = ticksUpTo('bead');
    const begun = beaded.find(({ step, kind }) => step === 'bead' && kind === 'tick')?.at ?? '';
    const work_min = steps.find(({ id }) => id === 'bead')?.work_min ?? NaN;
    expect(hurry('set', beaded)).toEqual([
      {
        step: 'bead',
        by: new Date(Date.parse(begun) + (10 - work_min) * 60_000).toISOString(),
        atOnce: false,
      },
    ]);
    const set = ticksUpTo('set');
    expect(hurry('align', set)).toEqual([{ step: 'set', by: set.at(-1)?.at, atOnce: true }]);
    expect(hurry('set', set)).toEqual([]);
  });

  it('a buck carries nothing before its adhesive has set, whoever has flashed it meanwhile', () => {
    const plan = planOf('foam-buck-inside');
    const waits = plan.find(({ id }) => id === 'dry-fit')?.after;
    expect(waits).toContainEqual({ step: 'buck-on', because: 'physical', least_min: 1440 });
    const flashed = plan.filter(
      ({ id, after }) => id !== 'dry-fit' && after.some((a) => a.step === 'buck-on'),
    );
    expect(flashed.length).toBeGreaterThan(0);
    for (const { after } of flashed)
      expect(after.find(({ step }) => step === 'buck-on')?.least_min ?? 0).toBe(0);
  });

  it('a ticked hold point stops everything until somebody has looked', () => {
    const ticked = ticksUpTo('pan');
    expect(stateOf('pan', ticked)?.status).toBe('waiting-look');
    const states = progress(steps, [issue], ticked, at(55));
    expect(states.some((s) => s.status === 'open')).toBe(false);
    expect(refusal(entry('tick', 'jamb-flashing', 56), states, steps)).toBe('blocked');
    expect(stateOf('jamb-flashing', [...ticked, entry('look', 'pan', 50)])?.status).toBe('open');
  });

  it('a look from before the tick does not count', () =>
    expect(
      stateOf('pan', [...ticksUpTo('slope-board'), entry('look', 'pan', 6), entry('tick', 'pan', 7)])?.status,
    ).toBe('waiting-look'));

  it('a hold point cannot be overridden, only looked at', () => {
    const states = progress(steps, [issue], ticksUpTo('pan'), at(55));
    expect(refusal(entry('override', 'jamb-flashing', 56, { note: 'in a hurry' }), states, steps)).toBe(
      'no-rest',
    );
  });

  it('foam rests 60 minutes before the sash is tried, unless somebody gives a reason', () => {
    const foamed = ticksUpTo('foam');
    const minute = steps.findIndex((s) => s.id === 'foam');
    expect(stateOf('operate', foamed, at(minute + 59))?.blockedBy).toMatchObject([
      { kind: 'rest', step: 'foam' },
    ]);
    expect(stateOf('operate', foamed, at(minute + 60))?.status).toBe('open');
    const hurried = [
      ...foamed,
      entry('override', 'operate', minute + 5, { note: 'one-hour foam skinned early' }),
    ];
    expect(stateOf('operate', hurried, at(minute + 10))?.status).toBe('open');
  });

  it('an undo takes its entry back and leaves the rest', () => {
    const list = ticksUpTo('wrap');
    const last = list.at(-1);
    const undo = entry('undo', 'wrap', 40, { undoes: last?.id ?? null });
    expect(standing([...list, undo]).map((e) => e.step)).not.toContain('wrap');
    expect(stateOf('wrap', [...list, undo])?.status).toBe('open');
    const states = progress(steps, [issue], list, at(55));
    expect(refusal(entry('undo', 'check-opening', 41, { undoes: list[0]?.id ?? null }), states, steps)).toBe(
      'later-step-done',
    );
    expect(refusal(entry('undo', 'wrap', 41, { undoes: 'nothing' }), states, steps)).toBe('nothing-to-undo');
  });

  it('entries count by their time, in whatever order they arrive', () => {
    const list = ticksUpTo('dry-fit');
    // Of one moment the order in which they were taken counts.
    const late = list.toSorted((a, b) => b.at.localeCompare(a.at));
    expect(progress(steps, [issue], late, at(55))).toEqual(progress(steps, [issue], list, at(55)));
  });

  it('after a new plan a tick stands where the step is the same and asks where it is not', () => {
    const older: Issue = {
      ...issue,
      steps: issue.steps.map((s) => (s.id === 'pan' ? { ...s, hash: 'other' } : s)),
    };
    const newer: Issue = { ...issue, version: 2 };
    const states = progress(steps, [older, newer], ticksUpTo('jamb-flashing'), at(55));
    expect(states.find((s) => s.id === 'slope-board')?.status).toBe('done');
    expect(states.find((s) => s.id === 'pan')?.status).toBe('confirm');
    expect(states.find((s) => s.id === 'head-flashing')?.blockedBy[0]).toEqual({
      kind: 'confirm',
      step: 'pan',
    });
  });
});
