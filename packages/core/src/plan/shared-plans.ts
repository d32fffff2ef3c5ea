/** Plans shared between openings that are alike: of a hundred equal ones one is built and proven. */
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import { canonical } from '../quantities/content-hash.ts';

/**
 * What a plan takes with its proofs made, byte: 181 kB in the mean of all schools, measured on the heap. Plans are kept
 * by this estimate, their keys by their length.
 */
const PLAN_bytes = 200_000;
const CHAR_bytes = 2;

/** Stands where an opening says which one it is. */
const ALIKE = 'alike' as Opening['id'];

/** Most of what is kept goes by use: what was asked for longest ago leaves first. */
export class SharedPlans<Made> {
  readonly #limit_bytes: number;
  readonly #made = new Map<string, { readonly bytes: number; readonly value: Made }>();
  readonly #contexts = new WeakMap<JobContext, string>();
  #bytes = 0;

  /** @param limit_bytes about what all of it may take */
  constructor(limit_bytes = 100_000_000) {
    this.#limit_bytes = limit_bytes;
  }

  /** How many different plans are kept. */
  get size(): number {
    return this.#made.size;
  }

  /**
   * Returns what was made for an opening like this one in a job like this one, or makes it. The whole input is the key, so
   * that nothing is ever taken for something else; what is made is handed no name, mark or place of any opening.
   */
  of(opening: Opening, job: JobContext, make: (alike: Opening) => Made): Made {
    const alike: Opening = { ...opening, id: ALIKE, mark: ALIKE, name: '', position: undefined };
    const key = `${this.#textOf(job)}\n${canonical(alike)}`;
    const known = this.#made.get(key);
    if (known) {
      this.#made.delete(key);
      this.#made.set(key, known);
      return known.value;
    }
    const value = make(alike);
    this.#keep(key, value);
    return value;
  }

  #textOf(job: JobContext): string {
    const known = this.#contexts.get(job);
    if (known !== undefined) return known;
    const text = canonical(job);
    this.#contexts.set(job, text);
    return text;
  }

  #keep(key: string, value: Made): void {
    const bytes = PLAN_bytes + key.length * CHAR_bytes;
    this.#made.set(key, { bytes, value });
    this.#bytes += bytes;
    for (const [oldest, kept] of this.#made) {
      if (this.#bytes <= this.#limit_bytes || oldest === key) return;
      this.#made.delete(oldest);
      this.#bytes -= kept.bytes;
    }
  }
}
