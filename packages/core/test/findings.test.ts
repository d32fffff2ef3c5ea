import { describe, expect, it } from 'vitest';
import {
  figuresIn,
  findingText,
  parameters,
  planOpening,
  type Finding,
  type FindingCode,
  type Job,
  type MethodDocument,
  type Numbers,
  type Opening,
  type ParameterId,
  type Unit,
  type Wall,
} from '@hulvek/core';
import { job, openings, openingWith, planWith, SQUARE, type Readings } from './support/openings.ts';

const has = (code: FindingCode, readings: Readings, numbers: Numbers = {}) =>
  planWith(readings, { numbers }).findings.some((f) => f.code === code);
const mm = (value: number) => ({ typed: `${value} mm`, mm: value });
const deg = (value: number) => ({ typed: `${value}°`, deg: value });

/** Limits: field tolerances of finned-window installation practice, ASTM E2112, from memory; the rest common practice, no source. */
const READING_CASES: readonly (readonly [code: FindingCode, what: string, at: Readings, over: Readings])[] = [
  [
    'sill-off-level',
    '3.175 mm over the width',
    { sillRight: 3.175, sillMiddle: 1 },
    { sillRight: 3.3, sillMiddle: 1 },
  ],
  ['sill-crown', '1/32 in above the ends', { sillMiddle: 25.4 / 32 }, { sillMiddle: 0.9 }],
  ['jamb-off-plumb', '3.175 mm over its height', { plumbLeft: -3.175 }, { plumbLeft: -3.2 }],
  [
    'out-of-square',
    '3.175 mm between diagonals',
    { diagonalRising: 1532 + 3.175 },
    { diagonalRising: 1532 + 3.3 },
  ],
  ['reading-disagrees', '5 mm against the other readings', { plumbRight: 5 }, { plumbRight: 5.1 }],
  [
    'fit-tight',
    'least gap 6.35 mm',
    { widthBottom: 900 + 2 * (6.35 + 2.2) },
    { widthBottom: 900 + 2 * (6.35 + 2.2) - 0.1 },
  ],
  [
    'fit-fails',
    'a gap of nothing',
    { widthBottom: 900 + 2 * 2.2 + 0.001 },
    { widthBottom: 900 + 2 * 2.2 - 0.1 },
  ],
  [
    'fit-loose',
    'fin reach 15 mm',
    { widthBottom: 930, widthMiddle: 930, widthTop: 930 },
    { widthBottom: 930, widthMiddle: 930.2, widthTop: 930 },
  ],
  ['jamb-bowed', '3.175 mm of bow', { bowLeft: 3.175 }, { bowLeft: 3.3 }],
  [
    'opening-twisted',
    '3.175 mm between the jambs',
    { twistLeft: 2, twistRight: -1.175 },
    { twistLeft: 2, twistRight: -1.3 },
  ],
  [
    'face-twisted',
    '3.175 mm at a corner: half of it at the strings',
    { stringGap: 1.5875 },
    { stringGap: -1.6 },
  ],
  ['face-uneven', '3.175 mm under a straightedge', { faceHollow: -3.175 }, { faceHollow: 3.3 }],
  // 5° of board over 152 mm; 3° of it may be lost before less than 2° is left: 152 · tan 3° = 7.966.
  ['sill-falls-inward', '2° left of 5°', { sillFallLeft: -7.965 }, { sillFallLeft: -7.967 }],
  ['delivered-size', '3.175 mm from the ordered width', { unitWidth: 903.175 }, { unitWidth: 903.3 }],
  [
    'delivered-size',
    '3.175 mm between the unit’s diagonals',
    { unitDiagonalRising: 1500, unitDiagonalFalling: 1503.175 },
    { unitDiagonalRising: 1500, unitDiagonalFalling: 1503.3 },
  ],
  ['strip-has-no-room', 'the farthest strip to the left', { freeLeft: 195 }, { freeLeft: 194 }],
  ['fit-unproven', 'every reading taken', {}, { sillLeft: undefined } as never],
];

describe('findings from readings', () => {
  it.each(READING_CASES)('%s: nothing at the limit of %s, a finding beyond it', (code, _, at, over) => {
    const without = (readings: Readings) =>
      Object.fromEntries(Object.entries({ ...SQUARE, ...readings }).filter(([, v]) => v !== undefined));
    expect(has(code, without(at))).toBe(false);
    expect(has(code, without(over))).toBe(true);
  });

  it('above 1.9 m² the diagonals may differ by 6.35 mm', () => {
    const large = {
      ...SQUARE,
      widthBottom: 1600,
      widthMiddle: 1600,
      widthTop: 1600,
      diagonalRising: 2016,
      diagonalFalling: 2010,
    };
    expect(has('out-of-square', large)).toBe(false);
    expect(has('out-of-square', { ...large, diagonalRising: 2017 })).toBe(true);
  });

  it('a missing reading is not-checkable, never passed', () => {
    const { sillMiddle: _, ...rest } = SQUARE;
    const plan = planWith(rest);
    expect(plan.judgement.grade).toBe('not-checkable');
    expect(plan.findings.some((f) => f.code === 'sill-crown')).toBe(false);
  });

  it('an allowance of exactly 12.7 mm misses the 6.35 mm once the jambs are flashed', () =>
    expect(has('fit-tight', { ...SQUARE, widthBottom: 912.7, widthMiddle: 912.7, widthTop: 912.7 })).toBe(
      true,
    ));
});

const NUMBER_CASES: readonly (readonly [code: FindingCode, id: ParameterId, at: number, over: number])[] = [
  ['sill-too-flat', 'slope', 2, 1.9],
  ['pan-upturn-short', 'panUpturn', 100, 99],
  ['pan-lap-short', 'panLap', 50, 49],
  ['tape-off-fin', 'jambTapeWidth', 85, 84],
  ['head-tape-low', 'headTapeWidth', 85, 84],
  ['head-tape-past-flap', 'headTapeWidth', 128, 129],
  ['shim-too-thin', 'leastShim', 8, 10],
];

describe('findings from numbers', () => {
  const set = (id: ParameterId, value: number): Numbers => ({
    [id]: parameters[id].kind === 'angle' ? deg(value) : mm(value),
  });
  it.each(NUMBER_CASES)(
    '%s: %s of %f passes, of %f does not, and its fix removes it',
    (code, id, at, over) => {
      expect(has(code, SQUARE, set(id, at))).toBe(false);
      const plan = planWith(SQUARE, { numbers: set(id, over) });
      const finding = plan.findings.find((f) => f.code === code);
      expect(finding).toBeDefined();
      for (const fix of finding?.fixes ?? []) {
        const fixed = Object.entries(fix.set).map(([key, value]) => set(key as ParameterId, value));
        expect(has(code, SQUARE, Object.assign({}, set(id, over), ...fixed))).toBe(false);
      }
    },
  );

  it('corner-overstretched: a lap of 63 mm stretches the corner by 1.93, one of 68 mm past the limit of 2', () => {
    expect(has('corner-overstretched', SQUARE, set('panLap', 63))).toBe(false);
    expect(has('corner-overstretched', SQUARE, set('panLap', 68))).toBe(true);
  });

  it('seal-narrow: 50 mm leaves 20 on the reveal beside a 20 mm joint, 49 mm does not, and the fix widens it', () => {
    const wide = { ...SQUARE, widthBottom: 940, widthMiddle: 940, widthTop: 940 };
    expect(has('seal-narrow', wide, set('sealWidth', 50))).toBe(false);
    const plan = planWith(wide, { numbers: set('sealWidth', 49) });
    const finding = plan.findings.find((f) => f.code === 'seal-narrow');
    expect(finding?.fixes[0]?.set).toEqual({ sealWidth: 50 });
  });
});

it('a point read twice with different figures is watched until one of them is kept', () => {
  const { survey } = openingWith(SQUARE);
  const disputed = openingWith(SQUARE, { survey: { ...survey, disputed: ['widthTop', 'depth'] } });
  const finding = planOpening(disputed, job).findings.find((f) => f.code === 'reading-disputed');
  expect(finding?.facts).toEqual({ points: ['widthTop', 'depth'] });
  expect(finding && findingText(finding, figuresIn('mm')).text).toContain(
    'the width at the top and the depth of the reveal',
  );
  expect(has('reading-disputed', SQUARE)).toBe(false);
});

describe('findings about the unit and the wall', () => {
  const [unit] = job.units.filter((u) => u.id === openingWith(SQUARE).unit);
  const [wall] = job.walls;
  const [method] = job.methods;
  if (!unit || !wall || !method) throw new Error('the demo lost a shelf');
  const codes = (
    changes: {
      unit?: Partial<Unit>;
      wall?: Partial<Wall>;
      method?: Partial<MethodDocument>;
      opening?: Partial<Opening>;
    },
    site: Partial<Job> = {},
  ) =>
    planOpening(openingWith(SQUARE, changes.opening), {
      job: { ...job.job, ...site },
      units: [{ ...unit, ...changes.unit }],
      walls: [{ ...wall, ...changes.wall }],
      methods: [{ ...method, ...changes.method }],
    })
      .findings.filter((f) => !['one-bond', 'head-unflashed', 'air-waits'].includes(f.code))
      .map((f) => `${f.severity} ${f.code}`);

  it('a plain unit has none of them', () => expect(codes({})).toEqual([]));
  it('a shaped unit is never said to hold, one with another fin than the method’s fails', () => {
    expect(codes({ unit: { shape: 'other' } })).toContain('not-checkable unit-not-checkable');
    for (const kind of ['gasketed', 'separate', 'none'] as const)
      expect(codes({ unit: { fin: { ...unit.fin, kind } } })).toEqual(['fails rule-broken']);
  });
  it('glazing closed at 1600 m and set at 2400 m is watched, at 1650 m not, and nowhere without the site’s altitude', () => {
    const made = { unit: { madeAt_m: 1600 } };
    expect(codes(made, { altitude_m: 2400 })).toEqual(['watch altitude-differs']);
    expect(codes(made, { altitude_m: 1650 })).toEqual([]);
    const { altitude_m: _site, ...nowhere } = job.job;
    expect(codes(made, { ...nowhere, altitude_m: undefined } as never)).toEqual([]);
  });
  it('a label under what the façade asks for, or unlike the order, fails', () => {
    const facades = [{ name: 'South', shgcLeast: 0.45 }];
    expect(codes({ unit: { shgc: 0.45 } }, { facades })).toEqual([]);
    expect(codes({ unit: { shgc: 0.44 } }, { facades })).toEqual(['fails label-differs']);
    expect(codes({ unit: { uFactor: 1.2 }, opening: { label: { uFactor: 1.3 } } }, { facades })).toEqual([
      'fails label-differs',
    ]);
  });
  it('a maker that forbids foam, or asks for a wider gap than there is', () => {
    expect(codes({ unit: { limits: { foam: 'forbidden' } } })).toEqual(['fails maker-forbids-foam']);
    expect(codes({ unit: { limits: { leastGap: mm(9) } } })).toEqual([
      'watch fit-tight',
      'note opening-small-for-method',
    ]);
  });
  it('damage stands until its note is cleared', () => {
    expect(codes({ opening: { damage: 'corner split' } })).toEqual(['fails delivered-damaged']);
    expect(codes({ opening: { damage: ' ' } })).toEqual([]);
  });
  it('a 64 mm buck before 51 mm of board and 19 mm of batten fails, at 68.5 mm it is within a saw cut', () => {
    const layers: Wall['layers'] = [
      { role: 'cavity', material: 'batten', thickness: mm(19) },
      { role: 'exterior-board', material: 'foam-board', thickness: mm(51) },
      ...wall.layers,
    ];
    const buck = (projection: number) => ({ kind: 'foam' as const, leg: mm(38), projection: mm(projection) });
    expect(codes({ wall: { layers }, method: { buck: buck(64) } })).toContain('fails depth-misses');
    expect(codes({ wall: { layers }, method: { buck: buck(68.5) } })).not.toContain('fails depth-misses');
  });
});

it('every finding of the demo reads as sentences with a number or a name, in mm and in inches', () => {
  const findings: Finding[] = openings.flatMap((o) => [...planOpening(o, job).findings]);
  expect(findings.length).toBeGreaterThan(6);
  for (const finding of findings) {
    for (const unit of ['mm', 'in'] as const) {
      const { title, text } = findingText(finding, figuresIn(unit));
      expect(title).toMatch(/^[A-Z]/);
      expect(text).toMatch(/[.]$/);
      expect(`${title}${text}`).not.toMatch(/undefined|NaN|\bsafe\b/);
    }
  }
  expect(openingWith(SQUARE).mark).toBe('S-01');
});
