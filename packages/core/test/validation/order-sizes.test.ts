/** Outside checks: cases worked by hand from plane geometry, a brute-force search, published atmosphere values. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  airPressure,
  altitudeDifference,
  depthStack,
  fitsTurned,
  inscribed,
  openingFrame,
  parseSlope,
  passThrough,
  placeUnit,
  pocketReplacement,
  roughOpening,
  sillExtender,
  slopeSetOut,
  unitToOrder,
  type Unit,
  type Wall,
} from '@hulvek/core';
import { crooked, job } from '../support/openings.ts';
import { runs } from '../support/count.ts';

const mm = (value: number) => ({ typed: `${value} mm`, mm: value });

describe('sizes to frame and to order', () => {
  it('finned 900 × 1200 with 19 mm in width, 10 at the head, 19 at the sill: 919 × 1229, with a 38 mm buck 995 × 1305', () => {
    const o = { unit: { width: 900, height: 1200 }, clearance: { width_mm: 19, head_mm: 10, sill_mm: 19 } };
    expect(roughOpening({ ...o, leg_mm: 0 })).toEqual({ width: 919, height: 1229 });
    expect(roughOpening({ ...o, leg_mm: 38 })).toEqual({ width: 995, height: 1305 });
  });

  it('jambs that both lean 5 mm leave 5 mm less than the tape says', () => {
    const frame = openingFrame({
      widthBottom: 900,
      widthTop: 900,
      heightLeft: 1200,
      heightRight: 1200,
      plumbLeft: 5,
    });
    if (!frame) throw new Error('no frame');
    expect(inscribed(frame)).toMatchObject({ width: 895, height: 1200, tape: { width: 900, height: 1200 } });
    expect(unitToOrder(inscribed(frame), { width: 12.7, height: 12.7 })).toEqual({
      width: 882,
      height: 1187,
    });
  });

  it('a unit of the inscribed size touches and enters nowhere, whatever the opening', () =>
    fc.assert(
      fc.property(crooked, (readings) => {
        const frame = openingFrame(readings);
        if (!frame) throw new Error('no frame');
        const room = inscribed(frame);
        const { gaps } = placeUnit({ frame, unit: room, layers: () => 0, seat_mm: 0 });
        expect(Math.min(...gaps.map((g) => g.bare_mm))).toBeCloseTo(0, 9);
        expect(room.width).toBeLessThanOrEqual(room.tape.width + 1e-9);
      }),
    ));

  it('pocket: 812 × 1410 between stops, 10 and 11 mm off, 3 mm shim: unit 802 × 1399, 8 mm for the expander', () => {
    const frame = openingFrame({
      widthBottom: 812,
      widthMiddle: 813,
      widthTop: 812,
      heightLeft: 1410,
      heightCentre: 1411,
      heightRight: 1410,
      plumbLeft: 0,
    });
    if (!frame) throw new Error('no frame');
    const pocket = pocketReplacement({
      frame,
      deduct: { width: 10, height: 11 },
      slope_deg: 10,
      shim_mm: 3,
      groove_mm: 37,
      board_mm: 19,
    });
    expect(pocket.unit).toEqual({ width: 802, height: 1399 });
    expect(pocket.expander_mm).toBe(8);
    expect(pocket.extender).toEqual(sillExtender({ height_mm: 40, board_mm: 19, slope_deg: 10 }));
  });

  it('sill extender 40 mm at 10°, 19 mm thick: the shorter face is 36.65 mm (19 · tan 10° = 3.350)', () => {
    const { rip_mm, shorter_mm, bevel_deg } = sillExtender({ height_mm: 40, board_mm: 19, slope_deg: 10 });
    expect([rip_mm, bevel_deg]).toEqual([40, 10]);
    expect(shorter_mm).toBeCloseTo(36.65, 2);
  });

  it('a rectangle fits turned into another exactly when a search in steps of a tenth of a degree finds a turn', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 300 }),
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 20, max: 250 }),
        fc.integer({ min: 20, max: 250 }),
        (p, q, a, b) => {
          const turns = Array.from({ length: 1801 }, (_, i) => (i / 1800) * Math.PI);
          const spare = Math.max(
            ...turns.map((t) => {
              const [c, s] = [Math.abs(Math.cos(t)), Math.abs(Math.sin(t))];
              return Math.min(a - (p * c + q * s), b - (p * s + q * c));
            }),
          );
          // Between two turns of the search a spare of up to this can hide.
          const hidden = 0.3;
          const fits = fitsTurned({ width: p, height: q }, { width: a, height: b });
          if (spare >= 0) expect(fits).toBe(true);
          if (spare < -hidden) expect(fits).toBe(false);
        },
      ),
      runs(300, 60),
    ));

  it('a 900 × 1200 unit with 35 mm fins goes edge first through its own 920 × 1225 opening and needs 1270 mm of room', () => {
    const o = {
      unit: { width: 900, height: 1200 },
      fin_mm: 35,
      depth_mm: 83,
      opening: { width: 920, height: 1225 },
    };
    expect(passThrough(o)).toEqual({ passes: true, leading: 'width', room_mm: 1270 });
  });

  it('a square 1200 unit with fins 1270 over passes a 1220 opening only turned across it; a 2400 square does not pass 1220', () => {
    const square = { fin_mm: 35, depth_mm: 83, opening: { width: 1220, height: 1220 } };
    expect(passThrough({ ...square, unit: { width: 1200, height: 1200 } }).passes).toBe(true);
    expect(passThrough({ ...square, unit: { width: 2400, height: 2400 } })).toMatchObject({
      passes: false,
      leading: null,
    });
  });
});

describe('depth and slope', () => {
  const wall = {
    ...job.walls[0],
    layers: [
      { role: 'cladding', material: 'siding', thickness: mm(18) },
      { role: 'cavity', material: 'batten', thickness: mm(19) },
      { role: 'exterior-board', material: 'foam-board', thickness: mm(51) },
      { role: 'sheathing', material: 'wood-board', thickness: mm(12) },
      { role: 'framing', material: 'stud', thickness: mm(140) },
      { role: 'interior-finish', material: 'drywall', thickness: mm(13) },
    ],
  } as Wall;
  const unit = job.units[0] as Unit;
  const stack = (projection: number) =>
    depthStack({ wall, unit, buck_mm: projection, tape_mm: 0.6, tapeLayers: 3, drift_mm: 2 });

  it('a 64 mm buck against 51 mm of board and a 19 mm batten is 6 mm short (common practice, no source)', () => {
    expect(stack(64).buckMisses_mm).toBe(-6);
    expect(stack(70).buckMisses_mm).toBe(0);
  });

  it('a guard strip of 6 mm on the framing is a plane of its own, 13 mm of drywall stand past it', () => {
    const { planes } = depthStack({
      wall,
      unit,
      buck_mm: 70,
      tape_mm: 0.6,
      tapeLayers: 3,
      drift_mm: 2,
      guarded: true,
    });
    expect((planes['framing-back'] ?? 0) - (planes['guard-face'] ?? 0)).toBe(6);
    expect((planes['guard-face'] ?? 0) - (planes['interior-face'] ?? 0)).toBe(7);
    expect(stack(70).planes['guard-face']).toBeUndefined();
  });

  it('with the buck at 70, fin drift 2, an 83 mm frame 25 proud of its fin: 179 mm from its back to the drywall face', () => {
    const { planes, jambExtension_mm, tapeBuildUp_mm } = stack(70);
    expect(planes['frame-front']).toBe(97);
    expect(planes['frame-back']).toBe(14);
    expect(planes['interior-face']).toBe(-165);
    expect(jambExtension_mm).toBe(179);
    expect(tapeBuildUp_mm).toBeCloseTo(1.8, 9);
  });

  it('5° over 140 mm rises 12.2 mm; 1 in 12 is 4.76°; the pad under a 60 mm frame is the same wedge turned round', () => {
    const set = slopeSetOut({ slope_deg: 5, depth_mm: 140, thin_mm: 3, bearing_mm: 60 });
    expect(set.thick_mm - set.thin_mm).toBeCloseTo(12.248, 3);
    expect(set.pad.outer_mm / 60).toBeCloseTo((set.thick_mm - set.thin_mm) / 140, 12);
    expect(parseSlope('1:12')).toBeCloseTo(4.7636, 4);
    expect([
      parseSlope('5°'),
      parseSlope('1 in 20')?.toFixed(3),
      parseSlope('1:0'),
      parseSlope('steep'),
    ]).toEqual([5, '2.862', null, null]);
  });
});

describe('altitude', () => {
  /** ISO 2533, table values, from memory. */
  it.each([
    [0, 101_325],
    [1000, 89_874.6],
    [2000, 79_495.2],
    [3000, 70_108.5],
  ])('at %d m (geopotential) the standard atmosphere has %d Pa, within 2 Pa', (h, p) =>
    expect(Math.abs(airPressure(h) - p)).toBeLessThan(2),
  );

  it('made at 1600 m, set at 2400 m: about −79 hPa', () =>
    expect(altitudeDifference(1600, 2400) / 100).toBeCloseTo(-79, 0));
});
