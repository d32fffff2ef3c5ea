/** The door of this room. */
export * from './example.ts';
export * from './quince-court.ts';
export * from './shelf.ts';
export * from './skarv-point.ts';
export * from './tannery-row.ts';
