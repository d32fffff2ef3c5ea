/** Sealant, rod, tape, foam, membrane and leakage against cases worked by hand. Sources stand beside each. */
import { describe, expect, it } from 'vitest';
import {
  bandFor,
  bandLength,
  exampleJob,
  foamLifts,
  foamVolume,
  jointCosts,
  jointLeakage,
  jointMovement,
  leakageFlow,
  membraneLength,
  openingsOf,
  planOpening,
  rodFor,
  sealantDepth,
  sealantVolume,
  stripLength,
  sumOfBands,
  tipOver,
  USUAL_PRICES,
  type JobContext,
  type JointCosts,
  type JointDesign,
  type Opening,
  type Plan,
  type SealId,
  type Unit,
} from '@hulvek/core';

const SEASON = { installed_C: 10, coldest_C: -15, hottest_C: 50, movement: 0.25 } as const;

describe('movement, ASTM C1472 from memory: w = α L ΔT / 2 / m + tolerance', () => {
  it('1500 mm of vinyl sealed at 10 °C and heated to 50 °C asks for 9.9 mm', () => {
    const m = jointMovement({ length_mm: 1500, material: 'vinyl', season: SEASON });
    // 70e-6 · 1500 / 2 = 0.0525 mm/K: 40 K closes 2.1 mm, 25 K opens 1.3125 mm.
    expect(m.closes_mm).toBeCloseTo(2.1, 9);
    expect(m.opens_mm).toBeCloseTo(1.3125, 9);
    expect(m.least_mm).toBeCloseTo(2.1 / 0.25 + 1.5, 9);
  });
  it('2000 mm of aluminium, class 12.5, asks for 8.86 mm; sealed in summer it is the cold that governs', () => {
    const of = (installed_C: number) =>
      jointMovement({
        length_mm: 2000,
        material: 'aluminium',
        season: { ...SEASON, installed_C, movement: 0.125 },
      });
    expect(of(10).least_mm).toBeCloseTo(0.92 / 0.125 + 1.5, 9);
    // 0.023 mm/K · 45 K from 30 to −15 °C.
    expect(of(30).least_mm).toBeCloseTo(1.035 / 0.125 + 1.5, 9);
  });
});

describe('sealant on rod, ASTM C1193 from memory', () => {
  it.each([
    [4, 4],
    [6, 6],
    [10, 6],
    [12, 6],
    [18, 9],
    [24, 12],
    [25, 12],
  ])('a joint of %d mm is %d mm deep', (width, depth) => expect(sealantDepth(width)).toBe(depth));
  it.each([
    [10, 'closed-cell', 13, true],
    [12, 'closed-cell', 15, true],
    [7, 'closed-cell', 10, false],
    [7, 'open-cell', 10, true],
    [10, 'open-cell', 15, true],
    [12, 'open-cell', 20, false],
  ] as const)('a joint of %d mm takes %s rod of %d mm, in range: %s', (width, kind, diameter, within) => {
    expect(rodFor(width, kind)).toMatchObject({ diameter_mm: diameter, within });
  });
  it('no stocked rod is large enough for 35 mm', () => expect(rodFor(35, 'closed-cell')).toBeNull());
  it('10 mm over 4 m with 15 % waste are 276 ml, most of a cartridge', () =>
    expect(sealantVolume(10, 4000)).toBeCloseTo(276, 9));
});

describe('bands, strips, membrane and foam, common practice, no source', () => {
  it('a band of 900 × 1200 is cut 5 mm longer at each corner', () =>
    expect(bandLength(900, 1200)).toBe(4220));
  it('a joint of 8 to 12 mm over the year takes the size 5–13, one of 3 to 30 none', () => {
    expect(bandFor(8, 12)).toEqual({ from_mm: 5, to_mm: 13 });
    expect(bandFor(5, 13)).toEqual({ from_mm: 5, to_mm: 13 });
    expect(bandFor(4.9, 13)).toBeNull();
    expect(bandFor(3, 30)).toBeNull();
  });
  it('a membrane round 900 × 1200: 4200 + 4 · 2 · 25 + 50', () =>
    expect(membraneLength(900, 1200)).toBe(4450));
  it('four strips lap 25 mm at both ends', () => expect(stripLength(900, 1200, 25)).toBe(4400));
  it('12 mm by 60 mm over 4.2 m are 3.0 litres of foam; 42 mm deep in two lifts, 200 in four', () => {
    expect(foamVolume(12, 4200, 60)).toBeCloseTo(3.024, 9);
    expect([foamLifts(30), foamLifts(42), foamLifts(130), foamLifts(200)]).toEqual([2, 2, 4, 4]);
  });
});

const file = exampleJob('drained-full-jambs');
const [opening] = openingsOf(file);
interface Changes {
  opening?: Partial<Opening>;
  unit?: Partial<Unit>;
  job?: Partial<JobContext['job']>;
}
const planned = (o: Changes): Plan => {
  if (!opening) throw new Error('no opening');
  return planOpening(
    { ...opening, ...o.opening },
    { ...file, units: file.units.map((u) => ({ ...u, ...o.unit })), job: { ...file.job, ...o.job } },
  );
};
const there = <T>(value: T | null): T => {
  if (value === null) throw new Error('not designed');
  return value;
};
const design = (o: Changes = {}): JointDesign => there(planned(o).joint);
const costs = (o: Changes = {}): JointCosts => jointCosts(there(planned(o).build), planned(o).job);
const seal = (d: JointDesign, id: SealId) => {
  const found = d.seals.find((s) => s.id === id);
  if (!found) throw new Error(id);
  return found;
};
const codes = (d: JointDesign, id: SealId) => seal(d, id).reasons.map((r) => r.code);
const readings = (changes: Readonly<Record<string, number>>): Partial<Opening> => {
  if (!opening) throw new Error('no opening');
  const values = { ...opening.survey.values } as Record<string, { typed: string; mm: number }>;
  for (const [id, mm] of Object.entries(changes)) values[id] = { typed: `${mm} mm`, mm };
  return { survey: { ...opening.survey, values } };
};

describe('the designer on one opening', () => {
  it('takes each side from what was measured, least and most, and not from the drawing', () => {
    const head = (d: JointDesign) => d.sides.find((s) => s.side === 'head');
    const heights = (left: number) =>
      head(design({ opening: readings({ heightLeft: left, heightCentre: 1240, heightRight: 1238 }) }));
    const [low, high] = [heights(1238), heights(1250)];
    // In the corner the flashing lies double, 0.6 mm.
    expect((high?.most.mm ?? 0) - (low?.most.mm ?? 0)).toBeCloseTo(10 - 0.6, 6);
    expect(high?.most.place).toBe(0);
    expect((high?.most.mm ?? 0) - (high?.least.mm ?? 0)).toBeCloseTo(12, 0);
    const after = design();
    expect(head(after)?.measured).toBe(true);
  });
  it('a joint that nobody measured is not checkable, and every seal says so', () => {
    const d = design({
      opening: {
        survey: {
          from: 'outside',
          values: { roughWidth: { typed: '920 mm', mm: 920 }, roughHeight: { typed: '1230 mm', mm: 1230 } },
        },
      },
    });
    expect(d.verdict).toBe('not-checkable');
    expect(codes(d, 'corner-tape')).toContain('not-measured');
  });
  it('a maker that forbids foam rules foam out, as seal and as filling', () => {
    const d = design({ unit: { limits: { foam: 'forbidden' } }, opening: { choices: { gapFill: 'foam' } } });
    expect(codes(d, 'foam-alone')).toContain('maker-forbids');
    expect(d.fills.find((f) => f.id === 'foam')?.verdict).toBe('fails');
    expect(d.fills.find((f) => f.id === 'wool')?.verdict).toBe('holds');
  });
  it('a frame that moves rules sealant out where a still one allows it', () => {
    const of = (frameMaterial: NonNullable<Unit['frameMaterial']>) =>
      codes(
        design({
          unit: { frameMaterial },
          job: { joints: { installed_C: 0, hottest_C: 60, movement: 0.125 } },
        }),
        'sealant-rod',
      );
    expect(of('vinyl')).toContain('moves-too-much');
    expect(of('wood')).not.toContain('moves-too-much');
  });
  it('a cold day is said of the tape that wants 5 °C, and of a band that comes up slowly', () => {
    const at = (installed_C: number) => design({ job: { joints: { installed_C } } });
    expect([
      codes(at(4), 'corner-tape').includes('cold'),
      codes(at(5), 'corner-tape').includes('cold'),
    ]).toEqual([true, false]);
    expect([
      codes(at(7), 'precompressed').includes('slow'),
      codes(at(8), 'precompressed').includes('slow'),
    ]).toEqual([true, false]);
  });
  it('recommends the cheapest that works, and another one when its price is raised', () => {
    const usual = design({ unit: { frameMaterial: 'wood' } });
    const best = usual.recommended;
    if (!best) throw new Error('nothing recommended');
    const able = usual.seals.filter((s) => s.verdict === 'holds' && s.id !== 'foam-alone');
    expect(seal(usual, best).bill.cost).toBe(Math.min(...able.map((s) => s.bill.cost)));
    const priced = design({
      unit: { frameMaterial: 'wood' },
      job: { prices: { band_m: 90, cornerTape_m: best === 'corner-tape' ? 90 : 2 } },
    });
    expect(priced.recommended).not.toBe(best);
  });
  it('the chart shows no cost where a seal does not work', () => {
    const { curve } = costs({ unit: { frameMaterial: 'vinyl' } });
    const at = (mm: number) => curve.costs['sealant-rod'][curve.widths_mm.indexOf(mm)];
    expect(at(4)).toBeNull();
    expect(at(20)).toBeGreaterThan(0);
    expect(at(26)).toBeNull();
    expect(curve.costs['corner-tape'][curve.widths_mm.indexOf(26)]).toBeNull();
  });
});

describe('where sealant turns to tape, by hand', () => {
  const input = {
    width_mm: 900,
    height_mm: 1200,
    sides: [900, 900, 1200, 1200].map((length_mm) => ({ length_mm, mm: 10 })),
    frameDepth_mm: 83,
    lap_mm: 25,
    bead_mm: 8,
    blocks: 0,
    porous: false,
    prices: USUAL_PRICES,
  };
  it('900 × 1200 with the usual prices: 9.597 + 1.2726 w = 19.376 at 7.68 mm, so from 7.7 on', () => {
    expect(tipOver(input)).toBe(7.7);
  });
  it('with work for nothing sealant stays cheaper much longer, with dear tape for ever', () => {
    // 9 · w d · 4.2 · 1.15 / 300 + 2.205 = 11.44 with d = w / 2: w² = 127.5.
    expect(tipOver({ ...input, prices: { ...USUAL_PRICES, labour_h: 0 } })).toBeCloseTo(10.7, 1);
    expect(tipOver({ ...input, prices: { ...USUAL_PRICES, cornerTape_m: 500 } })).toBeNull();
  });
});

describe('leakage, ASHRAE Fundamentals from memory', () => {
  it('1 cm² lets 0.93 m³/h through at 4 Pa and 4.8 at 50 Pa', () => {
    expect(leakageFlow(1, 4)).toBeCloseTo(1e-4 * Math.sqrt(8 / 1.2) * 3600, 9);
    expect(leakageFlow(1, 50)).toBeCloseTo(0.9295 * 12.5 ** 0.65, 2);
  });
  it('a window of 2 m² in a timber wall: 0.6 to 1.0 cm² sealed, 3 to 5.4 open; masonry four times as much', () => {
    const choices = planOpening(opening as Opening, file).choices;
    if (!choices) throw new Error('no choices');
    const frame = jointLeakage(choices, { width_mm: 1000, height_mm: 2000 });
    expect(frame.sealed_cm2).toEqual([0.6, 1]);
    expect(frame.open_cm2).toEqual([3, 5.4]);
    expect(
      jointLeakage({ ...choices, waterLayer: 'masonry' }, { width_mm: 1000, height_mm: 2000 }).sealed_cm2,
    ).toEqual([2.2, 4.2]);
    expect(sumOfBands([frame.sealed_cm2, frame.open_cm2])).toEqual([3.6, 6.4]);
  });
});
