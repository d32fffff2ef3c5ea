/** Faults found on site: what covers them, what waits for them, and how they are closed. */
import {
  contextOf,
  coveringStep,
  exampleJob,
  faultsOf,
  hiddenBy,
  isUnseen,
  isReveal,
  issueOf,
  openingsOf,
  planOpening,
  plays,
  presetIds,
  progress,
  refusal,
  runningClocks,
  stackAt,
  standing,
  type Build,
  type Entry,
  type PresetId,
} from '@hulvek/core';
import { contains } from '../src/geometry/polygon.ts';
import { describe, expect, it } from 'vitest';

function planned(school: PresetId) {
  const file = exampleJob(school);
  const [opening] = openingsOf(file);
  const plan = opening && planOpening(opening, contextOf(file));
  const issue = plan && issueOf(plan, { version: 1, person: 'Lead', at: '2026-11-01T06:00:00.000Z' });
  if (!opening || !plan?.build || !issue) throw new Error(`${school} cannot be built`);
  return { opening, build: plan.build, issue };
}

/** The same asked of stacks over points: the first step after which somebody looking at the wall sees something else there. */
function coveredByPoints(build: Build, id: string): string | null {
  const piece = build.pieces.find((one) => one.id === id);
  if (piece?.form !== 'sheet') return null;
  const placed = build.steps.findIndex(({ places }) => places.includes(id));
  for (let k = placed + 1; k < build.steps.length; k++) {
    const step = build.steps[k];
    if (!step) break;
    const inReveal = piece.sheet.faces.some(({ surface }) => isReveal(surface));
    if (inReveal && step.places.some((thing) => plays(build, thing, 'unit'))) return step.id;
    for (const face of piece.sheet.faces) {
      const [us, vs] = [0, 1].map((axis) => face.placed.map((p) => p[axis] ?? 0));
      const at = (list: readonly number[] | undefined, share: number) =>
        Math.min(...(list ?? [0])) + share * (Math.max(...(list ?? [0])) - Math.min(...(list ?? [0])));
      for (let i = 0.5; i < 24; i++)
        for (let j = 0.5; j < 24; j++) {
          const point = [at(us, i / 24), at(vs, j / 24)] as const;
          if (!contains(face.placed, point)) continue;
          const stack = stackAt(build, face.surface, point, k + 1);
          const own = stack.findIndex((entry) => entry.thing === id && entry.face === face.id);
          if (
            own >= 0 &&
            stack.slice(own + 1).some(({ thing }) => !build.steps[placed]?.places.includes(thing))
          )
            return step.id;
        }
    }
  }
  return null;
}

describe('the step that covers a piece', () => {
  it.each(presetIds)('of %s is the one after which something else is seen over it', (school) => {
    const { build } = planned(school);
    const sheets = build.pieces.filter(({ form }) => form === 'sheet');
    expect(sheets.length > 0).toBe(school !== 'pocket');
    for (const { id } of sheets) {
      const byPoints = coveredByPoints(build, id);
      const said = coveringStep(build, id);
      if (said === byPoints) continue;
      // Points may miss a narrow strip: then it is covered no later than they say.
      const place = (step: string | null) =>
        step === null ? Infinity : build.steps.findIndex((one) => one.id === step);
      expect(place(said), `${id}: ${said}, by points ${byPoints}`).toBeLessThan(place(byPoints));
    }
  });
});

describe('a fault', () => {
  const { opening, build, issue } = planned('drained-head-flap');
  const at = (minute: number) =>
    new Date(Date.parse('2026-11-02T07:00:00.000Z') + minute * 60_000).toISOString();
  let counted = 0;
  const entry = (kind: Entry['kind'], step: string, minute: number, more: Partial<Entry> = {}): Entry => ({
    id: `00000000-0000-4000-8000-${String(++counted).padStart(12, '0')}`,
    opening: opening.id,
    issue: 1,
    kind,
    step,
    undoes: null,
    person: 'Installer',
    at: at(minute),
    note: '',
    photo: null,
    ...more,
  });
  const pan = build.pieces.find(({ roles }) => roles.includes('pan'));
  const panStep = build.steps.find(({ places }) => places.includes(pan?.id ?? ''));
  const before = coveringStep(build, pan?.id ?? '') ?? '';
  const found = (severity: 'stops' | 'noted' = 'stops') =>
    entry('fault', panStep?.id ?? '', 40, {
      note: 'a hole at the left corner',
      facts: { kind: 'fault', piece: pan?.id ?? '', severity, before },
    });
  /** Everything before the step that covers the pan is done, holds looked at. */
  const done = build.steps
    .slice(
      0,
      build.steps.findIndex(({ id }) => id === before),
    )
    .flatMap(({ id, holdPoint }, i) => [entry('tick', id, i), ...(holdPoint ? [entry('look', id, i)] : [])]);
  const stateAt = (entries: readonly Entry[]) =>
    progress(build.steps, [issue], entries, '2026-12-24T07:00:00.000Z').find(({ id }) => id === before);
  const fault = found();
  const mend = entry('mended', fault.step, 50, { facts: { kind: 'mended', fault: fault.id } });
  const again = (good: boolean, minute: number) =>
    entry('rechecked', fault.step, minute, { facts: { kind: 'rechecked', fault: fault.id, good } });

  it('stops what would cover it until it is mended and somebody looked again', () => {
    expect(stateAt(done)?.blockedBy).toEqual([]);
    expect(stateAt([...done, fault])?.blockedBy).toMatchObject([{ kind: 'fault', fault: fault.id }]);
    expect(stateAt([...done, fault, mend])?.blockedBy).toMatchObject([{ kind: 'fault' }]);
    expect(stateAt([...done, fault, mend, again(true, 60)])?.blockedBy).toEqual([]);
    // Found wanting, it is open again, and that is counted.
    const wanting = [...done, fault, mend, again(false, 60)];
    expect(stateAt(wanting)?.blockedBy).toMatchObject([{ kind: 'fault' }]);
    expect(faultsOf(wanting)).toMatchObject([{ status: 'open', failed: 1 }]);
  });

  it('that is only to be kept in mind, or was taken back, stops nothing', () => {
    expect(stateAt([...done, found('noted')])?.blockedBy).toEqual([]);
    const undo = entry('undo', fault.step, 45, { undoes: fault.id });
    expect(stateAt([...done, fault, undo])?.blockedBy).toEqual([]);
    expect(faultsOf(standing([fault, undo]))).toEqual([]);
  });

  it('is refused without words, at a piece of another step, and mended or looked at out of turn', () => {
    const refused = (next: Entry, entries: readonly Entry[] = done) =>
      refusal(next, progress(build.steps, [issue], entries, next.at), build.steps);
    expect(refused(fault)).toBeNull();
    expect(refused({ ...fault, note: ' ' })).toBe('text-needed');
    expect(refused({ ...fault, facts: { kind: 'fault', piece: 'unit', severity: 'stops' } })).toBe(
      'facts-needed',
    );
    expect(refused({ ...fault, facts: null })).toBe('facts-needed');
    expect(refused(mend)).toBe('no-fault');
    expect(refused(mend, [...done, fault])).toBeNull();
    expect(refused(again(true, 60), [...done, fault])).toBe('no-fault');
    expect(refused(again(true, 60), [...done, fault, mend])).toBeNull();
    expect(refused(mend, [...done, fault, mend])).toBe('no-fault');
  });
});

describe('what a step hides', () => {
  it.each(presetIds)(
    '%s: every piece that anything covers is in exactly one list, unseen until it is seen',
    (school) => {
      const { build, issue, opening } = planned(school);
      const steps = build.steps;
      const at = (n: number) => new Date(Date.UTC(2026, 10, 2, 6, n)).toISOString();
      const entry = (kind: Entry['kind'], step: string, n: number): Entry =>
        ({
          id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
          opening: opening.id,
          issue: 1,
          kind,
          step,
          undoes: null,
          person: kind === 'look' ? 'Other' : 'Lead',
          at: at(n),
          note: '',
          photo: null,
        }) as Entry;
      const ticks = steps.map(({ id }, n) => entry('tick', id, n));
      const looks = steps.map(({ id }, n) => entry('look', id, n + 500));
      const ticked = progress(steps, [issue], ticks, at(1000));
      const looked = progress(steps, [issue], [...ticks, ...looks], at(1000));
      const hidden = steps.flatMap(({ id }) =>
        hiddenBy(build, id, ticked).map((one) => ({ ...one, by: id })),
      );
      const covered = build.pieces.filter(({ id }) => coveringStep(build, id) !== null);
      expect(hidden.map(({ piece }) => piece).sort()).toEqual(covered.map(({ id }) => id).sort());
      for (const { piece, by } of hidden) expect(by).toBe(coveringStep(build, piece));
      // A look at its step sees the stop and what the plan asks to be seen.
      const after = steps.flatMap(({ id }) => hiddenBy(build, id, looked));
      for (const one of after) expect([one.looks, one.stepLook]).toEqual([[], false]);
      expect(hidden.some(isUnseen)).toBe(hidden.length > 0);
    },
  );
});

describe('clocks that run', () => {
  const { build, issue, opening } = planned('drained-head-flap');
  const bead = build.steps.find(({ id }) => id === 'bead');
  const upTo = build.steps.slice(0, build.steps.findIndex(({ id }) => id === 'bead') + 1);
  const tick = (step: string, n: number): Entry =>
    ({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      opening: opening.id,
      issue: 1,
      kind: 'tick',
      step,
      undoes: null,
      person: 'Lead',
      at: new Date(Date.UTC(2026, 10, 2, 8, n)).toISOString(),
      note: '',
      photo: null,
    }) as Entry;
  const ticks = upTo.map(({ id }, n) => tick(id, n));
  const last = ticks.at(-1)?.at ?? '';
  const later = (minutes: number) => new Date(Date.parse(last) + minutes * 60_000).toISOString();
  const running = (minutes: number, done = ticks) =>
    runningClocks(build, progress(build.steps, [issue], done, later(minutes)), [
      { kind: 'wrap', exposure_days: 90 } as never,
    ]);

  it('a bead is open until the unit must be in it, also when that is over, and no more once it is', () => {
    expect(bead).toBeDefined();
    const [first] = running(1).filter(({ kind }) => kind === 'open');
    const set = build.steps.find(({ after }) =>
      after.some(({ step, most_min }) => step === 'bead' && most_min),
    );
    const most = set?.after.find(({ step }) => step === 'bead')?.most_min ?? 0;
    expect(first).toMatchObject({ of: 'bead', next: set?.id });
    expect(Date.parse(first?.until ?? '') - Date.parse(last)).toBeLessThanOrEqual(most * 60_000);
    expect(running(most + 30).some(({ kind }) => kind === 'open')).toBe(true);
    const done = [...ticks, tick(set?.id ?? '', ticks.length)];
    expect(running(5, done).filter(({ kind, of }) => kind === 'open' && of === 'bead')).toEqual([]);
  });

  it('what lies open to the weather is counted from its tick, where the job’s own stock says for how long', () => {
    const wrap = build.steps.find(({ places }) => places.includes('wrap'));
    const open = running(1).find(({ kind }) => kind === 'exposed');
    expect(open?.of).toBe(wrap?.id);
    const began = ticks.find(({ step }) => step === wrap?.id)?.at ?? '';
    expect(Date.parse(open?.until ?? '') - Date.parse(began)).toBe(90 * 86_400_000);
    expect(
      runningClocks(build, progress(build.steps, [issue], ticks, later(1))).some(
        ({ kind }) => kind === 'exposed',
      ),
    ).toBe(false);
  });
});
