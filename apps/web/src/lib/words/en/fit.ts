/** The word for a fit, which must not sound final while something is not measured. */
import type { FitVerdict } from '@hulvek/core';
import { jobWords } from './shell.ts';

export const fitWord = (fit: FitVerdict, measured: boolean): string =>
  measured ? jobWords.fits[fit] : jobWords.soFar(jobWords.fits[fit]);
