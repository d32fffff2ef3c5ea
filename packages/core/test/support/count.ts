/** How often a property is tried: a sample in every run, the full count in `./hulvek check --long`. */
export const isLong = process.env.HULVEK_LONG === '1';

/** The seed that a failing property named, to run it again; otherwise the same one in every run. */
const SEED = Number(process.env.HULVEK_SEED ?? 20261128);

export const count = (full: number, sample: number): number => (isLong ? full : sample);

/** Options of a property that is the same in every run of the suite. */
export const property = (full: number, sample: number): { numRuns: number; seed: number } => ({
  numRuns: count(full, sample),
  seed: SEED,
});
