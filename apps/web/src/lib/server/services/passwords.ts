/** Which passwords are taken: long enough, and none that everybody tries first. */
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { LEAST_PASSWORD } from './accounts.ts';

export const LONGEST_PASSWORD = 200;

let guesser: ZxcvbnFactory | undefined;

/** Guessed within a hundred million tries: as much as somebody with a stolen digest makes in a day. */
const LEAST_SCORE = 2;

/** @param own words that are near at hand: name, e-mail */
export function passwordProblem(
  password: string,
  own: readonly string[] = [],
): 'too-short' | 'too-long' | 'too-common' | null {
  if (password.length < LEAST_PASSWORD) return 'too-short';
  if (password.length > LONGEST_PASSWORD) return 'too-long';
  guesser ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const words = own.flatMap((text) => text.split(/[\s@.]+/)).filter((word) => word.length > 2);
  return guesser.check(password, words).score < LEAST_SCORE ? 'too-common' : null;
}
