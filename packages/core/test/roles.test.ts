import { describe, expect, it } from 'vitest';
import {
  axes,
  axisIds,
  choiceText,
  exampleJob,
  factsOf,
  holdsFor,
  openingsOf,
  pieceRoles,
  pieceText,
  piecesFor,
  planOpening,
  presetIds,
  presets,
  type Choices,
  type Fact,
} from '@hulvek/core';
import { applicableRows } from '../src/build/sequence.ts';
import { pieceKinds } from '../src/methods/piece-kinds.ts';
import { rolesOfKind } from '../src/methods/piece-roles.ts';
import { pieceRows } from '../src/methods/piece-rows.ts';
import { stepRows } from '../src/methods/step-rows.ts';
import { stepTexts } from '../src/texts/en/steps.ts';
import { pieceTexts } from '../src/texts/en/pieces.ts';

/** Every school with every single choice made otherwise, in its own wall. */
function* everyChoice(): Iterable<{ name: string; choices: Choices; facts: Set<Fact> }> {
  for (const id of presetIds) {
    const file = exampleJob(id);
    const [wall, unit] = [file.walls[0], file.units[0]];
    if (!wall || !unit) throw new Error(id);
    for (const axis of axisIds)
      for (const choice of axes[axis]) {
        const choices = { ...presets[id].choices, [axis]: choice } as Choices;
        yield { name: `${id}, ${axis} ${choice}`, choices, facts: factsOf(wall, unit, choices) };
      }
  }
}

describe('rows of pieces', () => {
  it('over all choices every piece has a step that places it, whatever else is chosen', () => {
    const unplaced = new Map<string, string>();
    for (const { name, choices, facts } of everyChoice()) {
      const steps = applicableRows(stepRows, choices, facts);
      const placed = new Set(
        steps.flatMap((step) =>
          step.events.filter((e) => e.op === 'place' || e.op === 'fill').map((e) => e.thing),
        ),
      );
      for (const row of pieceRows)
        if (holdsFor(row.when, choices, facts) && !placed.has(row.id)) unplaced.set(row.id, name);
    }
    expect([...unplaced]).toEqual([]);
  });

  it('each plays every role of its kind, and every role is played by some piece', () => {
    for (const row of pieceRows)
      expect(row.roles, row.id).toEqual(expect.arrayContaining([...rolesOfKind[row.kind]]));
    const played = new Set(pieceRows.flatMap((row) => row.roles));
    expect(pieceRoles.filter((role) => !played.has(role))).toEqual([]);
    expect(Object.keys(rolesOfKind).sort()).toEqual([...pieceKinds].sort());
  });

  it('each has a name in words, and steps have theirs', () => {
    expect(pieceRows.filter(({ id }) => !(id in pieceTexts)).map(({ id }) => id)).toEqual([]);
    for (const { id } of pieceRows) expect(pieceText(id)).not.toBe(id);
    expect(stepRows.filter(({ id }) => !(id in stepTexts)).map(({ id }) => id)).toEqual([]);
  });

  it('each is made of a material, and says what it does to whoever asks by role', () => {
    for (const id of presetIds) {
      const file = exampleJob(id);
      const [opening] = openingsOf(file);
      const build = opening && planOpening(opening, file).build;
      if (!build) throw new Error(id);
      for (const piece of build.pieces) {
        const materials =
          piece.form === 'sheet'
            ? [piece.sheet.material]
            : piece.form === 'solid'
              ? piece.solids.map((solid) => solid.material)
              : ['sealant'];
        expect(materials.length, piece.id).toBeGreaterThan(0);
        for (const role of piece.roles) expect(piecesFor(build, role)).toContain(piece);
      }
    }
  });

  it('every choice on every axis has a name and a sentence', () => {
    for (const axis of axisIds)
      for (const choice of axes[axis]) {
        const { name, ...rest } = choiceText(axis, choice);
        expect(name, `${axis} ${choice}`).not.toBe('');
        expect(Object.values(rest).join(''), `${axis} ${choice}`).not.toBe('');
      }
  });
});
