/** The order of the work of one opening against what the trade says of it (common practice, no source, except where stated). */
import {
  breachesIn,
  buildOpening,
  comesIn,
  contextOf,
  drivingRain,
  eveningsOf,
  exampleJob,
  exposedTo,
  moved,
  noStopAfter,
  openingsOf,
  OWN_ORDER,
  outcomeOf,
  planOpening,
  presetIds,
  progress,
  proveWater,
  roomOf,
  saferThan,
  timelineOf,
  tryMove,
  type Build,
  type Opening,
  type Plan,
  type PresetId,
} from '@hulvek/core';
import { describe, expect, it } from 'vitest';

function example(preset: PresetId, change: (opening: Opening) => Opening = (o) => o) {
  const file = exampleJob(preset);
  const [first] = openingsOf(file);
  if (!first) throw new Error('no opening');
  const job = contextOf(file);
  const opening = change(first);
  const build = buildOpening(opening, job);
  if (!build) throw new Error('not built');
  return { build, exposed: exposedTo({ opening, job, unit: build.unit }) };
}
const after = (build: Build, role: string): number => {
  const at = build.steps.findLastIndex((step) => step.role === role || step.id === role);
  if (at < 0) throw new Error(`there is no ${role}`);
  return at + 1;
};

describe('where work may be left for the night', () => {
  it.each(presetIds)('%s: never between setting and secure fastening', (preset) => {
    const { build } = example(preset);
    const [set, held] = [after(build, 'set'), after(build, 'fasten')];
    for (let count = set; count < held; count++)
      expect(noStopAfter(build.steps, count)).toMatchObject({ because: 'not-held' });
    expect(noStopAfter(build.steps, held)).toBeNull();
  });

  it('never after a bead whose unit has not been pressed into it', () => {
    const { build } = example('drained-head-flap');
    expect(noStopAfter(build.steps, after(build, 'bead'))).toMatchObject({
      because: 'not-in-time',
      step: 'bead',
      next: 'set',
    });
  });
});

describe('if it rains tonight', () => {
  it('before the unit is set the hole is open and the room gets wet; the finished wall drains', () => {
    for (const preset of ['drained-head-flap', 'open-studs', 'foam-buck-outboard'] as const) {
      const { build, exposed } = example(preset);
      const evenings = eveningsOf(build, exposed);
      expect(evenings[after(build, 'pan') - 1]).toMatchObject({ open: true, state: 'wets-room' });
      expect(evenings.at(-1)).toMatchObject({ open: false, state: 'drains' });
    }
  });

  it('a unit fastened under a raised flap gets water behind its fin until the flap is down and its slits are taped', () => {
    const { build, exposed } = example('drained-head-flap');
    const evenings = eveningsOf(build, exposed);
    const [fastened, flap, slits] = ['fasten', 'flap-down', 'slit-tapes'].map((role) => after(build, role));
    expect(evenings[fastened!]).toMatchObject({ state: 'wets-framing', by: { source: 'wall-above' } });
    expect(evenings[flap!]).toMatchObject({ state: 'wets-framing', by: { source: 'head-corners' } });
    expect(evenings[slits!]?.state).toBe('drains');
    // So many more steps and it is dry; there is no dry evening before, since the hole was open.
    expect(saferThan(evenings, fastened!)).toEqual({ earlier: null, later: slits });
  });

  it('a face that was coated before drains from the moment the unit is held', () => {
    const { build, exposed } = example('integral-sheathing');
    expect(eveningsOf(build, exposed)[after(build, 'fasten')]?.state).toBe('drains');
  });

  it('an evening that is said to drain drains by the water proof of the wall as it stands then', () => {
    for (const preset of presetIds) {
      const { build, exposed } = example(preset);
      for (const { state, open, done } of eveningsOf(build, exposed))
        if (state === 'drains' && !open)
          expect(['shed', 'drained']).toContain(outcomeOf(proveWater(build, exposed, { count: done })).path);
    }
  });
});

describe('how much rain', () => {
  it('1 mm in an hour at 10 m/s straight on is 2.22 l/m² (2/9 · v · r^(8/9), ISO 15927-3, from memory)', () =>
    expect(drivingRain({ rain_mm: 1, hours: 1, wind_ms: 10 })).toBeCloseTo(2.2222, 3));
  it('5 mm an hour for 4 hours at 6 m/s is 22.3 l/m²; along the wall it is none', () => {
    // 2/9 · 6 · 5^(8/9) · 4 = 5.3333 · 4.1814.
    expect(drivingRain({ rain_mm: 20, hours: 4, wind_ms: 6 })).toBeCloseTo(22.3, 1);
    expect(drivingRain({ rain_mm: 20, hours: 4, wind_ms: 6, angle_deg: 90 })).toBeCloseTo(0, 9);
    expect(drivingRain({ rain_mm: 0, hours: 4, wind_ms: 6 })).toBe(0);
  });
  it('an open hole takes what falls on it and what runs down to it; a leak takes what runs to its width', () => {
    const { build, exposed } = example('drained-head-flap');
    const { width, height } = build.context.opening;
    const evenings = eveningsOf(build, exposed);
    const open = evenings[1]!;
    expect(comesIn(open, build, 10, 1000)).toBeCloseTo((10 * width * (height + 1000)) / 1e6, 6);
    const leak = evenings[after(build, 'flap-down')]!;
    expect(comesIn(leak, build, 10, 1000)).toBeCloseTo((10 * leak.by!.width_mm * (height + 1000)) / 1e6, 6);
    expect(comesIn(evenings.at(-1)!, build, 10, 1000)).toBe(0);
  });
});

describe('time', () => {
  it('a glued buck waits a day before a unit is hung on it', () => {
    const { build } = example('foam-buck-outboard');
    const { steps, total_min } = timelineOf(build.steps);
    const rest = steps.find(({ waits }) => waits?.step === 'buck-on');
    expect((rest?.waits?.min ?? 0) + build.steps.reduce((sum, s) => sum + s.work_min, 0)).toBeGreaterThan(
      1440,
    );
    expect(total_min).toBeGreaterThan(1440);
    expect(steps.every(({ late }) => late.length === 0)).toBe(true);
  });

  it('every step begins when all that it waits for allows it, and not before the one before it is done', () => {
    for (const preset of presetIds) {
      const { build } = example(preset);
      const { steps } = timelineOf(build.steps);
      const at = new Map(steps.map((step) => [step.id, step]));
      for (const [i, { id, after: reasons, work_min }] of build.steps.entries()) {
        const own = at.get(id)!;
        expect(own.end_min - own.start_min).toBe(work_min);
        if (i > 0) expect(own.start_min).toBeGreaterThanOrEqual(steps[i - 1]!.end_min);
        for (const { step, least_min = 0, from = 'end', to = 'start' } of reasons) {
          const before = at.get(step)!;
          const [begin, end] = [
            from === 'end' ? before.end_min : before.start_min,
            to === 'end' ? own.end_min : own.start_min,
          ];
          expect(end - begin).toBeGreaterThanOrEqual(least_min - 1e-6);
        }
      }
    }
  });
});

describe('moving a step', () => {
  it('the unit cannot go before its bead, for a physical reason', () => {
    const { build, exposed } = example('drained-head-flap');
    const [bead, set] = [after(build, 'bead') - 1, after(build, 'set') - 1];
    const move = tryMove(build, exposed, set, bead);
    expect(move.water).toBeNull();
    expect(move.breaches[0]).toMatchObject({ step: 'set', before: 'bead', because: 'physical' });
    expect(roomOf(build.steps, set)[0]).toBeGreaterThan(bead);
  });

  it('the head tape before the jamb tapes is a lap the wrong way: the engine says so, no rule', () => {
    const { build, exposed } = example('drained-head-flap');
    const [jambs, head] = [after(build, 'jamb-tapes') - 1, after(build, 'head-tape') - 1];
    const move = tryMove(build, exposed, head, jambs);
    expect(move.breaches.every(({ because }) => because === 'process')).toBe(true);
    expect(move.water?.worse).toBe(true);
  });

  it('an own order is built as far as it can be: nothing before what it physically needs, nothing lost or doubled', () => {
    for (const preset of presetIds) {
      const { build } = example(preset);
      const backwards = build.steps.map(({ id }) => id).toReversed();
      const own = example(preset, (opening) => ({ ...opening, order: backwards })).build;
      expect(own.steps.map(({ id }) => id).toSorted()).toEqual(build.steps.map(({ id }) => id).toSorted());
      expect(breachesIn(own.steps)).toEqual([]);
    }
  });

  it('an own order that moves one step moves that step, and its laps are drawn and proven as they then lie', () => {
    const { build, exposed } = example('drained-head-flap');
    const [jambs, head] = [after(build, 'jamb-tapes') - 1, after(build, 'head-tape') - 1];
    const wished = moved(build.steps, head, jambs).map(({ id }) => id);
    const own = example('drained-head-flap', (opening) => ({ ...opening, order: wished })).build;
    expect(own.steps.map(({ id }) => id)).toEqual(wished);
    expect(outcomeOf(proveWater(own, exposed))).toEqual(tryMove(build, exposed, head, jambs).water?.after);
  });

  it('what the own order sets aside holds no card back, and asks for a reason until somebody gives one', () => {
    const file = exampleJob('drained-head-flap');
    const job = contextOf(file);
    const [first] = openingsOf(file);
    const { build } = example('drained-head-flap');
    const [jambs, head] = [after(build, 'jamb-tapes') - 1, after(build, 'head-tape') - 1];
    const order = moved(build.steps, head, jambs).map(({ id }) => id);
    const planned = (deviations?: Opening['deviations']) =>
      planOpening({ ...first!, order, ...(deviations && { deviations }) }, job);
    const asked = (plan: Plan) => plan.findings.filter(({ code }) => code === 'order-sets-aside');
    const open = planned();
    expect(asked(open)).toMatchObject([{ severity: 'watch', facts: { accepted: null } }]);
    expect(asked(planOpening(first!, job))).toEqual([]);
    const said = {
      rule: OWN_ORDER,
      reason: 'tapes came late',
      person: 'Ola Vik',
      at: '2026-11-20T10:00:00Z',
    };
    expect(asked(planned([said]))).toMatchObject([{ severity: 'note', facts: { accepted: said } }]);
    const step = open.build!.steps.find(({ id }) => id === 'head-tape')!;
    expect(step.after.filter(({ setAside }) => setAside).map(({ step: id }) => id)).toEqual(['jamb-tapes']);
    const [before] = progress(open.build!.steps.slice(0, jambs + 1), [], [], '2026-11-20T10:00:00Z').slice(
      -1,
    );
    expect(before?.blockedBy.map(({ step: id }) => id)).not.toContain('jamb-tapes');
  });
});
