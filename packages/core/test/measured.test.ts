/** What is measured at a step: asked for from the plan, judged by its limits, and told to the wall as built. */
import {
  asBuilt,
  asksAt,
  contextOf,
  exampleJob,
  isOutside,
  measuredAt,
  openingsOf,
  planOpening,
  proveWater,
  exposedTo,
  startingShelf,
  type Build,
  type Entry,
  type Material,
  type PresetId,
} from '@hulvek/core';
import { describe, expect, it } from 'vitest';
import { entry as logged } from './support/site.ts';

function planned(school: PresetId) {
  const file = exampleJob(school);
  const [opening] = openingsOf(file);
  const job = contextOf(file);
  const plan = opening && planOpening(opening, job);
  if (!opening || !plan?.build) throw new Error(`${school} cannot be built`);
  return { opening, job, unit: plan.unit, build: plan.build };
}
const asked = (build: Build, materials: readonly Material[] = []) =>
  build.steps.flatMap((step) => asksAt(build, step, materials).map((ask) => ({ step: step.id, ask })));

const entry = (kind: Entry['kind'], step: string, facts: Entry['facts'] = null): Entry =>
  logged(kind, step, { facts });
const measured = (step: string, place: string, value: number, accepted?: string): Entry =>
  entry('measured', step, { kind: 'measured', what: 'film', place, value, ...(accepted && { accepted }) });

describe('what a step asks to be measured', () => {
  const { build } = planned('fluid-recessed');

  it('is the wet film of every brushed piece, at least what the plan counts on', () => {
    const films = asked(build).filter(({ ask }) => ask.what === 'film');
    const brushed = build.pieces.filter((piece) => piece.form === 'sheet' && piece.film_mm !== undefined);
    expect(films.map(({ ask }) => ask.place).sort()).toEqual(brushed.map(({ id }) => id).sort());
    for (const { ask } of films) expect(ask.least).toBeGreaterThan(0);
  });

  it('is level, plumb and square again after every group of fasteners', () => {
    for (const step of build.steps.filter(({ role }) => role === 'fasten' || role === 'align'))
      expect(asksAt(build, step).map(({ what }) => what)).toEqual(
        expect.arrayContaining(['sill-level', 'plumb', 'diagonals']),
      );
  });

  it('is the surface within what the job’s own stock asks for, and the usual where nobody says', () => {
    const { build: taped } = planned('drained-head-flap');
    const surfaces = (materials: readonly Material[]) =>
      asked(taped, materials).flatMap(({ ask }) => (ask.what === 'surface' ? [ask] : []));
    expect(surfaces([])[0]).toMatchObject({ least: 5, most: 40 });
    const shelf = startingShelf().flatMap(({ kind, document }) =>
      kind === 'materials' ? [document as Material] : [],
    );
    // Acrylic tape to −5, butyl to 0.
    expect(new Set(surfaces(shelf).map(({ least }) => least))).toContain(-5);
  });
});

describe('a figure', () => {
  it('is inside at its limits and outside beyond them', () => {
    expect(isOutside({ least: 0.5, most: null }, 0.5)).toBe(false);
    expect(isOutside({ least: 0.5, most: null }, 0.49)).toBe(true);
    expect(isOutside({ least: null, most: 1.6 }, 1.6)).toBe(false);
    expect(isOutside({ least: null, most: 1.6 }, 1.61)).toBe(true);
    expect(isOutside({ least: null, most: null }, 9)).toBe(false);
  });

  it('of several the newest counts, all are kept, and one outside stays only with a reason', () => {
    const ask = { what: 'film', place: 'pan', least: 0.5, most: null } as const;
    const told = (...entries: readonly Entry[]) => measuredAt([ask], entries)[0];
    expect(told()).toMatchObject({ entry: null, outside: false });
    expect(told(measured('s', 'pan', 0.3))).toMatchObject({ value: 0.3, outside: true, accepted: null });
    expect(told(measured('s', 'pan', 0.3), measured('s', 'pan', 0.6))).toMatchObject({
      value: 0.6,
      outside: false,
    });
    expect(told(measured('s', 'pan', 0.3), measured('s', 'pan', 0.6))?.all).toHaveLength(2);
    expect(told(measured('s', 'pan', 0.3, 'second coat tomorrow'))).toMatchObject({
      outside: true,
      accepted: 'second coat tomorrow',
    });
    expect(told(measured('s', 'sill', 0.3))).toMatchObject({ entry: null });
  });

  it('of a film that is too thin shows in the water of the wall as built, and no more once it is thick enough', () => {
    const { build, opening, job, unit } = planned('fluid-recessed');
    const ticks = build.steps.map(({ id }) => entry('tick', id));
    const pan = build.pieces.find(({ roles }) => roles.includes('pan'));
    const step = build.steps.find(({ places }) => places.includes(pan?.id ?? ''))?.id ?? '';
    const exposed = exposedTo({ opening, job, unit });
    const water = (...more: readonly Entry[]) => {
      const built = asBuilt(build, [...ticks, ...more]);
      return { changes: built.changes, verdict: proveWater(built.build, exposed).verdict };
    };
    const sound = water();
    const thin = measured(step, pan?.id ?? '', 0.05);
    expect(water(thin).changes).toEqual([{ kind: 'film', piece: pan?.id, mm: 0.05 }]);
    expect(water(thin).verdict).not.toBe(sound.verdict);
    expect(water(thin, measured(step, pan?.id ?? '', 2)).verdict).toBe(sound.verdict);
  });
});
