/** Laws that outcomes of water and lines of air keep, whatever the school: less in the wall is never better for it. */
import { describe, expect, it } from 'vitest';
import {
  axes,
  axisIds,
  compareOutcomes,
  fixesFor,
  outcomeOf,
  planOpening,
  presetIds,
  proveAir,
  proveWater,
  verdicts,
  withChanges,
  withFix,
  type Build,
  type Choices,
  type Finding,
  type Opening,
  type WallChange,
} from '../src/index.ts';
import { generator } from '../src/quantities/random.ts';
import { fullSite } from './support/full-site.ts';
import { count, SEED } from './support/count.ts';

/** Pieces of the water's line. */
const LINE = new Set([
  'wall-layer',
  'pan',
  'corner-patch',
  'jamb-flashing',
  'head-flashing',
  'buck-flashing',
  'frame-bead',
  'bedding-tape',
  'stop-bead',
  'outer-seal',
  'face-strip',
  'face-tape',
  'drip-cap',
  'cavity-tray',
  'apron',
]);
/** What another line does as well where water comes: taken alone it changes nothing, and why. */
const DONE_TWICE: Readonly<Partial<Record<(typeof presetIds)[number], readonly string[]>>> = {
  // Behind tape and bead; the pan takes what comes to the head.
  'drained-head-flap': ['jamb-flashing-left', 'jamb-flashing-right', 'head-flashing'],
  'drained-full-jambs': ['jamb-flashing-left', 'jamb-flashing-right', 'head-flashing'],
  'integral-sheathing': ['jamb-flashing-left', 'jamb-flashing-right', 'head-flashing'],
  // The upper course laps over all of them, and the lower one hangs below the apron.
  'open-studs': [
    'bead',
    'course-lower',
    'course-seam-left',
    'course-seam-right',
    'head-tape',
    'jamb-tape-left',
    'jamb-tape-right',
    'seam-tape',
    'wrap-tape-head',
    'wrap-tape-left',
    'wrap-tape-right',
  ],
  'foam-buck-outboard': ['head-flashing'],
  'fluid-recessed': ['head-flashing'],
  // Masonry is not hurt by water, and drains in front of its cavity.
  'masonry-cavity': ['pan', 'wall-face'],
  // The flap comes down over the cap.
  'rigid-pan-heavy': ['drip-cap', 'head-flashing'],
  // A buck of foam is not hurt by water either.
  'foam-buck-inside': [
    'buck-flashing-left',
    'buck-flashing-right',
    'buck-flashing-sill',
    'head-flashing',
    'jamb-flashing-left',
    'jamb-flashing-right',
    'pan',
  ],
  'interior-clips': ['head-flashing'],
  'panel-frame': ['drip-cap', 'head-flashing'],
  'separate-fin-double-head': ['bead', 'head-flashing'],
  'deep-wall-blocks': ['head-flashing'],
};

/** What closes a way out as well: the wall may be better off without it. */
const CLOSES_A_WAY_OUT = new Set(['sill-tape', 'wind-skirt']);

const built = (school: (typeof presetIds)[number], choices: Partial<Choices> = {}) => {
  const { job, opening } = fullSite(school);
  const plan = planOpening(
    { ...opening, choices: { ...opening.choices, ...choices } as Opening['choices'] },
    job,
  );
  return { plan, build: plan.build, exposed: plan.exposed };
};

const after = (build: Build, change: WallChange) => {
  const changed = withChanges(build, [change]);
  return changed.ok ? changed.value : null;
};

describe.each(presetIds)('%s', (school) => {
  const { build, exposed } = built(school);
  if (!build) throw new Error('not built');
  const whole = outcomeOf(proveWater(build, exposed));
  const wholeAir = proveAir(build);
  const line = build.pieces.filter(
    ({ roles }) => roles.some((role) => LINE.has(role)) && !roles.some((role) => CLOSES_A_WAY_OUT.has(role)),
  );

  it('a piece of the water’s line that is left out, or does not stick, never makes it better', () => {
    const better: string[] = [];
    for (const { id } of line)
      for (const kind of ['left-out', 'bond-lost'] as const) {
        const now = after(build, { kind, piece: id });
        if (!now) continue;
        const without = outcomeOf(proveWater(now.build, exposed, { lost: now.lost }));
        if (compareOutcomes(without, whole) < 0) better.push(`${kind} ${id}`);
      }
    expect(better).toEqual([]);
  });

  it('leaving one out is worse, but for those whose work something else does too', () => {
    const same = line.flatMap(({ id }) => {
      const now = after(build, { kind: 'left-out', piece: id });
      if (!now) return [];
      const without = outcomeOf(proveWater(now.build, exposed, { lost: now.lost }));
      return compareOutcomes(without, whole) === 0 ? [id] : [];
    });
    expect(same.sort()).toEqual([...(DONE_TWICE[school] ?? [])].sort());
  });

  it('a seal of air that is taken never closes the line', () => {
    const closed: string[] = [];
    for (const { id, roles } of build.pieces) {
      if (roles.includes('unit')) continue;
      for (const kind of ['left-out', 'bond-lost'] as const) {
        const now = after(build, { kind, piece: id });
        if (!now) continue;
        const air = proveAir(now.build, { lost: now.lost });
        if (verdicts.indexOf(air.verdict) > verdicts.indexOf(wholeAir.verdict)) closed.push(`${kind} ${id}`);
      }
    }
    expect(closed).toEqual([]);
  });
});

describe('a fix that is offered', () => {
  it('takes its finding away and brings none that fails, whatever was chosen', () => {
    const random = generator(SEED);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
    const wrong: string[] = [];
    let [tried, offered] = [0, 0];
    for (let i = 0; i < count(4000, 60); i++) {
      const school = pick(presetIds);
      const departures = Object.fromEntries(
        Array.from({ length: i % 2 === 0 ? 1 : 2 }, () => {
          const axis = pick(axisIds);
          return [axis, pick(axes[axis])];
        }),
      );
      const { job, opening } = fullSite(school);
      const changed = { ...opening, choices: { ...opening.choices, ...departures } as Opening['choices'] };
      const plan = planOpening(changed, job);
      const failing = new Set(plan.findings.filter(({ severity }) => severity === 'fails').map(said));
      for (const finding of plan.findings) {
        tried += finding.fixes.length;
        for (const { fix } of fixesFor(plan, finding)) {
          offered += 1;
          const after = planOpening(withFix(changed, fix), job).findings;
          const left = after.some(
            (f) => said(f) === said(finding) && JSON.stringify(f.facts) === JSON.stringify(finding.facts),
          );
          const fails = after.some((f) => f.severity === 'fails' && !failing.has(said(f)));
          if (left || fails)
            wrong.push(`${school} ${JSON.stringify(departures)} ${finding.code}: ${JSON.stringify(fix)}`);
        }
      }
    }
    expect(wrong).toEqual([]);
    // Some are thought of and not offered: they were tried.
    expect(offered).toBeGreaterThan(0);
    expect(offered).toBeLessThan(tried);
  });
});

/** Rules are told apart by their own name. */
const said = ({ code, facts }: Finding): string => (code === 'rule-broken' ? facts.rule : code);
