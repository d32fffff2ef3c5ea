/** The four sides of an opening, and the cuts through them. */

export const sides = ['left', 'right', 'head', 'sill'] as const;

export type Side = (typeof sides)[number];

export const cutIds = ['head', 'left', 'right', 'sill'] as const;

export type CutId = (typeof cutIds)[number];
