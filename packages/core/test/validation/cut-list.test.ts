import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  exampleJob,
  openingsOf,
  pieceText,
  piecesSvg,
  planOpening,
  tear_mm,
  type PresetId,
} from '@hulvek/core';
import { foldLines } from '../../src/geometry/sheet.ts';
import { crooked, planWith, SQUARE } from '../support/openings.ts';
import { runs } from '../support/count.ts';

/**
 * Cut sizes worked by hand for an opening of 920 × 1225 in a wall of 12 mm sheathing on 140 mm studs, unit
 * 900 × 1200 with a 35 mm fin, all numbers at their defaults. Rules: common practice, no source.
 */
const HAND: readonly (readonly [piece: string, length: number, width: number, how: string])[] = [
  ['board', 920, 152, 'opening width; sheathing 12 + framing 140'],
  ['pan', 920 + 2 * 150, 140 / 0.996195 + 50, 'width + 2 upturns; (152 − 12) over cos 5° + lap 50'],
  [
    'jamb-flashing-left',
    1225 + 25 - (3 + 152 * 0.087489),
    152 + 50,
    'head + 25 down to the back of the board (16.30); depth + leg 50',
  ],
  ['head-flashing', 920 + 2 * 25, 202, 'width + 25 past each corner; depth + leg'],
  ['jamb-tape-left', 1200 + 35 + 25 + 35 + 100, 100, 'unit + fin + 25 above, fin + 100 below'],
  ['head-tape', 900 + 2 * 100 + 2 * 25, 100, 'outer edges of the jamb tapes + 25 each side'],
  ['slit-tape-left', 200 + 2 * 25, 100, 'slit + 25 past both ends'],
  ['bead', 2 * (1200 + 25) + 900 + 2 * 25, 8, 'in line with the fin holes 25 from the frame, sill open'],
  ['seal-sill', 920 + 2 * 25, 60, 'width + 25 up each jamb'],
  ['seal-left', 1225 - (3 + 58 * 0.087489), 60, 'board under the inner face of the frame to the head'],
];

describe('cut list', () => {
  const plan = planWith(SQUARE);
  it.each(HAND)('%s is %f long and %f wide: %s', (piece, length, width) => {
    const row = plan.cuts.find((cut) => cut.piece === piece);
    expect(row?.length_mm).toBeCloseTo(length, 1);
    expect(row?.width_mm).toBeCloseTo(width, 1);
  });

  it('the thick edge of the bevelled board is 3 mm plus 152 · tan 5° = 16.3 mm', () =>
    expect(plan.cuts.find((c) => c.piece === 'board')?.thickness_mm).toBeCloseTo(16.3, 2));

  it('opening size, unit and method alone give the same cut list', () => {
    const quick = planWith({ roughWidth: 920, roughHeight: 1225 });
    expect(quick.cuts).toEqual(plan.cuts);
    expect(quick.judgement.grade).toBe('not-checkable');
  });

  it('no sheet of 100 random openings is torn at a fold, and its faces in space have the area of its outline', () => {
    fc.assert(
      fc.property(crooked, (readings) => {
        for (const piece of planWith(readings).build?.pieces ?? []) {
          if (piece.form !== 'sheet') continue;
          expect(tear_mm(piece.sheet)).toBeLessThan(0.03);
          for (const face of piece.sheet.faces) {
            const flat = spaceArea(face.flat.map(([x, y]) => [x, y, 0]));
            // The 0.01 mm grid moves the edges of a narrow strip by less than 2 in 1000 of its area.
            expect(Math.abs(spaceArea(face.space) - flat)).toBeLessThan(0.002 * flat);
          }
        }
      }),
      runs(100, 20),
    );
  });

  it('the exported drawing is at true size: its page is the longest piece plus margins, in millimetres', () => {
    const svg = piecesSvg(plan.build?.pieces ?? [], (piece) => pieceText(piece.id));
    expect(svg).toContain(`width="${1395 + 40}mm"`);
    expect(svg.match(/data-piece=/g)).toHaveLength(13);
  });

  it('the pan folds at sill, face and both upturns, and stretches its corners instead of being slit', () => {
    const pan = plan.build?.pieces.find((p) => p.id === 'pan');
    if (pan?.form !== 'sheet') throw new Error('no pan');
    expect(foldLines(pan.sheet)).toHaveLength(5);
    expect(pan.sheet.slits).toHaveLength(0);
    // Rim of a 50 mm quarter less 5°: 50 · 85° = 74.2 mm, taken from 100 mm of tape.
    expect(pan.sheet.fans.map((fan) => fan.stretch)).toEqual([
      expect.closeTo(1.742, 3),
      expect.closeTo(1.742, 3),
    ]);
  });
});

/** Area of a plane polygon in space by the cross products of its edges. */
function spaceArea(ring: readonly (readonly [number, number, number])[]): number {
  const sum = [0, 0, 0];
  ring.forEach(([ax, ay, az], i) => {
    const [bx, by, bz] = ring[(i + 1) % ring.length] ?? [0, 0, 0];
    sum[0] = (sum[0] ?? 0) + (ay * bz - az * by) / 2;
    sum[1] = (sum[1] ?? 0) + (az * bx - ax * bz) / 2;
    sum[2] = (sum[2] ?? 0) + (ax * by - ay * bx) / 2;
  });
  return Math.hypot(...sum);
}

/** Lengths that the trade gives as formulas; common practice, no source. */
describe('formulas of the trade, on each school’s own example', () => {
  const of = (preset: PresetId) => {
    const file = exampleJob(preset);
    const [opening] = openingsOf(file);
    const plan = opening && planOpening(opening, file);
    if (!plan?.build) throw new Error(`${preset} is not built`);
    const { opening: o, unit, numbers } = plan.build.context;
    const cut = (piece: string) => {
      const row = plan.cuts.find((c) => c.piece === piece);
      if (!row) throw new Error(`${preset} has no ${piece}`);
      return row;
    };
    return { o, unit, numbers, cut };
  };

  it('pan W + 2 upturns; drained bead W + 2 H over the fin holes, barrier bead the whole ring', () => {
    for (const preset of ['drained-head-flap', 'open-studs', 'rigid-pan-heavy', 'cut-back-wrap'] as const) {
      const { o, numbers, cut } = of(preset);
      expect(cut('pan').length_mm, preset).toBeCloseTo(o.width + 2 * numbers.panUpturn, 2);
    }
    const drained = of('drained-head-flap');
    const { width: w, height: h } = drained.unit;
    expect(drained.cut('bead').length_mm).toBeCloseTo(w + 2 * 25 + 2 * (h + 25), 2);
    expect(of('closed-barrier').cut('bead').length_mm).toBeCloseTo(2 * (w + 50) + 2 * (h + 50), 2);
  });

  it('membrane: sides of the reveal + 4 × 2 × 25 + 50; apron a bay past each side; patches 100 long, two of them', () => {
    const { o, unit, numbers, cut } = of('masonry-cavity');
    const low = numbers.boardFront - unit.back * Math.tan((numbers.slope * Math.PI) / 180);
    expect(cut('membrane').length_mm).toBeCloseTo(2 * o.width + 2 * (o.height - low) + 4 * 2 * 25 + 50, 1);
    const studs = of('open-studs');
    expect(studs.cut('apron').length_mm).toBeCloseTo(studs.o.width + 2 * 400, 2);
    expect(studs.cut('apron').width_mm).toBeCloseTo(300, 2);
    const patched = of('cut-back-wrap');
    for (const side of ['left', 'right'])
      expect(patched.cut(`corner-patch-${side}`).length_mm).toBeCloseTo(100, 2);
  });

  it('head tape: outer edges of the jamb tapes + 2 × 25; a second one 25 further each side; tape turned 6.4 mm onto a separate fin’s frame', () => {
    const { unit, cut } = of('separate-fin-double-head');
    const reach = 100 - 6.35;
    expect(cut('head-tape').length_mm).toBeCloseTo(unit.width + 2 * (reach + 25), 2);
    expect(cut('head-tape-2').length_mm).toBeCloseTo(unit.width + 2 * (reach + 50), 2);
    expect(cut('jamb-tape-left').width_mm).toBeCloseTo(100, 2);
  });

  it('fluid: area times film, 0.35 mm wet', () => {
    const { cut } = of('fluid-recessed');
    expect(cut('pan').volume_ml).toBeCloseTo((cut('pan').area_mm2 * 0.35) / 1000, 6);
  });
});
