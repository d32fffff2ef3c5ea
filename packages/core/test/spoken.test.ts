/** A card never sends anybody looking for a thing that is not there: what its words name is in the plan, and declared. */
import { describe, expect, it } from 'vitest';
import {
  axes,
  axisIds,
  exampleJob,
  openingsOf,
  planOpening,
  presetIds,
  stepText,
  type Opening,
  type Plan,
} from '@hulvek/core';
import { nounIds, nouns, type Noun, type NounId } from '../src/texts/en/nouns.ts';
import { stepNouns } from '../src/texts/en/step-nouns.ts';
import { randomCase } from './golden/cases.ts';
import { count } from './support/count.ts';

/** Names that a step's words use, in every rendering that was looked at. */
const spoken = new Map<string, Set<NounId>>();

/** Every name in the words of a plan's steps whose thing is not there. */
function strangers({ build, choices, unit }: Plan): string[] {
  if (!build) return [];
  const roles = new Set<string>(build.pieces.flatMap((piece) => piece.roles));
  const materials = new Set<string>([
    ...build.base.map(({ material }) => material),
    ...build.pieces.flatMap((piece) =>
      piece.form === 'sheet'
        ? [piece.sheet.material]
        : piece.form === 'solid'
          ? piece.solids.map(({ material }) => material)
          : [],
    ),
  ]);
  return build.steps.flatMap((step) => {
    const { short, title, how, why, look = '', caution = '' } = stepText(step.id, choices, unit?.operation);
    const said = [short, title, how, why, look, caution].join(' ');
    return nounIds.flatMap((id) => {
      const noun: Noun = nouns[id];
      if (!noun.said.test(said)) return [];
      spoken.set(step.id, (spoken.get(step.id) ?? new Set()).add(id));
      const there =
        noun.roles?.some((role) => roles.has(role)) ||
        noun.materials?.some((material) => materials.has(material)) ||
        noun.needs?.some((need) => step.needs.includes(need));
      return there ? [] : [`${step.id} speaks of ${id}`];
    });
  });
}

describe('the words of the steps', () => {
  it('speak of what is there, in every school with every choice changed on its own', () => {
    const found = new Set<string>();
    for (const preset of presetIds) {
      const file = exampleJob(preset);
      const [opening] = openingsOf(file);
      if (!opening) throw new Error('no opening');
      for (const axis of axisIds)
        for (const choice of axes[axis]) {
          const changed = { ...opening, choices: { ...opening.choices, [axis]: choice } } as Opening;
          for (const one of strangers(planOpening(changed, file)))
            found.add(`${preset}, ${axis} ${choice}: ${one}`);
        }
    }
    expect([...found]).toEqual([]);
  });

  it('and in random mixtures of choices', () => {
    const found = new Set<string>();
    for (let seed = 1; seed <= count(500, 120); seed++) {
      const { opening, job, name } = randomCase(seed);
      for (const one of strangers(planOpening(opening, job))) found.add(`${name}: ${one}`);
    }
    expect([...found]).toEqual([]);
  });

  it('speak of nothing that they do not declare, and declare nothing that they never speak of', () => {
    for (const [step, declared] of Object.entries(stepNouns)) {
      const said = [...(spoken.get(step) ?? [])];
      expect(
        said.filter((noun) => !declared.includes(noun)),
        `${step} does not declare`,
      ).toEqual([]);
      // Not every step is in the mixtures of a sample.
      if (said.length > 0) expect(declared.length, step).toBeGreaterThan(0);
    }
  });
});
