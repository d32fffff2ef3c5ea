/** The one length type of the product: what somebody typed, and the millimetres it stands for. */

export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 304.8;

/** Finest step of a tape measure in inches that Hulvek writes: 1/16 in. */
export const INCH_DENOMINATOR = 16;

export type LengthUnit = 'mm' | 'in';

/** A length as it was entered. `typed` is never rewritten; `mm` is what everything computes with. */
export interface TypedLength {
  readonly typed: string;
  readonly mm: number;
}

export const inches = (value: number): number => value * MM_PER_INCH;
