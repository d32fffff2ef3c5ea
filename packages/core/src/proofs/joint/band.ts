/** Precompressed tape: which size fills a joint over the whole year. */

export interface BandSize {
  /** Joint that it closes, mm. */
  readonly from_mm: number;
  readonly to_mm: number;
}

/** Working ranges to choose from: invented, in the usual steps; the maker's own go before them. Common practice, no source. */
export const bandSizes: readonly BandSize[] = [
  { from_mm: 2, to_mm: 4 },
  { from_mm: 3, to_mm: 7 },
  { from_mm: 4, to_mm: 10 },
  { from_mm: 5, to_mm: 13 },
  { from_mm: 7, to_mm: 17 },
  { from_mm: 10, to_mm: 22 },
  { from_mm: 14, to_mm: 28 },
  { from_mm: 20, to_mm: 38 },
];

/** Returns the narrowest size that covers the joint from its least to its most; `null` where none does. */
export const bandFor = (least_mm: number, most_mm: number): BandSize | null =>
  bandSizes.find(({ from_mm, to_mm }) => from_mm <= least_mm && to_mm >= most_mm) ?? null;

/** Cut longer by this at every corner, and butted, never run round: common practice, no source. */
export const BAND_CORNER_mm = 5;
/** Colder than this it comes up slowly: wait before it is judged. Common practice, no source. */
export const SLOW_BELOW_C = 8;

/** Of all four sides, mm. @example bandLength(900, 1200) // 4220 */
export const bandLength = (width_mm: number, height_mm: number): number =>
  2 * (width_mm + height_mm) + 4 * BAND_CORNER_mm;
