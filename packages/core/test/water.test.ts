import { describe, expect, it } from 'vitest';
import {
  exampleJob,
  openingsOf,
  planOpening,
  presetIds,
  traceWater,
  withChanges,
  type Build,
  type Opening,
  type PresetId,
  type SourceTrace,
  type WallChange,
} from '@hulvek/core';
import { expectedMistakes, expectedWater, type ExpectedSource } from './water.expected.ts';

const built = (preset: PresetId, changes: Partial<Opening> = {}): Build => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  const { build } = opening ? planOpening({ ...opening, ...changes }, file) : { build: null };
  if (!build) throw new Error(`${preset} is not built`);
  return build;
};
const changed = (build: Build, ...changes: WallChange[]): SourceTrace[] => {
  const result = withChanges(build, changes);
  if (!result.ok) throw new Error(result.error);
  return traceWater(result.value.build, { lost: result.value.lost });
};
/** The gravest part of a source, its bonds without their side. */
const worst = (traces: readonly SourceTrace[], source: ExpectedSource) => {
  const part = traces.find((trace) => trace.source === source)?.parts[0];
  const sideless = (bond: string) =>
    /^(slit-tape|corner-patch|jamb-tape)/.test(bond) ? bond.replace(/-(left|right)$/, '') : bond;
  return part && { outcome: part.outcome, k: part.k, bonds: part.bonds.map(sideless) };
};

describe.each(presetIds)('water in %s', (preset) => {
  const traces = traceWater(built(preset));
  it.each(Object.keys(expectedWater[preset]) as ExpectedSource[])(
    'from the %s goes where it was written',
    (source) => {
      expect(worst(traces, source)).toEqual(expectedWater[preset][source]);
    },
  );
});

describe('a mistake', () => {
  it.each(expectedMistakes)('$name', ({ preset, change, source, expected }) => {
    const traces =
      change.kind === 'set'
        ? traceWater(built(preset, { numbers: change.numbers as Opening['numbers'] }))
        : change.kind === 'choose'
          ? traceWater(built(preset, { choices: change.choices as Opening['choices'] }))
          : changed(built(preset), change);
    expect(worst(traces, source)).toEqual(expected);
  });
});
