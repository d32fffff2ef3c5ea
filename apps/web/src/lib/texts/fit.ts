/** The word for a fit, which must not sound final while something is not measured. */
import type { FitVerdict } from '@hulvek/core';
import { text } from './en.ts';

export const fitWord = (fit: FitVerdict, measured: boolean): string =>
  measured ? text.job.fits[fit] : text.job.soFar(text.job.fits[fit]);
