/** Procedures by which U and solar gain of a whole unit are found: their sizes and temperatures differ, and so do their figures. */
export const ratings = ['north-american', 'iso'] as const;
export type Rating = (typeof ratings)[number];
