/** The wall that words are shown in: one opening of the drained school, built once. */
import { buildOpening, contextOf, exampleJob, openingsOf, type Build } from '@hulvek/core';

let made: Build | null = null;

export function exampleBuild(): Build {
  if (made) return made;
  const file = exampleJob('drained-head-flap');
  const [opening] = openingsOf(file);
  const build = opening && buildOpening(opening, contextOf(file));
  if (!build) throw new Error('the example opening is not built');
  made = build;
  return build;
}
