/** How often a property is tried: a sample in every run, the full count in `./hulvek check --long`. */
export const isLong = process.env.HULVEK_LONG === '1';

/** The seed that a failing property named, to run it again; otherwise the same one in every run. */
export const SEED = Number(process.env.HULVEK_SEED ?? 20261128);

export const count = (full: number, sample: number): number => (isLong ? full : sample);

/** How often a property is tried. */
export const runs = (full: number, sample: number): { numRuns: number } => ({ numRuns: count(full, sample) });
