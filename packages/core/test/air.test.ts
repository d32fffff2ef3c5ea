import { describe, expect, it } from 'vitest';
import {
  airCorners,
  cutIds,
  exampleJob,
  openingsOf,
  planOpening,
  presetIds,
  proveAir,
  type Build,
  type Opening,
  type PresetId,
} from '@hulvek/core';
import { expectedAir } from './air.expected.ts';

const built = (preset: PresetId, changes: Partial<Opening> = {}): Build => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  const { build } = opening ? planOpening({ ...opening, ...changes }, file) : { build: null };
  if (!build) throw new Error(`${preset} is not built`);
  return build;
};

describe.each(presetIds)('the pen line of %s', (preset) => {
  const proof = proveAir(built(preset));
  const expected = expectedAir[preset];
  it.each(cutIds)('runs at the %s as it was written', (side) => {
    const found = proof.sides.find((s) => s.side === side);
    const wanted = expected.sides[side];
    if (typeof wanted === 'string') expect(found?.line?.join(' ')).toBe(wanted);
    else expect(found?.lifts.map(({ kind }) => kind)).toContain(wanted.lifts);
  });
  it.each(airCorners)('passes or leaves open the corner %s as it was written', (corner) => {
    expect(proof.open.includes(corner)).toBe(expected.open.includes(corner));
  });
});
