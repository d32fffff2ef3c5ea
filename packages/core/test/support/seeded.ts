/** Properties are the same in every run; HULVEK_SEED runs them again by another seed, or by the one that failed. */
import fc from 'fast-check';
import { SEED } from './count.ts';

fc.configureGlobal({ seed: SEED });
