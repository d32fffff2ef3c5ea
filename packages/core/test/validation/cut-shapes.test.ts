/**
 * Shapes on the cut sheet against areas that the pieces have by themselves: what is left of a rectangle once its corners are
 * off is the piece. Source: geometry; the area of each piece is worked out from its faces, not from its outline.
 */
import { describe, expect, it } from 'vitest';
import {
  contextOf,
  exampleJob,
  flatPieces,
  notchesOf,
  openingsOf,
  planOpening,
  quinceCourt,
  sawnSection,
  skarvPoint,
  slitsOf,
  tanneryRow,
  type JobFile,
} from '@hulvek/core';

const plansOf = (file: JobFile) => openingsOf(file).map((opening) => planOpening(opening, contextOf(file)));
const plans = [skarvPoint(), tanneryRow(), quinceCourt()].flatMap(plansOf);
const area = (ring: readonly (readonly [number, number])[]) =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length] ?? [0, 0];
      return sum + x * ny - nx * y;
    }, 0) / 2,
  );

describe('corners that are cut off', () => {
  it('are what a pan lacks of its rectangle, in every pan of the demo', () => {
    const pans = plans.flatMap(({ build }) =>
      flatPieces(build?.pieces ?? []).filter(({ id, regions }) => id === 'pan' && regions.length > 0),
    );
    expect(pans.length).toBeGreaterThan(10);
    for (const pan of pans) {
      const off = notchesOf(pan).reduce((sum, n) => sum + n.count * n.along_mm * n.across_mm, 0);
      const whole = pan.size.length_mm * pan.size.width_mm;
      const left = pan.regions.reduce((sum, region) => sum + area(region), 0);
      // A corner is square or along a slant: its area is all or half of its rectangle.
      expect(whole - left).toBeLessThanOrEqual(off + 1);
      expect(whole - left).toBeGreaterThanOrEqual(off / 2 - 1);
    }
  });

  it('a plain strip has none, and its slits are named where the knife goes', () => {
    for (const { build } of plans)
      for (const flat of flatPieces(build?.pieces ?? [])) {
        if (flat.id === 'jamb-tape-left') expect(notchesOf(flat)).toEqual([]);
        expect(slitsOf(flat)).toHaveLength(flat.slits.length);
        for (const slit of slitsOf(flat)) {
          expect(slit.length_mm).toBeGreaterThan(1);
          expect(slit.from_mm).toBeLessThanOrEqual(flat.size.length_mm);
        }
      }
  });
});

describe('sections of boards', () => {
  it('a sill board shows its slope, a plain board nothing that its size does not say', () => {
    const sections = plans.flatMap(({ build }) =>
      (build?.pieces ?? []).flatMap((piece) => {
        const section = sawnSection(piece);
        return section ? [{ id: piece.id, section }] : [];
      }),
    );
    const board = sections.find(({ id }) => id === 'board');
    expect(board?.section.regions).toHaveLength(1);
    const [region = []] = board?.section.regions ?? [];
    // Two heights that differ: the front lower than the back.
    expect(new Set(region.map(([, y]) => Math.round(y))).size).toBeGreaterThan(2);
    expect(sections.every(({ id }) => id !== 'inner-rod')).toBe(true);
  });

  it('a buck with a leg is an L of two boards, and its areas are those of the boards that are sawn', () => {
    const bucks = (['foam-buck-outboard', 'foam-buck-inside'] as const).flatMap((preset) =>
      plansOf(exampleJob(preset)).flatMap(({ build }) =>
        (build?.pieces ?? []).flatMap((piece) => {
          const section = sawnSection(piece);
          return piece.form === 'solid' && /^buck-(left|right|head)$/.test(piece.id) && section
            ? [{ section, sawn: piece.sawn }]
            : [];
        }),
      ),
    );
    const withLeg = bucks.filter(({ sawn }) => sawn.length === 2);
    expect(withLeg.length).toBeGreaterThan(0);
    for (const { section, sawn } of withLeg) {
      expect(section.regions).toHaveLength(2);
      const drawn = section.regions.reduce((sum, region) => sum + area(region), 0);
      const cut = sawn.reduce((sum, { width_mm, thickness_mm }) => sum + width_mm * thickness_mm, 0);
      expect(drawn).toBeCloseTo(cut, 3);
      // It is no rectangle: the L leaves a corner of its box free.
      expect(drawn).toBeLessThan(section.size.wide_mm * section.size.high_mm - 1);
    }
  });
});
