/**
 * What the trade and plane geometry say of the questions that practice asks, worked by hand before there was any code that
 * asks them. Common practice, no source, unless another one is named.
 */

/** A tape: the mark and what it reads, mm. Source: 25.4 mm to the inch. */
export const TAPE: readonly (readonly [mark: string, mm: number])[] = [
  ['36 3/8', 923.925],
  ['0 1/16', 1.5875],
  ['47 15/16', 1217.6125],
];

/** A rack of four corners on a level base: width, height and the two diagonals, and how far the top leans to the right. */
export const LEAN: readonly (readonly [
  width: number,
  height: number,
  rising: number,
  falling: number,
  lean: number,
])[] = [
  // Square: 3-4-5.
  [900, 1200, 1500, 1500, 0],
  // Top moved 6 to the right: √(906² + 1200²) and √(894² + 1200²).
  [900, 1200, Math.hypot(906, 1200), Math.hypot(894, 1200), 6],
];

/** The sill by the levelling line, left, middle, right (height over the lowest), and the shims under a level unit. */
export const SHIMS: readonly (readonly [
  sill: readonly number[],
  least: number,
  at: number,
  thick: number,
])[] = [
  [[0, 2, 6], 3, 0, 9],
  [[0, 2, 6], 3, 1, 3],
  // Half way from the middle (2) to the right end (6).
  [[0, 2, 6], 3, 0.75, 5],
  [[4, 0, 4], 3, 0.5, 7],
];

/**
 * Which seal closes a joint that does not move, by its width, mm: sealant on a rod from 3 to 25; foam that seals from 6 to 40;
 * a strip into the corner as far as it reaches; a precompressed band of one of the invented sizes.
 */
export const SEALS: readonly (readonly [
  width: number,
  closes: readonly string[],
  does_not: readonly string[],
])[] = [
  [4, ['corner-tape', 'sealant-rod', 'precompressed'], ['foam-alone']],
  [12, ['corner-tape', 'sealant-rod', 'foam-alone', 'precompressed'], []],
  [32, ['foam-alone', 'precompressed'], ['sealant-rod']],
  [45, [], ['sealant-rod', 'foam-alone', 'precompressed']],
];

/** What goes on what, of what is told most often. */
export const GRIP: readonly (readonly [sticks: string, on: string, says: string])[] = [
  ['rubberised-asphalt', 'vinyl', 'attacked'],
  ['rubberised-asphalt', 'epdm', 'attacked'],
  ['silicone-acid', 'bare-metal', 'attacked'],
  ['silicone-acid', 'masonry', 'attacked'],
  ['acrylic', 'wrap', 'goes'],
  ['acrylic', 'vinyl', 'goes'],
  ['acrylic', 'cured-silicone', 'no-stick'],
  ['butyl', 'masonry', 'primer'],
  ['acrylic', 'cedar-or-treated', 'primer'],
];

/** Orders that are right and wrong in a drained wall with a flap at the head. */
export const ORDERS: readonly (readonly [right: boolean, steps: readonly string[]])[] = [
  [true, ['pan', 'set', 'jamb-tapes', 'head-tape']],
  [false, ['pan', 'set', 'head-tape', 'jamb-tapes']],
  [false, ['set', 'pan', 'jamb-tapes', 'head-tape']],
];
